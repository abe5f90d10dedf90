/// What was seen in the glass and made of it since: photos, findings, depths, answers, and what was found assembled wrongly.
///
/// Start at [Glass], the state, and [GlassEvent], what it is the fold of. A finding as it stands is a [Known]; [Outlining] decides which findings are one.
/// What a finding does to a picture is computed elsewhere (`grade`). Where the optical section is not known, nothing is ruled out by it.
@NullMarked
package stillglass.ticket.glass;

import org.jspecify.annotations.NullMarked;

/// Light seals: how thick the foam must be, how strips are cut from what is there with least waste, and the template.
///
/// Start at [SealPlan]. Lengths in millimetres.
@NullMarked
package stillglass.care.seals;

import org.jspecify.annotations.NullMarked;

/// Reads a photograph of a lens: what the clear glass within its rim ([stillglass.look.rim]) would look like without faults, and what departs from that.
///
/// Start at [PhotoGrading]. The glass is brought to a frame of fixed size ([GlassFrame]), so that every threshold and filter is in units of
/// its radius. [CandidateFinder] gathers what stands out, [Measuring] takes its [stillglass.look.kinds.Features]; the kind is judged by
/// [stillglass.look.kinds.KindModel]. Linear light throughout, pixels with y down, aperture units with y up.
@NullMarked
package stillglass.look.reading;

import org.jspecify.annotations.NullMarked;

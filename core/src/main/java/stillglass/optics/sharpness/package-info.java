/// What a lens makes of a distant point: spots, transfer, distortion, best focus.
///
/// Start at [LensReport], the full account of a lens wide open. [SpotSurvey] answers spots and focus alone, fast
/// enough to try hundreds of assembly faults. Spots in micrometres, frequencies in cycles per millimetre, planes
/// measured from the last vertex. Tracing itself lives in `optics`.
/// Sources: Welford 1986; H. H. Hopkins 1957 for the transfer function.
@NullMarked
package stillglass.optics.sharpness;

import org.jspecify.annotations.NullMarked;

/// How sharp a photo of straight edges is, and what that says of the lens that took it. Start at [SharpnessReading].
///
/// [EdgeFinder] looks for straight, slanted edges on whatever was photographed; [SlantedEdge] measures one.
///
/// Source: the slanted-edge method of ISO 12233 (edge spread from all rows, projected along the edge; its derivative; its Fourier transform).
@NullMarked
package stillglass.prove.edge;

import org.jspecify.annotations.NullMarked;

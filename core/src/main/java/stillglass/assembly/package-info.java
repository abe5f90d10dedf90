/// What an instrument is made of: parts, the joints between them, the references a joint destroys.
///
/// Start at [Instrument]. A joint is the thing one opens: it needs a tool from one side, takes time, carries a
/// risk, may free parts, let loose a ball or a spring, and may lose a reference that must be marked before.
///
/// Lengths in mm, axial positions from the first vertex of the lens, radii from the axis, clock positions seen
/// from the front with the index at 12. No sequence is computed here (see `plan`), nothing is recorded (see `ticket`).
@NullMarked
package stillglass.assembly;

import org.jspecify.annotations.NullMarked;

/// Lens sections made at the bench, when no design is at hand.
///
/// Start at [MeasuredSection]: loose glasses measured with spherometer, micrometer and caliper become a section.
/// [FormGuess] scales a lens of the same form; [TwoPlane] knows two rims and an iris only. Each result carries its
/// origin ([stillglass.optics.LensSection.Basis]) so that everything computed from it can say that it is an estimate, and
/// remarks on what was assumed. Millimetres. Finding the order of stray glasses does not live here.
@NullMarked
package stillglass.optics.measured;

import org.jspecify.annotations.NullMarked;

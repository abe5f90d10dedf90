/// What a finding does to a picture, and what to advise.
///
/// Start at [ShowThrough]: the beam of every picture point at every stop is laid over the finding. [Grader] turns the
/// effect into a grade 0 to 4 by documented thresholds ([GradeRules]); [Advice] says what to do and why.
/// Millimetres on the surface; shares of light 0 to 1. No images and no tickets here.
@NullMarked
package stillglass.grade;

import org.jspecify.annotations.NullMarked;

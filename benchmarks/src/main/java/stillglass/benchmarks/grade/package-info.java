/// Reports on how well grading's claims hold.
@NullMarked
package stillglass.benchmarks.grade;

import org.jspecify.annotations.NullMarked;

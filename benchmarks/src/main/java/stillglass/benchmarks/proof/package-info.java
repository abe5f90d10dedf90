/// Whether the errors that measurements state hold: every quantity on drawn cases whose truth is known in closed form. Start at [Coverage].
@NullMarked
package stillglass.benchmarks.proof;

import org.jspecify.annotations.NullMarked;

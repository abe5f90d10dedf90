/// What is really wrong with a simulated instrument. Start at [HiddenTruth].
@NullMarked
package stillglass.sim.truth;

import org.jspecify.annotations.NullMarked;

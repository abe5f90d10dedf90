/// The virtual bench: an instrument with hidden truth that gives photographs and readings with noise.
///
/// Start at [stillglass.sim.truth.HiddenTruth]; [InspectionCamera] photographs it, [VirtualCollimator] measures its infinity. [DemoScript] tells the
/// stories of the demo tickets as acts for the application to carry out. Same seed, same result. No files, no window.
@NullMarked
package stillglass.sim;

import org.jspecify.annotations.NullMarked;

/// Ports to the instruments of the bench. Real drivers and the simulated devices of the virtual bench
/// implement them elsewhere. Start at [Collimator] and [PhotoCamera]. Millimetres; pictures as encoded files.
@NullMarked
package stillglass.device;

import org.jspecify.annotations.NullMarked;

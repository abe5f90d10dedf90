/// Shutters that do not exist, with a physics of their own. Start at [ShutterMechanism].
@NullMarked
package stillglass.sim.shutter;

import org.jspecify.annotations.NullMarked;

/// Gauges on a wire: what a serial port sends becomes readings. Nothing else of the window knows of ports.
@NullMarked
package stillglass.app.wired;

import org.jspecify.annotations.NullMarked;

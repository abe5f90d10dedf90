/// Arrive: what is this and what is wrong? Start at [ArriveModel]; [ArriveView] draws it.
@NullMarked
package stillglass.app.arrive;

import org.jspecify.annotations.NullMarked;

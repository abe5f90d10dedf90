/// The demo and whatever else is not real: stories told on a desk, and simulated devices that say so. Nothing a technician's own book is opened with reaches this room. Start at [DemoBook].
@NullMarked
package stillglass.app.practice;

import org.jspecify.annotations.NullMarked;

/// The day: the work of all open tickets over the hours of the shop. Start at [DayPage].
@NullMarked
package stillglass.app.day;

import org.jspecify.annotations.NullMarked;

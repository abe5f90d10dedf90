/// The bench day: tasks of all open tickets shared out over hands, tins and tanks. Start at [Day]; [DayPlan] is the answer.
@NullMarked
package stillglass.day;

import org.jspecify.annotations.NullMarked;

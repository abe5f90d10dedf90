/// What was measured and tried on the whole instrument: infinity, and its functions before and after the work. Start at [Readings].
@NullMarked
package stillglass.ticket.readings;

import org.jspecify.annotations.NullMarked;

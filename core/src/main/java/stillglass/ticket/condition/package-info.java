/// What is wrong with parts that are not glass: blades, barrels, slots, screws, foam. Start at [Condition].
@NullMarked
package stillglass.ticket.condition;

import org.jspecify.annotations.NullMarked;

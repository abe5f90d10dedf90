/// What came in: the ticket's tag, what is complained of, what it is used for. Start at [Arrival].
@NullMarked
package stillglass.ticket.arrival;

import org.jspecify.annotations.NullMarked;

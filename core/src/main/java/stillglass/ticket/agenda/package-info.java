/// When the work is to be done: times that are fixed, and how long somebody says it takes. Start at [Agenda].
@NullMarked
package stillglass.ticket.agenda;

import org.jspecify.annotations.NullMarked;

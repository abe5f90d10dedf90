/// What a job is worth, what has to be made or destroyed for it. Start at [Worth].
@NullMarked
package stillglass.ticket.worth;

import org.jspecify.annotations.NullMarked;

/// Where the job is to go: goals, the way in that was chosen, the stages called done, and where the technician knew better. Start at [Course].
@NullMarked
package stillglass.ticket.course;

import org.jspecify.annotations.NullMarked;

/// What was cleaned, and what is waited for. Start at [Care]. Which agent a part bears is computed elsewhere (`stillglass.care`).
@NullMarked
package stillglass.ticket.care;

import org.jspecify.annotations.NullMarked;

/// Small drawn pieces that several views use: lens silhouettes, the clock dial, grade steps, the strip over the stops.
/// They know numbers and styles, nothing of tickets. Colours come from the sheets.
@NullMarked
package stillglass.app.draw;

import org.jspecify.annotations.NullMarked;

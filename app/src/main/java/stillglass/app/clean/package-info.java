/// Clean: which route does each part survive? Start at [CleanModel]; [CleanView] draws the agents as a ladder.
@NullMarked
package stillglass.app.clean;

import org.jspecify.annotations.NullMarked;

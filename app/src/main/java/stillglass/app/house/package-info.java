/// Puts the window together. Start at [House].
@NullMarked
package stillglass.app.house;

import org.jspecify.annotations.NullMarked;

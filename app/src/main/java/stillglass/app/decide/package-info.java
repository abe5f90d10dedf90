/// Decide: will it show, is it curable, is it worth it? Start at [DecideModel]; [DecideView] draws it.
@NullMarked
package stillglass.app.decide;

import org.jspecify.annotations.NullMarked;

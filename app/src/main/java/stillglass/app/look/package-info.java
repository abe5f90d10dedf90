/// Look: what is in there, where, how much? Start at [LookModel]; [PhotoPane] shows the photo with its findings on it.
@NullMarked
package stillglass.app.look;

import org.jspecify.annotations.NullMarked;

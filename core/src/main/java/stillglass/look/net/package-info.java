/// What small learned networks share: how their numbers are written, and how they come down to where they err least.
@NullMarked
package stillglass.look.net;

import org.jspecify.annotations.NullMarked;

/// The glass seen whole: a picture of what departs from clean glass, coarse enough to be looked at at once, and a network that says of every place on it what it looks like.
@NullMarked
package stillglass.look.glance;

import org.jspecify.annotations.NullMarked;

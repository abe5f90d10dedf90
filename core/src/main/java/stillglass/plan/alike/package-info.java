/// A model that is on no map but built like one that is: how alike two lenses are, and a map carried over from one to the other. Start at [AlikeModel].
@NullMarked
package stillglass.plan.alike;

import org.jspecify.annotations.NullMarked;

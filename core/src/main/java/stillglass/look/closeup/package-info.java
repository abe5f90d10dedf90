/// What one thing that stands out of the glass looks like seen close by: brought to one size, turned outward up, and told by a small convolutional network.
@NullMarked
package stillglass.look.closeup;

import org.jspecify.annotations.NullMarked;

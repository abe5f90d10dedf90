/// What a hand should know at an act: a table of the trade's habits, each with its reason, and which of them fit what is in hand.
@NullMarked
package stillglass.care.knack;

import org.jspecify.annotations.NullMarked;

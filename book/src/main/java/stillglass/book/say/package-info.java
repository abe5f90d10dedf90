/// The Say line without a window: one line in, one answer out. Start at [SaySession].
@NullMarked
package stillglass.book.say;

import org.jspecify.annotations.NullMarked;

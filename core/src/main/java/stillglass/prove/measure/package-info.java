/// What can be measured on an instrument, what it may depart by, and what a figure with its error says about that. Start at [Quantity]; [Verdict] judges, [Streak] counts
/// good tries of a function that failed now and then.
@NullMarked
package stillglass.prove.measure;

import org.jspecify.annotations.NullMarked;

/// The headless verbs. Start at [Main]; one class a verb. Standard output carries the answer and nothing else,
/// exit status 0 done, 1 the answer is no, 2 bad input with one line naming file and field.
@NullMarked
package stillglass.cli;

import org.jspecify.annotations.NullMarked;

/// Reads and writes the JSON of lens sections, instruments, grade rules and care tables, each checked against its schema. Start at [Shelf] for what ships with the application, at [CheckedJson] for how a file is refused.
@NullMarked
package stillglass.book.data;

import org.jspecify.annotations.NullMarked;

/// A typed line as words, numbers, measures and names, before anybody knows what it is about.
///
/// Start at [Cursor]: it walks the tokens of a [Line], takes what fits and leaves its place unchanged where nothing does; whatever is left over in the end
/// was not understood, and is named. Decimals with point or comma, fractions (`3 1/4`), lengths in mm or inches, clock positions (`4:30`, `4.5 o'clock`) and
/// degrees are read here and nowhere else. What a line means lives with its subject; the whole grammar is put together in `words`.
@NullMarked
package stillglass.ticket.line;

import org.jspecify.annotations.NullMarked;

/// Pages beside the stages: the Book with all tickets and the shelf of known sections. Start at [BookPage].
@NullMarked
package stillglass.app.pages;

import org.jspecify.annotations.NullMarked;

/// Files that are written whole or not at all. Start at [SafeFile].
@NullMarked
package stillglass.book.file;

import org.jspecify.annotations.NullMarked;

/// Reads photographs safely into linear light: size checked before decoding, big ones reduced while reading. Start at [PhotoFiles].
@NullMarked
package stillglass.book.photo;

import org.jspecify.annotations.NullMarked;

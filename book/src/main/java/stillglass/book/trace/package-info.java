/// Reads recordings of sensors and microphones from files: WAV and CSV. Start at [TraceFiles].
@NullMarked
package stillglass.book.trace;

import org.jspecify.annotations.NullMarked;

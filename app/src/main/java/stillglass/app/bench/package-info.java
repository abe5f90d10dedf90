/// Bench mode: one step over the whole window, read from two metres, driven by four keys that a foot switch can send.
/// Start at [BenchModel]; [BenchView] draws it with [StepPicture].
@NullMarked
package stillglass.app.bench;

import org.jspecify.annotations.NullMarked;

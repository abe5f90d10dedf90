/// Recordings over time, of light or of sound, and what they tell of a shutter. Start at [ShutterReading]; [Recording] is what can be read.
///
/// A recording is run through once in coarse blocks to find where light fell ([Coarse], [LightSpans]), and then only what lies about a shot is looked at sample by
/// sample ([DarkLevel], [Pulse]): minutes of it need no more memory than a second.
///
/// Sources: concepts of exposure time and efficiency as in ISO 516 (shutters, timing); least squares by Levenberg and Marquardt; robust weights by
/// J. W. Tukey.
@NullMarked
package stillglass.prove.trace;

import org.jspecify.annotations.NullMarked;

/// Veiling glare from a black patch in a bright surround, and how a camera turns light into stored values. Start at [VeilReading].
///
/// Light is linear and relative, 0 to 1 of what a photo can store; exposures are relative too, as cameras note them: time × sensitivity / f-number².
@NullMarked
package stillglass.prove.veil;

import org.jspecify.annotations.NullMarked;

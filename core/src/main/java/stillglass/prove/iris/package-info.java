/// The opening of an iris from photos through it against the light: its area, its polygon, and each blade's departure. Start at [IrisReading].
@NullMarked
package stillglass.prove.iris;

import org.jspecify.annotations.NullMarked;

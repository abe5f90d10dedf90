/// What the pattern of a shutter's departures over all its speeds tells of the mechanism. Start at [SpeedReading].
///
/// The patterns are learned on simulated mechanisms ([SpeedLearning]) and ship as a table ([SpeedModelText]); nothing of the simulator is known here.
@NullMarked
package stillglass.prove.speed;

import org.jspecify.annotations.NullMarked;

/// Cleaning, and grease: which agent a part survives, and how much lubricant a thread wants.
///
/// Start at [AgentLadder]; its tables are data ([CareTables]) with a reason in every cell. [GreaseDose] computes
/// area, volume and mass. Millimetres, milligrams, minutes. Cautions defer to local rules.
@NullMarked
package stillglass.care;

import org.jspecify.annotations.NullMarked;

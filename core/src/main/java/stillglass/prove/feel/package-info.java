/// How a control feels, from its turning moment over its way. Start at [TorqueReading].
@NullMarked
package stillglass.prove.feel;

import org.jspecify.annotations.NullMarked;

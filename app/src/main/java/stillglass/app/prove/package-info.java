/// Prove: is it right? Start at [ProveModel]; [ProveView] draws it with [InfinityGauge] and writes the report.
@NullMarked
package stillglass.app.prove;

import org.jspecify.annotations.NullMarked;

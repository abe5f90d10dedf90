/// How often the right fault of an assembly is found, on lenses varied at random. Start at [FaultReport].
@NullMarked
package stillglass.benchmarks.fault;

import org.jspecify.annotations.NullMarked;

/// Simulated devices that measure what Prove shows by figures, on mechanisms with hidden faults: for the demo and for practice only. Start at [ProofDevices].
@NullMarked
package stillglass.sim.proof;

import org.jspecify.annotations.NullMarked;

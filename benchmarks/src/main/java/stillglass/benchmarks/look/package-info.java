/// Learns to tell kinds of faults apart on simulated photos, and measures on others how well that went.
///
/// Start at [LookReport]; [LearnKinds] makes the model that ships, [Baseline] is what plain thresholds achieve. Seeds below [Seeds#REPORT]
/// are for learning and choosing, those from there on only for the report.
@NullMarked
package stillglass.benchmarks.look;

import org.jspecify.annotations.NullMarked;

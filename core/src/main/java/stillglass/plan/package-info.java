/// The way in and the way back: which joints to open for a goal, in which order, and how to close them again.
///
/// Start at [WayIn]; [WayBack] reverses what was really done with its exceptions; [LookAlikes] compares screws.
/// Costs are minutes; risk is turned into minutes by a stated rate. Knows nothing of who did what when (see `ticket`).
@NullMarked
package stillglass.plan;

import org.jspecify.annotations.NullMarked;

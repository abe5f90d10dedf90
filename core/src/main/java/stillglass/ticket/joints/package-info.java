/// What was done to the joints of an instrument: how it came apart, what was noted of it, and how it goes together again.
///
/// Start at [Joints], the state, and [JointEvent], what it is the fold of. [JointDecisions] decides intents; the rules of closing stand in [Closings], those of
/// opening in [Openings], what is said of joints in [Notes]. A closing is a value ([Closing]): opening the joint again begins a new one, and what was stated,
/// greased, set and tested for the old one no longer counts. [Ledger] says what is not yet as it should be, [LearnedMap] what a record teaches about a model.
///
/// Facts themselves live in `facts`, the order of the rebuild in `plan`. No typed lines here.
@NullMarked
package stillglass.ticket.joints;

import org.jspecify.annotations.NullMarked;

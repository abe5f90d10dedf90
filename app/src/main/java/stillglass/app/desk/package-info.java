/// Between the core and the window: the flow intent, decision, events, book, state, view.
///
/// Start at [Desk]; views read [Work] and send intents. Two threads work behind the interface: one owns the logbook, one
/// computes. Nothing is drawn here.
@NullMarked
package stillglass.app.desk;

import org.jspecify.annotations.NullMarked;

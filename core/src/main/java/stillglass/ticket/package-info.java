/// The job on the bench: what the technician did, and the state that follows from it.
///
/// One way round: an [Intent] is decided by [Decision] against a [TicketState], giving either a refusal with a reason
/// or [TicketEvent]s; the book appends them; the new state is the fold of all events. Undo is an event too.
/// [Shorthand] reads the lines typed at the bench, [Comparison] holds a stated observation against the record,
/// [Ledger] knows what is still open. No clock and no storage here: times come in with the intents.
@NullMarked
package stillglass.ticket;

import org.jspecify.annotations.NullMarked;

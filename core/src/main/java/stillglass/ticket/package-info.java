/// The job on the bench: what the technician did, and the state that follows from it.
///
/// Start at [Story]: it folds the rows of a ticket into a [TicketState], one record for each subject the ticket speaks of. One way round: an act of intents
/// is decided by [Deciding] against the state, giving either a refusal with a reason or events; the book appends them; the new state is the fold of all.
/// Undo is an event, too.
///
/// Every subject is a room of its own with its events, intents, state and decisions: `arrival`, `readings`, `glass`, `joints` (and its `facts`), `care`,
/// `course`, `proof`; what they share is in `story`. Typed lines are read in `words`. Here stand only what joins the subjects, and what is computed from
/// several: [Assessment], [Recommendation], [Agreement]. No clock and no storage: times come in with the intents.
@NullMarked
package stillglass.ticket;

import org.jspecify.annotations.NullMarked;

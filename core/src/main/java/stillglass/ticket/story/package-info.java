/// What every subject of a ticket shares: how an act is decided, recorded and taken back.
///
/// Start at [Event]. An [Intent] is decided against the state and gives a [Decision]: events, or a refusal that says what to do instead. Events are
/// kept as [Recorded] rows, numbered from 1 within their ticket; that number is the version of the ticket after it. Every kind of event has a [Named]
/// name and version of its own, which outlive the class.
@NullMarked
package stillglass.ticket.story;

import org.jspecify.annotations.NullMarked;

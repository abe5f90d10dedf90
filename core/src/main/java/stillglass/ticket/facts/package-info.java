/// What is noted of a joint when it comes off, and stated again when it goes back.
///
/// Start at [Fact]. Every kind is one file: the record that holds it, which knows what it is about, how to ask for it without giving the answer away, how a
/// later statement compares and what a difference would do; and in it the [FactKind] that reads it from a typed line and names it for the logbook. Kinds are
/// found by themselves ([FactKinds]); nothing else lists them. Their words are in the core's bundle under `fact.`.
///
/// Lengths in mm, clock positions seen from the front. Whether a fact still waits to be seen again is known to `joints`.
@NullMarked
package stillglass.ticket.facts;

import org.jspecify.annotations.NullMarked;

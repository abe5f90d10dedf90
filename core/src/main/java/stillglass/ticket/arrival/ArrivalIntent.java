package stillglass.ticket.arrival;

import stillglass.ticket.story.Intent;

/// What is to be said of a ticket as a whole.
public sealed interface ArrivalIntent extends Intent permits ArrivalIntent.Begin, ArrivalEvent.SymptomNoted, ArrivalEvent.UseNoted, ArrivalEvent.OwnerNamed, ArrivalEvent.DueSet, ArrivalEvent.CameWith, ArrivalEvent.SectionKnown, ArrivalEvent.GotWet, ArrivalEvent.LineKept {
    /// Begins the ticket.
    record Begin(Tag tag) implements ArrivalIntent {}
}

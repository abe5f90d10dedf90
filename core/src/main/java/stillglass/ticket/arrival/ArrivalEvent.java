package stillglass.ticket.arrival;

import java.time.LocalDate;
import stillglass.ticket.story.Event;
import stillglass.ticket.story.Named;

/// What was said of a ticket as a whole. Kinds that are kept as they come are intents, too.
public sealed interface ArrivalEvent extends Event {
    @Named(value = "ticket-begun", version = 2)
    record Begun(Tag tag) implements ArrivalEvent {}

    /// @param text what is complained of
    @Named("symptom-noted")
    record SymptomNoted(String text) implements ArrivalEvent, ArrivalIntent {}

    /// @param text what the instrument is used for
    @Named("use-noted")
    record UseNoted(String text) implements ArrivalEvent, ArrivalIntent {}

    @Named("owner-named")
    record OwnerNamed(String owner) implements ArrivalEvent, ArrivalIntent {}

    @Named("due-set")
    record DueSet(LocalDate due) implements ArrivalEvent, ArrivalIntent {}

    /// Its optical section is known from now on: measured, guessed or read from a file.
    @Named("section-known")
    record SectionKnown(String sectionId) implements ArrivalEvent, ArrivalIntent {}

    /// A note about the whole.
    @Named("line-kept")
    record LineKept(String text) implements ArrivalEvent, ArrivalIntent {}
}

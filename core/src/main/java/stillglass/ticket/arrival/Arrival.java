package stillglass.ticket.arrival;

import java.util.List;
import java.util.Optional;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Event;
import stillglass.ticket.story.Grown;

/// What is known of a ticket as a whole. Immutable.
///
/// @param symptoms what is complained of, one each
/// @param use what it is used for; empty while nobody was asked
/// @param notes about the whole, as typed
/// @param with numbers of tickets it came with
/// @param wet how it got wet, where it did
public record Arrival(Tag tag, List<String> symptoms, String use, List<String> notes, List<String> with, Optional<ArrivalEvent.GotWet> wet) {
    /// Nothing has begun.
    public static final Arrival NONE = new Arrival(Tag.NONE, List.of(), "", List.of(), List.of(), Optional.empty());
    private static final int LONGEST = 4000;

    public Arrival {
        symptoms = List.copyOf(symptoms);
        notes = List.copyOf(notes);
        with = List.copyOf(with);
    }

    /// The state after one more event.
    public Arrival after(ArrivalEvent happened) {
        return switch (happened) {
            case ArrivalEvent.Begun e -> new Arrival(e.tag(), symptoms, use, notes, with, wet);
            case ArrivalEvent.SymptomNoted e -> new Arrival(tag, Grown.by(symptoms, e.text()), use, notes, with, wet);
            case ArrivalEvent.UseNoted e -> new Arrival(tag, symptoms, e.text(), notes, with, wet);
            case ArrivalEvent.OwnerNamed e -> new Arrival(tag.owned(e.owner()), symptoms, use, notes, with, wet);
            case ArrivalEvent.DueSet e -> new Arrival(tag.due(e.due()), symptoms, use, notes, with, wet);
            case ArrivalEvent.SectionKnown e -> new Arrival(tag.optics(e.sectionId()), symptoms, use, notes, with, wet);
            case ArrivalEvent.LineKept e -> new Arrival(tag, symptoms, use, Grown.by(notes, e.text()), with, wet);
            case ArrivalEvent.CameWith e -> new Arrival(tag, symptoms, use, notes, Grown.by(with, e.ticket()), wet);
            case ArrivalEvent.GotWet e -> new Arrival(tag, symptoms, use, notes, with, Optional.of(e));
        };
    }

    /// Decides an intent: an event, or a refusal that says what to do instead.
    public Decision decide(ArrivalIntent intent) {
        return switch (intent) {
            case ArrivalIntent.Begin b -> tag.begun() ? Decision.refused("begin.already", "number", tag.number())
                    : b.tag().number().isBlank() ? Decision.refused("begin.number") : b.tag().title().isBlank() ? Decision.refused("begin.what") : Decision.accepted(new ArrivalEvent.Begun(b.tag()));
            case ArrivalEvent.SymptomNoted e -> words(e, e.text());
            case ArrivalEvent.UseNoted e -> words(e, e.text());
            case ArrivalEvent.OwnerNamed e -> words(e, e.owner());
            case ArrivalEvent.LineKept e -> words(e, e.text());
            case ArrivalEvent.DueSet e -> Decision.accepted(e);
            case ArrivalEvent.CameWith e -> e.ticket().equals(tag.number()) ? Decision.refused("with.itself") : with.contains(e.ticket()) ? Decision.refused("with.already", "ticket", e.ticket()) : words(e, e.ticket());
            case ArrivalEvent.GotWet e -> Decision.accepted(e);
            case ArrivalEvent.SectionKnown e -> words(e, e.sectionId());
        };
    }

    private static Decision words(Event kept, String text) {
        return text.isBlank() ? Decision.refused("words.none") : text.length() > LONGEST ? Decision.refused("words.long", "most", LONGEST) : Decision.accepted(kept);
    }
}

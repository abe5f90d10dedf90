package stillglass.book.say;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import stillglass.assembly.Instrument;
import stillglass.book.data.Shelf;
import stillglass.ticket.arrival.ArrivalEvent;
import stillglass.ticket.arrival.ArrivalIntent;
import stillglass.ticket.arrival.Tag;
import stillglass.ticket.joints.LearnedMap;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Intent;

/// How a ticket begins: by name, with nothing else known, or on a model of the shelf.
public final class Begun {
    private Begun() {}

    /// A model is known again by its name.
    public static Tag byName(String number, String name, Instrument.Sort sort) {
        return new Tag(number, name, "own-" + LearnedMap.id(name), sort, Optional.empty(), Optional.empty(), Optional.empty());
    }

    /// A mapped model, or a lens of which only the section is known.
    /// @param model name or identifier
    public static Optional<Tag> ofShelf(String number, String model, Shelf shelf) {
        return shelf.instrumentIds().stream().map(shelf::instrument).filter(i -> i.name().equalsIgnoreCase(model) || i.id().equalsIgnoreCase(model)).findFirst()
                .map(i -> new Tag(number, i.name(), i.id(), i.sort(), i.sectionId(), Optional.empty(), Optional.empty()))
                .or(() -> shelf.sectionIds().stream().filter(id -> id.equalsIgnoreCase(model) || shelf.section(id).name().equalsIgnoreCase(model)).findFirst()
                        .map(id -> new Tag(number, shelf.section(id).name(), id, Instrument.Sort.LENS, Optional.of(id), Optional.empty(), Optional.empty())));
    }

    /// The beginning with what is wrong, one act.
    public static Act act(Tag tag, List<String> complaints) {
        List<Intent> intents = new ArrayList<>(List.of(new ArrivalIntent.Begin(tag)));
        complaints.forEach(c -> intents.add(new ArrivalEvent.SymptomNoted(c)));
        return new Act(intents);
    }
}

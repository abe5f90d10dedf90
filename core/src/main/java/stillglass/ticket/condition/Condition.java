package stillglass.ticket.condition;

import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import stillglass.assembly.Instrument;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Grown;
import stillglass.ticket.story.Phase;

/// What was found at places that are not glass. Immutable. A place nobody spoke of was not looked at: that is not the same as sound.
///
/// @param flaws the last that was said of each
/// @param sound places where nothing was found
public record Condition(Map<Key, ConditionEvent.FlawFound> flaws, List<Looked> sound) {
    /// Nobody has looked.
    public static final Condition NONE = new Condition(Map.of(), List.of());

    /// A flaw of a place at a time.
    public record Key(Phase phase, Place place, Flaw flaw) {}

    /// A place that was looked at.
    public record Looked(Phase phase, Place place) {}

    public Condition {
        flaws = Grown.kept(flaws);
        sound = List.copyOf(sound);
    }

    /// The state after one more event.
    public Condition after(ConditionEvent happened) {
        Looked where = new Looked(happened.phase(), happened.place());
        return switch (happened) {
            case ConditionEvent.FlawFound e -> new Condition(Grown.by(flaws, new Key(e.phase(), e.place(), e.flaw()), e), e.there() ? sound.stream().filter(s -> !s.equals(where)).toList() : sound);
            case ConditionEvent.PlaceSound e -> new Condition(flaws, Grown.by(sound.stream().filter(s -> !s.equals(where)).toList(), where));
        };
    }

    /// Decides an intent: an event, or a refusal that says what to do instead.
    public Decision decide(ConditionIntent intent, Instrument instrument) {
        return switch (intent) {
            case ConditionEvent.FlawFound f -> !f.place().has(f.flaw()) ? Decision.refused("flaw.not-there", "place", f.place().said(), "flaw", f.flaw().said(),
                    "flaws", f.place().flaws().stream().map(Flaw::said).toList()) : !Place.of(instrument.sort()).contains(f.place()) ? noPlace(f.place(), instrument) : Decision.accepted(f);
            case ConditionEvent.PlaceSound s -> !Place.of(instrument.sort()).contains(s.place()) ? noPlace(s.place(), instrument)
                    : at(s.phase(), s.place()).isEmpty() ? Decision.accepted(s) : Decision.refused("flaw.sound-not", "place", s.place().said(), "flaws", at(s.phase(), s.place()).stream().map(f -> f.flaw().said()).toList());
        };
    }

    private static Decision noPlace(Place place, Instrument instrument) {
        return Decision.refused("flaw.no-place", "place", place.said(), "places", Place.of(instrument.sort()).stream().map(Place::said).toList());
    }

    /// What is there at a place, in the order of looking.
    public List<ConditionEvent.FlawFound> at(Phase phase, Place place) {
        return place.flaws().stream().flatMap(f -> Stream.ofNullable(flaws.get(new Key(phase, place, f)))).filter(ConditionEvent.FlawFound::there).toList();
    }

    /// What was said of a flaw, that it is gone included.
    public Optional<ConditionEvent.FlawFound> said(Phase phase, Place place, Flaw flaw) {
        return Optional.ofNullable(flaws.get(new Key(phase, place, flaw)));
    }

    /// Whether somebody looked there and found nothing.
    public boolean sound(Phase phase, Place place) {
        return sound.contains(new Looked(phase, place)) && at(phase, place).isEmpty();
    }

    /// Whether anything was said of a place at all.
    public boolean looked(Phase phase, Place place) {
        return sound(phase, place) || place.flaws().stream().anyMatch(f -> said(phase, place, f).isPresent());
    }

    /// All that is there in a phase, in the order of places.
    public List<ConditionEvent.FlawFound> all(Phase phase) {
        return Arrays.stream(Place.values()).flatMap(p -> at(phase, p).stream()).toList();
    }

    /// Places of which anything was said, before or after the work.
    public List<Place> told() {
        Set<Place> places = new LinkedHashSet<>();
        flaws.keySet().forEach(k -> places.add(k.place()));
        sound.forEach(s -> places.add(s.place()));
        return Arrays.stream(Place.values()).filter(places::contains).toList();
    }
}

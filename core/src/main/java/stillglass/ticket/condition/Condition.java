package stillglass.ticket.condition;

import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import stillglass.assembly.Instrument;
import stillglass.care.Bump;
import stillglass.care.Covering;
import stillglass.say.Said;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Grown;
import stillglass.ticket.story.Phase;

/// What was found at places that are not glass. Immutable. A place nobody spoke of was not looked at: that is not the same as sound.
///
/// @param flaws the last that was said of each
/// @param sound places where nothing was found
/// @param coverings by the face they are on
/// @param bumps under them that stand there, by where they are, in the order they were measured
/// @param lifted bumps that are gone, by where they were, as they were measured last
public record Condition(Map<Key, ConditionEvent.FlawFound> flaws, List<Looked> sound, Map<String, Covering> coverings, Map<String, List<Bump.Seen>> bumps, Map<String, Bump.Seen> lifted) {
    private static final int MOST_FACES = 30;
    /// Nobody has looked.
    public static final Condition NONE = new Condition(Map.of(), List.of(), Map.of(), Map.of(), Map.of());

    /// A flaw of a place at a time.
    public record Key(Phase phase, Place place, Flaw flaw) {}

    /// A place that was looked at.
    public record Looked(Phase phase, Place place) {}

    public Condition {
        flaws = Grown.kept(flaws);
        sound = List.copyOf(sound);
        coverings = Grown.kept(coverings);
        bumps = Grown.kept(bumps);
        lifted = Grown.kept(lifted);
    }

    /// The state after one more event.
    public Condition after(ConditionEvent happened) {
        Looked where = new Looked(happened.phase(), happened.place());
        return switch (happened) {
            case ConditionEvent.FlawFound e -> new Condition(Grown.by(flaws, new Key(e.phase(), e.place(), e.flaw()), e), e.there() ? sound.stream().filter(s -> !s.equals(where)).toList() : sound, coverings, bumps, lifted);
            case ConditionEvent.PlaceSound e -> new Condition(flaws, Grown.by(sound.stream().filter(s -> !s.equals(where)).toList(), where), coverings, bumps, lifted);
            case ConditionEvent.CoveringSeen e -> new Condition(flaws, sound, Grown.by(coverings, key(e.where()), e.covering()), bumps, lifted);
            case ConditionEvent.BumpSeen e -> new Condition(flaws, sound.stream().filter(s -> !s.equals(where)).toList(), coverings, Grown.by(bumps, key(e.where()), Grown.by(bumps.getOrDefault(key(e.where()), List.of()), e.bump())), lifted);
            case ConditionEvent.BumpGone e -> gone(key(e.where()));
        };
    }

    /// Decides an intent: an event, or a refusal that says what to do instead.
    public Decision decide(ConditionIntent intent, Instrument instrument) {
        return switch (intent) {
            case ConditionEvent.FlawFound f -> !f.place().has(f.flaw()) ? Decision.refused("flaw.not-there", "place", f.place().said(), "flaw", f.flaw().said(),
                    "flaws", f.place().flaws().stream().map(Flaw::said).toList()) : !Place.of(instrument.sort()).contains(f.place()) ? noPlace(f.place(), instrument) : Decision.accepted(f);
            case ConditionEvent.CoveringSeen c -> covered(c, c.where(), coverings.size(), coverings.containsKey(key(c.where())), instrument);
            case ConditionEvent.BumpSeen b -> covered(b, b.where(), bumps.size(), bumps.containsKey(key(b.where())), instrument);
            case ConditionEvent.BumpGone b -> bumps.containsKey(key(b.where())) ? Decision.accepted(b) : Decision.refused("bump.none", "where", b.where());
            case ConditionEvent.PlaceSound s -> !Place.of(instrument.sort()).contains(s.place()) ? noPlace(s.place(), instrument)
                    : s.place() == Place.COVERING && !bumps.isEmpty() ? Decision.refused("bump.sound-not", "where", bumps.keySet().stream().toList())
                    : at(s.phase(), s.place()).isEmpty() ? Decision.accepted(s) : Decision.refused("flaw.sound-not", "place", s.place().said(), "flaws", at(s.phase(), s.place()).stream().map(f -> f.flaw().said()).toList());
        };
    }

    private Condition gone(String bump) {
        List<Bump.Seen> seen = bumps.getOrDefault(bump, List.of());
        return seen.isEmpty() ? this : new Condition(flaws, sound, coverings, Grown.less(bumps, bump), Grown.by(lifted, bump, seen.getLast()));
    }

    /// Faces are told apart by their names, however they are written.
    private static String key(String where) {
        return where.strip().toLowerCase(Locale.ROOT);
    }

    /// Whether another face, or another measurement of a bump, can be kept.
    private Decision covered(ConditionEvent e, String where, int now, boolean known, Instrument instrument) {
        if (!Place.of(instrument.sort()).contains(Place.COVERING)) {
            return noPlace(Place.COVERING, instrument);
        }
        return where.isBlank() ? Decision.refused("words.none") : now >= MOST_FACES && !known ? Decision.refused("covering.many", "most", MOST_FACES) : Decision.accepted(e);
    }

    /// What covers a face: as said of it, or of a face whose name begins its own.
    public Covering covering(String where) {
        return coverings.entrySet().stream().filter(e -> key(where).equals(e.getKey()) || key(where).startsWith(e.getKey() + " ")).max(Comparator.comparingInt(e -> e.getKey().length())).map(Map.Entry::getValue).orElse(Covering.UNKNOWN);
    }

    /// What is to be done about a bump, and why.
    public List<Said> bump(String where) {
        return judged(where).said(where, covering(where));
    }

    /// What is to be done about a bump that was measured.
    public Bump judged(String where) {
        return Bump.of(bumps.getOrDefault(key(where), List.of()), covering(where));
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
        return sound.contains(new Looked(phase, place)) && at(phase, place).isEmpty() && (place != Place.COVERING || bumps.isEmpty());
    }

    /// Whether anything was said of a place at all.
    public boolean looked(Phase phase, Place place) {
        return sound(phase, place) || place == Place.COVERING && !(bumps.isEmpty() && coverings.isEmpty() && lifted.isEmpty()) || place.flaws().stream().anyMatch(f -> said(phase, place, f).isPresent());
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
        if (!bumps.isEmpty() || !coverings.isEmpty() || !lifted.isEmpty()) {
            places.add(Place.COVERING);
        }
        return Arrays.stream(Place.values()).filter(places::contains).toList();
    }
}

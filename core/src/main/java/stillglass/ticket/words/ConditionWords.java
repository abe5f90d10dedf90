package stillglass.ticket.words;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;
import stillglass.say.Said;
import stillglass.ticket.condition.ConditionEvent;
import stillglass.ticket.condition.Extent;
import stillglass.ticket.condition.Flaw;
import stillglass.ticket.condition.Place;
import stillglass.ticket.line.Cursor;
import stillglass.ticket.story.Stage;

/// What is wrong with what is not glass: `iris blades wet, marked, 3`, `slots tool marks slight, at the front`, `bellows torn, 2 pinholes`, `mirror sound`. While it is
/// apart such words are about the joint in hand; there `condition` goes before.
final class ConditionWords implements Grammar {
    private static final List<String> SOUND = List.of("sound", "nothing found", "nothing wrong", "all right", "without fault");
    private static final List<String> PIECES = List.of("blades", "blade", "leaves", "leaf", "screws", "screw", "springs", "spring", "spots", "spot", "pinholes", "pinhole", "holes", "hole", "slots", "slot", "pieces", "piece", "places");

    @Override
    public Optional<Reading> read(Cursor line, Setting in) {
        int start = line.mark();
        boolean said = line.take("condition");
        if (!said && (in.stage() == Stage.OPEN || in.stage() == Stage.CLEAN || in.stage() == Stage.CLOSE)) {
            return Optional.empty();
        }
        line.take("the");
        Optional<Place> place = longest(line, List.of(Place.values()), Place::words);
        if (place.isEmpty()) {
            Optional<Reading> unknown = said ? Optional.of(Reading.unclear("say.place", "places", Place.of(in.world().instrument().sort()).stream().map(Place::said).toList())) : Optional.empty();
            line.reset(start);
            return unknown;
        }
        line.take(":");
        line.takeOne(List.of("are", "is"));
        line.separators();
        Place at = place.get();
        if (line.takeOne(SOUND).isPresent()) {
            return Optional.of(Reading.understood(Said.of("say.reads.sound", "place", at.said()), new ConditionEvent.PlaceSound(in.phase(), at)));
        }
        Optional<Reading> reading = flaw(line, at, in);
        if (reading.isEmpty() && said) {
            return Optional.of(Reading.unclear("say.flaw", "place", at.said(), "flaws", at.flaws().stream().map(Flaw::said).toList()));
        }
        if (reading.isEmpty()) {
            line.reset(start);
        }
        return reading;
    }

    /// Extent before or after, a count, and whatever else is said of it.
    private static Optional<Reading> flaw(Cursor line, Place at, Setting in) {
        Optional<Extent> extent = extent(line);
        int before = line.mark();
        Optional<Integer> count = pieces(line, true);
        Optional<Flaw> flaw = named(line, at);
        if (flaw.isEmpty() && count.isPresent()) {
            // “2 pinholes” says what is wrong in the word it counts by.
            line.reset(before);
            line.count();
            flaw = named(line, at);
        }
        if (flaw.isEmpty()) {
            return Optional.empty();
        }
        line.separators();
        extent = extent.isPresent() ? extent : extent(line);
        line.separators();
        count = count.isPresent() ? count : pieces(line, false);
        line.separators();
        extent = extent.isPresent() ? extent : extent(line);
        String note = line.rest().orElse("");
        if (!ConditionEvent.FlawFound.possible(count)) {
            return Optional.of(Reading.unclear("say.flaw.count"));
        }
        ConditionEvent.FlawFound found = new ConditionEvent.FlawFound(in.phase(), at, flaw.get(), extent, count, note);
        return Optional.of(Reading.understood(found.saidWhere(), found));
    }

    /// What is looked for there comes before what is not, which is refused in its own words.
    private static Optional<Flaw> named(Cursor line, Place at) {
        return longest(line, at.flaws(), Flaw::words).or(() -> longest(line, List.of(Flaw.values()), Flaw::words));
    }

    private static Optional<Extent> extent(Cursor line) {
        return longest(line, List.of(Extent.values()), Extent::words);
    }

    /// @param named whether it must say of what
    private static Optional<Integer> pieces(Cursor line, boolean named) {
        int start = line.mark();
        line.take("on");
        Optional<Integer> count = line.count();
        boolean of = line.takeOne(PIECES).isPresent();
        if (count.isEmpty() || named && !of) {
            line.reset(start);
            return Optional.empty();
        }
        return count;
    }

    private static <T> Optional<T> longest(Cursor line, List<T> things, Function<T, List<String>> words) {
        Optional<String> said = line.takeOne(things.stream().flatMap(t -> words.apply(t).stream()).toList());
        return said.flatMap(w -> things.stream().filter(t -> words.apply(t).contains(w)).findFirst());
    }

    @Override
    public List<String> examples(Setting in) {
        if (in.stage() != Stage.LOOK && in.stage() != Stage.ARRIVE && in.stage() != Stage.PROVE) {
            return List.of();
        }
        List<String> all = new ArrayList<>();
        Place.of(in.world().instrument().sort()).stream().limit(3)
                .forEach(p -> Stream.of(p.flaws().getFirst().words().getFirst() + ", slight", "sound").map(w -> p.words().getFirst() + " " + w).forEach(all::add));
        return all;
    }
}

package stillglass.ticket.readings;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import stillglass.prove.measure.Quantity;
import stillglass.prove.measure.Streak;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Grown;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Recorded;

/// What was measured and tried. Immutable.
///
/// @param checks functions tried, by phase and name; the last of each
/// @param tries every trial of a function, in order
/// @param infinity every reading of infinity, in order
/// @param measured every other measurement, in order
/// @param collars every setting of collars that was tried, in order
/// @param glints every look at a lamp's reflections, in order
public record Readings(Map<Key, Check> checks, List<Tried> tries, List<Infinity> infinity, List<Measurement> measured, List<Collars> collars, List<Glints> glints) {
    /// Nothing was.
    public static final Readings NONE = new Readings(Map.of(), List.of(), List.of(), List.of(), List.of(), List.of());

    /// A function at a time.
    public record Key(Phase phase, String check) {}

    /// What a trial of a function found.
    /// @param seq number of its row
    /// @param found in words
    public record Check(long seq, String found) {
        /// What the words say of it; empty when they tell nothing that could be counted on.
        public Optional<Behaves> how() {
            return Behaves.in(found);
        }

        public boolean free() {
            return how().filter(h -> h == Behaves.FREE).isPresent();
        }
    }

    /// A reading of infinity.
    /// @param seq number of its row
    public record Infinity(long seq, ReadingEvent.InfinityMeasured read) {}

    /// A trial of a function.
    public record Tried(Key key, Check check) {}

    /// A measurement.
    /// @param seq number of its row
    public record Measurement(long seq, ReadingEvent.Measured read) {}

    /// Corners at a setting of collars.
    /// @param seq number of its row
    public record Collars(long seq, ReadingEvent.CollarsTried tried) {}

    /// A lamp's reflections.
    /// @param seq number of its row
    public record Glints(long seq, ReadingEvent.GlintsSeen seen) {}

    public Readings {
        collars = List.copyOf(collars);
        glints = List.copyOf(glints);
        checks = Grown.kept(checks);
        tries = List.copyOf(tries);
        measured = List.copyOf(measured);
        infinity = List.copyOf(infinity);
    }

    /// The state after one more event.
    public Readings after(Recorded row, ReadingEvent happened) {
        return switch (happened) {
            case ReadingEvent.FunctionChecked e -> {
                Tried tried = new Tried(new Key(e.phase(), e.check()), new Check(row.seq(), e.found()));
                yield new Readings(Grown.by(checks, tried.key, tried.check), Grown.by(tries, tried), infinity, measured, collars, glints);
            }
            case ReadingEvent.InfinityMeasured e -> new Readings(checks, tries, Grown.by(infinity, new Infinity(row.seq(), e)), measured, collars, glints);
            case ReadingEvent.Measured e -> new Readings(checks, tries, infinity, Grown.by(measured, new Measurement(row.seq(), e)), collars, glints);
            case ReadingEvent.CollarsTried e -> new Readings(checks, tries, infinity, measured, Grown.by(collars, new Collars(row.seq(), e)), glints);
            case ReadingEvent.GlintsSeen e -> new Readings(checks, tries, infinity, measured, collars, Grown.by(glints, new Glints(row.seq(), e)));
        };
    }

    /// Decides an intent: an event, or a refusal that says what to do instead.
    public Decision decide(ReadingIntent intent) {
        return switch (intent) {
            case ReadingEvent.FunctionChecked e -> e.check().isBlank() || e.found().isBlank() ? Decision.refused("words.none") : Decision.accepted(e);
            case ReadingEvent.InfinityMeasured e -> Decision.accepted(e);
            case ReadingEvent.Measured e -> Decision.accepted(e);
            case ReadingEvent.CollarsTried e -> Decision.accepted(e);
            case ReadingEvent.GlintsSeen e -> Decision.accepted(e);
        };
    }

    /// What a function was found to be.
    public Optional<String> check(Phase phase, String name) {
        return Optional.ofNullable(checks.get(new Key(phase, name))).map(Check::found);
    }

    /// The last trial of a function in a phase.
    public Optional<Check> last(Phase phase, String name) {
        return Optional.ofNullable(checks.get(new Key(phase, name)));
    }

    /// Functions tried in a phase, in the order they were first.
    public Map<String, String> checks(Phase phase) {
        Map<String, String> all = new LinkedHashMap<>();
        checks.forEach((k, c) -> {
            if (k.phase() == phase) {
                all.put(k.check(), c.found());
            }
        });
        return all;
    }

    /// The last reading of infinity in a phase.
    public Optional<Infinity> infinity(Phase phase) {
        return infinity.stream().filter(i -> i.read().phase() == phase).reduce((a, b) -> b);
    }

    /// All that was measured, infinity among it, in the order it was.
    public List<Measurement> all() {
        return Stream.concat(infinity.stream().map(i -> new Measurement(i.seq(), new ReadingEvent.Measured(i.read().phase(), Quantity.INFINITY, "", i.read().errorMm(), i.read().uncertaintyMm(),
                i.read().source(), Optional.empty()))), measured.stream()).sorted(Comparator.comparingLong(Measurement::seq)).toList();
    }

    /// The last measurement of a quantity at a place in a phase.
    public Optional<Measurement> last(Phase phase, Quantity quantity, String at) {
        return all().stream().filter(m -> m.read().phase() == phase && m.read().quantity() == quantity && m.read().at().equals(at)).reduce((a, b) -> b);
    }

    /// What a function was found to be in a phase: counted tries together, else the last that was said of it.
    /// @param after number of the row after which tries count
    public Optional<String> told(Phase phase, String function, long after) {
        Optional<Check> last = last(phase, function).filter(c -> c.seq() > after);
        int worked = 0;
        int of = 0;
        for (Tried t : tries) {
            if (t.key.phase() == phase && t.key.check().equals(function) && t.check.seq() > after) {
                Optional<Behaves.Times> times = Behaves.times(t.check.found());
                worked += times.map(Behaves.Times::worked).orElse(0);
                of += times.map(Behaves.Times::of).orElse(0);
            }
        }
        int all = of;
        int good = worked;
        return last.map(c -> Behaves.times(c.found()).isPresent() && all > 1 && c.found().strip().matches("\\d+ of \\d+") ? good + " of " + all : c.found());
    }

    /// Tries of a function before the work that tell how often it failed, where it failed now and then.
    public Optional<Streak> sometimes(String function) {
        int failed = 0;
        int of = 0;
        for (Tried t : tries) {
            if (t.key.phase() == Phase.BEFORE && t.key.check().equals(function)) {
                Optional<Behaves.Times> times = Behaves.times(t.check.found());
                failed += times.map(x -> x.of() - x.worked()).orElse(0);
                of += times.map(Behaves.Times::of).orElse(0);
            }
        }
        return failed > 0 && failed < of ? Optional.of(new Streak(failed, of)) : Optional.empty();
    }

    /// Good tries of a function in a row, the last ones after a row.
    /// @param after number of the row after which they count
    public int goodInARow(String function, long after) {
        int good = 0;
        for (Tried t : tries) {
            if (t.key.phase() != Phase.BEFORE && t.key.check().equals(function) && t.check.seq() > after) {
                Optional<Behaves.Times> times = Behaves.times(t.check.found());
                if (times.isPresent()) {
                    good = times.get().worked() == times.get().of() ? good + times.get().of() : 0;
                } else {
                    good = t.check.free() ? good + 1 : 0;
                }
            }
        }
        return good;
    }
}

package stillglass.ticket.readings;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Grown;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Recorded;

/// What was measured and tried. Immutable.
///
/// @param checks functions tried, by phase and name; the last of each
/// @param infinity every reading of infinity, in order
public record Readings(Map<Key, Check> checks, List<Infinity> infinity) {
    /// Nothing was.
    public static final Readings NONE = new Readings(Map.of(), List.of());

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

    public Readings {
        checks = Grown.kept(checks);
        infinity = List.copyOf(infinity);
    }

    /// The state after one more event.
    public Readings after(Recorded row, ReadingEvent happened) {
        return switch (happened) {
            case ReadingEvent.FunctionChecked e -> new Readings(Grown.by(checks, new Key(e.phase(), e.check()), new Check(row.seq(), e.found())), infinity);
            case ReadingEvent.InfinityMeasured e -> new Readings(checks, Grown.by(infinity, new Infinity(row.seq(), e)));
        };
    }

    /// Decides an intent: an event, or a refusal that says what to do instead.
    public Decision decide(ReadingIntent intent) {
        return switch (intent) {
            case ReadingEvent.FunctionChecked e -> e.check().isBlank() || e.found().isBlank() ? Decision.refused("words.none") : Decision.accepted(e);
            case ReadingEvent.InfinityMeasured e -> Decision.accepted(e);
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
}

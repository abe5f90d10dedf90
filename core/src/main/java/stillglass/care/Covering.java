package stillglass.care;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import stillglass.say.Said;

/// What a body is covered with.
///
/// @param stuff what it is; empty where nobody said
/// @param state how it is; empty where nobody bent a corner: taken as brittle
/// @param trapped where it is held under something, a rivet or a lug, and must not be pulled; empty where nobody said
public record Covering(Optional<Stuff> stuff, Optional<State> state, Optional<String> trapped) {
    /// Nobody has described it.
    public static final Covering UNKNOWN = new Covering(Optional.empty(), Optional.empty(), Optional.empty());

    /// What coverings are of.
    public enum Stuff {
        LEATHER("leather", "grained leather", "hide"),
        /// Coated cloth or paper that looks like leather.
        LEATHERETTE("leatherette", "imitation leather", "vinyl"),
        CLOTH("cloth"),
        RUBBER("rubber");

        private final List<String> words;

        Stuff(String... words) {
            this.words = List.of(words);
        }

        /// What a technician may call it.
        public List<String> words() {
            return words;
        }

        public Said said() {
            return Said.of("covering." + name().toLowerCase(Locale.ROOT));
        }
    }

    /// How far it can be bent.
    public enum State {
        SUPPLE(0.20, "supple", "soft"),
        DRY(0.08, "dry", "stiff", "hard"),
        BRITTLE(0.03, "brittle", "cracked", "crumbling");

        private final double tears;
        private final List<String> words;

        State(double tears, String... words) {
            this.tears = tears;
            this.words = List.of(words);
        }

        /// Stretch from which it tears, as a share of its length. The trade's sense of it, not measured.
        public double tears() {
            return tears;
        }

        public List<String> words() {
            return words;
        }

        public Said said() {
            return Said.of("covering.state." + name().toLowerCase(Locale.ROOT));
        }
    }

    /// How it is, as far as it must be reckoned with.
    public State reckoned() {
        return state.orElse(State.BRITTLE);
    }

    public Said said() {
        Said what = Said.of("covering.is", "stuff", stuff.map(Stuff::said).orElse(Said.of("covering.unknown")), "state", state.map(State::said).orElse(Said.of("covering.state.unknown")));
        return trapped.map(t -> Said.of("covering.trapped", "covering", what, "where", t)).orElse(what);
    }
}

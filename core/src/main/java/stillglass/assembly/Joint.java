package stillglass.assembly;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;

/// Something that is opened and closed.
///
/// @param id short stable name within the instrument
/// @param name what the bench calls it
/// @param hold how it holds
/// @param side from where it is reached
/// @param tool what opens it
/// @param minutes attended time to open it
/// @param risk chance of damage in the doing, 0 to 1
/// @param behind what lies over it
/// @param frees parts that leave with it
/// @param exposes lens surfaces that can be cleaned once it is open, by index
/// @param loses references destroyed by opening it
/// @param hazards what may jump, roll or harm
/// @param close what is different from mere reversal when it goes back
public record Joint(
        String id,
        String name,
        Hold hold,
        Side side,
        String tool,
        double minutes,
        double risk,
        Behind behind,
        List<String> frees,
        Set<Integer> exposes,
        Set<String> loses,
        Set<Hazard> hazards,
        Closing close) {

    public Joint {
        if (!(minutes > 0 && minutes < 600)) {
            throw new IllegalArgumentException("joint " + id + " takes " + minutes + " minutes: give 0 to 600");
        }
        if (!(risk >= 0 && risk < 1)) {
            throw new IllegalArgumentException("joint " + id + " has risk " + risk + ": give a chance from 0 to below 1");
        }
        frees = List.copyOf(frees);
        exposes = Set.copyOf(exposes);
        loses = Set.copyOf(loses);
        hazards = Set.copyOf(hazards);
    }

    /// The same with other joints over it.
    public Joint behind(Behind other) {
        return new Joint(id, name, hold, side, tool, minutes, risk, other, frees, exposes, loses, hazards, close);
    }

    /// The same that closes otherwise.
    public Joint closing(Closing other) {
        return new Joint(id, name, hold, side, tool, minutes, risk, behind, frees, exposes, loses, hazards, other);
    }

    /// What hands and controls are set to for it: changed from one joint to the next, that costs a moment.
    public String hand() {
        return behind.with().isEmpty() ? tool : tool + " | " + new TreeMap<>(behind.with());
    }

    /// Joints that must all be open before; see [Behind#open] for the whole condition.
    public Set<String> after() {
        return behind.all();
    }

    /// What lies over a joint: some joints must all be open before, and of every set of alternatives one.
    /// @param all joints that must be open
    /// @param oneOf sets of joints of which one is enough
    /// @param hidden what hides it from the eye without holding it: a covering, an eyepiece, a decal
    /// @param with where controls must stand so that it can be reached, by their names: the focus at its nearest, the shutter open at B
    public record Behind(Set<String> all, List<Set<String>> oneOf, Optional<String> hidden, Map<String, String> with) {
        /// Nothing lies over it.
        public static final Behind NOTHING = of(Set.of());

        /// Reached whatever the controls say.
        public Behind(Set<String> all, List<Set<String>> oneOf, Optional<String> hidden) {
            this(all, oneOf, hidden, Map.of());
        }

        public Behind {
            with = Map.copyOf(with);
            all = Set.copyOf(all);
            oneOf = oneOf.stream().map(Set::copyOf).toList();
            if (oneOf.stream().anyMatch(Set::isEmpty)) {
                throw new IllegalArgumentException("a set of alternatives is empty: name the joints of which one is enough");
            }
        }

        public static Behind of(Set<String> all) {
            return new Behind(all, List.of(), Optional.empty());
        }

        /// The same with other joints over it.
        public Behind waiting(Set<String> others, List<Set<String>> alternatives) {
            return new Behind(others, alternatives, hidden, with);
        }

        /// The same reached only with controls at a place.
        public Behind with(Map<String, String> controls) {
            return new Behind(all, oneOf, hidden, controls);
        }

        /// Whether it can be reached.
        /// @param open joints that are open
        public boolean open(Set<String> open) {
            return open.containsAll(all) && oneOf.stream().allMatch(s -> s.stream().anyMatch(open::contains));
        }

        /// Every joint that is named.
        public Set<String> named() {
            Set<String> out = new TreeSet<>(all);
            oneOf.forEach(out::addAll);
            return out;
        }
    }

    /// What may jump, roll or harm when a joint opens.
    public enum Hazard {
        CLICK_BALL,
        SPRING,
        LOOSE_WASHER,
        STOP_PIN,
        GLASS_DROPS,
        SOLVENT,
        /// Fine wires or a ribbon cable that hold the halves together.
        RIBBON,
        /// A mirror or prism whose silver a touch spoils.
        MIRROR,
        /// Holds a dangerous charge long after the battery is out.
        FLASH_CAPACITOR,
        CELL;

        public String word() {
            return name().toLowerCase(Locale.ROOT).replace('_', ' ');
        }
    }

    /// A screw's home.
    /// @param cell name of the hole and of its cell on the tray
    /// @param lengthMm under the head, as the maker fitted it
    /// @param holeDepthMm beyond which a longer screw bottoms or jams
    /// @param at clock position of the hole
    public record ScrewHole(String cell, double lengthMm, double holeDepthMm, ClockPosition at) {}

    /// A function that is tried once a joint is closed.
    /// @param what is tried, and how it shows
    /// @param needs joints that must be closed as well before it can be tried; its own joint goes without saying
    public record Test(String what, Set<String> needs) {
        public Test {
            needs = Set.copyOf(needs);
        }
    }

    /// What differs from mere reversal. Start from [#PLAIN] and say what differs.
    /// @param setFirst positions of controls before the halves meet
    /// @param looseUntil joint before which it stays loose
    /// @param test function test once it is closed
    /// @param greased whether its thread takes grease
    /// @param before joints that may only be closed after it, though they came off later: they would bar the way to it
    /// @param refit joint that is put back for a moment while this one closes, to hold a reference
    /// @param zeroLast what is zeroed on it once everything is closed, its screws loosened for it
    /// @param points what is laid on, or kept dry, before it closes over them
    public record Closing(
            Optional<String> setFirst,
            Optional<String> looseUntil,
            Optional<Test> test,
            boolean greased,
            Set<String> before,
            Optional<String> refit,
            Optional<String> zeroLast,
            List<Point> points) {
        /// Plain reversal.
        public static final Closing PLAIN =
                new Closing(Optional.empty(), Optional.empty(), Optional.empty(), false, Set.of(), Optional.empty(), Optional.empty(), List.of());

        public Closing {
            before = Set.copyOf(before);
            points = List.copyOf(points);
        }

        public Closing withSetFirst(String positions) {
            return new Closing(Optional.of(positions), looseUntil, test, greased, before, refit, zeroLast, points);
        }

        public Closing withLooseUntil(String joint) {
            return new Closing(setFirst, Optional.of(joint), test, greased, before, refit, zeroLast, points);
        }

        public Closing withTest(String function) {
            return withTest(function, Set.of());
        }

        public Closing withTest(String function, Set<String> needs) {
            return new Closing(setFirst, looseUntil, Optional.of(new Test(function, needs)), greased, before, refit, zeroLast, points);
        }

        public Closing withGrease() {
            return new Closing(setFirst, looseUntil, test, true, before, refit, zeroLast, points);
        }

        public Closing withBefore(Set<String> joints) {
            return new Closing(setFirst, looseUntil, test, greased, joints, refit, zeroLast, points);
        }

        public Closing withRefit(String joint) {
            return new Closing(setFirst, looseUntil, test, greased, before, Optional.of(joint), zeroLast, points);
        }

        public Closing withZeroLast(String what) {
            return new Closing(setFirst, looseUntil, test, greased, before, refit, Optional.of(what), points);
        }

        public Closing withPoints(List<Point> contacts) {
            return new Closing(setFirst, looseUntil, test, greased, before, refit, zeroLast, contacts);
        }
    }
}

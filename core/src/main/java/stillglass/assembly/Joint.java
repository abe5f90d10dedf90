package stillglass.assembly;

import java.util.List;
import java.util.Optional;
import java.util.Set;

/// Something that is opened and closed.
///
/// @param id short stable name within the instrument
/// @param name what the bench calls it
/// @param hold how it holds
/// @param side from where it is reached
/// @param tool what opens it
/// @param minutes attended time to open it
/// @param risk chance of damage in the doing, 0 to 1
/// @param after joints that must be open before
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
        Set<String> after,
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
        after = Set.copyOf(after);
        frees = List.copyOf(frees);
        exposes = Set.copyOf(exposes);
        loses = Set.copyOf(loses);
        hazards = Set.copyOf(hazards);
    }

    /// What may jump, roll or harm when a joint opens.
    public enum Hazard {
        CLICK_BALL,
        SPRING,
        LOOSE_WASHER,
        GLASS_DROPS,
        SOLVENT
    }

    /// How a joint holds.
    public sealed interface Hold {
        /// A thread of the part itself, such as a helicoid or a front ring.
        /// @param leadMm axial travel per turn
        /// @param starts number of thread starts: entries in which it can be started
        /// @param turns turns until it lets go
        /// @param diameterMm pitch diameter
        /// @param engagedMm engaged length when closed
        record Thread(double leadMm, int starts, double turns, double diameterMm, double engagedMm) implements Hold {
            public Thread {
                if (!(leadMm > 0) || starts < 1 || !(turns > 0) || !(diameterMm > 0) || !(engagedMm > 0)) {
                    throw new IllegalArgumentException("thread with lead " + leadMm + " mm, " + starts + " starts, "
                            + turns + " turns, diameter " + diameterMm + " mm: all must be positive");
                }
            }
        }

        /// Screws that come out.
        /// @param holes depth of each hole, which says which length is safe
        record Screws(String drive, double diameterMm, List<ScrewHole> holes) implements Hold {
            public Screws {
                holes = List.copyOf(holes);
                if (holes.isEmpty()) {
                    throw new IllegalArgumentException("a screw joint has at least one hole");
                }
            }
        }

        /// Set screws, loosened and left in.
        record SetScrews(String drive, int count, double looseTurns) implements Hold {}

        /// A ring that holds a glass or cell in its seat.
        /// @param proudMm how far it stands above its seat when home, negative below
        record RetainingRing(double diameterMm, double turns, double proudMm) implements Hold {}

        /// Friction or a press fit.
        record Press() implements Hold {}

        /// Lies in its seat and drops out.
        record Seat() implements Hold {}

        /// A spring or lever hooked over a pin.
        record Hook() implements Hold {}

        /// Held by glue or paint until softened.
        record Glue(String softener, double waitMinutes) implements Hold {}
    }

    /// A screw's home.
    /// @param cell name of the hole and of its cell on the tray
    /// @param lengthMm under the head, as the maker fitted it
    /// @param holeDepthMm beyond which a longer screw bottoms or jams
    /// @param at clock position of the hole
    public record ScrewHole(String cell, double lengthMm, double holeDepthMm, ClockPosition at) {}

    /// What differs from mere reversal.
    /// @param setFirst positions of controls before the halves meet
    /// @param looseUntil joint before which it stays loose
    /// @param test function test once it is closed
    /// @param greased whether its thread takes grease
    public record Closing(
            Optional<String> setFirst, Optional<String> looseUntil, Optional<String> test, boolean greased) {
        /// Plain reversal.
        public static final Closing PLAIN =
                new Closing(Optional.empty(), Optional.empty(), Optional.empty(), false);
    }
}

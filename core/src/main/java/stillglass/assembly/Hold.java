package stillglass.assembly;

import java.util.List;

/// How a joint holds.
public sealed interface Hold {
    /// The word for this kind of hold, as in the open format.
    default String word() {
        return switch (this) {
            case Thread t -> "thread";
            case Screws s -> "screws";
            case SetScrews s -> "set-screws";
            case RetainingRing r -> "retaining-ring";
            case Press p -> "press";
            case Seat s -> "seat";
            case Hook h -> "hook";
            case Glue g -> "glue";
            case Snap s -> "snap";
            case Noted n -> "noted";
            case Cement c -> "cement";
            case Bayonet b -> "bayonet";
            case Solder s -> "solder";
            case Connector c -> "connector";
        };
    }

    /// How it holds, in words: what was noted, or what the format calls it.
    default String said() {
        return this instanceof Noted n ? n.word() : word().replace('-', ' ');
    }

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
    record Screws(String drive, double diameterMm, List<Joint.ScrewHole> holes) implements Hold {
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

    /// Spring tongues or a spring ring that give way.
    /// @param tongues places to press, one after the other
    record Snap(int tongues) implements Hold {
        public Snap {
            if (tongues < 1) {
                throw new IllegalArgumentException("a snap joint has at least one tongue");
            }
        }
    }

    /// Known from a record only, in the word that was noted; nothing about it was measured.
    record Noted(String word) implements Hold {}

    /// Glasses cemented together: taken apart by a specialist, if at all.
    record Cement() implements Hold {}

    /// Lugs behind lugs.
    /// @param degrees turn until it lifts out
    record Bayonet(double degrees) implements Hold {
        public Bayonet {
            if (!(degrees > 0 && degrees < 360)) {
                throw new IllegalArgumentException("a bayonet turns by more than 0 and less than 360 degrees, not " + degrees);
            }
        }
    }

    /// Soldered wires or tabs.
    record Solder(int places) implements Hold {
        public Solder {
            if (places < 1) {
                throw new IllegalArgumentException("a soldered joint has at least one place");
            }
        }
    }

    /// A plug or the clamp of a ribbon cable.
    /// @param ribbon whether it is a ribbon, which tears
    record Connector(int ways, boolean ribbon) implements Hold {
        public Connector {
            if (ways < 1) {
                throw new IllegalArgumentException("a connector has at least one way");
            }
        }
    }
}

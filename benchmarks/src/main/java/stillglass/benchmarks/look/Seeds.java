package stillglass.benchmarks.look;

import java.util.List;
import stillglass.book.data.Shelf;
import stillglass.optics.LensSection;

/// Which scenes are for what.
final class Seeds {
    /// First seed of the scenes that are never learned from.
    static final long REPORT = 1_000_000;
    /// First seed of the scenes on which thresholds are chosen.
    static final long CHOOSE = 500_000;

    /// First seed of the scenes of which the look of whole glasses is learned: the curves of kinds are told what glasses look like to a network that has not seen them.
    static final long GLANCES = 1200;

    /// First seed of the scenes of which the look of things close by is learned, for the same reason.
    static final long CLOSE_UPS = GLANCES;

    /// First seed of the scenes of the tidy bench that hazy glass is learned from, for the same reason.
    static final long BENCH_WHOLES = 400;

    private Seeds() {}

    /// Lenses in the scenes: all that ship.
    static List<LensSection> lenses() {
        Shelf shelf = new Shelf();
        return shelf.sectionIds().stream().map(shelf::section).toList();
    }
}

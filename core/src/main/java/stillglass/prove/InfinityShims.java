package stillglass.prove;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/// The shim stack that brings infinity onto the film.
///
/// A shim between mount and barrel moves the whole lens: adding a millimetre brings the image of infinity a
/// millimetre forward, exactly, whatever the lens. An image behind the film therefore wants more shim.
public final class InfinityShims {
    private static final int MOST_PIECES = 5;

    /// Thicknesses a bench usually has, mm; the shop's own list replaces it.
    public static final List<Double> USUAL_STOCK = List.of(0.02, 0.03, 0.05, 0.1, 0.2);

    /// Circle of confusion of the small format, mm, by long custom.
    public static final double SMALL_FORMAT_CIRCLE_MM = 0.03;

    private InfinityShims() {}

    /// @param pieces thicknesses to use, thickest first
    /// @param totalMm their sum
    /// @param leftMm focus error that remains, positive when the image still lies behind the film
    public record Stack(List<Double> pieces, double totalMm, double leftMm) {
        public Stack {
            pieces = List.copyOf(pieces);
        }
    }

    /// Error in focus that the depth of focus hides: N times the circle of confusion, one side.
    /// @param fNumber widest stop
    /// @param circleMm circle of confusion, 0.03 mm for the small format
    public static double hiddenMm(double fNumber, double circleMm) {
        return fNumber * circleMm;
    }

    /// Fewest pieces within tolerance; among those the closest.
    /// @param errorMm image of infinity minus film plane, positive behind the film
    /// @param fittedMm shims fitted now
    /// @param stock thicknesses at hand, each any number of times up to five in all
    /// @return empty when no combination comes within tolerance
    public static Optional<Stack> choose(double errorMm, double fittedMm, List<Double> stock, double toleranceMm) {
        double wanted = fittedMm + errorMm;
        List<Stack> found = new ArrayList<>();
        List<Double> sorted = stock.stream().sorted(Comparator.reverseOrder()).toList();
        for (int pieces = 0; pieces <= MOST_PIECES && found.isEmpty(); pieces++) {
            collect(sorted, 0, pieces, new ArrayList<>(), wanted, toleranceMm, found);
        }
        return found.stream().min(Comparator.comparingDouble(s -> Math.abs(s.leftMm)));
    }

    private static void collect(
            List<Double> stock, int from, int left, List<Double> taken, double wanted, double tolerance, List<Stack> into) {
        if (left == 0) {
            double total = taken.stream().mapToDouble(Double::doubleValue).sum();
            if (Math.abs(wanted - total) <= tolerance + 1e-9) {
                into.add(new Stack(taken, total, wanted - total));
            }
            return;
        }
        for (int i = from; i < stock.size(); i++) {
            taken.add(stock.get(i));
            collect(stock, i, left - 1, taken, wanted, tolerance, into);
            taken.removeLast();
        }
    }
}

package stillglass.care.seals;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/// Foam between the floor of a channel and what closes on it: a thickness t squeezed into a gap g is compressed by 1 − g/t.
///
/// @param wantedMm thickness that would be compressed as wanted
/// @param gapMm what it is squeezed into
/// @param takenMm thickness that is taken: the nearest there is, or the wanted one where nothing is said of what there is
public record Foam(double wantedMm, double gapMm, double takenMm) {
    /// Below it light gets by, above it lids do not close or the foam takes a set.
    public static final double LEAST = 0.15;
    public static final double MOST = 0.5;

    /// @param compress share by which foam is to be compressed
    /// @param stock thicknesses there are; empty where nothing is said
    /// @throws IllegalArgumentException for what is no share, and where no foam there is fills the gap
    public static Foam of(double gapMm, double compress, List<Double> stock) {
        if (!(compress > 0 && compress < 0.9)) {
            throw new IllegalArgumentException("foam compressed by " + compress + ": give a share between 0 and 0.9, such as 0.3");
        }
        double wanted = gapMm / (1 - compress);
        Optional<Double> nearest = stock.stream().filter(t -> t > gapMm).min(Comparator.comparingDouble(t -> Math.abs(1 - gapMm / t - compress)));
        if (nearest.isEmpty() && !stock.isEmpty()) {
            throw new IllegalArgumentException(String.format(Locale.ROOT, "no foam there is fills a gap of %.2f mm: get some of %.2f mm", gapMm, wanted));
        }
        return new Foam(wanted, gapMm, nearest.orElse(wanted));
    }

    /// The same channel with foam of another thickness.
    Foam taking(double thicknessMm) {
        return new Foam(wantedMm, gapMm, thicknessMm);
    }

    /// Share by which it is compressed.
    public double compressed() {
        return 1 - gapMm / takenMm;
    }

    /// Whether it seals and lets what closes on it close.
    public boolean seals() {
        return compressed() >= LEAST && compressed() <= MOST;
    }
}

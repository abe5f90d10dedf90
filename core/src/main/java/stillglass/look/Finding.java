package stillglass.look;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import stillglass.assembly.ClockPosition;
import stillglass.say.Said;

/// Something seen in a glass.
///
/// @param kind most likely kind
/// @param confidence probability of that kind, 0 to 1
/// @param regions outlines in aperture units, one per patch
/// @param areaShare share of the clear aperture really covered, 0 to 1
/// @param count specks, threads or patches
/// @param x centre in aperture units
/// @param y centre in aperture units, up
/// @param contrast mean departure from the clean glass around it, in linear light
/// @param severity 0 to 4 from the photo alone
/// @param reasons features that spoke for the kind
/// @param chances probability of every kind that is possible at all, by the photo alone; under `UNKNOWN` that it is no fault
/// @param sharpness how steeply light changes in it, over its contrast, per hundredth of a radius; compares photos of one fault, 0 unknown
public record Finding(
        FindingKind kind,
        double confidence,
        List<Region> regions,
        double areaShare,
        int count,
        double x,
        double y,
        double contrast,
        int severity,
        List<Said> reasons,
        Map<FindingKind, Double> chances,
        double sharpness) {

    /// A finding about whose other kinds nothing is known.
    public Finding(FindingKind kind, double confidence, List<Region> regions, double areaShare, int count, double x, double y,
            double contrast, int severity, List<Said> reasons) {
        this(kind, confidence, regions, areaShare, count, x, y, contrast, severity, reasons, Map.of(), 0);
    }

    /// A closed outline in aperture units: x to the right, y up, rim at 1.
    public record Region(List<Point> outline) {
        public Region {
            outline = List.copyOf(outline);
        }
    }

    /// A point in aperture units.
    public record Point(double x, double y) {}

    public Finding {
        regions = List.copyOf(regions);
        reasons = List.copyOf(reasons);
        chances = Map.copyOf(chances);
        if (!(confidence >= 0 && confidence <= 1) || !(areaShare >= 0) || severity < 0 || severity > 4) {
            throw new IllegalArgumentException("finding with confidence " + confidence + ", area share " + areaShare
                    + ", severity " + severity + " is out of range");
        }
    }

    /// Thirds of the radius.
    public enum Zone {
        CENTRE,
        MID,
        EDGE;

        public String word() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }
    }

    public Zone zone() {
        double r = Math.hypot(x, y);
        return r < 1.0 / 3 ? Zone.CENTRE : r < 2.0 / 3 ? Zone.MID : Zone.EDGE;
    }

    public ClockPosition clock() {
        return ClockPosition.at(x, y);
    }

    /// Area on a glass of known clear diameter.
    public double areaMm2(double clearDiameterMm) {
        return areaShare * Math.PI * clearDiameterMm * clearDiameterMm / 4;
    }

    public Finding withKind(FindingKind other) {
        return new Finding(other, 1, regions, areaShare, count, x, y, contrast, severity, reasons, chances, sharpness);
    }

    /// The same with another outline: its place and the area it covers follow.
    public Finding withRegions(List<Region> others) {
        return Outlines.reshaped(this, others);
    }

    /// The likeliest fault it may be, however likely that there is none; nothing where no chances are known.
    public Optional<FindingKind> likeliest() {
        return chances.keySet().stream().filter(k -> k != FindingKind.UNKNOWN).max(Comparator.comparingDouble(chances::get));
    }

    /// The same with what is known of its kind now.
    public Finding told(FindingKind likeliest, Map<FindingKind, Double> known) {
        return new Finding(likeliest, known.getOrDefault(likeliest, confidence), regions, areaShare, count, x, y, contrast, severity, reasons, known, sharpness);
    }

    /// The same of a kind that is not likely enough to be named.
    Finding unnamed(Map<FindingKind, Double> known) {
        return new Finding(FindingKind.UNKNOWN, 1 - known.getOrDefault(FindingKind.UNKNOWN, 0.0), regions, areaShare, count, x, y, contrast, severity, reasons, known, sharpness);
    }

    /// The same, scattering so much.
    public Finding scattering(double share, int howSevere) {
        return new Finding(kind, confidence, regions, areaShare, count, x, y, share, howSevere, reasons, chances, sharpness);
    }

    /// The same, so severe.
    public Finding severe(int now) {
        return new Finding(kind, confidence, regions, areaShare, count, x, y, contrast, now, reasons, chances, sharpness);
    }

    /// The same, as likely as that.
    public Finding sure(double probability) {
        return new Finding(kind, probability, regions, areaShare, count, x, y, contrast, severity, reasons, chances, sharpness);
    }

    /// The same with one more reason, the first to be said.
    public Finding because(Said reason) {
        List<Said> all = new ArrayList<>(List.of(reason));
        all.addAll(reasons);
        return new Finding(kind, confidence, regions, areaShare, count, x, y, contrast, severity, all, chances, sharpness);
    }

    /// The same with another number of specks, threads or patches.
    public Finding counted(int number) {
        return new Finding(kind, confidence, regions, areaShare, number, x, y, contrast, severity, reasons, chances, sharpness);
    }

    /// One fault of two, in the given outline of both.
    public Finding joined(Finding other, List<Region> outline) {
        Finding shaped = outline.isEmpty() ? this : withRegions(outline);
        return new Finding(kind, confidence, shaped.regions(), areaShare + other.areaShare, count + other.count, shaped.x(), shaped.y(),
                Math.max(contrast, other.contrast), Math.max(severity, other.severity), reasons, chances, sharpness);
    }
}

package stillglass.look;

import java.util.List;
import stillglass.assembly.ClockPosition;

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
        List<String> reasons) {

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
        return new Finding(other, 1, regions, areaShare, count, x, y, contrast, severity, reasons);
    }
}

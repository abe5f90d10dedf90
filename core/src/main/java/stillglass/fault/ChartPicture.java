package stillglass.fault;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import stillglass.optics.LensSection;
import stillglass.optics.misassembly.LensFault;
import stillglass.optics.misassembly.MountedFilm;
import stillglass.optics.sharpness.SpotPoints;
import stillglass.optics.sharpness.SpotSurvey;

/// What a test chart looks like through a lens that is put together in some way, focused as well as it can be in the middle: pieces of a millimetre of the picture, drawn from traced rays.
///
/// @param fault short forms; empty for the lens as designed
/// @param pieces the middle, then the places at 0.7 of the corner to the left and to the right as the picture is seen upright from behind
public record ChartPicture(String fault, List<Piece> pieces) {
    /// Pixels across a piece, and how wide it is on the film.
    public static final int SIDE = 56;
    private static final double WIDE_MM = 0.9;
    private static final double FIELD = 0.7;
    private static final double DARK = 0.08;
    private static final double BRIGHT = 0.92;
    /// Line pairs a millimetre of the bars.
    private static final double[] BARS = {6, 12, 24};
    private static final int UPRIGHT = 1 << BARS.length;

    /// Light from 0 to 1, row by row from the top.
    /// @param lit whether any light comes there
    public record Piece(List<Float> light, boolean lit) {
        public Piece {
            light = List.copyOf(light);
        }
    }

    public ChartPicture {
        pieces = List.copyOf(pieces);
    }

    /// @throws IllegalArgumentException where the fault cannot be
    public static ChartPicture of(LensSection designed, List<LensFault> faults, LensFault.Seating seating) {
        LensSection built = MountedFilm.of(LensFault.apply(designed, faults, seating).lens(), designed, faults);
        OptionalDouble focus = SpotSurvey.quick(built, designed, List.of(0.0)).bestFocusMm();
        double plane = focus.orElse(built.surfaces().getLast().thicknessMm());
        List<Piece> pieces = new ArrayList<>();
        pieces.add(piece(SpotPoints.of(built, designed, 0, plane), 0));
        // The field traced runs upwards: the lens is turned so that it comes from the right and from the left, and the spot with it.
        for (double side : new double[] {Math.PI / 2, -Math.PI / 2}) {
            LensSection turned = built.withTilts(built.tilts().stream().map(t -> t.turned(side)).toList());
            pieces.add(piece(SpotPoints.of(turned, designed, FIELD, plane), -side));
        }
        return new ChartPicture(String.join(" ", faults.stream().map(LensFault::shortForm).toList()), pieces);
    }

    /// The chart blurred by a spot: how much of the spot's light falls on dark bars, seen from each place.
    ///
    /// Whether a place is dark needs one coordinate to find the group of bars and one to find the bar, so each is looked up once for a row or a column, not for every place.
    /// @param turnedRad by how much the spot is turned back into the picture
    private static Piece piece(SpotPoints spot, double turnedRad) {
        int n = spot.xMm().size();
        double cos = Math.cos(turnedRad);
        double sin = Math.sin(turnedRad);
        byte[][] columns = new byte[SIDE][n];
        byte[][] rows = new byte[SIDE][n];
        for (int i = 0; i < n; i++) {
            double dx = cos * spot.xMm().get(i) - sin * spot.yMm().get(i);
            double dy = sin * spot.xMm().get(i) + cos * spot.yMm().get(i);
            for (int k = 0; k < SIDE; k++) {
                double place = ((k + 0.5) / SIDE - 0.5) * WIDE_MM;
                columns[k][i] = column(place - dx);
                rows[k][i] = row(-place - dy);
            }
        }
        List<Float> light = new ArrayList<>(SIDE * SIDE);
        for (byte[] row : rows) {
            for (byte[] column : columns) {
                int dark = 0;
                for (int i = 0; i < n; i++) {
                    dark += (row[i] & column[i]) != 0 ? 1 : 0;
                }
                light.add((float) (n == 0 ? 0 : BRIGHT - (BRIGHT - DARK) * dark / n));
            }
        }
        return new Piece(light, n > 0);
    }

    /// Bars of three widths, upright above and lying below, on white.
    static double chart(double x, double y) {
        return (row(y) & column(x)) != 0 ? DARK : BRIGHT;
    }

    /// A bit for the group of bars that is across this place, and one where an upright bar of it is.
    private static byte column(double x) {
        double across = (x + WIDE_MM / 2) / WIDE_MM * BARS.length;
        int group = (int) Math.floor(across);
        if (group < 0 || group >= BARS.length || Math.abs(across - group - 0.5) > 0.42) {
            return 0;
        }
        return (byte) (1 << group | (onBar(group, x) ? UPRIGHT : 0));
    }

    /// Above, the bit of upright bars; below, a bit for every group that has a lying bar at this height.
    private static byte row(double y) {
        if (Math.abs(y) > 0.42 * WIDE_MM || Math.abs(y) < 0.04 * WIDE_MM) {
            return 0;
        }
        int bits = y > 0 ? UPRIGHT : 0;
        for (int group = 0; y <= 0 && group < BARS.length; group++) {
            bits |= onBar(group, y) ? 1 << group : 0;
        }
        return (byte) bits;
    }

    private static boolean onBar(int group, double along) {
        return Math.floor(2 * BARS[group] * (along + WIDE_MM / 2)) % 2 == 0;
    }
}

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

    /// The chart blurred by a spot.
    /// @param turnedRad by how much the spot is turned back into the picture
    private static Piece piece(SpotPoints spot, double turnedRad) {
        int n = spot.xMm().size();
        double cos = Math.cos(turnedRad);
        double sin = Math.sin(turnedRad);
        double[] dx = new double[n];
        double[] dy = new double[n];
        for (int i = 0; i < n; i++) {
            dx[i] = cos * spot.xMm().get(i) - sin * spot.yMm().get(i);
            dy[i] = sin * spot.xMm().get(i) + cos * spot.yMm().get(i);
        }
        List<Float> light = new ArrayList<>(SIDE * SIDE);
        for (int row = 0; row < SIDE; row++) {
            for (int column = 0; column < SIDE; column++) {
                double x = ((column + 0.5) / SIDE - 0.5) * WIDE_MM;
                double y = (0.5 - (row + 0.5) / SIDE) * WIDE_MM;
                double sum = 0;
                for (int i = 0; i < n; i++) {
                    sum += chart(x - dx[i], y - dy[i]);
                }
                light.add((float) (n == 0 ? 0 : sum / n));
            }
        }
        return new Piece(light, n > 0);
    }

    /// Bars of three widths, upright above and lying below, on white.
    static double chart(double x, double y) {
        double half = WIDE_MM / 2;
        double across = (x + half) / WIDE_MM * BARS.length;
        int group = (int) Math.floor(across);
        if (group < 0 || group >= BARS.length || Math.abs(across - group - 0.5) > 0.42 || Math.abs(y) > 0.42 * WIDE_MM || Math.abs(y) < 0.04 * WIDE_MM) {
            return BRIGHT;
        }
        double along = y > 0 ? x : y;
        return Math.floor(2 * BARS[group] * (along + half)) % 2 == 0 ? DARK : BRIGHT;
    }
}

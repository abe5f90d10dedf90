package stillglass.optics.misassembly;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import stillglass.optics.LensSection;
import stillglass.optics.Lenses;
import stillglass.optics.Medium;
import stillglass.optics.Seat;
import stillglass.optics.Seat.Rests;
import stillglass.optics.Surface;

/// Four plane parallel glasses, whose rims are as far apart as their middles: every distance is a subtraction on paper.
class PlacesTest {
    private static final double[] THICK = {3, 5, 2, 4};
    private static final int[] FIRST = {0, 2, 5, 7};

    /// E1 and E2 before the iris, E3 and E4 behind it, 10 mm between all, 50 mm to the film.
    private static LensSection plates(Seat... seats) {
        Medium air = new Medium.Air();
        List<Surface> surfaces = new ArrayList<>();
        for (int i = 0; i < THICK.length; i++) {
            if (i == 2) {
                surfaces.add(new Surface(Double.POSITIVE_INFINITY, 10, air, 8, true));
            }
            surfaces.add(new Surface(Double.POSITIVE_INFINITY, THICK[i], Lenses.GLASS, 11, false));
            surfaces.add(new Surface(Double.POSITIVE_INFINITY, i == 3 ? 50 : 10, air, 11, false));
        }
        LensSection lens = Lenses.section("plates", 8, surfaces, List.of(Lenses.element("E1", 0, 1, 12, "G1", List.of()), Lenses.element("E2", 2, 3, 12, "G2", List.of()),
                Lenses.element("E3", 5, 6, 12, "G3", List.of()), Lenses.element("E4", 7, 8, 12, "G4", List.of())));
        return seats.length == 0 ? lens : lens.withSeats(List.of(seats).stream().map(Optional::of).toList());
    }

    private static Seat on(Rests rests) {
        return new Seat(rests, Optional.empty());
    }

    private static Seat in(String cell, Rests rests) {
        return new Seat(rests, Optional.of(cell));
    }

    /// Where the front of the glass in each place stands, counted from the iris, and the film.
    private static double[] stand(LensSection lens, String fault) {
        LensSection off = LensFault.apply(lens, List.of(LensFault.parse(fault)), LensFault.Seating.RIM).lens();
        double iris = off.vertexMm(off.stopIndex());
        double[] out = new double[5];
        for (int i = 0; i < 4; i++) {
            out[i] = off.vertexMm(FIRST[i]) - iris;
        }
        out[4] = off.imagePlaneMm() - iris;
        return out;
    }

    private static void stands(LensSection lens, String fault, double... mm) {
        assertThat(stand(lens, fault)).as(fault).containsExactly(mm, within(1e-9));
    }

    @Test
    void onShouldersNobodyMovesForANeighbour() {
        LensSection lens = plates(on(Rests.FRONT), on(Rests.REAR), on(Rests.FRONT), on(Rests.REAR));
        stands(lens, "gap:4:0", -28, -15, 10, 22, 76);
        // E2 of 5 mm at E1's shoulder, and E1 of 3 mm with its rear where E2's rear was.
        stands(lens, "swap:E1,E2", -28, -13, 10, 22, 76);
        // E4 of 4 mm with its front where E3's was; E3 of 2 mm with its rear where E4's was.
        stands(lens, "swap:E3,E4", -28, -15, 10, 24, 76);
    }

    @Test
    void whatRestsOnAThickerGlassGoesAlong() {
        stands(plates(), "swap:E2,E4", -27, -14, 10, 22, 76);
        stands(plates(on(Rests.FRONT), on(Rests.ON_BEFORE), on(Rests.FRONT), on(Rests.ON_BEFORE)), "swap:E1,E3", -28, -16, 10, 23, 76);
    }

    @Test
    void aShimMovesTheSideThatRestsOnIt() {
        stands(plates(), "shim-doubled:2:0.5", -28.5, -15, 10, 22, 76);
        stands(plates(on(Rests.FRONT), on(Rests.ON_BEFORE), on(Rests.FRONT), on(Rests.FRONT)), "shim-doubled:2:0.5", -28, -14.5, 10, 22, 76);
        stands(plates(), "shim-missing:4:0.5", -27.5, -14.5, 10, 22, 76);
        stands(plates(), "shim-missing:5:0.5", -28, -15, 9.5, 21.5, 76);
    }

    @Test
    void aCellGoesAsAWhole() {
        LensSection lens = plates(in("front cell", Rests.FRONT), in("front cell", Rests.REAR), in("rear cell", Rests.FRONT), in("rear cell", Rests.FRONT));
        stands(lens, "shim-doubled:4:0.5", -28.5, -15.5, 10, 22, 76);
        stands(lens, "shim-doubled:5:0.5", -28, -15, 10.5, 22.5, 76);
        stands(lens, "gap:7:0.5", -28, -15, 10, 22.5, 76);
    }

    @Test
    void aGlassLiftsAwayFromItsShoulder() {
        stands(plates(on(Rests.FRONT), on(Rests.REAR), on(Rests.FRONT), on(Rests.REAR)), "unseated:E1:0.2:0", -27.8, -15, 10, 22, 76);
        stands(plates(on(Rests.FRONT), on(Rests.REAR), on(Rests.FRONT), on(Rests.REAR)), "unseated:E4:0.2:0", -28, -15, 10, 21.8, 76);
        stands(plates(), "unseated:E4:0.2:0", -28, -15, 10, 22.2, 76);
    }

    /// A plate of 5 mm that tips on a shoulder at its rear swings its front vertex aside by 5 mm times the sine; on one at its front it does not.
    @Test
    void aGlassTipsOnItsSeat() {
        assertThat(aside(plates(on(Rests.FRONT), on(Rests.REAR), on(Rests.FRONT), on(Rests.REAR)))).isCloseTo(-5 * Math.sin(Math.toRadians(2)), within(1e-12));
        assertThat(aside(plates(on(Rests.FRONT), on(Rests.FRONT), on(Rests.FRONT), on(Rests.REAR)))).isCloseTo(0, within(1e-12));
    }

    private static double aside(LensSection lens) {
        return LensFault.apply(lens, List.of(LensFault.parse("unseated:E2:0:2:3")), LensFault.Seating.RIM).lens().tilts().getFirst().asideMm();
    }

    @Test
    void thereIsOneSeatForEachPlace() {
        assertThatThrownBy(() -> plates().withSeats(List.of(Optional.empty()))).hasMessageContaining("1 seats for 4");
        assertThat(plates().withSeats(List.of()).seats()).isEmpty();
    }
}

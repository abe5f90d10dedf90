package stillglass.ticket.glass;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.optics.Lenses;
import stillglass.say.Wording;

/// One name for a finding, wherever it is named.
class CalledTest {
    private static Known read(FindingKind as, Map<FindingKind, Double> chances) {
        Finding.Region r = new Finding.Region(List.of(new Finding.Point(0, 0), new Finding.Point(0.2, 0), new Finding.Point(0.2, 0.2)));
        Finding seen = new Finding(as, chances.getOrDefault(as, 0.5), List.of(r), 0.01, 1, 0.1, 0.1, 0.1, 2, List.of());
        return new Known("p1#1", "p1", chances.isEmpty() ? seen : seen.told(as, chances));
    }

    private static String name(Known k) {
        return Wording.core().sentence(Called.of(k, Optional.empty()).said());
    }

    private static String fault(Known k) {
        return Wording.core().sentence(Called.of(k, Optional.empty()).fault());
    }

    private static Known said(Known k, Optional<GlassEvent.GradeOverruled> grade, Optional<FindingKind> kind, Optional<Integer> severity) {
        return new Known(k.id(), k.photoId(), k.finding(), k.surface(), grade, kind, severity, List.of(), List.of(), Map.of(), Optional.empty(), List.of());
    }

    @Test
    void whatIsSureIsCalledByItsKindAlone() {
        Called c = Called.of(read(FindingKind.OIL, Map.of(FindingKind.OIL, 0.8, FindingKind.COATING, 0.1, FindingKind.UNKNOWN, 0.1)), Optional.empty());
        assertThat(c.kind()).isEqualTo(FindingKind.OIL);
        assertThat(c.or()).isEmpty();
        assertThat(c.orNothing()).isFalse();
        assertThat(c.chance()).isCloseTo(0.8, within(0.02));
        assertThat(c.other()).isZero();
    }

    /// The likelier of the two stands beside it.
    @Test
    void besideItStandsWhatIsLikeliestElse() {
        Known either = read(FindingKind.OIL, Map.of(FindingKind.OIL, 0.45, FindingKind.SEPARATION, 0.29, FindingKind.UNKNOWN, 0.26));
        assertThat(name(either)).isEqualTo("Oil, or separation");
        assertThat(Called.of(either, Optional.empty()).other()).isCloseTo(0.29, within(0.02));
        Known none = read(FindingKind.OIL, Map.of(FindingKind.OIL, 0.45, FindingKind.SEPARATION, 0.24, FindingKind.UNKNOWN, 0.31));
        assertThat(name(none)).isEqualTo("Oil, or nothing");
        assertThat(Called.of(none, Optional.empty()).other()).isEqualTo(0.31);
        assertThat(fault(none)).isEqualTo("Oil");
        assertThat(name(read(FindingKind.OIL, Map.of(FindingKind.OIL, 0.6, FindingKind.SEPARATION, 0.16, FindingKind.UNKNOWN, 0.24)))).isEqualTo("Oil");
    }

    /// What the photo was not sure enough of to name is called the same everywhere, though it is no more than likelier a fault than nothing.
    @Test
    void whatIsNotNamedIsCalledByWhatItMayBe() {
        Known chip = read(FindingKind.UNKNOWN, Map.of(FindingKind.CHIP, 0.43, FindingKind.BUBBLE, 0.16, FindingKind.UNKNOWN, 0.41));
        assertThat(chip.doubtful()).isFalse();
        assertThat(name(chip)).isEqualTo("Chip, or nothing");
        assertThat(fault(chip)).isEqualTo("Chip");
        assertThat(name(read(FindingKind.UNKNOWN, Map.of()))).as("drawn by hand").isEqualTo("Unknown");
    }

    /// Grains of dust are counted, and what a technician called by its name, graded or weighed is there.
    @Test
    void whatIsThereIsNotCalledNothing() {
        Map<FindingKind, Double> faint = Map.of(FindingKind.HAZE, 0.55, FindingKind.OIL, 0.05, FindingKind.UNKNOWN, 0.4);
        Known haze = read(FindingKind.HAZE, faint);
        assertThat(name(haze)).isEqualTo("Haze, or nothing");
        assertThat(name(said(haze, Optional.of(new GlassEvent.GradeOverruled("p1#1", 2, "seen")), Optional.empty(), Optional.empty()))).isEqualTo("Haze");
        assertThat(name(said(haze, Optional.empty(), Optional.of(FindingKind.OIL), Optional.empty()))).isEqualTo("Haze");
        assertThat(name(said(haze, Optional.empty(), Optional.empty(), Optional.of(1)))).isEqualTo("Haze");
        assertThat(name(read(FindingKind.DUST, Map.of(FindingKind.DUST, 0.55, FindingKind.UNKNOWN, 0.45)))).isEqualTo("Dust");
    }

    /// On a glass that is not cemented nothing separates.
    @Test
    void whatLiesNowhereOnTheLensIsNotNamed() {
        Known k = new Known("p1#1", "p1", read(FindingKind.OIL, Map.of(FindingKind.OIL, 0.5, FindingKind.SEPARATION, 0.4, FindingKind.UNKNOWN, 0.1)).finding(), Optional.of(0), Optional.empty(), Optional.empty(), Optional.empty(), List.of(), List.of(), Map.of(),
                Optional.empty(), List.of());
        assertThat(name(k)).isEqualTo("Oil, or separation");
        assertThat(Wording.core().sentence(Called.of(k, Optional.of(Lenses.triplet())).said())).isEqualTo("Oil");
    }
}

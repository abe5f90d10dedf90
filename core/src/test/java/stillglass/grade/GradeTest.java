package stillglass.grade;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CancellationException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Progress;
import stillglass.optics.Footprints;
import stillglass.optics.LensSection;
import stillglass.optics.Lenses;
import stillglass.optics.Surface;
import stillglass.say.Said;
import stillglass.say.Wording;

class GradeTest {
    /// Everything blocks fully and scatters nothing, so that shares can be worked out by areas.
    static GradeRules opaque() {
        Map<FindingKind, GradeRules.Optics> kinds = new EnumMap<>(FindingKind.class);
        for (FindingKind k : FindingKind.values()) {
            kinds.put(k, new GradeRules.Optics(k == FindingKind.HAZE ? 0 : 1, k == FindingKind.HAZE ? 1 : 0, 0.9));
        }
        return new GradeRules(kinds, 0.02, 0.15, 0.002, 0.03, 0.1, 4);
    }

    private static Patch disc(int surface, double x, double y, double radius) {
        return new Patch(FindingKind.DUST, surface, List.of(Patch.disc(x, y, radius)), 1, 0.5);
    }

    /// A wide front glass far from the iris: f = 100 and 20 mm to the iris, rims out of the way.
    private static LensSection wide() {
        LensSection lens = Lenses.twoThin();
        LensSection out = lens;
        for (int i = 0; i < lens.surfaces().size(); i++) {
            Surface s = lens.surfaces().get(i);
            out = Lenses.with(out, i, new Surface(s.radiusMm(), s.thicknessMm(), s.after(), s.stop() ? 10 : 40, s.stop()));
        }
        return out;
    }

    @Test
    void aDiscInTheIrisBlocksItsShareOfTheAreaEverywhere() {
        LensSection lens = wide();
        ShowThrough.Shown shown = ShowThrough.of(Footprints.of(lens, () -> {}), disc(lens.stopIndex(), 0, 0, 2), opaque(), Progress.SILENT);

        // Wide open the iris has a radius of 10 mm: (2/10)² = 4 %, but for the glass before it, which draws the rim's light together by a per cent.
        assertThat(shown.effects().getFirst().lightLost()).isCloseTo(0.04, within(0.0008));
        assertThat(shown.effects().getFirst().deepestShadow()).as("nearly the same for all points: no shadow").isCloseTo(0, within(1e-3));
    }

    @Test
    void stoppingDownMakesTheSameDiscLoseMore() {
        LensSection lens = wide();
        List<ShowThrough.Effect> effects = ShowThrough.of(Footprints.of(lens, () -> {}), disc(lens.stopIndex(), 0, 0, 0.5), opaque(), Progress.SILENT).effects();

        for (int i = 1; i < effects.size(); i++) {
            double ratio = effects.get(i).stop() / effects.getFirst().stop();
            assertThat(effects.get(i).lightLost()).isCloseTo(effects.getFirst().lightLost() * ratio * ratio, within(0.02 * effects.get(i).lightLost() + 1e-6));
        }
    }

    @Test
    void awayFromTheIrisASpeckShadowsOnePlaceAtSmallStops() {
        LensSection lens = wide();
        List<ShowThrough.Effect> effects = ShowThrough.of(Footprints.of(lens, () -> {}), disc(0, 0, 0, 1.2), opaque(), Progress.SILENT).effects();
        ShowThrough.Effect small = effects.getLast();

        assertThat(small.deepestShadow()).isGreaterThan(5 * effects.getFirst().deepestShadow());
        assertThat(small.shadowX()).isCloseTo(0, within(0.01));
        assertThat(small.shadowY()).isCloseTo(0, within(0.01));
    }

    @Test
    void aSpeckAtTheTopOfTheFrontGlassIsCrossedByLightFromAbove() {
        // In front of the iris the beam from the upper part of the scene crosses high; that point is imaged at the
        // bottom of the frame but stands at the top of the upright picture.
        LensSection lens = wide();
        ShowThrough.Effect small = ShowThrough.of(Footprints.of(lens, () -> {}), disc(0, 0, 3, 1), opaque(), Progress.SILENT).effects().getLast();

        assertThat(small.shadowY()).isGreaterThan(0.3);
    }

    @Test
    void hazeIsVeilInProportionToItsContrast() {
        LensSection lens = wide();
        Patch haze = new Patch(FindingKind.HAZE, 0, List.of(Patch.disc(0, 0, 39)), 1, 0.07);
        ShowThrough.Effect e = ShowThrough.of(Footprints.of(lens, () -> {}), haze, opaque(), Progress.SILENT).effects().getFirst();

        assertThat(e.veil()).isCloseTo(0.07, within(0.001));
        assertThat(e.deepestShadow()).isZero();
    }

    @Test
    void tracingCanBeStopped() {
        assertThatThrownBy(() -> ShowThrough.of(Footprints.of(wide(), () -> {}), disc(0, 0, 0, 1), opaque(), (share, doing) -> {
                    throw new CancellationException();
                }))
                .isInstanceOf(CancellationException.class);
    }

    private static ShowThrough.Shown shown(double stop, double shadow, double veil) {
        return new ShowThrough.Shown(FindingKind.HAZE, 0, List.of(new ShowThrough.Effect(stop, 0, shadow, -0.8, 0.8, veil)), Shades.clear(List.of(stop)), List.of());
    }

    @Test
    void twoFindingsBehindEachOtherMultiplyWhatTheyLetThrough() {
        LensSection lens = wide();
        Footprints prints = Footprints.of(lens, () -> {});
        ShowThrough.Shown one = ShowThrough.of(prints, disc(lens.stopIndex(), 0, 0, 3), opaque(), Progress.SILENT);
        ShowThrough.Shown other = ShowThrough.of(prints, disc(lens.stopIndex(), 4, 0, 2), opaque(), Progress.SILENT);
        ShowThrough.Effect both = Shades.together(List.of(one.shades(), other.shades())).effect(0);

        assertThat(1 - both.lightLost()).isCloseTo(0.91 * 0.96, within(0.002));
        assertThat(Shades.clear(prints.stops()).effect(2).lightLost()).isZero();
        assertThat(Shades.together(List.of(one.shades())).effect(0)).isEqualTo(one.effects().getFirst());
    }

    @Test
    void gradesFollowTheThresholds() {
        assertThat(Grader.of(shown(2, 0, 0), opaque()).grade()).isZero();
        assertThat(Grader.of(shown(2, 0.001, 0), opaque()).grade()).isEqualTo(1);
        assertThat(Grader.of(shown(2, 0.01, 0), opaque()).grade()).isEqualTo(2);
        assertThat(Grader.of(shown(16, 0.05, 0), opaque()).grade()).isEqualTo(3);
        assertThat(Grader.of(shown(4, 0.2, 0), opaque()).grade()).isEqualTo(4);
        assertThat(Grader.of(shown(2, 0, 0.05), opaque()).grade()).isEqualTo(3);
        assertThat(Grader.of(shown(2, 0, 0.12), opaque()).grade()).isEqualTo(4);
    }

    @Test
    void theGradeSaysWhichThresholdItReached() {
        assertThat(Wording.core().say(Grader.of(shown(16, 0.05, 0), opaque()).because())).isEqualTo("shadow 5.0 % at f/16; from 2.0 % on it is visible");
        assertThat(Wording.core().say(Grader.of(shown(2, 0, 0.12), opaque()).because())).isEqualTo("veil 12 % at f/2; from 10 % on it is severe");
        assertThat(Wording.core().say(Grader.of(shown(2, 0, 0), opaque()).because())).contains("below");
    }

    @Test
    void theSentenceSaysWhereAndFromWhichStop() {
        assertThat(Wording.core().say(Grader.of(shown(16, 0.05, 0), opaque()).sentence())).isEqualTo("Shows as a 5 % shadow, upper left, from f/16 down.");
        assertThat(Grader.stop(2.8)).isEqualTo("2.8");
        assertThat(Grader.stop(16)).isEqualTo("16");
    }

    @Test
    void livingFungusIsAlwaysWorthOpening() {
        Advice a = Advice.of(FindingKind.FUNGUS, new Grader.Grade(1, Said.text("Seen."), Said.text("")), 5, 0.2, opaque());

        assertThat(a.act()).isEqualTo(Advice.Act.CLEAN);
        assertThat(a.reasons()).extracting(Wording.core()::say).anyMatch(r -> r.contains("etches"));
    }

    @Test
    void aTraceOfDustIsNotWorthARiskyDay() {
        assertThat(Advice.of(FindingKind.DUST, new Grader.Grade(1, Said.text("Seen."), Said.text("")), 6, 0.2, opaque()).act()).isEqualTo(Advice.Act.LEAVE);
        assertThat(Advice.of(FindingKind.DUST, new Grader.Grade(3, Said.text("Shows."), Said.text("")), 0.5, 0.01, opaque()).act()).isEqualTo(Advice.Act.CLEAN);
    }

    @Test
    void whatIsLikelierNothingIsLookedAtAgainAndWhatIsLeftStaysLeft() {
        Advice clean = Advice.of(FindingKind.HAZE, new Grader.Grade(3, Said.text("Shows."), Said.text("")), 0.5, 0.01, opaque()).unsure(0.7);
        Advice leave = Advice.of(FindingKind.HAZE, new Grader.Grade(1, Said.text("Seen."), Said.text("")), 6, 0.2, opaque());

        assertThat(clean.act()).isEqualTo(Advice.Act.LOOK_AGAIN);
        assertThat(clean.reasons()).extracting(Wording.core()::say).last().asString().contains("a chance of 70 %");
        assertThat(leave.unsure(0.7)).isEqualTo(leave);
    }

    @Test
    void whatCannotBeCuredIsLeftOrReferred() {
        Map<FindingKind, GradeRules.Optics> kinds = new EnumMap<>(opaque().kinds());
        kinds.put(FindingKind.SCRATCH, new GradeRules.Optics(1, 0, 0));
        GradeRules rules = new GradeRules(kinds, 0.02, 0.15, 0.002, 0.03, 0.1, 4);

        assertThat(Advice.of(FindingKind.SCRATCH, new Grader.Grade(3, Said.text("Shows."), Said.text("")), 1, 0, rules).act()).isEqualTo(Advice.Act.LEAVE);
        assertThat(Advice.unmapped(FindingKind.SCRATCH, new Grader.Grade(4, Said.text("Severe."), Said.text("")), rules).act()).isEqualTo(Advice.Act.REFER);
    }

    @Test
    void withoutAMapTheReasonSaysSo() {
        assertThat(Advice.unmapped(FindingKind.HAZE, new Grader.Grade(3, Said.text("Shows."), Said.text("")), opaque()).reasons()).extracting(Wording.core()::say).anyMatch(r -> r.contains("No map"));
    }

    @Test
    void rulesThatDoNotRiseAreRefused() {
        assertThatThrownBy(() -> new GradeRules(opaque().kinds(), 0.2, 0.1, 0.002, 0.03, 0.1, 4)).hasMessageContaining("must rise");
        assertThatThrownBy(() -> new GradeRules(Map.of(), 0.02, 0.15, 0.002, 0.03, 0.1, 4)).hasMessageContaining("say nothing of");
        assertThatThrownBy(() -> new GradeRules.Optics(Double.NaN, 0, 0)).hasMessageContaining("between 0 and 1");
    }

    @Test
    void aPhotoFromBehindIsMirrored() {
        LensSection lens = Lenses.triplet();
        double front = Patch.place(square(0.3), lens, 0, false).outlines().getFirst().getCentroid().getX();
        double rear = Patch.place(square(0.3), lens, 0, true).outlines().getFirst().getCentroid().getX();
        assertThat(front).isCloseTo(0.35 * lens.surfaces().getFirst().semiDiameterMm(), within(0.05));
        assertThat(rear).isNegative().isNotCloseTo(-front, within(0.2));
    }

    @Test
    void coverageDoesNotDependOnWhereAnOutlineIsLaidDown() {
        LensSection lens = Lenses.triplet();
        for (int s : new int[] {0, 1, 3, 5}) {
            assertThat(Patch.place(square(0.3), lens, s, false).coverage()).as("surface %d", s).isCloseTo(1, within(1e-9));
        }
    }

    /// A square of the given side, right of the middle, fully covered.
    private static Finding square(double side) {
        Finding.Region r = new Finding.Region(List.of(new Finding.Point(0.2, 0), new Finding.Point(0.2 + side, 0),
                new Finding.Point(0.2 + side, side), new Finding.Point(0.2, side)));
        return new Finding(FindingKind.DUST, 0.9, List.of(r), side * side / Math.PI, 1, 0.2 + side / 2, side / 2, 0.4, 1, List.of());
    }
}

package stillglass.look.rim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.look.Aperture;

/// The rim among other rings, on photos drawn ring by ring.
class ApertureFinderTest {
    private static final int W = 720;
    private static final int H = 600;
    private static final double R = 200;

    /// @param light by the distance from the middle of the glass, radii
    private static float[] drawn(double cx, double cy, DoubleUnaryOperator light) {
        SplittableRandom random = new SplittableRandom(3);
        float[] out = new float[W * H];
        for (int i = 0; i < out.length; i++) {
            double u = Math.hypot(i % W - cx, i / W - cy) / R;
            out[i] = (float) Math.max(0, light.applyAsDouble(u) + 0.0008 * random.nextGaussian());
        }
        return EdgePhoto.blurred(out, W, H, 1.2);
    }

    private static EdgePhoto rings(double cx, double cy, DoubleUnaryOperator light) {
        return new EdgePhoto(drawn(cx, cy, light), W, H);
    }

    private static void isFound(EdgePhoto light, double cx, double cy, double radius) {
        Aperture a = ApertureFinder.find(light, Optional.empty()).orElseThrow().rim().ring();
        assertThat(a.meanRadius()).isCloseTo(radius, within(0.015 * radius));
        assertThat(a.cx()).isCloseTo(cx, within(0.015 * radius));
        assertThat(a.cy()).isCloseTo(cy, within(0.015 * radius));
    }

    private static double mount(double u) {
        return u < 1.08 ? 0.004 : u < 1.3 ? 0.07 : 0.02;
    }

    @Test
    void aLitInnerRimIsNotTheRim() {
        isFound(rings(350, 310, u -> u > 0.80 && u < 0.83 ? 0.1 : u < 1 ? 0.02 : mount(u)), 350, 310, R);
    }

    @Test
    void bladesEndBeforeTheGlassDoes() {
        isFound(rings(360, 300, u -> u < 0.45 ? 0.012 : u < 0.7 ? 0.03 : u < 1 ? 0.012 : mount(u)), 360, 300, R);
        isFound(rings(360, 300, u -> u < 0.45 ? 0.6 : u < 0.7 ? 0.06 : u < 1 ? 0.025 : mount(u)), 360, 300, R);
    }

    @Test
    void aBarrelBeforeABlackBackdropIsNotTheGlass() {
        isFound(rings(340, 290, u -> u < 1 ? 0.025 : u < 1.06 ? 0.004 : u < 1.3 ? 0.06 : 0.002), 340, 290, R);
    }

    @Test
    void aFallWithinTheGlassIsPassedOverForTheBlackEdge() {
        isFound(rings(360, 300, u -> u < 0.9 ? 0.022 : u < 1 ? 0.006 : u < 1.08 ? 0.003 : u < 1.3 ? 0.05 : 0.02), 360, 300, R);
    }

    /// Dark glass beyond its lit part hardly differs from its blackened edge: either ring may be the rim, and both are offered.
    @Test
    void aFallWithinTheGlassAndTheBlackEdgeAreBothOffered() {
        List<ApertureFinder.Ring> rings = ApertureFinder.candidates(rings(360, 300, u -> u < 0.9 ? 0.022 : u < 1 ? 0.006 : u < 1.08 ? 0.003 : u < 1.3 ? 0.05 : 0.02));
        assertThat(rings.stream().limit(3)).anyMatch(r -> Math.abs(r.ring().meanRadius() - R) < 0.015 * R).anyMatch(r -> Math.abs(r.ring().meanRadius() - 0.9 * R) < 0.015 * R);
    }

    /// A retaining ring of black metal that a lamp lights from one side only.
    @Test
    void aRingLitFromOneSideDoesNotMislead() {
        float[] light = drawn(360, 300, u -> u < 1 ? 0.05 : u < 1.3 ? 0.004 : 0.012);
        for (int i = 0; i < light.length; i++) {
            double u = Math.hypot(i % W - 360, i / W - 300) / R;
            light[i] += u > 1.05 && u < 1.09 ? (float) Math.max(0, 0.2 * (i % W - 360) / R) : 0;
        }
        isFound(new EdgePhoto(light, W, H), 360, 300, R);
    }

    @Test
    void glassBeforeACardMeetsItsBlackEdge() {
        isFound(rings(380, 300, u -> u < 1 ? 0.5 : u < 1.06 ? 0.01 : u < 1.25 ? 0.05 : 0.6), 380, 300, R);
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.003, 0.006, 0.05})
    void glassBarelyLighterThanItsEdgeIsFound(double over) {
        isFound(rings(350, 305, u -> u < 1 ? 0.006 + over : mount(u)), 350, 305, R);
    }

    @Test
    void whatOnlyShadesOffHasNoRim() {
        assertThat(ApertureFinder.find(rings(350, 300, u -> 0.3 * Math.exp(-u * u)), Optional.empty())).isEmpty();
    }

    /// A technician chose the outer of two rings; the next photo from there, a hand's breadth aside and out of focus, is read in the same one.
    @ParameterizedTest
    @ValueSource(doubles = {0, 4, 9})
    void theRingOfThePhotoBeforeIsTakenAgain(double blur) {
        EdgePhoto light = new EdgePhoto(EdgePhoto.blurred(drawn(364, 297, u -> u < 1 ? 0.025 : u < 1.08 ? 0.004 : u < 1.3 ? 0.07 : 0.02), W, H, Math.max(0.3, blur)), W, H);
        Aperture chosen = new Aperture(360, 300, 1.31 * R, 1.31 * R, 0);
        ApertureFinder.Found found = ApertureFinder.find(light, Optional.of(chosen)).orElseThrow();
        assertThat(found.lens()).isEqualTo(1);
        ApertureFinder.Ring held = found.rim();
        assertThat(held.chance()).isEqualTo(1);
        Aperture again = held.ring();
        assertThat(again.meanRadius()).isCloseTo(1.3 * R, within(0.02 * R));
        assertThat(again.cx()).isCloseTo(364, within(3.0));
        assertThat(ApertureFinder.find(light, Optional.of(new Aperture(300, 240, 1.6 * R, 1.6 * R, 0)))).as("the camera was elsewhere").isEqualTo(ApertureFinder.find(light, Optional.empty()));
    }

    /// A camera that leans shows rim and filter thread about two centres; what lies between them follows neither.
    @ParameterizedTest
    @ValueSource(doubles = {0.4, 1.6, 2.8})
    void aRimIsLookedAtAboutItsOwnCentre(double way) {
        double cx = 360 + 0.014 * R * Math.cos(way);
        double cy = 300 + 0.014 * R * Math.sin(way);
        EdgePhoto photo = rings(360, 300, u -> u < 1 ? 0.05 : u < 1.05 ? 0.004 : u < 1.3 ? 0.07 : 0.02);
        RingProfile own = RingProfile.of(photo, new Aperture(360, 300, R, R, 0));
        RingProfile between = RingProfile.of(photo, new Aperture(cx, cy, R, R, 0));

        assertThat(ApertureFinder.recentred(photo, List.of(own)).profiles()).as("what follows its edge stays").containsExactly(own);
        List<RingProfile> more = ApertureFinder.recentred(photo, List.of(between)).profiles();
        assertThat(more).contains(between).hasSize(2);
        Aperture found = more.getLast().ring(0);
        assertThat(found.cx()).isCloseTo(360, within(0.004 * R));
        assertThat(found.cy()).isCloseTo(300, within(0.004 * R));
    }

    @Test
    void ringsThatAreOfferedDiffer() {
        ApertureFinder.Ring first = ring(360, 200);
        ApertureFinder.Ring nearly = ring(361, 202);
        ApertureFinder.Ring larger = ring(360, 204);
        ApertureFinder.Ring aside = ring(364, 200);
        assertThat(ApertureFinder.offered(List.of(first, nearly, larger, aside), List.of())).containsExactly(first, larger, aside);
        assertThat(ApertureFinder.offered(IntStream.range(0, 40).mapToObj(i -> ring(360, 100 + 10 * i)).toList(), List.of())).as("no more than a hand goes through").hasSize(10);
        assertThat(ApertureFinder.offered(List.of(), List.of(first))).as("nothing round stands out").isEmpty();
    }

    /// A rim as dark as the edge about it has no edge of its own: what is said of the places where it may lie counts together.
    @Test
    void whereMuchIsSaidOfAPlaceWithoutAnEdgeItIsOffered() {
        ApertureFinder.Ring border = ring(360, 204);
        ApertureFinder.Ring barrel = ring(360, 260);
        List<ApertureFinder.Ring> places = Stream.of(204.0, 203.0, 201.8, 200.0, 199.0, 198.0).map(r -> ring(360, r)).toList();
        List<ApertureFinder.Ring> told = ApertureFinder.offered(List.of(border, barrel), places);
        assertThat(told.getFirst()).isEqualTo(border);
        assertThat(told.get(1).ring().meanRadius()).as("of three places more than 1.5 % inside together more is said than of the barrel").isBetween(198.0, 200.0);
        assertThat(told.get(1).chance()).isCloseTo(0.3, within(1e-9));
        assertThat(told.get(2)).isEqualTo(barrel);
        assertThat(ApertureFinder.offered(List.of(border, barrel), places.subList(0, 4)).get(1)).as("an edge of which half as much is said comes first").isEqualTo(barrel);
    }

    @Test
    void whatIsSaidOfARingAboutSeveralCentresIsAdded() {
        List<ApertureFinder.Ring> joined = ApertureFinder.joined(List.of(ring(360, 200), ring(360, 240), ring(361, 200.5), ring(360, 240.4), ring(360, 200)));
        assertThat(joined).hasSize(2);
        assertThat(joined.getFirst().ring()).isEqualTo(ring(360, 200).ring());
        assertThat(joined.getFirst().chance()).isCloseTo(0.3, within(1e-9));
        assertThat(joined.getLast().chance()).isCloseTo(0.2, within(1e-9));
    }

    /// Where the ring of the photo before was, light changes now on one side only: a finger, a lamp. The camera was elsewhere.
    @Test
    void anEdgeOnOneSideIsNoRing() {
        float[] light = drawn(360, 300, u -> u < 1 ? 0.05 : u < 1.08 ? 0.004 : 0.012);
        for (int i = 0; i < light.length; i++) {
            double u = Math.hypot(i % W - 360, i / W - 300) / R;
            light[i] += u > 1.3 && i % W > 360 + R ? 0.3f : 0;
        }
        EdgePhoto photo = new EdgePhoto(light, W, H);
        assertThat(ApertureFinder.find(photo, Optional.of(new Aperture(360, 300, 1.3 * R, 1.3 * R, 0)))).isEqualTo(ApertureFinder.find(photo, Optional.empty()));
    }

    private static ApertureFinder.Ring ring(double cx, double r) {
        return new ApertureFinder.Ring(new Aperture(cx, 300, r, r, 0), 0.1);
    }

    @Test
    void aRingFollowsTheEdgeItLiesOn() {
        EdgePhoto light = rings(360, 300, u -> u < 1 ? 0.1 : mount(u));
        assertThat(RingEdge.step(light, new Aperture(360, 300, R, R, 0)).follows()).isGreaterThan(0.95);
        RingEdge outside = RingEdge.step(light, new Aperture(360, 300, 1.03 * R, 1.03 * R, 0));
        assertThat(outside.agree()).as("it is darker outside in all directions").isEqualTo(1);
        assertThat(outside.follows()).as("but not there").isLessThan(0.5);
        assertThat(RingEdge.step(light, new Aperture(360 + 0.014 * R, 300, R, R, 0)).follows()).isLessThan(0.8);
    }

    @Test
    void anEdgeKnowsItsStepAndHowDarkItIsOutside() {
        EdgePhoto light = rings(360, 300, u -> u < 1 ? 0.1 : mount(u));
        RingEdge rim = RingEdge.measure(light, new Aperture(360, 300, R, R, 0));

        assertThat(rim.step()).as("logarithm of outside over inside, both over the floor").isCloseTo(Math.log((0.004 + 0.004) / (0.1 + 0.004)), within(0.35));
        assertThat(rim.agree()).isEqualTo(1);
        assertThat(rim.sharp()).isGreaterThan(0.95);
        assertThat(rim.dark()).as("the blackened edge is the darkest ring").isCloseTo(0, within(0.2));
        assertThat(RingEdge.measure(light, new Aperture(360, 300, 0.6 * R, 0.6 * R, 0)).sharp()).isLessThan(0.7);
    }
}

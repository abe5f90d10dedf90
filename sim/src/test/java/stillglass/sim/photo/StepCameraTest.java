package stillglass.sim.photo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.util.Optional;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.look.Aperture;
import stillglass.look.LinearPhoto;
import stillglass.look.reading.PhotoGrading;
import stillglass.prove.Clocking;
import stillglass.prove.ClockingCheck;

/// The clocking check on photos held by hand: another lamp, a rolled and shifted camera, noise; the truth is the camera's own.
class StepCameraTest {
    private static LinearPhoto linear(BufferedImage p) {
        return LinearPhoto.ofSrgb(p.getWidth(), p.getHeight(), p.getRGB(0, 0, p.getWidth(), p.getHeight(), null, 0, p.getWidth()));
    }

    private static Optional<ClockingCheck> check(StepCamera.Taken a, StepCamera.Taken b) {
        LinearPhoto before = linear(a.picture());
        LinearPhoto after = linear(b.picture());
        Aperture then = PhotoGrading.aperture(before).orElseThrow();
        Aperture now = PhotoGrading.aperture(after).orElseThrow();
        assertThat(then.meanRadius()).as("the opening is found").isCloseTo(a.circle().meanRadius(), within(0.03 * a.circle().meanRadius()));
        return ClockingCheck.of(before, then, after, now, ClockingCheck.Zone.RING);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 4, 5})
    void theTurnOfTheRingIsFoundWhateverTheHandDidWithTheCamera(long seed) {
        double turn = 40 * new SplittableRandom(seed).nextDouble() - 20;
        StepCamera.Taken then = StepCamera.photograph(seed, 77, 0, 100 + seed);
        StepCamera.Taken now = StepCamera.photograph(seed, 77, turn, 200 + seed);
        ClockingCheck c = check(then, now).orElseThrow();

        assertThat(c.tells()).isTrue();
        assertThat(Clocking.difference(c.turnDeg(), turn)).isCloseTo(0, within(0.3));
        assertThat(c.camera().orElseThrow()).as("the camera's own roll").isCloseTo(now.rollDeg() - then.rollDeg(), within(0.3));
        assertThat(c.agrees()).isEqualTo(Math.abs(turn) <= ClockingCheck.TOLERANCE_DEG);
    }

    @Test
    void aRingPutBackAsItWasAgrees() {
        ClockingCheck c = check(StepCamera.photograph(9, 77, 0, 1), StepCamera.photograph(9, 77, 0.4, 2)).orElseThrow();

        assertThat(c.agrees()).isTrue();
        assertThat(c.sigmaDeg()).isLessThan(0.4);
    }

    @Test
    void anotherRingTellsNothing() {
        assertThat(check(StepCamera.photograph(9, 77, 0, 1), StepCamera.photograph(10, 77, 0, 2)).filter(ClockingCheck::tells)).isEmpty();
    }
}

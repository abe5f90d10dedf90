package stillglass.sim.second;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import stillglass.look.Aperture;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;

class SecondPhotoTest {
    @Test
    void aSeedIsAPictureWithItsTruth() {
        SecondPhoto p = SecondPhoto.of(4);
        SecondPhoto again = SecondPhoto.of(4);
        int w = p.shot().picture().getWidth();
        int h = p.shot().picture().getHeight();
        assertThat(again.shot().picture().getRGB(w / 2, h / 2)).isEqualTo(p.shot().picture().getRGB(w / 2, h / 2));
        assertThat(again.present()).isEqualTo(p.present());
        assertThat(p.shot().mask()).hasSize(w * h);
        assertThat(p.present()).containsAll(p.shown());
        Aperture a = p.shot().aperture();
        assertThat(a.cx()).isBetween(0.2 * w, 0.8 * w);
        assertThat(a.meanRadius()).isBetween(0.15 * Math.min(w, h), 0.5 * Math.min(w, h));
    }

    /// What an eye sees without looking for it shows, what shows is there, and not all that shows is plain.
    @Test
    void whatIsPlainShowsAndWhatShowsIsThere() {
        int shown = 0;
        int plain = 0;
        for (long seed : new long[] {20, 21, 61006, 61034}) {
            SecondPhoto p = SecondPhoto.of(seed);
            assertThat(p.shown()).containsAll(p.plain());
            assertThat(p.present()).containsAll(p.shown());
            shown += p.shown().size();
            plain += p.plain().size();
        }
        assertThat(plain).isPositive().isLessThan(shown);
    }

    /// What one more photo adds is judged on photos of one lens: the same faults, the camera elsewhere each time, the lamp carried round for the second, a bright field behind the third.
    @Test
    void aSessionIsOneLensThreeTimes() {
        List<SecondPhoto> session = SecondPhoto.session(8);
        assertThat(session).extracting(SecondPhoto::lighting).containsExactly(Lighting.AGAINST, Lighting.AGAINST, Lighting.BRIGHT);
        assertThat(session).extracting(SecondPhoto::present).containsOnly(session.getFirst().present());
        assertThat(session).extracting(p -> p.shot().aperture().meanRadius()).doesNotHaveDuplicates();
        Barrel here = new Barrel(new Random(5), false, 0);
        Barrel moved = new Barrel(new Random(5), false, 2);
        Barrel bright = new Barrel(new Random(5), true, 0);
        assertThat(moved.lampWay() - here.lampWay()).isCloseTo(2, within(1e-12));
        assertThat(moved.depth).isEqualTo(here.depth).isEqualTo(bright.depth);
        assertThat(moved.clear).isEqualTo(here.clear).isEqualTo(bright.clear);
    }

    /// The mask lies on the glass, and only there.
    @Test
    void whatIsMarkedLiesWithinTheRim() {
        SecondPhoto p = SecondPhoto.of(12);
        int w = p.shot().picture().getWidth();
        Aperture a = p.shot().aperture();
        int marked = 0;
        for (int i = 0; i < p.shot().mask().length; i++) {
            if (p.shot().mask()[i] != 0) {
                marked++;
                assertThat(a.unitRadius(i % w + 0.5, i / w + 0.5)).isLessThan(1.1);
            }
        }
        assertThat(p.present()).isNotEmpty();
        assertThat(marked).isPositive();
    }

    @ParameterizedTest
    @EnumSource(value = FindingKind.class, mode = EnumSource.Mode.EXCLUDE, names = "UNKNOWN")
    void everyKindCoversSomeOfItsSheet(FindingKind kind) {
        FaultSheet s = FaultSheet.of(kind, 4, new Random(9));
        int covered = 0;
        int all = 0;
        for (double y = -0.99; y < 1; y += 0.01) {
            for (double x = -0.99; x < 1; x += 0.01) {
                if (Math.hypot(x, y) < 1) {
                    all++;
                    covered += s.at(x, y) > 0.1 ? 1 : 0;
                }
            }
        }
        assertThat(s.kind).isEqualTo(kind);
        assertThat(s.plane).isBetween(0, 3);
        assertThat(covered).isPositive();
        if (kind != FindingKind.HAZE) {
            assertThat(covered).as("a fault is not the whole glass").isLessThan(all * 3 / 4);
        }
    }
}

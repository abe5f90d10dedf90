package stillglass.care;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import stillglass.care.Cavities.Cavity;
import stillglass.care.Cavities.Holds;
import stillglass.say.Wording;

class CavitiesTest {
    private static Cavity cavity(String name, double minutes, Holds holds, String... behind) {
        return new Cavity(name, minutes, holds, behind.length == 0 ? Optional.empty() : Optional.of(behind[0]));
    }

    @Test
    void whatGoesFastIsOpenedFirstUnlessItIsFarAway() {
        assertThat(Cavities.of(List.of(cavity("mirror box", 3, Holds.GLASS), cavity("battery box", 2, Holds.CELL), cavity("top plate", 12, Holds.CIRCUIT))).order()).extracting(Cavity::name).containsExactly("battery box", "top plate", "mirror box");
        assertThat(Cavities.of(List.of(cavity("top plate", 60, Holds.CIRCUIT), cavity("mirror box", 3, Holds.GLASS))).order()).extracting(Cavity::name).containsExactly("mirror box", "top plate");
    }

    /// A cover over a board is opened for the board's sake.
    @Test
    void whatLiesOverSomethingFastIsOpenedForItsSake() {
        Cavities c = Cavities.of(List.of(cavity("mirror box", 3, Holds.GLASS), cavity("grip", 4, Holds.METAL), cavity("board", 6, Holds.CIRCUIT, "Grip")));
        assertThat(c.order()).extracting(Cavity::name).containsExactly("grip", "board", "mirror box");
        assertThat(Wording.core().say(c.said())).contains("Open the grip next, 4 min, for the sake of circuits").contains("Then board, mirror box.");
    }

    /// The order against every order that is possible, on drawn trees of up to seven cavities: rates and minutes from a law of their own.
    @Test
    void noOrderLosesLess() {
        SplittableRandom random = new SplittableRandom(5);
        for (int round = 0; round < 150; round++) {
            int n = 1 + random.nextInt(7);
            List<Cavity> all = new ArrayList<>();
            for (int i = 0; i < n; i++) {
                Holds h = Holds.values()[random.nextInt(Holds.values().length)];
                all.add(i > 0 && random.nextInt(3) > 0 ? cavity("c" + i, 1 + random.nextInt(30), h, "c" + random.nextInt(i)) : cavity("c" + i, 1 + random.nextInt(30), h));
            }
            List<Cavity> order = Cavities.of(all).order();
            assertThat(order).containsExactlyInAnyOrderElementsOf(all);
            for (int i = 0; i < n; i++) {
                int at = i;
                order.get(i).behind().ifPresent(b -> assertThat(order.subList(0, at)).extracting(Cavity::name).contains(b));
            }
            assertThat(lost(order)).isCloseTo(least(all, new ArrayList<>()), within(1e-9));
        }
    }

    private static double least(List<Cavity> all, List<Cavity> opened) {
        if (opened.size() == all.size()) {
            return lost(opened);
        }
        double least = Double.POSITIVE_INFINITY;
        for (Cavity c : all) {
            if (!opened.contains(c) && c.behind().filter(b -> opened.stream().noneMatch(o -> o.name().equals(b))).isEmpty()) {
                List<Cavity> more = new ArrayList<>(opened);
                more.add(c);
                least = Math.min(least, least(all, more));
            }
        }
        return least;
    }

    private static double lost(List<Cavity> order) {
        double sum = 0;
        for (int i = 0; i < order.size(); i++) {
            for (int j = 0; j <= i; j++) {
                sum += order.get(i).holds().rate() * order.get(j).minutes();
            }
        }
        return sum;
    }

    @Test
    void aCloseChoiceIsSaidToBeOne() {
        assertThat(Cavities.of(List.of(cavity("a", 5, Holds.CIRCUIT), cavity("b", 5, Holds.CELL))).firm()).isFalse();
        assertThat(Cavities.of(List.of(cavity("a", 5, Holds.CIRCUIT), cavity("b", 5, Holds.METAL))).firm()).isTrue();
        assertThat(Wording.core().say(Cavities.of(List.of(cavity("a", 5, Holds.CIRCUIT), cavity("b", 5, Holds.CELL))).said())).endsWith("It is a close choice.");
    }

    @Test
    void circlesAndImpossibleMinutesAreRefused() {
        assertThatThrownBy(() -> Cavities.of(List.of(cavity("a", 5, Holds.CELL, "b"), cavity("b", 5, Holds.METAL, "a")))).hasMessageContaining("behind itself");
        assertThatThrownBy(() -> cavity("a", Double.NaN, Holds.CELL)).hasMessageContaining("minutes");
        assertThat(Cavities.of(List.of(cavity("a", 5, Holds.CELL, "no such cover"))).order()).hasSize(1);
    }
}

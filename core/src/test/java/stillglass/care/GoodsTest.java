package stillglass.care;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class GoodsTest {
    private static final Good POT = Good.parse("grease light damping, 10 g, batch 12, bought 2026-05-01, costs 18");

    private static Goods.Use laid(String what, double mg) {
        return new Goods.Use(what, Optional.of(mg));
    }

    @Test
    void aLineSaysWhatThereIs() {
        assertThat(POT).isEqualTo(new Good(true, "light damping", Optional.of(10.0), Optional.of("12"), Optional.of(LocalDate.of(2026, 5, 1)), Optional.of(18.0)));
        assertThat(Good.parse(" Agent lens fluid ")).isEqualTo(new Good(false, "lens fluid", Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty()));
    }

    @ParameterizedTest
    @ValueSource(strings = {"grease light damping, 10 g, batch 12, bought 2026-05-01, costs 18", "agent lens fluid", "agent lens fluid, 0.0001 ml", "grease a b c, costs 12345.678"})
    void whatIsKeptReadsBackAsItWas(String line) {
        assertThat(Good.parse(Good.parse(line).line())).isEqualTo(Good.parse(line));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "glue super", "grease", "grease x, 10 ml", "agent x, 10 g", "grease x, 0 g", "grease x, 99999999 g", "grease x, bought May", "grease x, costs 0", "grease x, best of all", "grease x, NaN g"})
    void whatMeansNothingIsRefusedInWords(String line) {
        assertThatThrownBy(() -> Good.parse(line)).isInstanceOf(IllegalArgumentException.class).hasMessageMatching("(?s).{20,}");
    }

    @Test
    void aBatchIsToldApartFromAnotherOne() {
        Goods both = Goods.NONE.with(POT).with(Good.parse("grease light damping, 10 g, batch 13, costs 36"));
        List<Goods.Went> went = both.went(List.of(laid("light damping batch 12", 500), laid("Light Damping batch 13", 250), laid("light damping", 100), new Goods.Use("light damping batch 12", Optional.empty())));
        assertThat(went.getFirst().grams()).isEqualTo(0.5, within(1e-12));
        assertThat(went.getFirst().left()).hasValueSatisfying(l -> assertThat(l).isEqualTo(0.95, within(1e-12)));
        assertThat(went.getFirst().unweighed()).isEqualTo(1);
        assertThat(went.getLast().uses()).as("a use without a batch is of neither").isEqualTo(1);
        assertThat(both.cost(laid("light damping batch 13", 250))).hasValueSatisfying(c -> assertThat(c).as("a quarter of a gram at 3.60 the gram").isEqualTo(0.9, within(1e-12)));
        assertThat(both.cost(laid("light damping", 250))).as("of which batch nobody said").isEmpty();
    }

    @Test
    void aGoodWithoutABatchMeansAnyOfThem() {
        Goods one = Goods.NONE.with(Good.parse("grease helicoid, 5 g, costs 10"));
        assertThat(one.cost(laid("helicoid batch 7", 500))).contains(1.0);
        assertThat(one.cost(laid("helicoid light", 500))).as("another grease").isEmpty();
        Goods two = one.with(Good.parse("grease helicoid, 5 g, batch 7, costs 20"));
        assertThat(two.cost(laid("helicoid batch 7", 500))).as("just that batch").contains(2.0);
    }

    @Test
    void whatNobodySaidIsNotNothing() {
        Goods.Went bare = Goods.NONE.with(Good.parse("grease helicoid")).went(List.of(laid("helicoid", 40))).getFirst();
        assertThat(bare.left()).isEmpty();
        assertThat(bare.good().unitCost()).isEmpty();
        assertThat(Goods.NONE.with(Good.parse("agent lens fluid, 100 ml")).went(List.of(new Goods.Use("lens fluid", Optional.empty()))).getFirst().left()).as("nobody measures what is wiped").isEmpty();
    }

    @Test
    void moreThanThereWasLeavesNothing() {
        assertThat(Goods.NONE.with(Good.parse("grease helicoid, 1 g")).went(List.of(laid("helicoid", 1500))).getFirst().left()).contains(0.0);
    }

    @Test
    void oneOfTheSameNameIsSaidAnewAndOneIsUsedUp() {
        Goods now = Goods.NONE.with(POT).with(Good.parse("grease light damping, 20 g, batch 12"));
        assertThat(now.all()).singleElement().satisfies(g -> assertThat(g.amount()).contains(20.0));
        assertThat(now.without("light damping batch 12").all()).isEmpty();
    }

    @Test
    void linesOfSomebodyElseAreLeftOut() {
        Goods some = Goods.readable("grease helicoid\nrubbish\n\nagent x, 7 g\nagent lens fluid");
        assertThat(some.all()).extracting(Good::called).containsExactly("helicoid", "lens fluid");
        assertThat(Goods.parse(some.text())).isEqualTo(some);
    }
}

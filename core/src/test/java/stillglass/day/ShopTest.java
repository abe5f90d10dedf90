package stillglass.day;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ShopTest {
    private static final ZoneId BERLIN = ZoneId.of("Europe/Berlin");

    @Test
    void whatAShopSaysIsReadBackAsItWasSaid() {
        Shop shop = Shop.parse("hands 2\ntin 3\n\nMonday 8-12:30, 13.15-17\nsaturday 22-24\n");
        assertThat(shop.hands()).isEqualTo(2);
        assertThat(shop.things()).containsOnlyKeys("tin").containsEntry("tin", 3);
        assertThat(shop.week().get(DayOfWeek.MONDAY)).containsExactly(new Shop.Hours(LocalTime.of(8, 0), LocalTime.of(12, 30)), new Shop.Hours(LocalTime.of(13, 15), LocalTime.of(17, 0)));
        assertThat(Shop.parse(shop.text())).isEqualTo(shop);
        assertThat(Shop.parse(Shop.USUAL.text())).isEqualTo(Shop.USUAL);
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';', value = {"hands 0, monday 9-12;0 people", "monday;nobody is ever there", "monday 9-25;no hours", "monday 12-9;end before they begin", "monday 9-12 11-13;before", "kettle 3;nothing of a shop", "tin many;whole number", "tin 99, monday 9-12;0 to 20",
        "monday 22-24 23-24;before"})
    void whatCannotBeIsSaid(String lines, String why) {
        assertThatThrownBy(() -> Shop.parse(lines.replace(", ", "\n"))).isInstanceOf(IllegalArgumentException.class).hasMessageContaining(why);
    }

    /// A Tuesday at half past ten: what is left of the morning, the afternoon, the day after.
    @Test
    void whatAnHourCostsIsSaidOrNotKnown() {
        assertThat(Shop.USUAL.hourCosts()).isEmpty();
        Shop said = Shop.parse("hands 1\nhour 42,50\nmonday 9-13");
        assertThat(said.hourCosts()).contains(42.5);
        assertThat(Shop.parse(said.text())).isEqualTo(said);
        assertThat(Shop.parse("hour\nmonday 9-13").hourCosts()).as("left empty").isEmpty();
        assertThatThrownBy(() -> Shop.parse("hour much\nmonday 9-13")).hasMessageContaining("hour much");
        assertThatThrownBy(() -> Shop.parse("hour 0\nmonday 9-13")).hasMessageContaining("an hour at");
        assertThatThrownBy(() -> Shop.parse("hour NaN\nmonday 9-13")).hasMessageContaining("an hour at");
    }

    @Test
    void hoursAreCountedFromNow() {
        Instant now = Instant.parse("2026-11-24T09:30:40Z");
        assertThat(Shop.USUAL.spans(now, BERLIN, 2)).containsExactly(new Day.Span(0, 150), new Day.Span(210, 450), new Day.Span(1350, 1590), new Day.Span(1650, 1890));
        assertThat(Shop.USUAL.closing(now, BERLIN, LocalDate.of(2026, 11, 24))).isEqualTo(450);
        assertThat(Shop.USUAL.closing(now, BERLIN, LocalDate.of(2026, 11, 28))).as("nobody comes on a Saturday: its end").isEqualTo(450 + 4 * 1440 + 360);
    }

    /// The night of 25 October has 25 hours in Berlin.
    @Test
    void clocksThatAreSetBackAreReckonedWith() {
        Shop always = Shop.parse("sunday 0-24\nmonday 0-24");
        List<Day.Span> spans = always.spans(Instant.parse("2026-10-24T22:00:00Z"), BERLIN, 2);
        assertThat(spans).as("the two touch and are one").containsExactly(new Day.Span(0, 25 * 60 + 24 * 60));
    }
}

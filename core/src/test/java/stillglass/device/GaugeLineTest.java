package stillglass.device;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class GaugeLineTest {
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"12.34 mm | 12.34", "+00012.340 | 12.34", "01A+00012.340 | 12.34", "-0.02 | -0.02", "0,48 | 0.48", "0.4860 in | 12.3444", "0.5\" | 12.7", "7 | 7", "ch 2 : 4.20 mm | 4.2", "D1 15 | 15"})
    void readingsAreFoundWhereverTheyStand(String line, double mm) {
        assertThat(GaugeLine.mm(line).orElseThrow()).isCloseTo(mm, within(1e-9));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "   ", "ERR 01", "---", "mm", "999999.9"})
    void whatIsNoReadingGivesNone(String line) {
        assertThat(GaugeLine.mm(line)).isEmpty();
    }

    @Test
    void aFloodOfBytesIsNoReading() {
        assertThat(GaugeLine.mm("1".repeat(100_000))).isEmpty();
    }
}

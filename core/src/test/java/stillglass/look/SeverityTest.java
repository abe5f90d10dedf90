package stillglass.look;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Every step of the published table, on both its sides.
class SeverityTest {
    @ParameterizedTest
    @CsvSource({"0,0", "0.009,1", "0.01,2", "0.039,2", "0.04,3", "0.119,3", "0.12,4"})
    void oil(double share, int severity) {
        assertThat(Severity.ofOil(share)).isEqualTo(severity);
    }

    @ParameterizedTest
    @CsvSource({"0,0", "0.149,1", "0.15,2", "0.349,2", "0.35,3", "0.649,3", "0.65,4"})
    void cleaningMarks(double share, int severity) {
        assertThat(Severity.ofCleaningMarks(share)).isEqualTo(severity);
    }

    @ParameterizedTest
    @CsvSource({"0,0", "0.019,1", "0.02,2", "0.079,2", "0.08,3", "0.199,3", "0.2,4"})
    void separation(double share, int severity) {
        assertThat(Severity.ofSeparation(share)).isEqualTo(severity);
    }

    @ParameterizedTest
    @CsvSource({"0,0", "1,1", "2,2", "3,3", "12,3"})
    void bubbles(int number, int severity) {
        assertThat(Severity.ofBubbles(number)).isEqualTo(severity);
    }

    @ParameterizedTest
    @CsvSource({"0,0", "19.9,1", "20,2", "59.9,2", "60,3", "139.9,3", "140,4"})
    void edgePaint(double degrees, int severity) {
        assertThat(Severity.ofEdgePaint(degrees)).isEqualTo(severity);
    }

    @ParameterizedTest
    @CsvSource({"0,0", "0.0019,1", "0.002,2", "0.0059,2", "0.006,3", "0.0139,3", "0.014,4"})
    void chip(double share, int severity) {
        assertThat(Severity.ofChip(share)).isEqualTo(severity);
    }

    @ParameterizedTest
    @CsvSource({"0,0", "0.009,1", "0.01,2", "0.049,2", "0.05,3", "0.149,3", "0.15,4"})
    void coating(double share, int severity) {
        assertThat(Severity.ofCoating(share)).isEqualTo(severity);
    }
}

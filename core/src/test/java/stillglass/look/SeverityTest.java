package stillglass.look;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.function.DoubleToIntFunction;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Every step of the published table, on both its sides.
class SeverityTest {
    private static final Map<FindingKind, DoubleToIntFunction> TABLE = Map.ofEntries(
            Map.entry(FindingKind.DUST, n -> Severity.ofDust((int) n)), Map.entry(FindingKind.BUBBLE, n -> Severity.ofBubbles((int) n)),
            Map.entry(FindingKind.FUNGUS, Severity::ofFungus), Map.entry(FindingKind.HAZE, Severity::ofHaze), Map.entry(FindingKind.SCRATCH, Severity::ofScratch),
            Map.entry(FindingKind.OIL, Severity::ofOil), Map.entry(FindingKind.CLEANING_MARKS, Severity::ofCleaningMarks),
            Map.entry(FindingKind.SEPARATION, Severity::ofSeparation), Map.entry(FindingKind.EDGE_PAINT, Severity::ofEdgePaint),
            Map.entry(FindingKind.CHIP, Severity::ofChip), Map.entry(FindingKind.COATING, Severity::ofCoating));

    /// Amounts from which severities 1 to 4 begin, one after the other.
    @ParameterizedTest
    @CsvSource({
        "DUST, 13 41 101 251", "BUBBLE, 1 2 3", "FUNGUS, 0.0001 0.006 0.03 0.09", "HAZE, 0.001 0.06 0.14 0.28", "SCRATCH, 0.01 0.5 1.5 3.5",
        "OIL, 0.0001 0.01 0.04 0.12", "CLEANING_MARKS, 0.001 0.15 0.35 0.65", "SEPARATION, 0.0001 0.02 0.08 0.2", "EDGE_PAINT, 0.5 20 60 140",
        "CHIP, 0.0001 0.002 0.006 0.014", "COATING, 0.0001 0.01 0.05 0.15"
    })
    void everySeverityBeginsWhereTheTableSays(FindingKind kind, String steps) {
        DoubleToIntFunction severity = TABLE.getOrDefault(kind, x -> -1);
        double[] from = java.util.Arrays.stream(steps.split(" ")).mapToDouble(Double::parseDouble).toArray();

        assertThat(severity.applyAsInt(0)).isZero();
        for (int i = 0; i < from.length; i++) {
            assertThat(severity.applyAsInt(from[i])).as(kind + " from " + from[i]).isEqualTo(i + 1);
            assertThat(severity.applyAsInt(i == 0 ? 0 : 0.999 * from[i])).as(kind + " before " + from[i]).isEqualTo(i);
        }
    }
}

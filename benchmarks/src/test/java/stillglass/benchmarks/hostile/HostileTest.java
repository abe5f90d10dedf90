package stillglass.benchmarks.hostile;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class HostileTest {
    private static final int FILES = 900;

    @Test
    void everyReaderAnswersDamagedFilesWithTheThingOrWithOneSentence() throws Exception {
        List<Hostile.Outcome> all = Hostile.run(20261127, FILES);

        assertThat(all).extracting(Hostile.Outcome::format).contains("lens trees", "map trees", "rule trees", "logbooks", "lines", "jpeg", "png", "tiff");
        assertThat(all).allSatisfy(o -> assertThat(o.broken()).as(o.format()).isEmpty());
        assertThat(all).as("each has files that are refused").filteredOn(o -> !o.format().equals("lines")).allSatisfy(o -> assertThat(o.refused()).as(o.format()).isPositive());
        assertThat(all.stream().mapToInt(o -> o.accepted() + o.refused()).sum()).isGreaterThan(FILES * 9 / 10);
    }

    /// The damage is damage, and the same for the same seed.
    @Test
    void aSeedGivesTheSameDamageAgain() {
        byte[] whole = Samples.shipped("lenses/tarn_50_f35.json");
        for (int seed = 0; seed < 20; seed++) {
            assertThat(Bytes.damaged(whole, new Random(seed))).isEqualTo(Bytes.damaged(whole, new Random(seed)));
            assertThat(Trees.damaged(whole, new Random(seed))).isEqualTo(Trees.damaged(whole, new Random(seed)));
        }
        assertThat(IntStream.range(0, 50).mapToObj(s -> Arrays.hashCode(Trees.damaged(whole, new Random(s)))).collect(Collectors.toSet())).hasSizeGreaterThan(40);
        assertThat(Samples.pictures("jpeg")).hasSizeGreaterThan(3);
        assertThat(Samples.pictures("tiff")).hasSizeGreaterThan(5);
    }
}

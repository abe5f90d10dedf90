package stillglass.look.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.junit.jupiter.api.Test;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.look.LinearPhoto;
import stillglass.look.Progress;
import stillglass.look.kinds.Feature;
import stillglass.look.kinds.Features;
import stillglass.look.kinds.KindLearning;
import stillglass.look.kinds.KindModel;
import stillglass.look.kinds.Sight;

/// Threads that a model calls fungus, whatever they are: what is made of them by their length and what lies near.
class ShortThreadsTest {
    private static final KindModel ALL_FUNGUS = model();

    private static KindModel model() {
        List<KindLearning.Example> all = new ArrayList<>();
        for (Sight sight : Sight.values()) {
            for (int i = 0; i < 60; i++) {
                all.add(new KindLearning.Example(Lighting.AGAINST, sight, new Features().set(Feature.RADIUS, 0.01 * i), sight == Sight.FINE ? FindingKind.FUNGUS : FindingKind.UNKNOWN, 1, i % 5 == 0));
            }
        }
        return KindLearning.learn(all, Set.of());
    }

    private static List<Finding> findings(double x, double y) {
        LinearPhoto p = Glass.photo(0.0005, 1, (u, v) -> 0.02 + 0.3 * Math.max(Glass.line(u, v, -0.4, 0.1, 0.1, 0.2, 0.012), Glass.line(u, v, x, y, x + 0.02, y, 0.008)));
        PhotoGrading.Given given = new PhotoGrading.Given(Optional.of(Lighting.AGAINST), Optional.of(Glass.RIM), OptionalDouble.empty());
        return ((PhotoGrading.Outcome.Seen) PhotoGrading.grade(p, given, ALL_FUNGUS, Progress.SILENT)).graded().findings();
    }

    @Test
    void aShortThreadNearAColonyIsPartOfIt() {
        List<Finding> fungus = findings(0.18, 0.2).stream().filter(f -> f.kind() == FindingKind.FUNGUS).toList();
        assertThat(fungus).hasSize(1);
        assertThat(fungus.getFirst().count()).isEqualTo(2);
        assertThat(fungus.getFirst().regions()).as("an outline about each").hasSize(2);
        assertThat(fungus.getFirst().areaShare()).isGreaterThan(findings(0.3, -0.6).stream().filter(f -> f.kind() == FindingKind.FUNGUS).findFirst().orElseThrow().areaShare());
    }

    @Test
    void aShortThreadByItselfIsToldAsWhatItMayBe() {
        assertThat(findings(0.3, -0.6)).filteredOn(f -> Math.hypot(f.x() - 0.31, f.y() + 0.6) < 0.03).extracting(Finding::kind).containsExactly(FindingKind.UNKNOWN);
    }
}

package stillglass.benchmarks.look;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import stillglass.look.Progress;
import stillglass.look.kinds.KindModel;
import stillglass.look.reading.PhotoGrading;
import stillglass.say.Wording;

class NotLensesTest {
    static Stream<Arguments> pictures() {
        return LongStream.of(100, 101, 102, 302).boxed()
                .flatMap(seed -> NotLenses.pictures(seed).entrySet().stream().map(e -> Arguments.of(e.getKey() + " " + seed, e.getValue())));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("pictures")
    void whatIsNoLensIsRefusedWithAReason(String what, BufferedImage picture) {
        PhotoGrading.Outcome o = PhotoGrading.grade(Labels.linear(picture), PhotoGrading.Given.NOTHING, KindModel.shipped(), Progress.SILENT);

        assertThat(o).as(what).isInstanceOfSatisfying(PhotoGrading.Outcome.Refused.class, r -> assertThat(Wording.core().say(r.why())).hasSizeGreaterThan(30));
    }
}

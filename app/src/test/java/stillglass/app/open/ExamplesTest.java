package stillglass.app.open;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import stillglass.app.clean.CleanModel;
import stillglass.app.desk.Typed;
import stillglass.app.desk.Work;
import stillglass.assembly.Instrument;
import stillglass.ticket.story.Stage;

class ExamplesTest {
    /// Every example line of an empty screen is understood as it stands, on a model nobody knows.
    @ParameterizedTest
    @EnumSource(Instrument.Sort.class)
    void whatAnEmptyScreenTeachesIsUnderstood(Instrument.Sort sort) {
        OpenModel.Start start = OpenModel.of(Typed.work(sort, Stage.OPEN)).start().orElseThrow();
        assertThat(start.examples()).hasSizeGreaterThanOrEqualTo(6);
        List<String> lines = new ArrayList<>(List.of("off something, seat, front"));
        lines.addAll(start.examples());
        OpenModel after = OpenModel.of(Typed.work(sort, Stage.OPEN, lines.toArray(String[]::new)));
        assertThat(after.start()).as("it has begun").isEmpty();
        assertThat(after.tray()).isNotEmpty();
    }

    /// A control that opened a way belongs to cleaning behind it, too.
    @Test
    void cleaningSaysWithWhichControlsItIsReached() {
        Work w = Typed.work(Instrument.Sort.SHUTTER, Stage.CLEAN, "note begun");
        assertThat(CleanModel.of(w, Optional.empty()).materials()).doesNotContain("reached with");
        Work open = Typed.work(Instrument.Sort.SHUTTER, Stage.OPEN, "off blade cover, seat, front", "with shutter at B");
        assertThat(CleanModel.of(open, Optional.empty()).materials()).contains("reached with shutter at b");
    }
}

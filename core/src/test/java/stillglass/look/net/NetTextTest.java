package stillglass.look.net;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class NetTextTest {
    private static final float[] WEIGHTS = {1, -2.5f, 3.25e-7f, 1000, 0};

    @Test
    void whatIsWrittenIsReadBack() {
        NetText text = NetText.parse(NetText.print(new float[] {1.5f}, new float[] {2}, WEIGHTS).lines().toList(), 1, WEIGHTS.length);
        assertThat(text.mean).containsExactly(1.5f);
        assertThat(text.scale).containsExactly(2);
        assertThat(text.weights).containsExactly(WEIGHTS, within(1e-6f));
    }

    @Test
    void aTextThatIsNoNetworkSaysWhere() {
        List<String> lines = new ArrayList<>(NetText.print(new float[1], new float[1], new float[50]).lines().toList());
        lines.add("# a remark");
        NetText.parse(lines, 1, 50);
        assertThatThrownBy(() -> NetText.parse(List.of("mean 1", "mien 2"), 1, 0)).hasMessageContaining("line 2").hasMessageContaining("mien");
        assertThatThrownBy(() -> NetText.parse(List.of("mean 1 x"), 1, 0)).hasMessageContaining("line 1");
        assertThatThrownBy(() -> NetText.parse(List.of("mean NaN"), 1, 0)).hasMessageContaining("line 1");
        assertThatThrownBy(() -> NetText.parse(lines.subList(0, lines.size() - 2), 1, 50)).hasMessageContaining("weights");
    }
}

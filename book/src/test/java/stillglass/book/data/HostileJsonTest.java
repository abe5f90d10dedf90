package stillglass.book.data;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.book.BadInput;
import stillglass.book.Edge;
import stillglass.book.OneLine;
import stillglass.optics.LensSection;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

class HostileJsonTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    @TempDir
    Path folder;

    private static String shipped(String path) {
        return CheckedJson.shipped("/stillglass/book/" + path);
    }

    private static String changed(String path, Consumer<ObjectNode> change) {
        ObjectNode node = (ObjectNode) JSON.readTree(shipped(path));
        change.accept(node);
        return node.toString();
    }

    private Path file(String name, String json) throws Exception {
        return Files.writeString(folder.resolve(name), json);
    }

    @Test
    void aMarkOfTheByteOrderIsPassedOver() throws Exception {
        LensSection lens = LensJson.read(file("bom.json", "\uFEFF" + shipped("lenses/tarn_50_f35.json")));
        assertThat(lens).isEqualTo(LensJson.parse("t.json", shipped("lenses/tarn_50_f35.json")));
    }

    @Test
    void aKeyThatIsThereTwiceIsSaid() throws Exception {
        Path twice = file("twice.json", shipped("lenses/tarn_50_f35.json").replaceFirst("\\{", "{\"name\": \"another\","));
        assertThatThrownBy(() -> LensJson.read(twice)).isInstanceOf(BadInput.class).hasMessageContaining("twice.json: /name").hasMessageContaining("Duplicate");
    }

    @Test
    void twoValuesInAFileAreSaid() throws Exception {
        Path two = file("two.json", shipped("lenses/tarn_50_f35.json") + "{}");
        assertThatThrownBy(() -> LensJson.read(two)).isInstanceOf(BadInput.class).hasMessageContaining("holds more than one JSON value").hasMessageNotContaining("Token");
    }

    @ParameterizedTest
    @CsvSource({"'a\\nb',a b", "'\\u0000x\\u0007y',x y", "'\\u202Etxet\\u202C',txet", "'前玉 🔭',前玉 🔭", "'tab\\there',tab here"})
    void namesComeInAsTheyCanBeShown(String name, String shown) {
        String json = changed("lenses/tarn_50_f35.json", n -> n.put("name", "@")).replace("\"@\"", "\"" + name + "\"");
        assertThat(LensJson.parse("n.json", json).name()).isEqualTo(shown);
    }

    @Test
    void partsThatLieWithinEachOtherInACircleAreSaid() throws Exception {
        Path circle = file("circle.json", changed("instruments/ostrel_52_f2.json", n -> {
            ObjectNode a = (ObjectNode) n.get("parts").get(0);
            ObjectNode b = (ObjectNode) n.get("parts").get(1);
            a.put("within", b.get("id").asString());
            b.put("within", a.get("id").asString());
        }));
        assertThatThrownBy(() -> InstrumentJson.read(circle)).isInstanceOf(BadInput.class).hasMessageContaining("lies within itself").hasMessageContaining("check \"within\"");
    }

    @ParameterizedTest
    @CsvSource({"2147483648,/joints/0", "1e300,''", "-2147483649,/joints/0", "99999999999999999999,/joints/0"})
    void aNumberTooLargeForAnIndexIsSaid(String number, String place) throws Exception {
        String json = changed("instruments/ostrel_52_f2.json", n -> ((ObjectNode) n.get("joints").get(0)).putArray("exposes").add("@@")).replace("\"@@\"", number);
        Path large = file("large.json", json);
        assertThatThrownBy(() -> InstrumentJson.read(large)).isInstanceOf(BadInput.class).hasMessageContaining("large.json: " + place).satisfies(e -> assertThat(e.getMessage().lines()).hasSize(1));
    }

    @Test
    @Timeout(value = 20, unit = TimeUnit.SECONDS)
    void aPipeIsNotWaitedForAndADeviceNotReadToItsEnd() throws Exception {
        Path pipe = folder.resolve("pipe.json");
        Assumptions.assumeTrue(new ProcessBuilder("mkfifo", pipe.toString()).start().waitFor() == 0);
        assertThatThrownBy(() -> LensJson.read(pipe)).isInstanceOf(BadInput.class).hasMessageContaining("pipe.json: file: is a device or a pipe");
        assertThatThrownBy(() -> InstrumentJson.read(Path.of("/dev/zero"))).isInstanceOf(BadInput.class).hasMessageContaining("zero: file: is a device");
    }

    @Test
    void whateverIsThrownBehindTheEdgeLeavesAsOneSentence() {
        for (Throwable t : new Throwable[] {new IllegalStateException("line one\nline two"), new NullPointerException(), new StackOverflowError(), new OutOfMemoryError("heap"), new ArrayIndexOutOfBoundsException(7),
            new NoClassDefFoundError("x/Y")}) {
            assertThatThrownBy(() -> Edge.read("a\u0000\nb.json", "file", "write it anew", () -> sneaky(t))).isInstanceOf(BadInput.class).hasCause(t).hasMessageStartingWith("a b.json: file: ").hasMessageEndingWith(": write it anew")
                    .satisfies(e -> assertThat(e.getMessage().lines()).hasSize(1));
        }
        BadInput own = new BadInput("a.json", "/x", "is wrong");
        assertThatThrownBy(() -> Edge.read("b.json", "file", "", () -> sneaky(own))).isSameAs(own);
    }

    @SuppressWarnings("unchecked")
    private static <T extends Throwable> Object sneaky(Throwable t) throws T {
        throw (T) t;
    }

    @Test
    void aMessageIsCutBeforeItFillsTheScreenAndNeverInsideALetter() {
        String cut = OneLine.of("🔭".repeat(2000));
        assertThat(cut.length()).isLessThan(1000);
        assertThat(cut.getBytes(StandardCharsets.UTF_8)).isEqualTo(new String(cut.getBytes(StandardCharsets.UTF_8), StandardCharsets.UTF_8).getBytes(StandardCharsets.UTF_8));
        assertThat(OneLine.clean("half \uD83D")).isEqualTo("half \uFFFD");
        assertThat(OneLine.clean("plain")).isEqualTo("plain");
    }
}

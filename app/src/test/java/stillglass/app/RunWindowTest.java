package stillglass.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.image.WritableImage;
import javafx.scene.input.Clipboard;
import javafx.scene.input.DataFormat;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledOnOs;
import org.junit.jupiter.api.condition.OS;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import stillglass.app.desk.Devices;
import stillglass.app.wired.Pty;
import stillglass.book.data.Shelf;
import stillglass.device.Source;
import stillglass.optics.LensSection;
import stillglass.ticket.TicketState;
import stillglass.ticket.readings.Behaves;
import stillglass.ticket.story.Phase;

/// A technician's own book, empty, with nothing connected: a lens nobody knows, from its name to a signed report, by keys and typed readings alone.
@ExtendWith(ApplicationExtension.class)
class RunWindowTest {
    private Path folder;
    private Window window;
    private FxRobot robot;

    @Start
    void start(Stage shown) throws Exception {
        folder = Files.createTempDirectory("still-glass-run");
        robot = new FxRobot();
        window = new Window(shown, folder.resolve("logbook.sqlite"), robot, Shelf.ofShop(folder), Devices.NONE);
        window.shell.showBook();
    }

    @AfterEach
    void close() {
        window.close();
    }

    /// Types a line of bench shorthand, which is taken.
    private void say(String line) {
        window.type(line);
    }

    private boolean shown(String id) {
        return window.find(id).filter(n -> Window.onUi(() -> visible(n))).isPresent();
    }

    private static boolean visible(Node n) {
        return n.isVisible() && (n.getParent() == null || visible(n.getParent()));
    }

    @Test
    void aLensNobodyKnowsFromItsNameToASignedReport() throws Exception {
        window.settle();
        assertThat(window.find("new-fell_52_f2")).as("nothing of the demo stands on the shelf").isEmpty();
        window.beginLens("Brook 35 mm f/2.8, stiff focus, iris oily", KeyCode.DIGIT1);
        window.settle();
        assertThat(window.work().section()).isEmpty();
        assertThat(window.say()).contains("Next: feel of the focus");
        assertThat(shown("read-collimator")).as("nothing is connected that could be read").isFalse();

        Window.onUi(() -> {
            window.shell.lookup("#axis").requestFocus();
            return true;
        });
        List.of(KeyCode.DIGIT5, KeyCode.DIGIT2, KeyCode.DIGIT1, KeyCode.DIGIT1, KeyCode.DIGIT1, KeyCode.DIGIT1).forEach(window::press);
        TicketState arrived = window.work().state();
        assertThat(arrived.readings().last(Phase.BEFORE, "feel").orElseThrow().how()).contains(Behaves.STIFF);
        assertThat(arrived.readings().last(Phase.BEFORE, "iris").orElseThrow().how()).contains(Behaves.SLOW);
        assertThat(arrived.readings().checks(Phase.BEFORE)).as("a key for each").hasSize(6);
        window.press(KeyCode.R);
        robot.write("+0.12", 0);
        window.press(KeyCode.ENTER);
        assertThat(window.work().state().readings().infinity(Phase.BEFORE).orElseThrow().read().source()).contains(Source.TYPED);
        window.fire("build-prime-one-helicoid");

        window.press(KeyCode.CONTROL, KeyCode.DIGIT3);
        assertThat(window.say()).contains("Open it");
        window.press(KeyCode.CONTROL, KeyCode.DIGIT4);
        window.press(KeyCode.SPACE);
        window.press(KeyCode.SPACE);
        window.press(KeyCode.SPACE);
        assertThat(window.work().state().joints().order()).as("the aperture ring waits for its mark").containsExactly("mount-screws", "mount");
        assertThat(window.say()).contains("aperture coupling");
        window.press(KeyCode.M);
        assertThat(((TextField) window.there("say-field")).getText()).as("where it is, is asked").isEqualTo("mark aperture coupling at ");
        robot.write("4", 0);
        window.press(KeyCode.ENTER);
        assertThat(window.work().state().joints().marks()).singleElement().satisfies(m -> assertThat(m.mark().at()).isPresent());
        window.press(KeyCode.N);
        assertThat(window.work().state().course().notThere()).containsExactly("aperture-ring");
        say("off name ring, thread, front, friction cup");
        say("lets go 4, ridge inward");
        say("off E1, retaining ring, front, spanner");
        say("front up");

        window.press(KeyCode.CONTROL, KeyCode.DIGIT6);
        assertThat(shown("as-expected")).isFalse();
        say("rear up");
        window.press(KeyCode.SPACE);
        assertThat(window.work().state().joints().openNow()).as("the wrong way round is not closed").contains("e1");
        say("front up");
        window.press(KeyCode.SPACE);
        say("lets go 4, ridge inward");
        window.press(KeyCode.SPACE);
        assertThat(window.work().state().joints().openNow()).as("its mark was not looked at").contains("name-ring");
        say("marks meet");
        window.press(KeyCode.SPACE);
        window.press(KeyCode.SPACE);
        window.press(KeyCode.SPACE);
        assertThat(window.work().state().joints().openNow()).isEmpty();

        window.press(KeyCode.CONTROL, KeyCode.DIGIT7);
        window.press(KeyCode.R);
        robot.write("-0.01 ± 0.01", 0);
        window.press(KeyCode.ENTER);
        window.click("function-feel-after");
        for (String free : List.of("even", "snaps", "clicks", "free", "free", "free")) {
            robot.write(free, 0);
            window.press(KeyCode.ENTER);
        }
        window.click("signature");
        robot.write("M. Rook", 0);
        window.press(KeyCode.ENTER);
        assertThat(window.work().state().proof().signed(window.work().state().joints())).as("wanted: %s", window.say()).isPresent();
        Path pdf = folder.resolve("report.pdf");
        window.answers.report = Optional.of(pdf);
        window.fire("write-pdf");
        window.until("the report is written", () -> Files.exists(pdf));
        try (PDDocument d = Loader.loadPDF(pdf.toFile())) {
            String text = new PDFTextStripper().getText(d);
            assertThat(text).contains("Brook 35 mm f/2.8", "stiff focus", "Signed: M. Rook", "typed", "everything is back").doesNotContain("simulated");
        }
    }

    /// Pictures that arrive while hands are busy: each is offered to what was in hand, one key keeps it, another moves it, a third passes it over.
    @Test
    void picturesFromTheWatchedFolderHangOnTheJointThatWasInHand() throws Exception {
        Path phone = Files.createDirectories(folder.resolve("phone"));
        window.settle();
        window.answers.folder = Optional.of(phone);
        window.fire("watch-folder");
        window.beginLens("Brook 35 mm f/2.8", KeyCode.DIGIT4);
        say("off name ring, thread, front, friction cup");
        arrive(phone, "IMG_0001.png", 1);
        window.until("it is offered", () -> shownNow("offer"));
        window.press(KeyCode.F6);
        window.until("it is kept", () -> window.desk.shown().orElseThrow().state().glass().all().size() == 1);
        TicketState s = window.work().state();
        assertThat(s.joints().facts("name-ring")).hasAtLeastOneElementOfType(stillglass.ticket.facts.Photo.class);
        assertThat(s.glass().all().getFirst().kept().source()).contains(Source.FOLDER);
        assertThat(shown("offer")).isFalse();

        arrive(phone, "IMG_0001 copy.png", 1);
        arrive(phone, "IMG_0002.png", 2);
        window.until("the other is offered", () -> shownNow("offer"));
        window.press(KeyCode.F7);
        window.press(KeyCode.F6);
        window.until("it is kept", () -> window.desk.shown().orElseThrow().state().glass().all().size() == 2);
        assertThat(window.work().state().joints().facts("name-ring")).as("it was moved elsewhere, and the copy of the first did not come again").hasSize(1);

        arrive(phone, "IMG_0003.png", 3);
        window.until("the third is offered", () -> shownNow("offer"));
        window.press(KeyCode.F8);
        assertThat(shown("offer")).isFalse();
        assertThat(window.work().state().glass().all()).hasSize(2);
    }

    /// Optics may come at any time: what was recorded before stays, and one undo takes them away again.
    @Test
    void opticsAreAddedToAJobThatRuns() throws Exception {
        window.beginLens("Brook 50 mm f/3.5", KeyCode.DIGIT4);
        say("off name ring, thread, front, friction cup");
        say("off E1, retaining ring, front, spanner");
        say("front up");
        window.press(KeyCode.CONTROL, KeyCode.DIGIT1);
        Path broken = Files.writeString(folder.resolve("broken.json"), "{\"name\": 3");
        window.answers.lens = Optional.of(broken);
        window.fire("add-optics");
        assertThat(window.say()).contains("broken.json");
        assertThat(window.work().section()).isEmpty();

        Path lens = folder.resolve("measured.json");
        try (var in = RunWindowTest.class.getResourceAsStream("/stillglass/book/lenses/tarn_50_f35.json")) {
            Files.write(lens, in.readAllBytes());
        }
        window.answers.lens = Optional.of(lens);
        window.fire("add-optics");
        window.until("the section is known", () -> window.desk.shown().orElseThrow().section().isPresent());
        assertThat(window.work().state().joints().order()).containsExactly("name-ring", "e1");
        assertThat(window.work().state().joints().facts("e1")).hasSize(1);
        assertThat(window.work().instrument().joint("e1").orElseThrow().frees()).as("it is the glass of the section").containsExactly("E1");
        assertThat(shown("add-optics")).isFalse();
        window.press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(window.work().section()).isEmpty();
    }

    /// What a job has found becomes a map on the shop's own shelf, in the window as in its folder; every version of it stays.
    /// A thread nobody has measured is run in by hand: what to do stands on Close.
    @Test
    void aGreasedThreadIsRunInByHandUntilItIsAsWanted() {
        window.beginLens("Brook 35 mm f/2.8", KeyCode.DIGIT4);
        say("off inner barrel, thread, front");
        window.press(KeyCode.CONTROL, KeyCode.DIGIT6);
        window.settle();
        say("greased with helicoid grease");
        say("run in 10, heavy");
        window.until("how much is wiped is told", () -> window.shell.lookup("#run-in") != null && window.shell.lookupAll("#run-in .label").stream().anyMatch(n -> ((Label) n).getText().contains("33 to 67")));
        say("wiped");
        say("run in 10, right");
        window.until("it is left", () -> window.shell.lookup("#run-in") != null && window.shell.lookupAll("#run-in .label").stream().anyMatch(n -> ((Label) n).getText().contains("leave it")));
    }

    @Test
    void theMapOfAJobIsKeptAndBegunFrom() {
        window.beginLens("Brook 35 mm f/2.8", KeyCode.DIGIT4);
        assertThat(shown("keep-map")).isFalse();
        window.press(KeyCode.O);
        assertThat(((TextField) window.there("say-field")).getText()).as("something came off").isEqualTo("off ");
        window.press(KeyCode.ESCAPE);
        say("off mount screws, screws, rear, screwdriver");
        say("off mount, seat, rear, fingers");
        window.fire("keep-map");
        window.until("it is said", () -> window.desk.shelf().instrumentIds().size() == 1);
        String id = window.desk.shelf().instrumentIds().getFirst();
        assertThat(folder.resolve("shelf").resolve("instruments").resolve(id + ".json")).exists();
        say("off aperture ring, seat, rear");
        window.fire("keep-map");
        window.until("the newer one stands there", () -> window.desk.shelf().instrument(id).joints().size() == 3);
        Window.onUi(() -> {
            window.shell.showBook();
            return true;
        });
        window.settle();
        window.fire("rename-" + id);
        window.click("name-" + id);
        robot.write("Brook, early barrel", 0);
        window.press(KeyCode.ENTER);
        window.until("it is renamed", () -> window.desk.shelf().instrument(id).name().equals("Brook, early barrel"));
        window.settle();
        window.fire("map-" + id);
        window.until("another ticket on it", () -> window.desk.shown().filter(w -> w.state().tag().number().equals("T-0102")).isPresent());
        assertThat(window.work().mapped()).isTrue();
        assertThat(window.work().instrument().joints()).hasSize(3);
    }

    /// A caliper on a wire: its button begins a line about the joint in hand, or fills the field in hand; a plug that is pulled is said.
    @Test
    @EnabledOnOs(OS.LINUX)
    void aCaliperOnAWireFillsWhatIsInHand() throws Throwable {
        Pty pty = new Pty();
        window.settle();
        window.fire("connect-caliper");
        window.click("caliper-port");
        robot.write("/dev/ttyNOWHERE7", 0);
        window.press(KeyCode.ENTER);
        window.until("it is said", () -> ((Label) window.shell.lookup("#say")).getText().contains("ttyNOWHERE7"));
        Window.onUi(() -> {
            window.shell.wire().connect(pty.port() + " 4800");
            return true;
        });
        window.until("it is connected", () -> window.shell.wire().connected().isPresent());
        window.beginLens("Brook 35 mm f/2.8", KeyCode.DIGIT4);
        say("off mount screws, screws, rear");
        window.press(KeyCode.SLASH);
        robot.write("3 screws, cross,", 0);
        pty.send("+00004.20 mm\r\n");
        window.until("it stands in the line", () -> window.shell.lookup("#say-field") instanceof TextField f && f.getText().endsWith("4.2"));
        window.press(KeyCode.ENTER);
        assertThat(window.work().state().joints().facts("mount-screws")).hasSize(3);
        pty.close();
        window.until("it is gone", () -> window.shell.wire().connected().isEmpty());
    }

    /// Two rims and where the iris seems to stand are enough for a stand-in, in the midst of a job.
    @Test
    void opticsAreMeasuredForAJobThatRuns() {
        window.beginLens("Brook 50 mm f/3.5", KeyCode.DIGIT4);
        say("off name ring, thread, front, friction cup");
        window.press(KeyCode.CONTROL, KeyCode.DIGIT1);
        window.fire("measure-optics");
        window.press(KeyCode.ESCAPE);
        assertThat(window.work().section()).as("looked at and left").isEmpty();
        window.fire("measure-optics");
        window.fire("way-rims");
        window.until("its fields are there", () -> window.shell.lookup("#m-rims-apart") != null);
        Window.onUi(() -> {
            for (String[] typed : new String[][] {{"focal", "50"}, {"f", "3.5"}, {"rim-front", "24"}, {"iris-looks", "9"}, {"rim-rear", "20"}, {"back-focus", "42"}, {"rims-apart", "17"}}) {
                ((TextField) window.shell.lookup("#m-" + typed[0])).setText(typed[1]);
            }
            return true;
        });
        window.fire("measure-begin");
        window.until("the section is known", () -> window.desk.shown().orElseThrow().section().isPresent());
        assertThat(window.work().state().tag().number()).isEqualTo("T-0101");
        assertThat(window.work().section().orElseThrow().basis()).isEqualTo(LensSection.Basis.TWO_PLANE);
        assertThat(window.work().state().joints().order()).containsExactly("name-ring");
        assertThat(Shelf.ofShop(folder).sectionIds()).as("a file on the shelf from now on").containsExactlyElementsOf(window.desk.shelf().sectionIds()).hasSize(1);
    }

    /// A picture on the clipboard, and a file that was copied, are kept as they are at what is in hand; text is left to whoever wants it.
    @Test
    void whatIsPastedIsKeptAtWhatIsInHand() throws Exception {
        window.settle();
        window.click("begin-what");
        robot.write("Brook one", 0);
        window.click("begin-body");
        window.until("the ticket is shown", () -> window.desk.shown().isPresent());
        window.press(KeyCode.CONTROL, KeyCode.DIGIT4);
        say("off top cover, screws, top, screwdriver");
        WritableImage dent = new WritableImage(40, 30);
        dent.getPixelWriter().setArgb(3, 4, 0xffff0000);
        paste(Map.of(DataFormat.IMAGE, dent));
        window.until("it is kept", () -> window.desk.shown().orElseThrow().state().glass().all().size() == 1);
        assertThat(window.work().state().glass().all().getFirst().kept().source()).contains(Source.PASTED);
        assertThat(window.work().state().joints().facts("top-cover")).hasAtLeastOneElementOfType(stillglass.ticket.facts.Photo.class);

        Path file = folder.resolve("wiring.png");
        arrive(folder, "wiring.png", 4);
        paste(Map.of(DataFormat.FILES, List.of(file.toFile())));
        window.until("it is kept, too", () -> window.desk.shown().orElseThrow().state().glass().all().size() == 2);
        assertThat(window.work().state().glass().all().getLast().kept().source()).contains(Source.FILE);
        paste(Map.of(DataFormat.PLAIN_TEXT, "no picture"));
        assertThat(window.work().state().glass().all()).hasSize(2);
    }

    private void paste(Map<DataFormat, Object> content) {
        Window.onUi(() -> Clipboard.getSystemClipboard().setContent(content));
        window.press(KeyCode.CONTROL, KeyCode.V);
    }

    private boolean shownNow(String id) {
        Node n = window.shell.lookup("#" + id);
        return n != null && visible(n);
    }

    private static void arrive(Path phone, String name, int shade) throws Exception {
        BufferedImage image = new BufferedImage(64, 48, BufferedImage.TYPE_INT_RGB);
        image.setRGB(shade, shade, 0xffffff);
        Path f = phone.resolve(name);
        javax.imageio.ImageIO.write(image, "png", f.toFile());
        // After the moment from which the folder is watched, by the window's own clock.
        Files.setLastModifiedTime(f, FileTime.from(Window.WHEN.plusSeconds(60)));
    }
}

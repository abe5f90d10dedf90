package stillglass.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Button;
import javafx.scene.control.MenuButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.stage.Stage;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import stillglass.app.decide.DecideModel;
import stillglass.app.desk.Told;
import stillglass.app.desk.Viewing;
import stillglass.app.look.PhotoPane;
import stillglass.book.data.LensText;
import stillglass.book.data.Shelf;
import stillglass.book.log.Logbook;
import stillglass.book.photo.PngFile;
import stillglass.device.Source;
import stillglass.look.Aperture;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.look.PhotoEdges;
import stillglass.look.PhotoLight;
import stillglass.optics.LensSection;
import stillglass.optics.Positions;
import stillglass.say.Said;
import stillglass.sim.DemoTickets;
import stillglass.sim.VirtualDevices;
import stillglass.ticket.glass.GlassEvent;
import stillglass.ticket.glass.GlassIntent;
import stillglass.ticket.glass.Known;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Phase;

/// Look in the real window: telling kinds apart, outlines by hand, several photos, before and after.
@ExtendWith(ApplicationExtension.class)
class LookWindowTest {
    private Window window;
    private FxRobot robot;

    /// The story is told before the toolkit waits for a window.
    @BeforeAll
    static void tell() {
        Told.end(stillglass.ticket.story.Stage.ARRIVE);
    }

    @Start
    void start(Stage shown) throws Exception {
        robot = new FxRobot();
        window = new Window(shown, Told.book(stillglass.ticket.story.Stage.ARRIVE, Files.createTempDirectory("still-glass-look")), robot);
        window.shell.showBook();
    }

    @AfterEach
    void close() {
        window.close();
    }

    private static Finding round(FindingKind kind, double x, double y, double radius, Map<FindingKind, Double> chances) {
        List<Finding.Point> points = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            points.add(new Finding.Point(x + radius * Math.cos(i * Math.PI / 20), y + radius * Math.sin(i * Math.PI / 20)));
        }
        return new Finding(kind, chances.getOrDefault(kind, 0.9), List.of(new Finding.Region(points)), radius * radius, 1, x, y, 0.2, 2, List.of(Said.text("round")), chances, 1);
    }

    /// A photo from the virtual bench, kept with findings that are known beforehand.
    private void photo(String id, Phase phase, Finding... findings) {
        photo(id, phase, false, findings);
    }

    /// One photo of a lens is enough: what is found in it is known beforehand.
    private static final Map<String, byte[]> TAKEN = new ConcurrentHashMap<>();

    private void photo(String id, Phase phase, boolean fromRear, Finding... findings) {
        var w = window.work();
        byte[] bytes = TAKEN.computeIfAbsent(w.section().orElseThrow().name(), name -> VirtualDevices.camera(w.state(), w.section().orElseThrow(), w.instrument(), 5).take().bytes());
        Act keep = Act.of(new GlassEvent.PhotoKept(id, phase, fromRear, id, Source.FILE),
                new GlassEvent.PhotoGraded(id, Lighting.AGAINST, new Aperture(750, 562, 470, 470, 0), List.of(findings), 0.02, List.of(), List.of(), Optional.of(new PhotoLight(1, Optional.empty(), Optional.empty()))));
        window.desk.submit(w.state().tag().number(), keep, List.of(new Logbook.PhotoBytes(id, id + ".png", bytes))).join();
        window.settle();
    }

    private Known known(String id) {
        return window.work().state().glass().finding(id).orElseThrow();
    }

    private void select(String id) {
        Window.onUi(() -> {
            window.desk.select(new stillglass.app.desk.Selection.OfFinding(id));
            return true;
        });
        window.settle();
    }

    private List<String> texts() {
        return Window.onUi(() -> window.shell.lookupAll(".label").stream().filter(javafx.scene.control.Label.class::isInstance)
                .map(n -> ((javafx.scene.control.Label) n).getText()).toList());
    }

    /// On the interface thread.
    private boolean says(String text) {
        return window.shell.lookupAll(".label").stream().anyMatch(n -> n instanceof javafx.scene.control.Label l && l.getText().contains(text));
    }

    private Bounds bounds(String id) {
        Node n = window.there(id);
        return Window.onUi(() -> n.localToScreen(n.getBoundsInLocal()));
    }

    private Aperture rim() {
        return window.work().state().glass().all().getFirst().graded().orElseThrow().aperture();
    }

    /// What was taken for the rim may be another ring: a key goes on to the next, and findings follow.
    @Test
    void oneKeyGoesOnToTheNextRing() {
        window.openAt(DemoTickets.SHOWPIECE, KeyCode.DIGIT2);
        photo("rings", Phase.BEFORE);
        Aperture first = rim();
        window.press(KeyCode.R);
        window.until("another ring is taken", () -> Math.abs(window.desk.shown().orElseThrow().state().glass().all().getFirst().graded().orElseThrow().aperture().meanRadius() / first.meanRadius() - 1) > 0.01);
        Aperture second = rim();
        window.press(KeyCode.R);
        window.until("and the next", () -> Math.abs(window.desk.shown().orElseThrow().state().glass().all().getFirst().graded().orElseThrow().aperture().meanRadius() / second.meanRadius() - 1) > 0.01);
        window.press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(rim().meanRadius()).as("undo goes back to the ring before").isCloseTo(second.meanRadius(), org.assertj.core.api.Assertions.within(1e-6));
    }

    /// On a lens nobody knows: a sweep of the focus, said in a line, tells the side of the iris; the card says so.
    @Test
    void aSweepOfTheFocusIsSaidInALine() {
        window.beginLens("Tarn 50 mm f/2", KeyCode.DIGIT2);
        List<GlassIntent> seen = new ArrayList<>();
        for (int i = 1; i <= 8; i++) {
            Finding plain = round(FindingKind.FUNGUS, 0.3, 0.2, 0.1, Map.of(FindingKind.FUNGUS, 0.9));
            Finding sharp = new Finding(plain.kind(), 0.9, plain.regions(), plain.areaShare(), 1, plain.x(), plain.y(), 0.2, 2, plain.reasons(), plain.chances(), 1 / Math.hypot(0.4, 0.5 * (i - 6.5)));
            PhotoEdges edges = new PhotoEdges(Optional.of(30 / Math.hypot(0.4, 0.5 * (i - 2))), Optional.empty());
            seen.add(new GlassEvent.PhotoKept("s" + i, Phase.BEFORE, false, "s" + i, Source.FILE));
            seen.add(new GlassEvent.PhotoGraded("s" + i, Lighting.AGAINST, new Aperture(750, 562, 470, 470, 0), List.of(sharp), 0.02, List.of(), List.of(), Optional.empty(), Optional.of(edges)));
        }
        window.desk.submit(window.work().state().tag().number(), Act.of(seen.toArray(GlassIntent[]::new)), List.of()).join();
        window.settle();
        window.type("photos 1 to 8 sweep");
        select("s1#1");
        window.until("without blades only that it is deeper", () -> says("deeper than the foremost glasses"));
        window.type("photo 4 sharp at blades");
        window.until("the side of the iris", () -> says("it lies behind the iris"));
        window.press(KeyCode.CONTROL, KeyCode.Z);
        window.until("and back", () -> says("deeper than the foremost glasses"));

        window.press(KeyCode.CONTROL, KeyCode.DIGIT3);
        window.there("unweighed-1");
        DecideModel.Piece piece = DecideModel.of(window.work()).unweighed().getFirst().piece().orElseThrow();
        assertThat(piece.photoId()).isEqualTo("s1");
        assertThat(piece.side()).as("small findings are shown with what lies about them").isCloseTo(2 * 0.22 * 470, within(0.01));
        assertThat(piece.x() + piece.side() / 2).isCloseTo(750 + 0.3 * 470, within(0.01));
        assertThat(piece.y() + piece.side() / 2).as("up is up").isCloseTo(562 - 0.2 * 470, within(0.01));
        assertThat(Window.onUi(() -> window.shell.lookup("#decide-picture").isVisible() || window.shell.lookup("#decide-picture").isManaged())).as("no picture without optics, and no room kept for it").isFalse();
    }

    /// Without the card nothing says how bright the lamp is; with it the veil is a figure, of photos taken before it, too.
    @Test
    void aPhotoOfTheCardTurnsTheBoundsOfTheVeilIntoAFigure(@TempDir Path folder) throws IOException {
        window.openAt(DemoTickets.SHOWPIECE, KeyCode.DIGIT2);
        photo("veiled", Phase.BEFORE, round(FindingKind.HAZE, 0, 0, 0.7, Map.of(FindingKind.HAZE, 0.9)));
        window.until("bounds are told", () -> says("only a photo of the card tells"));
        BufferedImage card = new BufferedImage(300, 200, BufferedImage.TYPE_3BYTE_BGR);
        Graphics2D g = card.createGraphics();
        g.setColor(new Color(188, 188, 188));
        g.fillRect(0, 0, 300, 200);
        g.dispose();
        Path file = folder.resolve("card.png");
        ImageIO.write(card, "png", file.toFile());
        window.answers.photo = Optional.of(file);
        window.press(KeyCode.K);
        // Grey 188 is half the light of white: two percent of full exposure are four of the card.
        window.until("the veil is a figure", () -> says("veil 4.0 % of the card"));
        assertThat(known("veiled#1").finding().contrast()).isCloseTo(0.4, org.assertj.core.api.Assertions.within(0.01));
        window.press(KeyCode.CONTROL, KeyCode.Z);
        window.until("undone", () -> says("only a photo of the card tells"));
        window.answers.photo = Optional.of(Files.write(folder.resolve("torn.png"), new byte[] {1, 2, 3}));
        window.press(KeyCode.K);
        window.until("a torn file is said", () -> says("torn.png"));
    }

    /// Closer than the picture on the screen was decoded, the part that is looked at comes from the file: a line of one pixel in four is seen, which the picture of 1500 pixels has lost.
    @Test
    void aPhotoIsLookedAtAsCloselyAsItsPixels() {
        window.openAt(DemoTickets.SHOWPIECE, KeyCode.DIGIT2);
        BufferedImage fine = new BufferedImage(6000, 4500, BufferedImage.TYPE_BYTE_GRAY);
        for (int y = 0; y < 4500; y++) {
            for (int x = 0; x < 6000; x += 4) {
                fine.getRaster().setSample(x, y, 0, 255);
            }
        }
        var w = window.work();
        window.desk.submit(w.state().tag().number(), Act.of(new GlassEvent.PhotoKept("fine", Phase.BEFORE, false, "fine", Source.FILE),
                new GlassEvent.PhotoGraded("fine", Lighting.AGAINST, new Aperture(3000, 2250, 1900, 1900, 0), List.of(round(FindingKind.FUNGUS, 0.3, 0.2, 0.1, Map.of(FindingKind.FUNGUS, 0.9))), 0.02, List.of(), List.of())),
                List.of(new Logbook.PhotoBytes("fine", "fine.png", PngFile.of(fine)))).join();
        window.settle();
        select("fine#1");
        PhotoPane pane = (PhotoPane) window.there("photo");
        for (int i = 0; i < 8; i++) {
            window.press(KeyCode.EQUALS);
        }
        assertThat(Window.onUi(pane::times)).isGreaterThan(8);
        window.until("the part is read from the file", () -> detail().isPresent());
        javafx.scene.image.ImageView part = detail().orElseThrow();
        javafx.scene.image.Image image = Window.onUi(part::getImage);
        int across = (int) image.getWidth() / 2;
        assertThat(java.util.stream.IntStream.range(across, across + 12).filter(x -> image.getPixelReader().getColor(x, 20).getBrightness() > 0.9).count()).as("one line in four pixels, as it was stored").isEqualTo(3);
        // The chosen finding stays where it was: keys go closer about it.
        Bounds outline = bounds("photo");
        assertThat(Window.onUi(() -> part.localToScreen(part.getBoundsInLocal()).intersects(outline))).isTrue();
        window.press(KeyCode.DIGIT0);
        assertThat(Window.onUi(pane::times)).isEqualTo(1);
        window.until("all of it needs no part", () -> detail().isEmpty());
        window.press(KeyCode.SHIFT, KeyCode.EQUALS);
        assertThat(Window.onUi(pane::times)).as("plus as it is typed with Shift").isGreaterThan(1);
        window.press(KeyCode.MINUS);
        assertThat(Window.onUi(pane::times)).as("back to all of it").isEqualTo(1);
        assertThat(known("fine#1").finding().kind()).as("no digit named a kind").isEqualTo(FindingKind.FUNGUS);
    }

    private Optional<javafx.scene.image.ImageView> detail() {
        return Optional.ofNullable((javafx.scene.image.ImageView) window.shell.lookup("#detail"));
    }

    @Test
    void oneKeyAnswersTheQuestionAndTheChancesMove() {
        window.openAt(DemoTickets.SHOWPIECE, KeyCode.DIGIT2);
        Map<FindingKind, Double> doubt = new EnumMap<>(Map.of(FindingKind.OIL, 0.5, FindingKind.SEPARATION, 0.45));
        photo("q1", Phase.BEFORE, round(FindingKind.OIL, -0.5, -0.5, 0.15, doubt));
        select("q1#1");
        String asked = window.say();
        assertThat(asked).as("the most telling question is asked").endsWith("?");
        double before = known("q1#1").finding().confidence();
        window.press(KeyCode.Y);
        Known told = known("q1#1");

        assertThat(told.tests()).hasSize(1);
        assertThat(told.finding().confidence()).isNotCloseTo(before, within(0.02));
        assertThat(window.say()).isNotEqualTo(asked);
        assertThat(window.find("chance-" + told.finding().kind().word())).as("its bar is shown").isPresent();
        window.press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(known("q1#1").tests()).isEmpty();
        assertThat(window.say()).isEqualTo(asked);
    }

    @Test
    void outlinesAreMovedJoinedTakenApartAndDrawn() {
        window.openAt(DemoTickets.SHOWPIECE, KeyCode.DIGIT2);
        photo("q1", Phase.BEFORE, round(FindingKind.SCRATCH, -0.6, -0.3, 0.1, Map.of()), round(FindingKind.SCRATCH, -0.6, 0.3, 0.1, Map.of()));
        select("q1#1");
        window.press(KeyCode.SHIFT, KeyCode.RIGHT);
        assertThat(known("q1#1").finding().x()).isCloseTo(-0.59, within(1e-3));
        window.press(KeyCode.SHIFT, KeyCode.PAGE_UP);
        assertThat(known("q1#1").finding().areaShare()).isCloseTo(0.0121, within(2e-4));

        window.press(KeyCode.M);
        assertThat(window.work().state().glass().finding("q1#1")).as("it went into the nearest of its kind").isEmpty();
        assertThat(known("q1#2").finding().regions()).hasSize(2);
        window.press(KeyCode.S);
        assertThat(window.work().state().glass().finding("q1#2.2")).isPresent();

        int all = window.work().state().glass().findings().size();
        window.press(KeyCode.F);
        window.press(KeyCode.ENTER);
        assertThat(window.work().state().glass().findings()).hasSize(all + 1);
        window.press(KeyCode.DIGIT4);
        assertThat(window.work().state().glass().findings().getLast().finding().kind()).isEqualTo(FindingKind.SCRATCH);
        window.press(KeyCode.X);
        assertThat(window.work().state().glass().findings()).hasSize(all);
    }

    @Test
    void aFaultIsDrawnWithTheMouse() {
        window.openAt(DemoTickets.SHOWPIECE, KeyCode.DIGIT2);
        photo("q1", Phase.BEFORE, round(FindingKind.CHIP, 0.9, -0.2, 0.05, Map.of()));
        int all = window.work().state().glass().findings().size();
        window.until("the photo is drawn", () -> ((Parent) window.shell.lookup("#photo #drawn")).getChildrenUnmodifiable().size() > 5);
        window.press(KeyCode.F);
        Bounds b = bounds("photo");
        double cx = b.getCenterX();
        double cy = b.getCenterY() + 60;
        robot.moveTo(cx + 20, cy).press(MouseButton.PRIMARY);
        for (int i = 1; i <= 12; i++) {
            robot.moveTo(cx + 20 * Math.cos(i * Math.PI / 6), cy + 20 * Math.sin(i * Math.PI / 6));
        }
        robot.release(MouseButton.PRIMARY);
        window.until("it is kept", () -> window.desk.shown().orElseThrow().state().glass().findings().size() == all + 1);
        window.settle();
        Finding drawn = window.work().state().glass().findings().getLast().finding();

        assertThat(drawn.reasons()).containsExactly(Said.of("found.by-hand"));
        assertThat(drawn.areaShare()).isBetween(0.005, 0.05);
        assertThat(drawn.y()).as("below the middle").isNegative();
    }

    /// As one picture while the hand has it, drawn anew where it is let go, and where what was drawn beside the pane ends.
    @ParameterizedTest
    @ValueSource(doubles = {90, 560})
    void aHandTakesThePhotoAlong(double far) {
        window.openAt(DemoTickets.SHOWPIECE, KeyCode.DIGIT2);
        photo("q1", Phase.BEFORE, round(FindingKind.CHIP, -0.05, -0.05, 0.02, Map.of()));
        window.until("the photo is drawn", () -> ((Parent) window.shell.lookup("#photo #drawn")).getChildrenUnmodifiable().size() > 5);
        window.press(KeyCode.EQUALS);
        window.press(KeyCode.EQUALS);
        Bounds pane = bounds("photo");
        double from = pane.getCenterX() + 0.2 * pane.getWidth();
        double y = pane.getCenterY() + 60;
        Node drawn = window.there("drawn");
        double rim = leftOfRim();
        robot.moveTo(from, y).press(MouseButton.PRIMARY);
        for (int i = 1; i <= 10; i++) {
            robot.moveTo(from - far * i / 10, y - 20.0 * i / 10);
        }
        javafx.application.Platform.runLater(((Parent) window.there("photo"))::requestLayout);
        window.settle();
        assertThat(leftOfRim()).as("it is where the hand is, also where a finer part of it arrives meanwhile").isCloseTo(rim - far, within(1.5));
        assertThat(Window.onUi(drawn::isCache)).as("one picture").isTrue();
        robot.release(MouseButton.PRIMARY);
        window.settle();
        assertThat(leftOfRim()).as("and stays there").isCloseTo(rim - far, within(1.5));
        assertThat(Window.onUi(() -> !drawn.isCache() && drawn.getTranslateX() == 0 && drawn.getClip() == null)).as("drawn anew").isTrue();
    }

    private double leftOfRim() {
        return Window.onUi(() -> Optional.of(window.shell.lookup("#photo .photo-rim")).map(n -> n.localToScreen(n.getBoundsInLocal())).orElseThrow().getMinX());
    }

    @Test
    void severalPhotosAreOneSetOfFindings() {
        window.openAt(DemoTickets.SHOWPIECE, KeyCode.DIGIT2);
        photo("q1", Phase.BEFORE, round(FindingKind.SCRATCH, -0.6, -0.3, 0.1, Map.of()));
        int all = window.work().state().glass().findings().size();
        photo("q2", Phase.BEFORE, round(FindingKind.SCRATCH, -0.61, -0.29, 0.1, Map.of()), round(FindingKind.CHIP, 0.9, -0.2, 0.05, Map.of()));

        assertThat(window.work().state().glass().findings()).hasSize(all + 1);
        assertThat(known("q1#1").sights()).containsOnlyKeys("q1", "q2");
        window.press(KeyCode.PAGE_UP);
        assertThat(window.work().viewing().photo()).contains("q1");
        window.press(KeyCode.U);
        window.there("unrolled");
        window.press(KeyCode.U);
        assertThat(window.work().viewing().hero()).isEqualTo(Viewing.Hero.PHOTO);
        window.press(KeyCode.Z);
        assertThat(((Button) window.there("loupe")).getStyleClass()).contains("chosen");
        window.type("photo at zoom 70");
        window.type("lamp moved");
        select(window.work().state().glass().findings().getLast().id());
        window.until("what is only there at one place of the lamp is doubted", () -> says("a reflection of the lamp, or too faint there"));
        select("q1#1");
        window.until("what stays is not", () -> says("it is in the glass"));
        assertThat(((MenuButton) window.there("severity-menu")).getText()).isEqualTo("how far: slight");
        window.press(KeyCode.SHIFT, KeyCode.DIGIT4);
        window.settle();
        assertThat(((MenuButton) window.there("severity-menu")).getText()).isEqualTo("how far: severe, as you say");
        assertThat(known("q1#1").finding().severity()).isEqualTo(4);
    }

    /// Its optics are known before anybody says where the zoom stood: what was computed without is computed anew.
    @Test
    void photosAtTwoZoomSettingsTellTheSurface() throws Exception {
        LensSection prime = new Shelf().section("tarn_50_f35");
        LensSection zoom = prime.withPositions(new Positions(List.of(new Positions.Position("short", 35, Map.of(), Optional.of(35.0), Optional.empty()), new Positions.Position("long", 70, Map.of(2, 30.0), Optional.of(70.0), Optional.empty()))));
        Path file = Files.writeString(Files.createTempDirectory("still-glass-zoom").resolve("zoom.json"), LensText.of(zoom));
        window.beginLens("Brook 35-70 mm f/4", KeyCode.DIGIT1);
        window.answers.lens = Optional.of(file);
        window.fire("add-optics");
        window.until("the section is known", () -> window.desk.shown().orElseThrow().section().isPresent());
        window.press(KeyCode.CONTROL, KeyCode.DIGIT2);
        photo("z1", Phase.BEFORE, round(FindingKind.FUNGUS, 0.6, 0.1, 0.1, Map.of()));
        photo("z2", Phase.BEFORE, round(FindingKind.FUNGUS, 0.61, 0.1, 0.1, Map.of()));
        select("z1#1");
        window.until("nothing tells", () -> !says("Where it lies"));
        window.type("photo 1 at zoom 35");
        window.type("photo 2 at zoom 70");
        window.until("the surface", () -> says("(seen at several zoom settings)") && says("Where it lies: front of E1"));
        window.press(KeyCode.CONTROL, KeyCode.Z);
        window.until("and taken back", () -> !says("Where it lies"));
    }

    @Test
    void theLensTurnedOverShowsTheSameFaultsFromBehind() {
        window.openAt(DemoTickets.SHOWPIECE, KeyCode.DIGIT2);
        photo("q1", Phase.BEFORE, round(FindingKind.SCRATCH, -0.6, -0.3, 0.1, Map.of()));
        int all = window.work().state().glass().findings().size();
        photo("q2", Phase.BEFORE, true, round(FindingKind.SCRATCH, 0.6, -0.3, 0.1, Map.of()), round(FindingKind.SCRATCH, 0.1, 0.7, 0.1, Map.of()));
        select("q1#1");

        assertThat(window.work().state().glass().findings()).as("one of the two was known").hasSize(all + 1);
        assertThat(texts()).anyMatch(t -> t.startsWith("Where it lies: ") && t.endsWith("(seen from both sides)"));
        assertThat(((Button) window.there("side")).getText()).isEqualTo("front up");
        window.press(KeyCode.V);
        assertThat(((Button) window.there("side")).getText()).isEqualTo("rear up");
        int photos = window.work().state().glass().all().size();
        window.press(KeyCode.C);
        window.until("it is read", () -> window.desk.shown().orElseThrow().state().glass().all().size() == photos + 1);
        assertThat(window.work().state().glass().all().getLast().kept().fromRear()).isTrue();
        window.press(KeyCode.S);
        assertThat(window.work().state().glass().findings()).as("taken apart again").extracting(Known::id).contains("q1#1", "q1#1.behind");
    }

    @Test
    void beforeAndAfterAreWipedAndTheLightingIsDrawn() {
        window.openAt(DemoTickets.SHOWPIECE, KeyCode.DIGIT2);
        photo("q1", Phase.BEFORE, round(FindingKind.OIL, -0.5, -0.4, 0.2, Map.of()), round(FindingKind.CHIP, 0.9, -0.2, 0.05, Map.of()));
        assertThat(window.find("hero-wipe")).as("nothing to compare yet").isEmpty();
        photo("q2", Phase.AFTER, round(FindingKind.CHIP, 0.9, -0.2, 0.05, Map.of()));
        window.press(KeyCode.W);
        window.until("both photos are shown", () -> window.shell.lookup("#wipe") instanceof Parent p && p.getChildrenUnmodifiable().size() > 3);
        assertThat(texts()).anyMatch(t -> t.startsWith("Oil") && t.endsWith("gone")).anyMatch(t -> t.startsWith("Chip") && t.contains("no change"));
        window.press(KeyCode.ESCAPE);
        window.press(KeyCode.G);
        assertThat(window.say()).startsWith("Lamp ").contains("off the axis");
        window.there("guide");
    }
}

package stillglass.app.screens;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.image.PixelReader;
import javafx.scene.image.WritableImage;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javax.imageio.ImageIO;
import stillglass.app.desk.Asker;
import stillglass.app.desk.Desk;
import stillglass.app.desk.Selection;
import stillglass.app.desk.Viewing;
import stillglass.app.house.House;
import stillglass.app.practice.DemoBook;
import stillglass.app.practice.SimulatedDevices;
import stillglass.app.shell.Shell;
import stillglass.app.step.StepPhotos;
import stillglass.app.theme.Theme;
import stillglass.assembly.ClockPosition;
import stillglass.book.data.Shelf;
import stillglass.book.log.Logbook;
import stillglass.optics.Element;
import stillglass.optics.LensSection;
import stillglass.optics.Surface;
import stillglass.optics.measured.Spherometer;
import stillglass.sim.Deed;
import stillglass.ticket.course.CourseIntent;
import stillglass.ticket.facts.LetGo;
import stillglass.ticket.glass.GlassIntent;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.story.Intent;
import stillglass.ticket.story.Stage;

/// Tells the demo story once and takes a picture at each stage.
public final class Screenshots {
    private static final int WIDTH = 1280;
    private static final int HEIGHT = 800;
    /// A working afternoon, fixed so that pictures can be compared.
    private static final Instant WHEN = Instant.parse("2026-11-24T14:30:00Z");

    private final Path folder;
    private final Desk desk;
    private final Shell shell;
    private final Scene scene;

    private Screenshots(Path folder, Desk desk) {
        this.folder = folder;
        this.desk = desk;
        Theme theme = new Theme();
        shell = House.furnish(desk, new NoAsker(), theme);
        scene = new Scene(shell, WIDTH, HEIGHT);
        theme.dress(scene);
    }

    /// Writes one PNG for each main view.
    public static void make(Path folder) {
        try {
            Files.createDirectories(folder);
            Path work = Files.createTempDirectory("still-glass-pictures");
            CompletableFuture<Void> up = new CompletableFuture<>();
            Platform.startup(() -> {
                Theme.loadFonts();
                up.complete(null);
            });
            up.orTimeout(60, TimeUnit.SECONDS).join();
            try (Desk desk = new Desk(Logbook.open(work.resolve("demo.sqlite")), new Shelf(), InstantSource.fixed(WHEN), Platform::runLater, new SimulatedDevices())) {
                Screenshots pictures = onUi(() -> new Screenshots(folder, desk));
                pictures.tell();
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            Platform.exit();
        }
    }

    private void tell() {
        DemoBook.write(desk, Stage.ARRIVE);
        onUi(() -> {
            shell.showBook();
            return null;
        });
        settle();
        snap("book");
        measured();
        onUi(() -> {
            shell.showWork();
            return null;
        });
        stage(Stage.ARRIVE, 1);
        snap("arrive");
        submit(new CourseIntent.FinishStage(Stage.ARRIVE, Optional.empty()));
        stage(Stage.LOOK, 1);
        select(1);
        snap("look");
        press(KeyCode.U);
        snap("look-unrolled");
        press(KeyCode.G);
        snap("look-lighting");
        press(KeyCode.G);
        select(-1);
        rest(Stage.DECIDE);
        view(v -> v.at(4));
        snap("decide");
        light();
        stage(Stage.OPEN, 0.55);
        snap("open");
        press(KeyCode.W);
        snap("open-ways");
        press(KeyCode.W);
        press(KeyCode.B);
        snap("bench");
        press(KeyCode.ESCAPE);
        remaining(Stage.OPEN);
        stage(Stage.CLEAN, 0.4);
        snap("clean");
        remaining(Stage.CLEAN);
        stage(Stage.CLOSE, 0.12);
        wrongClock();
        snap("close");
        turnedRing();
        remaining(Stage.CLOSE);
        stage(Stage.PROVE, 1);
        snap("prove");
        onUi(() -> {
            desk.go(Stage.LOOK);
            return null;
        });
        settle();
        press(KeyCode.W);
        snap("look-wipe");
        unfolded();
        unknown();
        day();
    }

    /// A lens no map knows, half way: what came off, and what is expected next.
    private void unknown() {
        desk.open("T-0148").orTimeout(60, TimeUnit.SECONDS).join();
        onUi(() -> {
            desk.go(Stage.OPEN);
            return null;
        });
        settle();
        snap("open-unknown");
    }

    /// The reflex body on its way to the shutter: bottom plate and coverings off.
    private void unfolded() {
        desk.open("T-0147").orTimeout(60, TimeUnit.SECONDS).join();
        submit(new CourseIntent.ChooseGoals(List.of("curtain_first")));
        onUi(() -> {
            desk.go(Stage.OPEN);
            return null;
        });
        settle();
        for (Deed a : DemoBook.acts(desk, Stage.OPEN).subList(0, 32)) {
            DemoBook.perform(desk, a);
        }
        settle();
        snap("open-net");
    }

    /// A folding camera's triplet as it was measured on the bench, the spherometer's readings turned into radii.
    private void measured() {
        List<String> typed = readings(desk.shelf().section("sedge_75_f45"));
        onUi(() -> {
            click("#new-measured");
            return null;
        });
        settle();
        onUi(() -> {
            shell.applyCss();
            shell.layout();
            click("#by-reading");
            for (int i = 0; i < typed.size(); i += 2) {
                if (shell.lookup("#m-" + typed.get(i).replace('.', '-')) instanceof javafx.scene.control.TextField f) {
                    f.setText(typed.get(i + 1));
                }
            }
            return null;
        });
        settle();
        snap("measure");
        onUi(() -> {
            click("#measure-back");
            return null;
        });
    }

    /// What spherometer, micrometer and caliper would show on the loose glasses of a lens.
    private static List<String> readings(LensSection lens) {
        Spherometer feet = new Spherometer(7.5, 0.8);
        List<String> typed = new ArrayList<>(List.of("name", "Corvane folding 75", "focal", "75", "f", "4.5", "circle", "70", "ring", "7.5", "ball", "0.8"));
        for (Element e : lens.elements()) {
            Surface front = lens.surfaces().get(e.firstSurface());
            Surface rear = lens.surfaces().get(e.lastSurface());
            boolean irisBehind = lens.stopIndex() == e.lastSurface() + 1;
            double gap = rear.thicknessMm() + (irisBehind ? lens.surfaces().get(lens.stopIndex()).thicknessMm() : 0);
            typed.addAll(List.of(e.name() + ".front", figure("%.3f", feet.sagMm(front.radiusMm())), e.name() + ".rear", figure("%.3f", feet.sagMm(-rear.radiusMm())),
                    e.name() + ".thick", figure("%.2f", front.thicknessMm()), e.name() + ".diameter", figure("%.1f", e.diameterMm()),
                    e.name() + ".index", figure("%.3f", front.after().index(stillglass.optics.Medium.D_LINE_NM))));
            if (e != lens.elements().getLast()) {
                typed.addAll(List.of(e.name() + ".gap", figure("%.2f", gap)));
            }
            if (irisBehind) {
                typed.addAll(List.of("iris-behind", e.name().substring(1), "iris-after", figure("%.2f", rear.thicknessMm())));
            }
        }
        return typed;
    }

    private static String figure(String format, double value) {
        return String.format(java.util.Locale.ROOT, format, value);
    }

    private void click(String id) {
        if (shell.lookup(id) instanceof javafx.scene.control.Button b) {
            b.fire();
        }
    }

    /// A tall Axis with light through a lens that somebody closed with a glass turned round, one surface face-on.
    private void light() {
        submit(new GlassIntent.FindAssembled("reverse:E1"));
        view(v -> v.at(2).withRays(true).facing(Optional.of(1)));
        press(KeyCode.A);
        snap("light");
        press(KeyCode.A);
        view(v -> Viewing.USUAL);
        submit(new GlassIntent.AssembledRight());
    }

    private void view(java.util.function.UnaryOperator<Viewing> change) {
        onUi(() -> {
            desk.view(change.apply(desk.shown().orElseThrow().viewing()));
            return null;
        });
        settle();
    }

    /// The work of all tickets over the hours of the shop, once it is planned.
    private void day() {
        onUi(() -> {
            shell.showDay();
            return null;
        });
        desk.benchDays().plan().orTimeout(60, TimeUnit.SECONDS).join();
        settle();
        snap("day");
        onUi(() -> {
            shell.showWork();
            return null;
        });
        settle();
    }

    private List<Deed> pending = new ArrayList<>();

    /// Goes to a stage and tells a share of it.
    private void stage(Stage stage, double share) {
        onUi(() -> {
            desk.go(stage);
            return null;
        });
        List<Deed> acts = DemoBook.acts(desk, stage);
        int many = (int) Math.round((stage == Stage.ARRIVE ? 0 : acts.size() - (share < 1 ? 1 : 0)) * share);
        acts.subList(0, many).forEach(a -> DemoBook.perform(desk, a));
        pending = new ArrayList<>(acts.subList(many, acts.size()));
        settle();
    }

    /// A stage shown with all its acts told.
    private void rest(Stage stage) {
        stage(stage, 1);
    }

    private void remaining(Stage stage) {
        pending.forEach(a -> {
            if (a.stage() == stage) {
                DemoBook.perform(desk, a);
            }
        });
        settle();
    }

    /// States a wrong clock position at the thread in hand, so that the comparison has something to say.
    private void wrongClock() {
        while (!pending.isEmpty()) {
            if (pending.getFirst() instanceof Deed.Do d && d.act().intents().getFirst() instanceof JointIntent.State s && s.fact() instanceof LetGo l) {
                submit(new JointIntent.State(s.joint(), new LetGo(ClockPosition.of(l.at().hours() + 4))));
                break;
            }
            DemoBook.perform(desk, pending.removeFirst());
        }
        settle();
    }

    /// A ring put back without looking, compared with the photo of the record, then put right.
    private void turnedRing() {
        while (!pending.isEmpty() && onUi(() -> desk.shown().orElseThrow().nextToClose().filter(s -> StepPhotos.recorded(s.joint(), desk.shown().orElseThrow().state()).isPresent())).isEmpty()) {
            DemoBook.perform(desk, pending.removeFirst());
            settle();
        }
        press(KeyCode.P);
        snap("close-photo");
        press(KeyCode.P);
        press(KeyCode.V);
    }

    private void submit(Intent intent) {
        desk.submit(intent).orTimeout(60, TimeUnit.SECONDS).join();
        settle();
    }

    private void select(int finding) {
        onUi(() -> {
            desk.select(finding < 0 ? new Selection.Nothing()
                    : new Selection.OfFinding(desk.shown().orElseThrow().state().glass().findings().get(finding).id()));
            return null;
        });
        settle();
    }

    private void press(KeyCode code) {
        onUi(() -> {
            shell.fireEvent(new KeyEvent(KeyEvent.KEY_PRESSED, "", "", code, false, false, false, false));
            return null;
        });
        settle();
    }

    /// Waits until nothing is being computed and everything queued for the window was drawn.
    private void settle() {
        for (int quiet = 0; quiet < 4; ) {
            // One turn through both working threads and the interface thread.
            desk.summary(1).orTimeout(60, TimeUnit.SECONDS).join();
            desk.compute(() -> true).orTimeout(120, TimeUnit.SECONDS).join();
            boolean busy = onUi(() -> desk.shown().map(w -> w.computing()).orElse(false));
            quiet = busy ? 0 : quiet + 1;
        }
        // What a pulse of the window does: lists know how long they are before something in them is scrolled to.
        onUi(() -> {
            shell.applyCss();
            shell.layout();
            return null;
        });
    }

    private void snap(String name) {
        WritableImage image = onUi(() -> {
            shell.applyCss();
            shell.layout();
            // Viewports keep what they drew; without a window's own pulse a later picture would show it again.
            shell.lookupAll(".viewport").forEach(v -> v.setCache(false));
            return scene.snapshot(null);
        });
        int w = (int) image.getWidth();
        int h = (int) image.getHeight();
        BufferedImage out = new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
        PixelReader reader = image.getPixelReader();
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                out.setRGB(x, y, reader.getArgb(x, y));
            }
        }
        try {
            ImageIO.write(out, "png", folder.resolve(name + ".png").toFile());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static <T> T onUi(Supplier<T> work) {
        return CompletableFuture.supplyAsync(work, Platform::runLater).orTimeout(60, TimeUnit.SECONDS).join();
    }

    /// Pictures need no files.
    private static final class NoAsker implements Asker {
        @Override
        public Optional<Path> folder() {
            return Optional.empty();
        }

        @Override
        public Optional<Path> photo() {
            return Optional.empty();
        }

        @Override
        public Optional<Path> lens() {
            return Optional.empty();
        }

        @Override
        public List<Path> several(Several what) {
            return List.of();
        }

        @Override
        public Optional<Path> report(String suggested) {
            return Optional.empty();
        }
    }
}

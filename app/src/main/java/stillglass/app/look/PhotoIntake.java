package stillglass.app.look;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Function;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import stillglass.app.desk.Asker;
import stillglass.app.desk.Desk;
import stillglass.app.desk.PhotoTaking;
import stillglass.app.desk.Work;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.device.PhotoCamera;
import stillglass.look.Progress;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Phase;

/// Takes photos in, with progress on show; it can be stopped.
final class PhotoIntake {
    private final Desk desk;
    private final Asker asker;
    private final ProgressBar bar = new ProgressBar(0);
    private final Label doing = Build.line("", "soft", "small");
    private final HBox working;
    private Optional<AtomicBoolean> stop = Optional.empty();

    PhotoIntake(Desk desk, Asker asker) {
        this.desk = desk;
        this.asker = asker;
        Button cancel = Build.button(Words.of("cancel"), "Esc", this::cancel, "chip");
        cancel.setId("cancel");
        bar.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(bar, Priority.ALWAYS);
        working = Build.row(10, doing, bar, cancel);
        show(working, false);
    }

    /// What is done now, and the way to stop it.
    Node node() {
        return working;
    }

    boolean running() {
        return stop.isPresent();
    }

    private static void show(Node n, boolean visible) {
        n.setVisible(visible);
        n.setManaged(visible);
    }

    void askPhoto() {
        asker.photo().ifPresent(p -> dropped(List.of(p)));
    }

    /// Takes photo files in, one after the other; one that cannot be read is said, the others are kept. Stopping one stops those after it.
    void dropped(List<Path> files) {
        CompletableFuture<?> before = CompletableFuture.completedFuture(null);
        for (Path file : files) {
            before = before.handle(PhotoIntake::unlessStopped).thenCompose(done -> onUi(() -> desk.shown().map(w -> grade(w, Words.of("look.caption"),
                            PhotoTaking.file(file)))
                    .orElseGet(() -> CompletableFuture.completedFuture(null))));
        }
    }

    private static boolean unlessStopped(Object done, Throwable wrong) {
        Throwable why = wrong instanceof CompletionException && wrong.getCause() != null ? wrong.getCause() : wrong;
        if (why instanceof CancellationException stopped) {
            throw stopped;
        }
        return true;
    }

    private static <T> CompletableFuture<T> onUi(java.util.function.Supplier<CompletableFuture<T>> work) {
        return CompletableFuture.supplyAsync(work, Platform::runLater).thenCompose(f -> f);
    }

    /// Asks for a photo of a white card in the place of the lens, or of the bare lamp.
    void askCard() {
        asker.photo().ifPresent(file -> desk.shown().ifPresent(w -> watched(progress -> PhotoTaking.card(desk, w, PhotoTaking.file(file), progress))));
    }

    void photograph() {
        desk.shown().ifPresent(w -> desk.devices().camera(w, Phase.BEFORE, w.viewing().fromRear())
                .ifPresentOrElse(c -> grade(w, Words.of(w.viewing().fromRear() ? "look.caption.bench.rear" : "look.caption.bench"), c), this::askPhoto));
    }

    private CompletableFuture<Decision> grade(Work work, String caption, PhotoCamera camera) {
        return watched(progress -> PhotoTaking.take(desk, work, camera, Phase.BEFORE, work.viewing().fromRear(), caption, progress));
    }

    /// Runs graded work with progress on show; Esc or the button stops it.
    CompletableFuture<Decision> watched(Function<Progress, CompletableFuture<Decision>> work) {
        cancel();
        AtomicBoolean stopped = new AtomicBoolean();
        stop = Optional.of(stopped);
        show(working, true);
        Progress progress = (share, what) -> {
            if (stopped.get()) {
                throw new CancellationException();
            }
            Platform.runLater(() -> {
                bar.setProgress(share);
                doing.setText(what);
            });
        };
        return work.apply(progress).whenCompleteAsync((done, wrong) -> {
            if (stop.filter(s -> s == stopped).isPresent()) {
                stop = Optional.empty();
                show(working, false);
            }
        }, Platform::runLater);
    }

    void cancel() {
        stop.ifPresent(s -> s.set(true));
        show(working, false);
    }
}

package stillglass.app.inbox;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.InstantSource;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import javafx.application.Platform;
import javafx.scene.input.Clipboard;
import stillglass.app.desk.Desk;
import stillglass.app.desk.PhotoTaking;
import stillglass.app.desk.Work;
import stillglass.app.theme.Words;
import stillglass.assembly.Joint;
import stillglass.book.photo.CameraClock;
import stillglass.book.photo.PhotoFiles;
import stillglass.book.photo.PictureFolder;
import stillglass.device.PhotoCamera;
import stillglass.device.Source;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Stage;

/// Watches a folder and offers what arrives in it to the joint or stage that was in hand when it was taken. Everything but the looking is done on the interface thread.
public final class Inbox implements AutoCloseable {
    private static final String SETTING = "watched folder";
    private static final int MOST_MOMENTS = 500;
    private static final long LOOK_MS = 1000;
    /// A picture is often taken a moment before the act it belongs to is kept.
    private static final long LEAD_SECONDS = 8;

    private final Desk desk;
    private final InstantSource clock;
    private final Runnable changed;
    private final ScheduledExecutorService looking = Executors.newSingleThreadScheduledExecutor(r -> Thread.ofPlatform().daemon().name("pictures").unstarted(r));
    private final CameraClock camera = new CameraClock(ZoneId.systemDefault());
    /// What was in hand from when on, oldest first.
    private final List<Moment> moments = new ArrayList<>();
    private final List<PictureFolder.Arrived> waiting = new ArrayList<>();
    private Optional<Place> chosen = Optional.empty();
    private volatile Optional<PictureFolder> watched = Optional.empty();

    /// Where a picture may belong.
    /// @param joint on whose record it hangs; empty for one of the whole
    /// @param name of the joint or the stage
    public record Place(String ticket, Optional<String> joint, String name) {}

    private record Moment(Instant from, Place place) {}

    /// A picture with the place it is offered to.
    /// @param more how many wait behind it
    public record Offer(PictureFolder.Arrived picture, Place place, int more) {}

    /// @param changed runs when there is something else to offer
    public Inbox(Desk desk, Runnable changed) {
        this.desk = desk;
        this.clock = desk.clock();
        this.changed = changed;
        looking.scheduleWithFixedDelay(this::look, LOOK_MS, LOOK_MS, TimeUnit.MILLISECONDS);
        desk.setting(SETTING).thenAcceptAsync(s -> s.ifPresent(this::resume), Platform::runLater);
    }

    private void resume(String setting) {
        int bar = setting.indexOf('|');
        try {
            Path folder = Path.of(setting.substring(bar + 1));
            if (Files.isDirectory(folder)) {
                watched = Optional.of(new PictureFolder(folder, Instant.parse(setting.substring(0, bar))));
            }
        } catch (RuntimeException edited) {
            // A setting somebody edited by hand: no folder is watched until one is chosen.
            watched = Optional.empty();
        }
    }

    /// Watches a folder from now on.
    public void watch(Path folder) {
        Instant now = clock.instant();
        watched = Optional.of(new PictureFolder(folder, now));
        desk.remember(SETTING, now + "|" + folder.toAbsolutePath());
    }

    public Optional<Path> folder() {
        return watched.map(PictureFolder::folder);
    }

    private void look() {
        watched.ifPresent(f -> {
            try {
                PictureFolder.Look look = f.look();
                if (!look.pictures().isEmpty() || !look.troubles().isEmpty()) {
                    Platform.runLater(() -> arrived(look));
                }
            } catch (RuntimeException e) {
                Platform.runLater(() -> desk.complain(Words.of("inbox.trouble", String.valueOf(e.getMessage()))));
            }
        });
    }

    private void arrived(PictureFolder.Look look) {
        look.troubles().forEach(desk::complain);
        look.pictures().forEach(p -> p.taken().ifPresent(t -> camera.saw(t, p.arrived())));
        waiting.addAll(look.pictures());
        changed.run();
    }

    /// Remembers what is in hand.
    public void note(Work work) {
        Place now = place(work);
        if (moments.isEmpty() || !moments.getLast().place.equals(now)) {
            moments.add(new Moment(clock.instant(), now));
            if (moments.size() > MOST_MOMENTS) {
                moments.removeFirst();
            }
        }
    }

    private static Place place(Work work) {
        Optional<Joint> joint = work.stage() == Stage.OPEN || work.stage() == Stage.CLOSE ? work.inHand() : Optional.empty();
        return new Place(work.state().tag().number(), joint.map(Joint::id), joint.map(Joint::name).orElse(work.stage().word()));
    }

    /// The next picture to be placed.
    public Optional<Offer> offer() {
        if (waiting.isEmpty() || moments.isEmpty()) {
            return Optional.empty();
        }
        PictureFolder.Arrived p = waiting.getFirst();
        return Optional.of(new Offer(p, chosen.orElseGet(() -> when(p)), waiting.size() - 1));
    }

    private Place when(PictureFolder.Arrived p) {
        Instant at = p.taken().map(camera::corrected).orElse(p.arrived()).plusSeconds(LEAD_SECONDS);
        return moments.reversed().stream().filter(m -> !m.from.isAfter(at)).findFirst().orElse(moments.getFirst()).place;
    }

    /// Offers it to the next of the places that were in hand lately, the latest first; last to the whole of the ticket.
    public void elsewhere() {
        offer().ifPresent(o -> {
            List<Place> all = new ArrayList<>(moments.reversed().stream().map(Moment::place).distinct().limit(6).toList());
            desk.shown().map(w -> new Place(w.state().tag().number(), Optional.empty(), w.stage().word())).filter(w -> !all.contains(w)).ifPresent(all::add);
            chosen = Optional.of(all.get((all.indexOf(o.place) + 1) % all.size()));
            changed.run();
        });
    }

    /// It belongs to none of this.
    public void pass() {
        if (!waiting.isEmpty()) {
            waiting.removeFirst();
            chosen = Optional.empty();
            changed.run();
        }
    }

    /// Keeps it where it is offered to. It is kept as it is: nothing is graded.
    public CompletableFuture<Optional<Decision>> accept() {
        Optional<Offer> offer = offer();
        if (offer.isEmpty()) {
            return CompletableFuture.completedFuture(Optional.empty());
        }
        PictureFolder.Arrived p = offer.get().picture();
        pass();
        PhotoCamera source = () -> new PhotoCamera.Picture(p.name(), PhotoFiles.bytes(p.file()), Source.FOLDER);
        Place place = offer.get().place();
        return PhotoTaking.kept(desk, place.ticket(), place.joint(), source, phase(), Words.of("inbox.caption", place.name())).thenApply(Optional::of);
    }

    /// Keeps what is on the clipboard or was dropped, files or a picture, at what is in hand now.
    /// @return whether there was anything to keep
    public boolean keep(Clipboard from) {
        Optional<Work> work = desk.shown();
        if (work.isEmpty()) {
            return false;
        }
        List<PhotoCamera> sources = from.hasFiles() ? from.getFiles().stream().map(f -> PhotoTaking.file(f.toPath())).toList() : from.hasImage() ? List.of(Pasted.of(from.getImage())) : List.of();
        Place now = place(work.get());
        sources.forEach(s -> PhotoTaking.kept(desk, now.ticket(), now.joint(), s, phase(), Words.of("inbox.caption", now.name())));
        return !sources.isEmpty();
    }

    private Phase phase() {
        return desk.shown().filter(w -> w.stage() == Stage.PROVE || w.stage() == Stage.CLOSE).isPresent() ? Phase.AFTER : Phase.BEFORE;
    }

    @Override
    public void close() {
        looking.shutdownNow();
    }
}

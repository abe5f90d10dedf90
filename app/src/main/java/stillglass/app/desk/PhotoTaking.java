package stillglass.app.desk;

import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.CompletableFuture;
import java.util.zip.CRC32;
import stillglass.app.theme.Words;
import stillglass.assembly.Joint;
import stillglass.book.BadInput;
import stillglass.book.log.Logbook;
import stillglass.book.photo.LampPhoto;
import stillglass.book.photo.PhotoFiles;
import stillglass.device.PhotoCamera;
import stillglass.device.Source;
import stillglass.look.Aperture;
import stillglass.look.LinearPhoto;
import stillglass.look.PhotoLight;
import stillglass.look.Progress;
import stillglass.look.ShopTeaching;
import stillglass.look.reading.PhotoGrading;
import stillglass.prove.Clocking;
import stillglass.prove.ClockingCheck;
import stillglass.ticket.facts.Clocked;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.glass.GlassEvent;
import stillglass.ticket.glass.Photo;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Intent;
import stillglass.ticket.story.Phase;

/// Takes a photo in: decoded, graded, then kept together with what was read from it, in one intent.
public final class PhotoTaking {
    /// What turns with the lens and is not changed by the work: the mount about the glass with its name ring and index marks, aperture radii.
    private static final double MOUNT_INNER = 1.04;
    private static final double MOUNT_OUTER = 1.45;

    private PhotoTaking() {}

    /// A picture that is read from a file when it is asked for.
    public static PhotoCamera file(Path file) {
        return () -> new PhotoCamera.Picture(String.valueOf(file.getFileName()), PhotoFiles.bytes(file), Source.FILE);
    }

    private static GlassEvent.PhotoKept kept(String id, Phase phase, boolean fromRear, String caption, PhotoCamera.Picture p) {
        return new GlassEvent.PhotoKept(id, phase, fromRear, caption, Optional.of(p.source()), PhotoFiles.taken(p.bytes()), PhotoFiles.camera(p.bytes()));
    }

    /// Keeps a picture as it is, with a caption, on a ticket or on the record of one of its joints: nothing is graded.
    public static CompletableFuture<Decision> kept(Desk desk, String ticket, Optional<String> joint, PhotoCamera source, Phase phase, String caption) {
        return desk.keeping(desk.compute(() -> readable(source.take())).thenCompose(p -> {
            CRC32 sum = new CRC32();
            sum.update(p.bytes());
            String id = "f" + Long.toHexString(desk.clock().instant().toEpochMilli()) + "-" + Long.toHexString(sum.getValue());
            Fact photo = new stillglass.ticket.facts.Photo(id);
            List<Intent> intents = new ArrayList<>(List.of(kept(id, phase, false, caption, p)));
            joint.ifPresent(j -> intents.add(phase == Phase.AFTER ? new JointIntent.State(j, photo) : new JointIntent.Note(j, List.of(photo))));
            return desk.submit(ticket, new Act(intents), List.of(new Logbook.PhotoBytes(id, p.name(), p.bytes())));
        }));
    }

    /// @param caption what it shows
    /// @param progress hears how far it is, and may stop it
    /// @return the decision after it was kept
    public static CompletableFuture<Decision> take(
            Desk desk, Work work, PhotoCamera source, Phase phase, boolean fromRear, String caption, Progress progress) {
        return desk.keeping(desk.corrections().teaching().thenCompose(taught -> desk.compute(() -> {
            progress.at(0, "waiting for the photo");
            PhotoCamera.Picture picture = source.take();
            String id = id(work, picture);
            GlassEvent.PhotoGraded graded = grade(id, picture.name(), picture.bytes(), new PhotoGrading.Given(Optional.empty(), Optional.empty(), OptionalDouble.empty(), work.state().glass().rim(fromRear)), PhotoFiles.camera(picture.bytes()), taught, progress);
            GlassEvent.PhotoKept kept = kept(id, phase, fromRear, caption, picture);
            return new Taken(List.of(kept, graded), new Logbook.PhotoBytes(id, picture.name(), picture.bytes()),
                    Optional.of(new Photo(kept, Optional.of(graded), Instant.EPOCH)));
        })).thenCompose(t -> turned(desk, work, t)).thenCompose(t -> submit(desk, number(work), progress, new Act(t.happened()), List.of(t.bytes()))));
    }

    /// With how far a photo after the work is turned against the one it will be compared with, where the mount tells.
    private static CompletableFuture<Taken> turned(Desk desk, Work work, Taken taken) {
        Optional<Photo> earlier = taken.photo.filter(p -> p.kept().phase() == Phase.AFTER).flatMap(work.state().glass()::earlier);
        if (earlier.isEmpty()) {
            return CompletableFuture.completedFuture(taken);
        }
        return desk.photo(number(work), earlier.get().id()).thenCompose(found -> desk.compute(() -> found
                .flatMap(then -> Clocking.between(pixels(then), rim(earlier.get()), pixels(taken.bytes), rim(taken.photo.orElseThrow()), MOUNT_INNER, MOUNT_OUTER))
                .filter(Clocking::sure)
                .map(c -> taken.with(new GlassEvent.PhotoTurned(taken.bytes.photoId(), earlier.get().kept().photoId(), c.turnDeg(), c.sigmaDeg())))
                .orElse(taken)));
    }

    private static LinearPhoto pixels(Logbook.PhotoBytes p) {
        return PhotoFiles.upright(p.name(), p.bytes());
    }

    private static Aperture rim(Photo photo) {
        return photo.graded().orElseThrow().aperture();
    }

    /// Takes a photo of a step and hangs it on the joint's record.
    public static CompletableFuture<Decision> ofStep(Desk desk, Work work, Joint joint, PhotoCamera source, Progress progress) {
        return desk.keeping(desk.compute(() -> readable(source.take())).thenCompose(p -> {
            String id = id(work, p);
            progress.at(1, "");
            GlassEvent.PhotoKept kept = kept(id, Phase.BEFORE, false, Words.of("open.photo.caption", joint.name()), p);
            return desk.submit(number(work), Act.of(kept, new JointIntent.Note(joint.id(), List.of(new stillglass.ticket.facts.Photo(id)))), List.of(new Logbook.PhotoBytes(id, p.name(), p.bytes())));
        }));
    }

    /// A file that is no photo is refused before anything is kept.
    private static PhotoCamera.Picture readable(PhotoCamera.Picture p) {
        PhotoFiles.picture(p.name(), p.bytes(), 64);
        return p;
    }

    /// What two photos of a joint are compared by.
    /// @param record photo that was taken when it was opened
    /// @param circles circles drawn by hand, by photo; where there is none the edge of the opening is looked for
    public record Comparing(String record, ClockingCheck.Zone zone, Map<String, Aperture> circles) {
        public Comparing {
            circles = Map.copyOf(circles);
        }
    }

    /// Takes a photo of a joint that was put back and states how far it is turned against the photo of the record. Where that cannot be told the photo is kept
    /// and the reason complained about.
    public static CompletableFuture<Decision> ofReturn(Desk desk, Work work, Joint joint, PhotoCamera source, Comparing how, Progress progress) {
        return desk.keeping(desk.compute(() -> readable(source.take())).thenCompose(p -> {
            Logbook.PhotoBytes now = new Logbook.PhotoBytes(id(work, p), p.name(), p.bytes());
            GlassEvent.PhotoKept kept = kept(now.photoId(), Phase.AFTER, false, Words.of("close.photo.caption", joint.name()), p);
            return clocked(desk, number(work), how, now, progress).thenCompose(f -> submit(desk, number(work), progress,
                    Act.of(kept, new JointIntent.State(joint.id(), f.map(c -> (Fact) c).orElse(new stillglass.ticket.facts.Photo(now.photoId())))), List.of(now)));
        }));
    }

    /// Unless it was stopped at the last moment.
    private static CompletableFuture<Decision> submit(Desk desk, String number, Progress progress, Act act, List<Logbook.PhotoBytes> photos) {
        progress.at(1, "");
        return desk.submit(number, act, photos);
    }

    /// Compares the same two photos by another ring or circle, and states what that tells.
    public static CompletableFuture<Optional<Decision>> again(Desk desk, String number, Joint joint, String later, Comparing how, Progress progress) {
        return desk.photo(number, later).thenCompose(found -> clocked(desk, number, how, found.orElseThrow(() -> new BadInput(later, "photo", "is no longer in the logbook")), progress))
                .thenCompose(f -> f.isEmpty() ? CompletableFuture.completedFuture(Optional.empty())
                        : desk.submit(number, Act.of(new JointIntent.State(joint.id(), f.get())), List.of()).thenApply(Optional::of));
    }

    private static CompletableFuture<Optional<Clocked>> clocked(Desk desk, String number, Comparing how, Logbook.PhotoBytes now, Progress progress) {
        return desk.photo(number, how.record).thenCompose(found -> desk.compute(() -> {
            Logbook.PhotoBytes then = found.orElseThrow(() -> new BadInput(how.record, "photo", "is no longer in the logbook"));
            progress.at(0.1, Words.of("close.photo.reading"));
            LinearPhoto before = pixels(then);
            LinearPhoto after = pixels(now);
            progress.at(0.3, Words.of("close.photo.circles"));
            Optional<Aperture> a = Optional.ofNullable(how.circles.get(then.photoId())).or(() -> PhotoGrading.aperture(before));
            Optional<Aperture> b = Optional.ofNullable(how.circles.get(now.photoId())).or(() -> PhotoGrading.aperture(after));
            if (a.isEmpty() || b.isEmpty()) {
                desk.say(Words.of("close.photo.nocircle", Words.of(a.isEmpty() ? "close.photo.then" : "close.photo.now")));
                return Optional.<Clocked>empty();
            }
            progress.at(0.5, Words.of("close.photo.comparing"));
            Optional<ClockingCheck> check = ClockingCheck.of(before, a.get(), after, b.get(), how.zone).filter(ClockingCheck::tells);
            if (check.isEmpty()) {
                desk.say(Words.of("close.photo.untold"));
            }
            return check.map(c -> new Clocked(now.photoId(), c.turnDeg(), c.sigmaDeg(), c.fold()));
        }));
    }

    /// Where a photo shows the edge of the opening.
    public static CompletableFuture<Optional<Aperture>> circle(Desk desk, String number, String photoId) {
        return desk.photo(number, photoId).thenCompose(found -> desk.compute(() -> found.flatMap(p -> PhotoGrading.aperture(pixels(p)))));
    }

    /// Whatever is shown by the time a photo is read, it lands in the ticket it was taken for.
    private static String number(Work work) {
        return work.state().tag().number();
    }

    /// Never used twice in a ticket, whatever was undone in between: the file of an undone photo stays in the book.
    private static String id(Work work, PhotoCamera.Picture picture) {
        CRC32 sum = new CRC32();
        sum.update(picture.bytes());
        return "p" + (work.state().history().nextAct()) + "-" + Long.toHexString(sum.getValue());
    }

    /// @param photo where it was graded
    private record Taken(List<Intent> happened, Logbook.PhotoBytes bytes, Optional<Photo> photo) {
        Taken with(Intent more) {
            List<Intent> all = new ArrayList<>(happened);
            all.add(more);
            return new Taken(all, bytes, photo);
        }
    }

    /// Rings of a kept photo that may be the rim, the likeliest first.
    public static CompletableFuture<List<Aperture>> circles(Desk desk, String number, String photoId) {
        return desk.photo(number, photoId).thenCompose(found -> desk.compute(() -> found.map(p -> PhotoGrading.apertures(pixels(p))).orElse(List.of())));
    }

    /// Grades a kept photo again inside an aperture that was set by hand.
    public static CompletableFuture<Decision> regrade(Desk desk, String number, Photo photo, Aperture aperture, Progress progress) {
        String id = photo.kept().photoId();
        return desk.corrections().teaching().thenCompose(taught -> desk.photo(number, id).thenCompose(found -> desk.compute(() -> {
            Logbook.PhotoBytes p = found.orElseThrow(() -> new BadInput(id, "photo", "is no longer in the logbook"));
            return grade(id, p.name(), p.bytes(), new PhotoGrading.Given(Optional.empty(), Optional.of(aperture), OptionalDouble.empty()), photo.kept().camera(), taught, progress);
        }))).thenCompose(g -> desk.submit(number, Act.of(g), List.of()));
    }

    private static PhotoLight exposed(PhotoLight light, byte[] bytes) {
        OptionalDouble exposure = PhotoFiles.exposure(bytes);
        return new PhotoLight(light.reference(), exposure.isPresent() ? Optional.of(exposure.getAsDouble()) : Optional.empty(), light.through());
    }

    /// Keeps a photo of a white card in the place of the lens, or of the bare lamp: veil of this ticket's photos is measured against it from then on.
    public static CompletableFuture<Decision> card(Desk desk, Work work, PhotoCamera source, Progress progress) {
        return desk.keeping(desk.compute(() -> {
            PhotoCamera.Picture picture = source.take();
            progress.at(0.2, Words.of("look.card.reading"));
            LampPhoto lamp = LampPhoto.of(picture.name(), picture.bytes());
            String id = id(work, picture);
            Optional<Double> exposure = lamp.exposure().isPresent() ? Optional.of(lamp.exposure().getAsDouble()) : Optional.empty();
            return new Taken(List.of(kept(id, Phase.BEFORE, false, Words.of("look.card.caption"), picture), new GlassEvent.CardMeasured(id, lamp.light(), exposure)),
                    new Logbook.PhotoBytes(id, picture.name(), picture.bytes()), Optional.empty());
        }).thenCompose(t -> submit(desk, number(work), progress, new Act(t.happened()), List.of(t.bytes()))));
    }

    private static GlassEvent.PhotoGraded grade(
            String id, String name, byte[] bytes, PhotoGrading.Given given, Optional<String> camera, ShopTeaching taught, Progress progress) {
        LinearPhoto photo = PhotoFiles.upright(name, bytes);
        return switch (PhotoGrading.grade(photo, given, progress)) {
            case PhotoGrading.Outcome.Refused r -> throw new BadInput(name, "photo", Words.say(r.why()));
            case PhotoGrading.Outcome.Seen s -> new GlassEvent.PhotoGraded(
                    id, s.graded().lighting(), s.graded().aperture(), s.graded().findings().stream().map(f -> taught.taught(f, ShopTeaching.Taken.with(camera, s.graded().lighting()))).toList(), s.graded().veilFraction(),
                    s.graded().sectorVeils(), s.graded().diagnostics(), Optional.of(exposed(s.graded().light(), bytes)), Optional.of(s.graded().edges()));
        };
    }
}

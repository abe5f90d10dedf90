package stillglass.app.desk;

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
import stillglass.book.Logbook;
import stillglass.book.photo.PhotoFiles;
import stillglass.device.PhotoCamera;
import stillglass.look.Aperture;
import stillglass.look.Lighting;
import stillglass.look.LinearPhoto;
import stillglass.look.reading.PhotoGrading;
import stillglass.look.Progress;
import stillglass.prove.Clocking;
import stillglass.prove.ClockingCheck;
import stillglass.ticket.Decision;
import stillglass.ticket.Fact;
import stillglass.ticket.Intent;
import stillglass.ticket.Phase;
import stillglass.ticket.TicketEvent;
import stillglass.ticket.TicketState;

/// Takes a photo in: decoded, graded, then kept together with what was read from it, in one intent.
public final class PhotoTaking {
    /// What turns with the lens and is not changed by the work: the mount about the glass with its name ring and index marks, aperture radii.
    private static final double MOUNT_INNER = 1.04;
    private static final double MOUNT_OUTER = 1.45;

    private PhotoTaking() {}

    /// @param caption what it shows
    /// @param progress hears how far it is, and may stop it
    /// @return the decision after it was kept
    public static CompletableFuture<Decision> take(
            Desk desk, Work work, PhotoCamera source, Phase phase, boolean fromRear, String caption, Progress progress) {
        return desk.compute(() -> {
            progress.at(0, "waiting for the photo");
            PhotoCamera.Picture picture = source.take();
            String id = id(work, picture);
            TicketEvent.PhotoGraded graded = grade(id, picture.name(), picture.bytes(), Optional.empty(), progress);
            TicketEvent.PhotoKept kept = new TicketEvent.PhotoKept(id, phase, fromRear, caption);
            return new Taken(List.of(kept, graded), new Logbook.PhotoBytes(id, picture.name(), picture.bytes()),
                    new TicketState.Photo(kept, Optional.of(graded), Instant.EPOCH));
        }).thenCompose(t -> turned(desk, work, t)).thenCompose(t -> desk.submit(new Intent.Keep(t.happened()), List.of(t.bytes())));
    }

    /// With how far a photo after the work is turned against the one it will be compared with, where the mount tells.
    private static CompletableFuture<Taken> turned(Desk desk, Work work, Taken taken) {
        Optional<TicketState.Photo> earlier = taken.photo.kept().phase() == Phase.AFTER ? work.state().earlier(taken.photo) : Optional.empty();
        if (earlier.isEmpty()) {
            return CompletableFuture.completedFuture(taken);
        }
        return desk.photo(earlier.get().kept().photoId()).thenCompose(found -> desk.compute(() -> found
                .flatMap(then -> Clocking.between(pixels(then), rim(earlier.get()), pixels(taken.bytes), rim(taken.photo), MOUNT_INNER, MOUNT_OUTER))
                .filter(Clocking::sure)
                .map(c -> taken.with(new TicketEvent.PhotoTurned(taken.photo.kept().photoId(), earlier.get().kept().photoId(), c.turnDeg(), c.sigmaDeg())))
                .orElse(taken)));
    }

    private static LinearPhoto pixels(Logbook.PhotoBytes p) {
        return PhotoFiles.upright(p.name(), p.bytes());
    }

    private static Aperture rim(TicketState.Photo photo) {
        return photo.graded().orElseThrow().aperture();
    }

    /// Takes a photo of a step and hangs it on the joint's record.
    public static CompletableFuture<Decision> ofStep(Desk desk, Work work, Joint joint, PhotoCamera source) {
        return desk.compute(() -> readable(source.take())).thenCompose(p -> {
            String id = id(work, p);
            return desk.submit(new Intent.PhotographStep(new TicketEvent.PhotoKept(id, Phase.BEFORE, false, Words.of("open.photo.caption", joint.name())),
                    joint.id(), new Fact.Photo(id)), List.of(new Logbook.PhotoBytes(id, p.name(), p.bytes())));
        });
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
        return desk.compute(() -> readable(source.take())).thenCompose(p -> {
            Logbook.PhotoBytes now = new Logbook.PhotoBytes(id(work, p), p.name(), p.bytes());
            TicketEvent.PhotoKept kept = new TicketEvent.PhotoKept(now.photoId(), Phase.AFTER, false, Words.of("close.photo.caption", joint.name()));
            return clocked(desk, how, now, progress).thenCompose(f -> desk.submit(new Intent.PhotographStep(kept, joint.id(), f.map(c -> (Fact) c).orElse(new Fact.Photo(now.photoId()))), List.of(now)));
        });
    }

    /// Compares the same two photos by another ring or circle, and states what that tells.
    public static CompletableFuture<Optional<Decision>> again(Desk desk, Joint joint, String later, Comparing how, Progress progress) {
        return desk.photo(later).thenCompose(found -> clocked(desk, how, found.orElseThrow(() -> new BadInput(later, "photo", "is no longer in the logbook")), progress))
                .thenCompose(f -> f.isEmpty() ? CompletableFuture.completedFuture(Optional.empty())
                        : desk.submit(new Intent.StateFact(joint.id(), f.get())).thenApply(Optional::of));
    }

    private static CompletableFuture<Optional<Fact.Clocked>> clocked(Desk desk, Comparing how, Logbook.PhotoBytes now, Progress progress) {
        return desk.photo(how.record).thenCompose(found -> desk.compute(() -> {
            Logbook.PhotoBytes then = found.orElseThrow(() -> new BadInput(how.record, "photo", "is no longer in the logbook"));
            progress.at(0.1, Words.of("close.photo.reading"));
            LinearPhoto before = pixels(then);
            LinearPhoto after = pixels(now);
            progress.at(0.3, Words.of("close.photo.circles"));
            Optional<Aperture> a = Optional.ofNullable(how.circles.get(then.photoId())).or(() -> PhotoGrading.aperture(before));
            Optional<Aperture> b = Optional.ofNullable(how.circles.get(now.photoId())).or(() -> PhotoGrading.aperture(after));
            if (a.isEmpty() || b.isEmpty()) {
                desk.say(Words.of("close.photo.nocircle", Words.of(a.isEmpty() ? "close.photo.then" : "close.photo.now")));
                return Optional.<Fact.Clocked>empty();
            }
            progress.at(0.5, Words.of("close.photo.comparing"));
            Optional<ClockingCheck> check = ClockingCheck.of(before, a.get(), after, b.get(), how.zone).filter(ClockingCheck::tells);
            if (check.isEmpty()) {
                desk.say(Words.of("close.photo.untold"));
            }
            return check.map(c -> new Fact.Clocked(now.photoId(), c.turnDeg(), c.sigmaDeg(), c.fold()));
        }));
    }

    /// Where a photo shows the edge of the opening.
    public static CompletableFuture<Optional<Aperture>> circle(Desk desk, String photoId) {
        return desk.photo(photoId).thenCompose(found -> desk.compute(() -> found.flatMap(p -> PhotoGrading.aperture(pixels(p)))));
    }

    /// Never used twice in a ticket, whatever was undone in between: the file of an undone photo stays in the book.
    private static String id(Work work, PhotoCamera.Picture picture) {
        CRC32 sum = new CRC32();
        sum.update(picture.bytes());
        return "p" + (work.state().lastIntent() + 1) + "-" + Long.toHexString(sum.getValue());
    }

    private record Taken(List<TicketEvent.Plain> happened, Logbook.PhotoBytes bytes, TicketState.Photo photo) {
        Taken with(TicketEvent.Plain more) {
            List<TicketEvent.Plain> all = new ArrayList<>(happened);
            all.add(more);
            return new Taken(all, bytes, photo);
        }
    }

    /// Grades a kept photo again inside an aperture that was set by hand.
    public static CompletableFuture<Decision> regrade(Desk desk, TicketState.Photo photo, Aperture aperture, Progress progress) {
        String id = photo.kept().photoId();
        return desk.photo(id).thenCompose(found -> desk.compute(() -> {
            Logbook.PhotoBytes p = found.orElseThrow(() -> new BadInput(id, "photo", "is no longer in the logbook"));
            return (Intent) new Intent.Keep(grade(id, p.name(), p.bytes(), Optional.of(aperture), progress));
        })).thenCompose(desk::submit);
    }

    private static TicketEvent.PhotoGraded grade(
            String id, String name, byte[] bytes, Optional<Aperture> aperture, Progress progress) {
        LinearPhoto photo = PhotoFiles.upright(name, bytes);
        Optional<Lighting> lighting = Optional.empty();
        PhotoGrading.Outcome outcome = PhotoGrading.grade(
                photo, new PhotoGrading.Given(lighting, aperture, OptionalDouble.empty()), progress);
        return switch (outcome) {
            case PhotoGrading.Outcome.Refused r -> throw new BadInput(name, "photo", r.why());
            case PhotoGrading.Outcome.Seen s -> new TicketEvent.PhotoGraded(
                    id, s.graded().lighting(), s.graded().aperture(), s.graded().findings(), s.graded().veilFraction(),
                    s.graded().sectorVeils(), s.graded().diagnostics());
        };
    }
}

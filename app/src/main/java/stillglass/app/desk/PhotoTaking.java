package stillglass.app.desk;

import java.util.List;
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
import stillglass.ticket.Decision;
import stillglass.ticket.Fact;
import stillglass.ticket.Intent;
import stillglass.ticket.Phase;
import stillglass.ticket.TicketEvent;
import stillglass.ticket.TicketState;

/// Takes a photo in: decoded, graded, then kept together with what was read from it, in one intent.
public final class PhotoTaking {
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
            Intent keep = new Intent.Keep(List.of(new TicketEvent.PhotoKept(id, phase, fromRear, caption), graded));
            return new Taken(keep, List.of(new Logbook.PhotoBytes(id, picture.name(), picture.bytes())));
        }).thenCompose(t -> desk.submit(t.keep(), t.photos()));
    }

    /// Takes a photo of a step and hangs it on the joint's record.
    public static CompletableFuture<Decision> ofStep(Desk desk, Work work, Joint joint, PhotoCamera source) {
        return desk.compute(source::take).thenCompose(p -> {
            String id = id(work, p);
            return desk.submit(
                            new Intent.Keep(new TicketEvent.PhotoKept(id, Phase.BEFORE, false, Words.of("open.photo.caption", joint.name()))),
                            List.of(new Logbook.PhotoBytes(id, p.name(), p.bytes())))
                    .thenCompose(d -> desk.submit(new Intent.NoteFacts(joint.id(), List.of(new Fact.Photo(id)))));
        });
    }

    /// Never used twice in a ticket, whatever was undone in between: the file of an undone photo stays in the book.
    private static String id(Work work, PhotoCamera.Picture picture) {
        CRC32 sum = new CRC32();
        sum.update(picture.bytes());
        return "p" + (work.state().lastIntent() + 1) + "-" + Long.toHexString(sum.getValue());
    }

    private record Taken(Intent keep, List<Logbook.PhotoBytes> photos) {}

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

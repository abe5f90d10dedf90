package stillglass.app.look;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import stillglass.app.desk.Desk;
import stillglass.app.desk.PhotoTaking;
import stillglass.look.Aperture;
import stillglass.ticket.glass.Photo;

/// Goes through the rings of a photo that may be the rim, one after the other and round again; they are found once for each photo.
final class RingSteps {
    /// Ticket and photo.
    private Optional<String> photo = Optional.empty();
    private List<Aperture> rings = List.of();

    /// @return the ring after the one the photo has now; nothing where no other stands out
    CompletableFuture<Optional<Aperture>> next(Desk desk, String number, Photo shown) {
        String id = shown.kept().photoId();
        String key = number + " " + id;
        Optional<Aperture> now = shown.graded().map(g -> g.aperture());
        if (photo.filter(key::equals).isPresent()) {
            return CompletableFuture.completedFuture(after(now));
        }
        return PhotoTaking.circles(desk, number, id).thenApply(found -> {
            photo = Optional.of(key);
            rings = found;
            return after(now);
        });
    }

    private Optional<Aperture> after(Optional<Aperture> now) {
        int at = now.map(a -> IntStream.range(0, rings.size()).boxed().min(Comparator.comparingDouble(i -> apart(rings.get(i), a))).orElse(-1)).orElse(-1);
        Optional<Aperture> next = rings.isEmpty() ? Optional.empty() : Optional.of(rings.get((at + 1) % rings.size()));
        return next.filter(n -> now.isEmpty() || apart(n, now.get()) > 1e-3);
    }

    /// In shares of the radius.
    private static double apart(Aperture a, Aperture b) {
        return (Math.hypot(a.cx() - b.cx(), a.cy() - b.cy()) + Math.abs(a.meanRadius() - b.meanRadius())) / b.meanRadius();
    }
}

package stillglass.app.look;

import java.awt.Rectangle;
import java.util.Optional;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.util.Duration;

/// The part of a photo that is looked at closely, read from its file as fine as it was stored. While it is on its way, or the hand moves, the coarser picture below it is seen.
final class Detail {
    /// Beyond which the coarse picture has no more to show, screen pixels for one of its own.
    private static final double COARSE = 1.05;
    /// Read around what is seen, as a share of it.
    private static final double AROUND = 0.2;
    private static final Duration STILL = Duration.millis(160);

    private record Part(PhotoCache.Loaded photo, Rectangle upright, Image image) {}

    private final ImageView view = new ImageView();
    private final PauseTransition still = new PauseTransition(STILL);
    private final Runnable arrived;
    private Optional<Part> part = Optional.empty();
    private Optional<Rectangle> wanted = Optional.empty();

    /// @param arrived asks for the photo to be drawn anew
    Detail(Runnable arrived) {
        this.arrived = arrived;
        view.setMouseTransparent(true);
        view.setId("detail");
    }

    /// What lies over the coarse picture now, and what is asked for next.
    Optional<ImageView> over(PhotoCache.Loaded photo, Shown shown, double width, double height) {
        double perImage = shown.factor() * photo.storedWidth() / photo.image().getWidth();
        if (perImage < COARSE || photo.storedWidth() <= photo.image().getWidth()) {
            still.stop();
            wanted = Optional.empty();
            return Optional.empty();
        }
        Rectangle seen = seen(photo, shown, width, height, 0);
        Optional<Part> here = part.filter(p -> p.photo == photo);
        boolean enough = here.filter(p -> p.upright.contains(seen) && p.image.getWidth() >= 0.9 * Math.min(p.upright.width, p.upright.width * shown.factor())).isPresent();
        if (!enough && !seen.isEmpty()) {
            Rectangle next = seen(photo, shown, width, height, AROUND);
            if (wanted.filter(next::equals).isEmpty()) {
                wanted = Optional.of(next);
                still.setOnFinished(e -> read(photo, next));
                still.playFromStart();
            }
        }
        return here.map(p -> {
            view.setImage(p.image);
            view.setFitWidth(p.upright.width * shown.factor());
            view.setFitHeight(p.upright.height * shown.factor());
            view.relocate(shown.left() + p.upright.x * shown.factor(), shown.top() + p.upright.y * shown.factor());
            return view;
        });
    }

    private static Rectangle seen(PhotoCache.Loaded photo, Shown shown, double width, double height, double around) {
        int left = (int) Math.floor(shown.photoX(-around * width));
        int top = (int) Math.floor(shown.photoY(-around * height));
        return new Rectangle(left, top, (int) Math.ceil(shown.photoX((1 + around) * width)) - left, (int) Math.ceil(shown.photoY((1 + around) * height)) - top)
                .intersection(new Rectangle(photo.storedWidth(), (int) photo.storedHeight()));
    }

    private void read(PhotoCache.Loaded photo, Rectangle upright) {
        photo.fine().part(upright).thenAcceptAsync(image -> {
            // Where the hand went on meanwhile, what it asked for later counts.
            if (wanted.filter(upright::equals).isPresent()) {
                image.ifPresent(i -> part = Optional.of(new Part(photo, upright, i)));
                arrived.run();
            }
        }, Platform::runLater);
    }
}

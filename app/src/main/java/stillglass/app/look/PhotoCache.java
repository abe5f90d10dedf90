package stillglass.app.look;

import java.awt.Rectangle;
import java.awt.image.BufferedImage;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import javafx.application.Platform;
import javafx.scene.image.Image;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import stillglass.app.desk.Desk;
import stillglass.book.log.Logbook;
import stillglass.book.photo.PhotoFiles;

/// The last few photographs as pictures for the screen, decoded away from the interface thread.
public final class PhotoCache {
    private static final int SIDE = 1500;
    private static final int KEPT = 4;

    /// Reads a part of a photo as fine as it was stored.
    public interface Fine {
        /// For a picture that has no more to show.
        Fine NONE = upright -> CompletableFuture.completedFuture(Optional.empty());

        /// @param upright in pixels of the upright photo
        /// @return nothing when the logbook no longer has it
        CompletableFuture<Optional<Image>> part(Rectangle upright);
    }

    /// An upright picture and its width in stored pixels, which aperture coordinates refer to.
    public record Loaded(Image image, int storedWidth, Fine fine) {
        public Loaded(Image image, int storedWidth) {
            this(image, storedWidth, Fine.NONE);
        }

        double storedHeight() {
            return storedWidth * image.getHeight() / image.getWidth();
        }
    }

    private final Desk desk;
    private final Map<String, Loaded> kept = new LinkedHashMap<>(8, 0.75f, true) {
        private static final long serialVersionUID = 1;

        @Override
        protected boolean removeEldestEntry(Map.Entry<String, Loaded> eldest) {
            return size() > KEPT;
        }
    };

    public PhotoCache(Desk desk) {
        this.desk = desk;
    }

    /// @return the picture, on the interface thread; empty when the logbook no longer has it
    public CompletableFuture<Optional<Loaded>> load(String ticket, String photoId) {
        String key = ticket + "/" + photoId;
        Loaded found = kept.get(key);
        if (found != null) {
            return CompletableFuture.completedFuture(Optional.of(found));
        }
        return desk.photo(ticket, photoId)
                .thenCompose(bytes -> desk.compute(() -> bytes.map(b -> decode(b, part -> fine(ticket, photoId, part)))))
                .thenApplyAsync(loaded -> {
                    loaded.ifPresent(l -> kept.put(key, l));
                    return loaded;
                }, Platform::runLater);
    }

    private CompletableFuture<Optional<Image>> fine(String ticket, String photoId, Rectangle upright) {
        return desk.photo(ticket, photoId).thenCompose(bytes -> desk.compute(() -> bytes.map(b -> image(PhotoFiles.part(b.name(), b.bytes(), upright)))));
    }

    private static Loaded decode(Logbook.PhotoBytes p, Fine fine) {
        return new Loaded(image(PhotoFiles.picture(p.name(), p.bytes(), SIDE)), PhotoFiles.uprightWidth(p.name(), p.bytes()), fine);
    }

    private static Image image(BufferedImage picture) {
        int w = picture.getWidth();
        int h = picture.getHeight();
        WritableImage image = new WritableImage(w, h);
        int[] pixels = picture.getRGB(0, 0, w, h, null, 0, w);
        image.getPixelWriter().setPixels(0, 0, w, h, PixelFormat.getIntArgbInstance(), pixels, 0, w);
        return image;
    }
}

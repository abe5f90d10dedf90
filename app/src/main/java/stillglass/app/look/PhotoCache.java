package stillglass.app.look;

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

    /// An upright picture and its width in stored pixels, which aperture coordinates refer to.
    public record Loaded(Image image, int storedWidth) {}

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
                .thenCompose(bytes -> desk.compute(() -> bytes.map(PhotoCache::decode)))
                .thenApplyAsync(loaded -> {
                    loaded.ifPresent(l -> kept.put(key, l));
                    return loaded;
                }, Platform::runLater);
    }

    private static Loaded decode(Logbook.PhotoBytes p) {
        BufferedImage picture = PhotoFiles.picture(p.name(), p.bytes(), SIDE);
        int w = picture.getWidth();
        int h = picture.getHeight();
        WritableImage image = new WritableImage(w, h);
        int[] pixels = picture.getRGB(0, 0, w, h, null, 0, w);
        image.getPixelWriter().setPixels(0, 0, w, h, PixelFormat.getIntArgbInstance(), pixels, 0, w);
        return new Loaded(image, PhotoFiles.uprightWidth(p.name(), p.bytes()));
    }
}

package stillglass.app.inbox;

import java.awt.image.BufferedImage;
import javafx.scene.image.Image;
import javafx.scene.image.PixelReader;
import stillglass.book.photo.PngFile;
import stillglass.device.PhotoCamera;
import stillglass.device.Source;

/// A picture from the clipboard, as a file in memory.
final class Pasted {
    private static final long MOST_PIXELS = 120_000_000;

    private Pasted() {}

    /// Encoded when it is asked for, away from the interface thread.
    static PhotoCamera of(Image image) {
        return () -> new PhotoCamera.Picture("pasted.png", png(image), Source.PASTED);
    }

    private static byte[] png(Image image) {
        int w = (int) image.getWidth();
        int h = (int) image.getHeight();
        if (w <= 0 || h <= 0 || (long) w * h > MOST_PIXELS) {
            throw new IllegalArgumentException("the picture on the clipboard has " + w + " x " + h + " pixels: paste one of up to 120 million");
        }
        PixelReader from = image.getPixelReader();
        BufferedImage to = new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                to.setRGB(x, y, from.getArgb(x, y));
            }
        }
        return PngFile.of(to);
    }
}

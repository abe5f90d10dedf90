package stillglass.book.photo;

import java.awt.Graphics2D;
import java.awt.Rectangle;
import java.awt.RenderingHints;
import java.awt.color.ColorSpace;
import java.awt.image.BufferedImage;
import java.awt.image.ColorModel;
import java.awt.image.DataBuffer;
import java.awt.image.DataBufferByte;
import java.awt.image.IndexColorModel;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.util.Arrays;
import java.util.Iterator;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import stillglass.book.BadInput;
import stillglass.book.Edge;
import stillglass.look.LinearPhoto;
import stillglass.look.StoredLight;
import stillglass.prove.edge.LightPlane;

/// Reads PNG, JPEG and TIFF photographs. The header is checked before a pixel is decoded, so a lying header costs nothing.
public final class PhotoFiles {
    /// Largest photo taken, in pixels.
    public static final long MOST_PIXELS = 120_000_000;
    /// Pixels that are read of a photo, or of a part of it, to be shown.
    private static final long SHOWN = 4_000_000;
    private static final String REMEDY = "copy it from the camera again";

    private static final long MOST_BYTES = 400_000_000;
    private static final long DECODE_WHOLE = 26_000_000;
    /// Longest side of the working picture.
    private static final int WORKING_SIDE = 1600;

    private static final float[] LINEAR = new float[256];

    static {
        // What is decoded is in memory already; a copy of it on the disk would need a temporary folder.
        ImageIO.setUseCache(false);
        for (int i = 0; i < 256; i++) {
            double s = i / 255.0;
            LINEAR[i] = (float) (s <= 0.04045 ? s / 12.92 : Math.pow((s + 0.055) / 1.055, 2.4));
        }
    }

    private PhotoFiles() {}

    /// @return the bytes of a file, checked for size
    /// @throws BadInput when it is missing, empty or too large
    public static byte[] bytes(Path file) {
        String name = String.valueOf(file.getFileName());
        try {
            Edge.ends(file, name, "a photo");
            long size = Files.size(file);
            if (size == 0) {
                throw new BadInput(name, "file", "is empty: copy it from the camera again");
            }
            if (size > MOST_BYTES) {
                throw new BadInput(name, "file", "is larger than 400 MB: save it as JPEG");
            }
            return Files.readAllBytes(file);
        } catch (NoSuchFileException e) {
            throw new BadInput(name, "file", "there is no such file: check the path " + file);
        } catch (IOException e) {
            throw new BadInput(name, "file", "cannot be read: " + e.getMessage());
        }
    }

    /// Decodes to linear light at working scale.
    /// @throws BadInput when it is no whole photo
    public static LinearPhoto linear(String name, byte[] bytes) {
        return Edge.read(name, "pixels", REMEDY, () -> {
            Decoded d = decode(name, bytes, DECODE_WHOLE, Rectangle::new);
            try {
                return reduced(d.image, d.width, d.height);
            } catch (IllegalArgumentException e) {
                throw new BadInput(name, "size", String.valueOf(e.getMessage()));
            }
        });
    }

    /// Every pixel's luminance in linear light, as it lies in the file.
    /// @param gamma of the samples, light being their power with it; empty for what the camera wrote of it, sRGB where it wrote nothing
    /// @throws BadInput when it is no whole photo
    public static LightPlane plane(String name, byte[] bytes, OptionalDouble gamma) {
        return Edge.read(name, "pixels", REMEDY, () -> {
            Decoded d = decode(name, bytes, MOST_PIXELS, Rectangle::new);
            try {
                return luminance(d.image, gamma.isPresent() ? gamma : Exif.gamma(bytes));
            } catch (IllegalArgumentException e) {
                throw new BadInput(name, "size", String.valueOf(e.getMessage()));
            }
        });
    }

    private static LightPlane luminance(BufferedImage image, OptionalDouble gamma) {
        float[] linear = LINEAR.clone();
        gamma.ifPresent(g -> {
            for (int i = 0; i < linear.length; i++) {
                linear[i] = (float) Math.pow(i / 255.0, g);
            }
        });
        int w = image.getWidth();
        int h = image.getHeight();
        float[] light = new float[w * h];
        IntStream.range(0, h).parallel().forEach(y -> {
            int[] row = image.getRGB(0, y, w, 1, new int[w], 0, w);
            for (int x = 0; x < w; x++) {
                light[y * w + x] = luminance(linear, row[x]);
            }
        });
        return new LightPlane(w, h, light);
    }

    /// Rec. 709.
    /// @param linear light of each value of a sample
    private static float luminance(float[] linear, int rgb) {
        return 0.2126f * linear[rgb >> 16 & 255] + 0.7152f * linear[rgb >> 8 & 255] + 0.0722f * linear[rgb & 255];
    }

    /// Linear light at working scale, turned as the camera held it.
    /// @throws BadInput when it is no whole photo
    public static LinearPhoto upright(String name, byte[] bytes) {
        return linear(name, bytes).turned(orientation(bytes));
    }

    /// Width of the upright photo in stored pixels, from its header alone.
    /// @throws BadInput when it is no photo
    public static int uprightWidth(String name, byte[] bytes) {
        return Edge.read(name, "file", REMEDY, () -> width(name, bytes));
    }

    private static int width(String name, byte[] bytes) {
        boolean across = orientation(bytes) >= 5;
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(bytes))) {
            ImageReader reader = reader(name, in);
            try {
                reader.setInput(in, true, true);
                return across ? reader.getHeight(0) : reader.getWidth(0);
            } finally {
                reader.dispose();
            }
        } catch (IOException e) {
            throw new BadInput(name, "file", "the header is damaged: copy it from the camera again");
        }
    }

    /// Decodes for showing, upright, reduced so that the longest side is at most `side`.
    /// @throws BadInput when it is no whole photo
    public static BufferedImage picture(String name, byte[] bytes, int side) {
        return Edge.read(name, "pixels", REMEDY, () -> shown(name, bytes, side));
    }

    private static BufferedImage shown(String name, byte[] bytes, int side) {
        Decoded d = decode(name, bytes, SHOWN, Rectangle::new);
        double factor = Math.min(1, side / (double) Math.max(d.image.getWidth(), d.image.getHeight()));
        int w = Math.max(1, (int) Math.round(d.image.getWidth() * factor));
        int h = Math.max(1, (int) Math.round(d.image.getHeight() * factor));
        BufferedImage out = new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = out.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
        g.drawImage(d.image, 0, 0, w, h, null);
        g.dispose();
        return turned(out, orientation(bytes));
    }

    /// Decodes a part of the upright photo for showing, as fine as it is stored unless that is more than about four million pixels.
    /// @param upright in pixels of the upright photo; what lies outside of it is left out
    /// @throws BadInput when it is no whole photo, or nothing of the part lies in it
    public static BufferedImage part(String name, byte[] bytes, Rectangle upright) {
        return Edge.read(name, "pixels", REMEDY, () -> partOf(name, bytes, upright));
    }

    private static BufferedImage partOf(String name, byte[] bytes, Rectangle upright) {
        int orientation = orientation(bytes);
        Decoded d = decode(name, bytes, SHOWN, (w, h) -> {
            Rectangle in = upright.intersection(orientation >= 5 ? new Rectangle(h, w) : new Rectangle(w, h));
            if (in.isEmpty()) {
                throw new BadInput(name, "part", "nothing of it lies in the photo");
            }
            int one = LinearPhoto.source(orientation, in.x, in.y, w, h);
            int other = LinearPhoto.source(orientation, in.x + in.width - 1, in.y + in.height - 1, w, h);
            Rectangle stored = new Rectangle(one % w, one / w, 1, 1);
            stored.add(new Rectangle(other % w, other / w, 1, 1));
            return stored;
        });
        BufferedImage rgb = new BufferedImage(d.image.getWidth(), d.image.getHeight(), BufferedImage.TYPE_INT_RGB);
        Graphics2D g = rgb.createGraphics();
        g.drawImage(d.image, 0, 0, null);
        g.dispose();
        return turned(rgb, orientation);
    }

    private static BufferedImage turned(BufferedImage image, int orientation) {
        if (orientation == 1) {
            return image;
        }
        int w = image.getWidth();
        int h = image.getHeight();
        int[] from = image.getRGB(0, 0, w, h, null, 0, w);
        BufferedImage out = orientation >= 5
                ? new BufferedImage(h, w, BufferedImage.TYPE_INT_RGB)
                : new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < out.getHeight(); y++) {
            for (int x = 0; x < out.getWidth(); x++) {
                out.setRGB(x, y, from[LinearPhoto.source(orientation, x, y, w, h)]);
            }
        }
        return out;
    }

    /// When it was taken by the camera's own clock, where the file says so.
    public static Optional<LocalDateTime> taken(byte[] bytes) {
        return Exif.taken(bytes);
    }

    /// What the camera that took it calls itself, where the file says so.
    public static Optional<String> camera(byte[] bytes) {
        return Exif.camera(bytes);
    }

    /// EXIF orientation, 1 (upright) when absent.
    public static int orientation(byte[] bytes) {
        return Exif.orientation(bytes);
    }

    /// Exposure as the camera wrote it, relative: time × sensitivity / f-number².
    public static OptionalDouble exposure(byte[] bytes) {
        return Exif.exposure(bytes);
    }

    private static ImageReader reader(String name, ImageInputStream in) {
        Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
        if (!readers.hasNext()) {
            throw new BadInput(name, "file", "is no PNG, JPEG or TIFF photo: export it as one of these");
        }
        return readers.next();
    }

    private record Decoded(BufferedImage image, int width, int height) {}

    /// Which part of a photo of that width and height is read.
    private interface Part {
        Rectangle of(int width, int height);
    }

    private static Decoded decode(String name, byte[] bytes, long whole, Part part) {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(bytes))) {
            ImageReader reader = reader(name, in);
            try {
                reader.setInput(in, true, true);
                int w = reader.getWidth(0);
                int h = reader.getHeight(0);
                if (w <= 0 || h <= 0 || (long) w * h > MOST_PIXELS) {
                    throw new BadInput(name, "size", "the header says " + w + " x " + h
                            + " pixels, at most 120 million are read: reduce the photo or take it again");
                }
                int scans = JpegMarks.count(bytes);
                if (JpegMarks.tooMany(scans, (long) w * h)) {
                    throw new BadInput(name, "pixels", "goes over " + w + " x " + h + " pixels " + scans + " times, as no camera does: save it anew");
                }
                if (scans > 0 && !JpegMarks.tablesMeant(bytes)) {
                    throw new BadInput(name, "pixels", "its tables are damaged: " + REMEDY);
                }
                boolean[] cutOff = new boolean[1];
                boolean[] damaged = new boolean[1];
                reader.addIIOReadWarningListener((source, warning) -> {
                    cutOff[0] |= warning.contains("runcated") || warning.contains("remature");
                    damaged[0] |= DecoderWarning.ofDamage(warning);
                });
                ImageReadParam param = reader.getDefaultReadParam();
                Rectangle region = part.of(w, h);
                param.setSourceRegion(region);
                int step = 1;
                while ((long) region.width * region.height / ((long) step * step) > whole) {
                    step++;
                }
                param.setSourceSubsampling(step, step, 0, 0);
                BufferedImage image = reader.read(0, param);
                if (cutOff[0]) {
                    throw new BadInput(name, "pixels", "the file is cut off: copy it from the camera again");
                }
                if (damaged[0]) {
                    throw new BadInput(name, "pixels", "the file is damaged, some of its pixels are not those of the camera: copy it from the camera again");
                }
                return new Decoded(asStored(name, image), w, h);
            } finally {
                reader.dispose();
            }
        } catch (IOException | IllegalArgumentException | IndexOutOfBoundsException | NegativeArraySizeException e) {
            throw new BadInput(name, "pixels", "the photo is damaged or cut off ("
                    + String.valueOf(e.getMessage()).lines().findFirst().orElse("no reason given") + "): copy it from the camera again");
        }
    }

    /// Grey photos as colour photos with the same samples: a toolkit takes grey for linear light and would brighten it. Other colours than grey and red, green, blue are refused, for what they
    /// mean in light depends on a press.
    private static BufferedImage asStored(String name, BufferedImage image) {
        ColorModel model = image.getColorModel();
        int space = model.getColorSpace().getType();
        if (space == ColorSpace.TYPE_RGB || model instanceof IndexColorModel) {
            return image;
        }
        int type = image.getRaster().getTransferType();
        if (space != ColorSpace.TYPE_GRAY || type == DataBuffer.TYPE_FLOAT || type == DataBuffer.TYPE_DOUBLE) {
            throw new BadInput(name, "colours", "it is stored in other colours than grey or red, green and blue: save it as an RGB photo");
        }
        int bits = model.getComponentSize(0);
        int w = image.getWidth();
        int h = image.getHeight();
        BufferedImage out = new BufferedImage(w, h, BufferedImage.TYPE_3BYTE_BGR);
        byte[] pixels = ((DataBufferByte) out.getRaster().getDataBuffer()).getData();
        int most = (1 << Math.min(bits, 16)) - 1;
        int[] row = new int[w];
        for (int y = 0; y < h; y++) {
            image.getRaster().getSamples(0, y, w, 1, 0, row);
            for (int x = 0; x < w; x++) {
                byte v = (byte) Math.round(255.0 * Math.min(row[x], most) / most);
                int p = 3 * (y * w + x);
                pixels[p] = v;
                pixels[p + 1] = v;
                pixels[p + 2] = v;
            }
        }
        return out;
    }

    /// Area average in linear light down to the working side, bands of working rows side by side.
    private static LinearPhoto reduced(BufferedImage image, int storedWidth, int storedHeight) {
        int w = image.getWidth();
        int h = image.getHeight();
        double factor = Math.min(1, WORKING_SIDE / (double) Math.max(w, h));
        int ow = Math.max(1, (int) Math.round(w * factor));
        int oh = Math.max(1, (int) Math.round(h * factor));
        float[] r = new float[ow * oh];
        float[] g = new float[ow * oh];
        float[] b = new float[ow * oh];
        int[] column = new int[w];
        for (int x = 0; x < w; x++) {
            column[x] = Math.min(ow - 1, (int) (x * factor));
        }
        int[] firstRow = new int[oh + 1];
        Arrays.fill(firstRow, h);
        for (int y = h - 1; y >= 0; y--) {
            firstRow[Math.min(oh - 1, (int) (y * factor))] = y;
        }
        IntStream.range(0, oh).parallel().forEach(oy -> band(image, oy, firstRow[oy], firstRow[oy + 1], column, ow, r, g, b));
        return new LinearPhoto(ow, oh, r, g, b, storedWidth, storedHeight, factor < 1 ? Optional.of(new Pixels(image, plain(image))) : Optional.empty());
    }

    /// Bytes in the order blue, green, red, which is what decoders of common photos deliver; they are read without a detour.
    private static Optional<byte[]> plain(BufferedImage image) {
        return image.getType() == BufferedImage.TYPE_3BYTE_BGR && image.getRaster().getDataBuffer() instanceof DataBufferByte b ? Optional.of(b.getData()) : Optional.empty();
    }

    /// Every pixel that was decoded.
    private record Pixels(BufferedImage image, Optional<byte[]> plain) implements StoredLight {
        @Override
        public int width() {
            return image.getWidth();
        }

        @Override
        public int height() {
            return image.getHeight();
        }

        @Override
        public float light(int x, int y) {
            if (plain.isEmpty()) {
                return luminance(LINEAR, image.getRGB(x, y));
            }
            byte[] bytes = plain.get();
            int p = 3 * (y * image.getWidth() + x);
            return luminance(LINEAR, (bytes[p + 2] & 255) << 16 | (bytes[p + 1] & 255) << 8 | bytes[p] & 255);
        }
    }

    /// One row of the working picture from the stored rows that fall into it.
    private static void band(BufferedImage image, int oy, int from, int to, int[] column, int ow, float[] r, float[] g, float[] b) {
        int[] row = new int[column.length];
        int[] count = new int[ow];
        int start = oy * ow;
        boolean plain = plain(image).isPresent();
        byte[] bytes = plain(image).orElseGet(() -> new byte[0]);
        for (int y = from; y < to; y++) {
            if (!plain) {
                image.getRGB(0, y, row.length, 1, row, 0, row.length);
            }
            int p = 3 * y * row.length;
            for (int x = 0; x < row.length; x++, p += 3) {
                int at = start + column[x];
                r[at] += LINEAR[plain ? bytes[p + 2] & 255 : row[x] >> 16 & 255];
                g[at] += LINEAR[plain ? bytes[p + 1] & 255 : row[x] >> 8 & 255];
                b[at] += LINEAR[plain ? bytes[p] & 255 : row[x] & 255];
                count[column[x]]++;
            }
        }
        for (int i = 0; i < ow; i++) {
            int n = Math.max(1, count[i]);
            r[start + i] /= n;
            g[start + i] /= n;
            b[start + i] /= n;
        }
    }
}

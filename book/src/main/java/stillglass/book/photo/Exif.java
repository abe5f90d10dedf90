package stillglass.book.photo;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeParseException;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import com.drew.imaging.ImageProcessingException;
import com.drew.imaging.jpeg.JpegMetadataReader;
import com.drew.imaging.tiff.TiffMetadataReader;
import com.drew.lang.ByteArrayReader;
import com.drew.metadata.Metadata;
import com.drew.metadata.exif.ExifDirectoryBase;
import com.drew.metadata.exif.ExifIFD0Directory;
import com.drew.metadata.exif.ExifReader;
import com.drew.metadata.exif.ExifSubIFDDirectory;

/// What a camera wrote into a photo besides its pixels. Only that part is read: texts and profiles beside it can be packed so that they unfold to gigabytes.
/// All of it is a courtesy; whether the photo can be read is decided by the decoder of its pixels.
final class Exif {
    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("uuuu:MM:dd HH:mm:ss", Locale.ROOT);
    private static final byte[] PNG = {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1A, '\n'};
    private static final int CHUNK_HEAD = 8;
    private static final int LONGEST_NAME = 80;
    private static final double LEAST_GAMMA = 0.5;
    private static final double MOST_GAMMA = 4;
    private static final int CHUNK_CHECK = 4;

    private Exif() {}

    /// When it was taken by the camera's own clock, where the file says so.
    static Optional<LocalDateTime> taken(byte[] bytes) {
        return metadata(bytes).map(m -> m.getFirstDirectoryOfType(ExifSubIFDDirectory.class)).map(d -> d.getString(ExifSubIFDDirectory.TAG_DATETIME_ORIGINAL)).flatMap(said -> {
            try {
                return Optional.of(LocalDateTime.parse(said.strip(), TIME));
            } catch (DateTimeParseException e) {
                return Optional.empty();
            }
        });
    }

    /// What the camera calls itself, at most [#LONGEST_NAME] characters on one line.
    static Optional<String> camera(byte[] bytes) {
        return metadata(bytes).map(m -> m.getFirstDirectoryOfType(ExifIFD0Directory.class)).map(d -> named(d, ExifIFD0Directory.TAG_MAKE) + " " + named(d, ExifIFD0Directory.TAG_MODEL))
                .map(n -> n.replaceAll("\\p{Cntrl}+", " ").replaceAll("\\s+", " ").strip()).filter(n -> !n.isEmpty()).map(n -> n.substring(0, Math.min(n.length(), LONGEST_NAME)));
    }

    private static String named(ExifIFD0Directory d, int tag) {
        return Optional.ofNullable(d.getString(tag)).orElse("");
    }

    /// EXIF orientation, 1 (upright) when absent.
    static int orientation(byte[] bytes) {
        return metadata(bytes).map(m -> m.getFirstDirectoryOfType(ExifIFD0Directory.class)).map(d -> d.getInteger(ExifIFD0Directory.TAG_ORIENTATION)).filter(t -> t >= 1 && t <= 8).orElse(1);
    }

    /// Exposure as the camera wrote it: time in s × sensitivity / f-number². A stop that is not written is that of every photo of the lens: it counts as 1.
    static OptionalDouble exposure(byte[] bytes) {
        Optional<ExifSubIFDDirectory> d = metadata(bytes).map(m -> m.getFirstDirectoryOfType(ExifSubIFDDirectory.class));
        Optional<Double> time = d.map(x -> x.getDoubleObject(ExifDirectoryBase.TAG_EXPOSURE_TIME)).filter(t -> t > 0 && Double.isFinite(t));
        double iso = d.map(x -> x.getDoubleObject(ExifDirectoryBase.TAG_ISO_EQUIVALENT)).filter(v -> v > 0 && Double.isFinite(v)).orElse(1.0);
        double stop = d.map(x -> x.getDoubleObject(ExifDirectoryBase.TAG_FNUMBER)).filter(v -> v > 0 && Double.isFinite(v)).orElse(1.0);
        return time.map(t -> OptionalDouble.of(t * iso / (stop * stop))).orElse(OptionalDouble.empty());
    }

    /// Power by which stored values become light, where the camera says that it is not that of sRGB (EXIF 2.31, tag 42240; colour space 1 is sRGB).
    static OptionalDouble gamma(byte[] bytes) {
        Optional<ExifSubIFDDirectory> d = metadata(bytes).map(m -> m.getFirstDirectoryOfType(ExifSubIFDDirectory.class));
        if (d.map(x -> x.getInteger(ExifDirectoryBase.TAG_COLOR_SPACE)).filter(space -> space == 1).isPresent()) {
            return OptionalDouble.empty();
        }
        return d.map(x -> x.getDoubleObject(ExifDirectoryBase.TAG_GAMMA)).filter(g -> g >= LEAST_GAMMA && g <= MOST_GAMMA).map(OptionalDouble::of).orElse(OptionalDouble.empty());
    }

    private static Optional<Metadata> metadata(byte[] bytes) {
        try {
            if (bytes.length > 2 && (bytes[0] & 255) == 0xFF && (bytes[1] & 255) == 0xD8) {
                return Optional.of(JpegMetadataReader.readMetadata(new ByteArrayInputStream(bytes), List.of(new ExifReader())));
            }
            if (bytes.length > PNG.length && Arrays.equals(bytes, 0, PNG.length, PNG, 0, PNG.length)) {
                return png(bytes);
            }
            return bytes.length > 4 && (bytes[0] == 'I' && bytes[1] == 'I' || bytes[0] == 'M' && bytes[1] == 'M') ? Optional.of(TiffMetadataReader.readMetadata(new ByteArrayInputStream(bytes))) : Optional.empty();
        } catch (ImageProcessingException | IOException | RuntimeException | StackOverflowError | OutOfMemoryError e) {
            return Optional.empty();
        }
    }

    /// The chunk `eXIf` of a PNG, which is never packed ("Extensions to the PNG 1.2 Specification", 3.7).
    private static Optional<Metadata> png(byte[] bytes) {
        ByteBuffer b = ByteBuffer.wrap(bytes);
        int at = PNG.length;
        while (at + CHUNK_HEAD + CHUNK_CHECK <= bytes.length) {
            int length = b.getInt(at);
            if (length < 0 || length > bytes.length - at - CHUNK_HEAD - CHUNK_CHECK) {
                return Optional.empty();
            }
            String type = new String(bytes, at + 4, 4, StandardCharsets.ISO_8859_1);
            if (type.equals("eXIf")) {
                Metadata found = new Metadata();
                new ExifReader().extract(new ByteArrayReader(Arrays.copyOfRange(bytes, at + CHUNK_HEAD, at + CHUNK_HEAD + length)), found);
                return Optional.of(found);
            }
            at += CHUNK_HEAD + length + CHUNK_CHECK;
        }
        return Optional.empty();
    }
}

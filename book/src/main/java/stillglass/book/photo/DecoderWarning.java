package stillglass.book.photo;

import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/// What a decoder mumbles while it goes on: some of it means that pixels are not those of the camera.
final class DecoderWarning {
    private static final List<String> DAMAGE = List.of("corrupt", "inconsistent", "invalid", "unsupported marker", "bad ", "crc", "unknown jfif");
    private static final Pattern LEFT_OVER = Pattern.compile("extraneous bytes before marker 0x([0-9a-f]{2})");
    private static final int FIRST_APPLICATION = 0xE0;
    private static final int LAST_APPLICATION = 0xEF;
    private static final int COMMENT = 0xFE;

    private DecoderWarning() {}

    static boolean ofDamage(String warning) {
        String w = warning.toLowerCase(Locale.ROOT);
        Matcher left = LEFT_OVER.matcher(w);
        if (left.find()) {
            // Bytes that were left over before a scan, a table or the end mean that the pixels before them used too few. Before what a camera
            // says of itself they harm none.
            int marker = Integer.parseInt(left.group(1), 16);
            return !(marker >= FIRST_APPLICATION && marker <= LAST_APPLICATION || marker == COMMENT);
        }
        return DAMAGE.stream().anyMatch(w::contains);
    }
}

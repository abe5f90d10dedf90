package stillglass.app.theme;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Every colour text is written in, on every ground it stands on. The measure is that of WCAG 2.2, 1.4.3, reckoned here from the hexadecimal tokens.
class ContrastTest {
    private static final double LEAST = 4.5;
    private static final Map<String, String> TOKENS = tokens();

    private static Map<String, String> tokens() {
        try (InputStream in = Objects.requireNonNull(Theme.class.getResourceAsStream("/stillglass/app/tokens.css"))) {
            Matcher m = Pattern.compile("(-[a-z-]+): #([0-9a-f]{6});").matcher(new String(in.readAllBytes(), StandardCharsets.UTF_8));
            Map<String, String> all = new HashMap<>();
            while (m.find()) {
                all.put(m.group(1), m.group(2));
            }
            return all;
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    private static double luminance(String hex) {
        double sum = 0;
        double[] weights = {0.2126, 0.7152, 0.0722};
        for (int i = 0; i < 3; i++) {
            double s = Integer.parseInt(hex.substring(2 * i, 2 * i + 2), 16) / 255.0;
            sum += weights[i] * (s <= 0.04045 ? s / 12.92 : Math.pow((s + 0.055) / 1.055, 2.4));
        }
        return sum;
    }

    static double contrast(String a, String b) {
        double x = luminance(a);
        double y = luminance(b);
        return (Math.max(x, y) + 0.05) / (Math.min(x, y) + 0.05);
    }

    @Test
    void theMeasureIsThatOfTheStandard() {
        assertThat(contrast("000000", "ffffff")).isEqualTo(21.0);
        assertThat(contrast("777777", "ffffff")).isBetween(4.47, 4.49);
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';', value = {
        "-ink;-paper,-mat,-white,-glass-pale,-glass,-brass-pale,-brass,-vermilion-pale,-mat-line",
        "-ink-soft;-paper,-mat,-white,-glass-pale,-glass,-brass-pale,-vermilion-pale",
        "-glass-line;-paper,-mat,-white,-glass-pale,-glass,-brass-pale",
        "-brass-ink;-paper,-mat,-white,-glass-pale,-brass-pale,-brass",
        "-vermilion;-paper,-mat,-white,-glass-pale,-brass-pale,-vermilion-pale",
        "-white;-ink,-night,-vermilion",
        "-vermilion-pale;-vermilion",
        "-vermilion-glow;-ink",
        "-night-soft;-ink,-night",
        "-glass;-ink,-night",
        "-brass;-ink,-night"})
    void everyTextCanBeReadOnItsGround(String text, String grounds) {
        for (String ground : grounds.split(",")) {
            assertThat(contrast(Objects.requireNonNull(TOKENS.get(text), text), Objects.requireNonNull(TOKENS.get(ground), ground))).as("%s on %s", text, ground).isGreaterThanOrEqualTo(LEAST);
        }
    }
}

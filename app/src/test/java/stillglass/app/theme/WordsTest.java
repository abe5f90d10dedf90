package stillglass.app.theme;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.MissingResourceException;
import java.util.ResourceBundle;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.say.Said;
import stillglass.say.Wording;

/// What the window says is in its bundle, with the arguments it is given.
class WordsTest {
    private static final ResourceBundle BUNDLE = ResourceBundle.getBundle("stillglass.app.words");

    /// A call of [Words#of] with a key that stands in the code.
    private record Call(String key, int arguments) {}

    private static String code() throws IOException {
        StringBuilder all = new StringBuilder();
        try (Stream<Path> files = Files.walk(Path.of("src", "main", "java").toAbsolutePath())) {
            for (Path p : files.filter(f -> f.toString().endsWith(".java")).sorted().toList()) {
                all.append(Files.readString(p)).append('\n');
            }
        }
        return all.toString();
    }

    private static List<Call> calls(String code) {
        List<Call> calls = new ArrayList<>();
        Matcher m = Pattern.compile("Words\\.of\\(\"([^\"]+)\"").matcher(code);
        while (m.find()) {
            int depth = 0;
            int commas = 0;
            boolean quoted = false;
            int i = m.end();
            for (; depth >= 0; i++) {
                char c = code.charAt(i);
                if (c == '"' && code.charAt(i - 1) != '\\') {
                    quoted = !quoted;
                }
                depth += quoted ? 0 : c == '(' || c == '{' || c == '[' ? 1 : c == ')' || c == '}' || c == ']' ? -1 : 0;
                commas += !quoted && depth == 0 && c == ',' ? 1 : 0;
            }
            // A key that is only begun here is completed by what follows.
            if (code.charAt(m.end()) == ',' || code.charAt(m.end()) == ')') {
                calls.add(new Call(m.group(1), commas));
            }
        }
        return calls;
    }

    private static int arguments(String pattern) {
        int most = 0;
        Matcher m = Pattern.compile("\\{(\\d+)[,}]").matcher(pattern);
        while (m.find()) {
            most = Math.max(most, 1 + Integer.parseInt(m.group(1)));
        }
        return most;
    }

    /// All are asked together, so none may hide a word of another.
    @Test
    void noTwoBundlesHaveTheSameKey() {
        List<String> all = Stream.of(Wording.CORE, "stillglass.book.words", "stillglass.app.words").flatMap(b -> ResourceBundle.getBundle(b).keySet().stream()).toList();
        assertThat(all).hasSizeGreaterThan(1000).doesNotHaveDuplicates();
    }

    /// A key written twice in a file silently hides what stood there first.
    @ParameterizedTest
    @ValueSource(strings = {"../app/src/main/resources/stillglass/app/words.properties", "../core/src/main/resources/stillglass/say/core.properties", "../book/src/main/resources/stillglass/book/words.properties"})
    void noKeyIsWrittenTwice(String file) throws IOException {
        List<String> keys = Files.readAllLines(Path.of(file).toAbsolutePath().normalize()).stream().filter(l -> l.matches("[a-z][\\w.-]*=.*")).map(l -> l.substring(0, l.indexOf('='))).toList();
        assertThat(keys).hasSizeGreaterThan(20).doesNotHaveDuplicates();
    }

    @Test
    void everyWordThatIsAskedForIsThereAndIsGivenWhatItNames() throws IOException {
        Set<String> wrong = new TreeSet<>();
        List<Call> calls = calls(code());
        Wording core = Wording.core();
        for (Call c : calls) {
            if (!BUNDLE.containsKey(c.key()) && !core.has(c.key())) {
                wrong.add(c.key() + " has no words");
            } else if (BUNDLE.containsKey(c.key()) && arguments(BUNDLE.getString(c.key())) > c.arguments()) {
                wrong.add(c.key() + " names " + arguments(BUNDLE.getString(c.key())) + " arguments and is given " + c.arguments());
            }
        }
        assertThat(wrong).isEmpty();
        assertThat(calls).as("the search finds what is asked for").hasSizeGreaterThan(300);
    }

    @Test
    void noWordIsIdle() throws IOException {
        String all = code();
        Set<String> idle = new TreeSet<>();
        for (String key : BUNDLE.keySet()) {
            String stem = key.replaceAll("\\.does$", "");
            // Keys that end in something computed: "hazard." + name.
            int dot = stem.lastIndexOf('.');
            boolean built = dot > 0 && all.contains("\"" + stem.substring(0, dot + 1) + "\"");
            if (!all.contains("\"" + key + "\"") && !all.contains("\"" + stem + "\"") && !built) {
                idle.add(key);
            }
        }
        assertThat(idle).as("in the bundle but never asked for").isEmpty();
    }

    @Test
    void everyPatternIsRead() {
        Wording window = Wording.of(Locale.UK, "stillglass.app.words");
        for (String key : BUNDLE.keySet()) {
            assertThat(window.names(key)).as(key).isNotNull();
        }
    }

    @Test
    void numbersAreShownWithoutNeedlessZeros() {
        assertThat(List.of(Words.number(3), Words.number(0.25), Words.number(-1.5), Words.number(1234.5))).containsExactly("3", "0.25", "-1.5", "1234.5");
        assertThat(Words.sentence(Said.text("iris"))).isEqualTo("Iris");
        assertThatThrownBy(() -> Words.of("no.such.word")).isInstanceOf(MissingResourceException.class).hasMessageContaining("no.such.word");
    }
}

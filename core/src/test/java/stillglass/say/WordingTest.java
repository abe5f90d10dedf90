package stillglass.say;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.MissingResourceException;
import java.util.Properties;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class WordingTest {
    private static final Wording WORDS = Wording.of(Locale.UK, "stillglass.say.test");

    @Test
    void aCountChangesTheWordsAroundIt() {
        assertThat(WORDS.say(Said.of("turns", "n", 1))).isEqualTo("by 1 turn");
        assertThat(WORDS.say(Said.of("turns", "n", 1.5))).isEqualTo("by 1.5 turns");
        assertThat(WORDS.sentence(Said.of("turns", "n", 3))).isEqualTo("By 3 turns");
    }

    @Test
    void thingsSaidNestAndListsAreJoined() {
        Said two = Said.and(List.of("ring", Said.of("turns", "n", 2)));
        assertThat(WORDS.say(Said.of("wraps", "inner", two))).isEqualTo("first: ring and by 2 turns");
        assertThat(WORDS.say(Said.or(List.of("a", "b", "c")))).isEqualTo("a, b or c");
        assertThat(WORDS.say(Said.of("wraps", "inner", List.of("a", "b")))).isEqualTo("first: a, b");
    }

    /// What a technician types may hold anything, and is no pattern.
    @Test
    void namesAreNotReadAsPatterns() {
        assertThat(WORDS.say(Said.of("wraps", "inner", "{0} isn't 'quoted' 前玉"))).isEqualTo("first: {0} isn't 'quoted' 前玉");
        assertThat(WORDS.say(Said.text("{n, plural, other{#}}"))).isEqualTo("{n, plural, other{#}}");
    }

    @Test
    void aMissingKeyOrArgumentIsSaidByItsName() {
        assertThatThrownBy(() -> WORDS.say(Said.of("no.such"))).isInstanceOf(MissingResourceException.class).hasMessageContaining("no.such");
        assertThatThrownBy(() -> WORDS.say(Said.of("wraps", "other", 1))).hasMessageContaining("wraps").hasMessageContaining("inner");
        assertThatThrownBy(() -> Said.of("wraps", "inner", new Object())).isInstanceOf(IllegalArgumentException.class);
    }

    private static final Pattern SAID = Pattern.compile("(?:Said\\.of|Decision\\.refused|Reading\\.unclear|[^.\\w]refused|[^.\\w]unclear)\\(\\s*\"([a-z0-9.-]+)\"");
    private static final Pattern LITERAL = Pattern.compile("\"([a-z][a-z0-9-]*(?:\\.[a-z0-9-]+)*)\"");

    /// Read once: every key asks for it.
    private static String code = "";

    private static synchronized String code() throws IOException {
        if (!code.isEmpty()) {
            return code;
        }
        Path root = Path.of("").toAbsolutePath();
        StringBuilder all = new StringBuilder();
        try (Stream<Path> files = Files.walk(root.resolve("src").resolve("main").resolve("java"))) {
            for (Path f : files.filter(p -> p.toString().endsWith(".java")).sorted().toList()) {
                all.append(Files.readString(f)).append('\n');
            }
        }
        code = all.toString();
        return code;
    }

    private static Properties bundle() throws IOException {
        Properties p = new Properties();
        try (InputStream in = WordingTest.class.getResourceAsStream("/stillglass/say/core.properties")) {
            p.load(new InputStreamReader(in, StandardCharsets.UTF_8));
        }
        return p;
    }

    /// Every key the code says has words.
    @Test
    void everythingTheCoreSaysHasWords() throws IOException {
        Properties words = bundle();
        Set<String> missing = new TreeSet<>();
        Matcher m = SAID.matcher(code());
        int found = 0;
        while (m.find()) {
            found++;
            String key = m.group(1);
            // A key that is put together is known by its beginning.
            if (key.endsWith(".") ? words.stringPropertyNames().stream().noneMatch(w -> w.startsWith(key)) : !words.containsKey(key)) {
                missing.add(key);
            }
        }
        assertThat(missing).isEmpty();
        assertThat(found).as("the search finds what is said").isGreaterThan(200);
    }

    /// No words are left over: every key stands in the code, whole or as its beginning.
    @Test
    void noWordsAreLeftOver() throws IOException {
        Set<String> literals = new TreeSet<>();
        Matcher m = LITERAL.matcher(code());
        while (m.find()) {
            literals.add(m.group(1));
        }
        Set<String> beginnings = new TreeSet<>();
        Matcher b = Pattern.compile("\"([a-z][a-z0-9.-]*\\.)\"").matcher(code());
        while (b.find()) {
            beginnings.add(b.group(1));
        }
        List<String> unused = new ArrayList<>();
        for (String key : bundle().stringPropertyNames()) {
            boolean ends = literals.stream().anyMatch(l -> key.startsWith(l + ".") && code(key.substring(l.length())));
            if (!literals.contains(key) && beginnings.stream().noneMatch(key::startsWith) && !ends) {
                unused.add(key);
            }
        }
        assertThat(unused).isEmpty();
    }

    /// An ending that is added to a key: `key + ".what"`.
    private static boolean code(String ending) {
        try {
            return code().contains("\"" + ending + "\"");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /// Every pattern can be read, and its arguments are given by their names wherever it is said in one piece.
    @Test
    void everyPatternIsReadAndItsArgumentsAreGiven() throws IOException {
        Wording core = Wording.core();
        for (String key : bundle().stringPropertyNames()) {
            assertThat(core.names(key)).as(key).isNotNull();
        }
        Matcher m = Pattern.compile("Said\\.of\\(\\s*\"([a-z0-9.-]+)\"((?:[^()]|\\((?:[^()]|\\((?:[^()]|\\([^()]*\\))*\\))*\\))*)\\)").matcher(code());
        int checked = 0;
        while (m.find()) {
            Set<String> given = new TreeSet<>();
            Matcher a = Pattern.compile(",\\s*\"([a-z][A-Za-z-]*)\"\\s*,").matcher(m.group(2));
            while (a.find()) {
                given.add(a.group(1));
            }
            if (!m.group(2).contains("new Object[]") && core.has(m.group(1))) {
                assertThat(given).as(m.group(1)).containsAll(core.names(m.group(1)));
                checked++;
            }
        }
        assertThat(checked).isGreaterThan(200);
    }
}

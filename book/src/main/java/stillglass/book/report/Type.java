package stillglass.book.report;

import com.ibm.icu.text.ArabicShaping;
import com.ibm.icu.text.ArabicShapingException;
import com.ibm.icu.text.Bidi;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import stillglass.book.OneLine;

/// The application's own type in a PDF, and what stands in for the scripts it does not have. A text is put in the order it is seen, its letters in the shape
/// they have beside each other, and each set in the first type that has it; what none has becomes a mark that says so.
final class Type {
    /// Scripts the application's own type does not have, with a font each.
    static final List<String> SCRIPTS = List.of("cjk", "arabic", "armenian", "bengali", "devanagari", "ethiopic", "georgian", "gujarati", "gurmukhi", "hebrew", "kannada",
            "khmer", "lao", "malayalam", "myanmar", "oriya", "sinhala", "tamil", "telugu", "thai", "symbols");
    static final String OWN = "IBMPlexSans_400Regular.ttf";
    private static final String UNKNOWN = "?";
    private static final ArabicShaping SHAPING = new ArabicShaping(ArabicShaping.LETTERS_SHAPE | ArabicShaping.TEXT_DIRECTION_LOGICAL | ArabicShaping.LENGTH_GROW_SHRINK);

    private final PDDocument document;
    private final Map<String, PDFont> loaded = new HashMap<>();

    Type(PDDocument document) {
        this.document = document;
    }

    /// A piece of text in one type.
    private record Run(PDFont font, String text) {}

    static InputStream resource(String name) {
        return Objects.requireNonNull(Type.class.getResourceAsStream("/stillglass/book/fonts/" + name), name);
    }

    /// Shows a text at the place of the text matrix that has begun.
    void show(PDPageContentStream out, String text, float size) throws IOException {
        for (Run run : runs(seen(OneLine.clean(text)))) {
            out.setFont(run.font, size);
            out.showText(run.text);
        }
    }

    /// A text in the order it is seen, from the left.
    static String seen(String text) {
        if (!Bidi.requiresBidi(text.toCharArray(), 0, text.length())) {
            return text;
        }
        try {
            Bidi bidi = new Bidi(SHAPING.shape(text), Bidi.LEVEL_DEFAULT_LTR);
            return bidi.writeReordered(Bidi.DO_MIRRORING);
        } catch (ArabicShapingException e) {
            return text;
        }
    }

    private List<Run> runs(String text) throws IOException {
        List<Run> all = new ArrayList<>();
        StringBuilder now = new StringBuilder();
        PDFont font = font(OWN);
        for (int at = 0; at < text.length(); at += Character.charCount(text.codePointAt(at))) {
            String letter = Character.toString(text.codePointAt(at));
            PDFont has = having(letter, font);
            if (has != font && !now.isEmpty()) {
                all.add(new Run(font, now.toString()));
                now.setLength(0);
            }
            font = has;
            now.append(has(has, letter) ? letter : UNKNOWN);
        }
        if (!now.isEmpty()) {
            all.add(new Run(font, now.toString()));
        }
        return all;
    }

    private PDFont having(String letter, PDFont current) throws IOException {
        if (has(font(OWN), letter)) {
            return font(OWN);
        }
        if (has(current, letter)) {
            return current;
        }
        for (String script : SCRIPTS) {
            PDFont font = font("fallback_" + script + ".ttf");
            if (has(font, letter)) {
                return font;
            }
        }
        return font(OWN);
    }

    private static boolean has(PDFont font, String letter) {
        try {
            font.encode(letter);
            return true;
        } catch (IOException | IllegalArgumentException e) {
            return false;
        }
    }

    private PDFont font(String name) throws IOException {
        PDFont font = loaded.get(name);
        if (font == null) {
            try (InputStream in = resource(name)) {
                font = PDType0Font.load(document, in);
            }
            loaded.put(name, font);
        }
        return font;
    }
}

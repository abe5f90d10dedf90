package stillglass.book.report;

import com.openhtmltopdf.bidi.support.ICUBidiReorderer;
import stillglass.book.BookWords;
import com.openhtmltopdf.bidi.support.ICUBidiSplitter;
import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.util.XRLog;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.util.Base64;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import javax.imageio.ImageIO;
import stillglass.book.BadInput;
import stillglass.book.file.SafeFile;
import stillglass.book.log.Logbook;
import stillglass.book.photo.PhotoFiles;
import stillglass.say.Said;

/// Sets a report as PDF: one or two pages with pictures, in the application's own type.
public final class PdfReport {
    private static final int PICTURE_SIDE = 900;
    private static final String FAMILY = "Plex";
    /// Scripts the application's own type does not have, with a font each.
    private static final List<String> SCRIPTS = List.of("cjk", "arabic", "hebrew", "thai", "devanagari");

    static {
        // The setter reports every style sheet and font it loads; nobody at a bench wants to read that.
        XRLog.setLoggingEnabled(false);
    }

    private PdfReport() {}

    /// @param photos finds a photograph by its id; a missing one is left out
    /// @throws BadInput when the file cannot be written
    public static void write(Report report, Function<String, Optional<Logbook.PhotoBytes>> photos, Path file) {
        SafeFile.write(file, bytes(report, photos));
    }

    static byte[] bytes(Report report, Function<String, Optional<Logbook.PhotoBytes>> photos) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        PdfRendererBuilder builder = new PdfRendererBuilder();
        font(builder, "IBMPlexSans_400Regular.ttf", 400);
        font(builder, "IBMPlexSans_600SemiBold.ttf", 700);
        for (String script : SCRIPTS) {
            builder.useFont(() -> resource("fallback_" + script + ".ttf"), "Fallback " + script, 400, FontStyle.NORMAL, true);
        }
        builder.useUnicodeBidiSplitter(new ICUBidiSplitter.ICUBidiSplitterFactory());
        builder.useUnicodeBidiReorderer(new ICUBidiReorderer());
        builder.withHtmlContent(html(report, photos), null);
        builder.withProducer("Still Glass");
        builder.toStream(out);
        try {
            builder.run();
        } catch (IOException e) {
            throw new IllegalStateException("the report could not be set: " + e.getMessage(), e);
        }
        return out.toByteArray();
    }

    private static void font(PdfRendererBuilder builder, String name, int weight) {
        builder.useFont(() -> resource(name), FAMILY, weight, FontStyle.NORMAL, true);
    }

    private static InputStream resource(String name) {
        return Objects.requireNonNull(PdfReport.class.getResourceAsStream("/stillglass/book/fonts/" + name), name);
    }

    private static String html(Report r, Function<String, Optional<Logbook.PhotoBytes>> photos) {
        StringBuilder h = new StringBuilder("<html lang=\"en\"><head><title>").append(escape(r.title())).append("</title>")
                .append("<meta name=\"description\" content=\"Repair report\"/><style>").append(sheet()).append("</style></head><body>");
        h.append("<div class=\"head\"><h1>").append(escape(r.title())).append("</h1><p>").append(escape(r.head())).append("</p></div>");
        boolean pictured = false;
        for (Report.Block block : r.blocks()) {
            switch (block) {
                case Report.Block.Lines l -> list(h, l);
                case Report.Block.Table t -> table(h, t);
            }
            if (!pictured) {
                // Pictures stand behind what the owner said.
                pictures(h, r.photos(), photos);
                pictured = true;
            }
        }
        h.append("<p class=\"sign\">").append(escape(r.signature())).append("</p></body></html>");
        return h.toString();
    }

    private static String sheet() {
        try (InputStream in = Objects.requireNonNull(PdfReport.class.getResourceAsStream("/stillglass/book/report.css"))) {
            return new String(in.readAllBytes(), java.nio.charset.StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new IllegalStateException("the application cannot read report.css", e);
        }
    }

    private static void list(StringBuilder h, Report.Block.Lines block) {
        h.append("<h2>").append(escape(block.heading())).append("</h2><ul>");
        block.lines().forEach(l -> h.append("<li>").append(escape(BookWords.wording().sentence(l))).append("</li>"));
        h.append("</ul>");
    }

    private static void table(StringBuilder h, Report.Block.Table block) {
        h.append("<h2>").append(escape(block.heading())).append("</h2><table><thead><tr>");
        block.titles().forEach(t -> h.append("<th>").append(escape(t)).append("</th>"));
        h.append("</tr></thead><tbody>");
        for (List<Said> row : block.rows()) {
            h.append("<tr>");
            row.forEach(c -> h.append("<td>").append(escape(c)).append("</td>"));
            h.append("</tr>");
        }
        h.append("</tbody></table>");
    }

    private static void pictures(
            StringBuilder h, List<Report.Picture> pictures, Function<String, Optional<Logbook.PhotoBytes>> photos) {
        StringBuilder cells = new StringBuilder();
        for (Report.Picture p : pictures.stream().limit(4).toList()) {
            photos.apply(p.photoId()).flatMap(PdfReport::jpeg).ifPresent(data -> cells.append("<td><img alt=\"")
                    .append(escape(p.caption())).append("\" src=\"data:image/jpeg;base64,").append(data)
                    .append("\"/><br/>").append(escape(p.caption())).append("</td>"));
        }
        if (!cells.isEmpty()) {
            h.append("<table class=\"pictures\"><tr>").append(cells).append("</tr></table>");
        }
    }

    private static Optional<String> jpeg(Logbook.PhotoBytes photo) {
        try {
            BufferedImage picture = PhotoFiles.picture(photo.name(), photo.bytes(), PICTURE_SIDE);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            ImageIO.write(picture, "jpeg", out);
            return Optional.of(Base64.getEncoder().encodeToString(out.toByteArray()));
        } catch (BadInput | IOException e) {
            // A photo that can no longer be read must not keep the owner from the rest of the report.
            return Optional.empty();
        }
    }

    private static String escape(Said said) {
        return escape(BookWords.wording().say(said));
    }

    /// A control character, which no page can show, is dropped.
    private static String escape(String text) {
        return text.replaceAll("[\\n\\t]+", " ").replaceAll("[\\p{Cc}\\uFFFE\\uFFFF]", "").replaceAll("[\\uD800-\\uDBFF](?![\\uDC00-\\uDFFF])|(?<![\\uD800-\\uDBFF])[\\uDC00-\\uDFFF]", "")
                .replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;").replace("\"", "&quot;");
    }
}

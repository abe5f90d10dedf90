package stillglass.book.report;

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
import stillglass.book.Logbook;
import stillglass.book.photo.PhotoFiles;

/// Sets a report as PDF: one or two pages with pictures, in the application's own type.
public final class PdfReport {
    private static final int PICTURE_SIDE = 900;
    private static final String FAMILY = "Plex";

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
        builder.useFont(() -> Objects.requireNonNull(
                        PdfReport.class.getResourceAsStream("/stillglass/book/fonts/" + name), name),
                FAMILY, weight, FontStyle.NORMAL, true);
    }

    private static String html(Report r, Function<String, Optional<Logbook.PhotoBytes>> photos) {
        StringBuilder h = new StringBuilder("<html lang=\"en\"><head><title>").append(escape(r.title())).append("</title>")
                .append("<meta name=\"description\" content=\"Repair report\"/><style>").append(sheet()).append("</style></head><body>");
        h.append("<div class=\"head\"><h1>").append(escape(r.title())).append("</h1><p>")
                .append(escape(r.owner())).append(" · due ").append(r.due()).append("</p></div>");
        list(h, "As it came", r.arrived());
        pictures(h, r.photos(), photos);
        table(h, "Findings", List.of("kind", "where", "grade", "effect"), r.findings().stream()
                .map(f -> List.of(f.kind(), f.place(), f.grade(), f.effect())).toList());
        list(h, "Why this work", r.advice());
        table(h, "Measured", List.of("", "before", "after", "meaning"), r.measures().stream()
                .map(m -> List.of(m.what(), m.before(), m.after(), m.meaning())).toList());
        list(h, "Work done", r.work());
        list(h, "Overruled by the technician", r.overruled());
        h.append("<p class=\"sign\">")
                .append(r.signature().map(s -> "Signed: " + escape(s)).orElse("Draft, not signed."))
                .append("</p></body></html>");
        return h.toString();
    }

    private static String sheet() {
        try (InputStream in = Objects.requireNonNull(PdfReport.class.getResourceAsStream("/stillglass/book/report.css"))) {
            return new String(in.readAllBytes(), java.nio.charset.StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new IllegalStateException("the application cannot read report.css", e);
        }
    }

    private static void list(StringBuilder h, String head, List<String> lines) {
        if (!lines.isEmpty()) {
            h.append("<h2>").append(head).append("</h2><ul>");
            lines.forEach(l -> h.append("<li>").append(escape(l)).append("</li>"));
            h.append("</ul>");
        }
    }

    private static void table(StringBuilder h, String head, List<String> titles, List<List<String>> rows) {
        if (rows.isEmpty()) {
            return;
        }
        h.append("<h2>").append(head).append("</h2><table><thead><tr>");
        titles.forEach(t -> h.append("<th>").append(t).append("</th>"));
        h.append("</tr></thead><tbody>");
        for (List<String> row : rows) {
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

    private static String escape(String text) {
        return text.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;").replace("\"", "&quot;");
    }
}

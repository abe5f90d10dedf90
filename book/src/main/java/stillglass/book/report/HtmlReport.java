package stillglass.book.report;

import stillglass.book.BookWords;
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
import stillglass.book.OneLine;
import stillglass.book.file.SafeFile;
import stillglass.book.log.Logbook;
import stillglass.book.photo.PhotoFiles;
import stillglass.say.Said;

/// Sets a report as one HTML page that needs nothing beside it.
public final class HtmlReport {
    private static final int PICTURE_SIDE = 900;

    private HtmlReport() {}

    /// @param photos finds a photograph by its id; a missing one is left out
    /// @throws BadInput when the file cannot be written
    public static void write(Report report, Function<String, Optional<Logbook.PhotoBytes>> photos, Path file) {
        SafeFile.write(file, ("<!DOCTYPE html>\n" + html(report, photos)).getBytes(java.nio.charset.StandardCharsets.UTF_8));
    }

    /// The whole report with its pictures in one page.
    static String html(Report r, Function<String, Optional<Logbook.PhotoBytes>> photos) {
        StringBuilder h = new StringBuilder("<html lang=\"en\"><head><title>").append(escape(r.title())).append("</title>")
                .append("<meta name=\"description\" content=\"Repair report\"/><style>").append(sheet()).append("</style></head><body>");
        h.append("<div class=\"head\"><h1>").append(escape(r.title())).append("</h1><p>").append(escape(r.head())).append("</p></div>");
        boolean pictured = false;
        for (Report.Block block : r.blocks()) {
            switch (block) {
                case Report.Block.Lines l -> list(h, l);
                case Report.Block.Table t -> table(h, t);
                case Report.Block.Drawn d -> drawn(h, d);
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
        try (InputStream in = Objects.requireNonNull(HtmlReport.class.getResourceAsStream("/stillglass/book/report.css"))) {
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

    private static void pictures(StringBuilder h, List<Report.Pair> rows, Function<String, Optional<Logbook.PhotoBytes>> photos) {
        if (!rows.isEmpty()) {
            h.append("<table class=\"pictures\">");
            rows.forEach(r -> h.append("<tr>").append(cell(r.left(), photos)).append(cell(r.right(), photos)).append("</tr>"));
            h.append("</table>");
        }
    }

    private static void drawn(StringBuilder h, Report.Block.Drawn d) {
        h.append("<h2>").append(escape(d.heading())).append("</h2><table class=\"pictures\"><tr>");
        d.drawings().forEach(p -> h.append("<td><img alt=\"").append(escape(p.caption())).append("\" src=\"data:image/png;base64,").append(Base64.getEncoder().encodeToString(p.png())).append("\"/><br/>").append(escape(p.caption())).append("</td>"));
        h.append("</tr></table>");
    }

    /// A photo that can no longer be read must not keep the owner from the rest of the report, and its place says so.
    private static String cell(Optional<Report.Picture> picture, Function<String, Optional<Logbook.PhotoBytes>> photos) {
        if (picture.isEmpty()) {
            return "<td></td>";
        }
        Report.Picture p = picture.get();
        String caption = escape(p.caption());
        try {
            Logbook.PhotoBytes photo = photos.apply(p.photoId()).orElseThrow(() -> new BadInput(p.photoId(), "photo", "is no longer in the logbook"));
            return "<td><img alt=\"" + caption + "\" src=\"data:image/jpeg;base64," + jpeg(photo) + "\"/><br/>" + caption + "</td>";
        } catch (BadInput | IOException e) {
            return "<td class=\"lacking\">" + caption + "<br/>" + escape(Said.of("report.photo.unreadable", "why", String.valueOf(e.getMessage()))) + "</td>";
        }
    }

    private static String jpeg(Logbook.PhotoBytes photo) throws IOException {
        BufferedImage picture = PhotoFiles.picture(photo.name(), photo.bytes(), PICTURE_SIDE);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(picture, "jpeg", out);
        return Base64.getEncoder().encodeToString(out.toByteArray());
    }

    private static String escape(Said said) {
        return escape(BookWords.wording().say(said));
    }

    private static String escape(String text) {
        return OneLine.clean(text).replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;").replace("\"", "&quot;");
    }
}

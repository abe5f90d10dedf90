package stillglass.book.report;

import com.openhtmltopdf.bidi.support.ICUBidiReorderer;
import com.openhtmltopdf.bidi.support.ICUBidiSplitter;
import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.util.XRLog;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import java.util.function.Function;
import stillglass.book.BadInput;
import stillglass.book.file.SafeFile;
import stillglass.book.log.Logbook;

/// Sets a report as PDF: one or two pages with pictures, in the application's own type.
public final class PdfReport {
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
        font(builder, Type.OWN, 400);
        font(builder, "IBMPlexSans_600SemiBold.ttf", 700);
        for (String script : Type.SCRIPTS) {
            builder.useFont(() -> Type.resource("fallback_" + script + ".ttf"), "Fallback " + script, 400, FontStyle.NORMAL, true);
        }
        builder.useUnicodeBidiSplitter(new ICUBidiSplitter.ICUBidiSplitterFactory());
        builder.useUnicodeBidiReorderer(new ICUBidiReorderer());
        builder.withHtmlContent(HtmlReport.html(report, photos), null);
        // Tags, so that a screen reader goes through it in order and tells what pictures show.
        builder.usePdfUaAccessibility(true);
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
        builder.useFont(() -> Type.resource(name), FAMILY, weight, FontStyle.NORMAL, true);
    }
}

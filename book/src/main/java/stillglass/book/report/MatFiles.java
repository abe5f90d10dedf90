package stillglass.book.report;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Locale;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import stillglass.book.BadInput;
import stillglass.book.OneLine;
import stillglass.book.file.SafeFile;
import stillglass.plan.TrayMat;

/// Writes drawn sheets, a tray mat or a chart, at their true size: PDF with a sheet a page, or SVG with the sheets one below the other.
public final class MatFiles {
    private static final double POINTS_PER_MM = 72 / 25.4;
    private static final double LINE_MM = 0.25;
    /// Handles of a quarter circle as Bézier curve, share of the radius.
    private static final double QUARTER = 0.5523;

    private MatFiles() {}

    /// The format follows the file's ending, `.svg` or else PDF.
    /// @throws BadInput when the file cannot be written
    /// @param inputs files the mat was made from
    public static void write(TrayMat mat, Path file, Path... inputs) {
        boolean svg = String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT).endsWith(".svg");
        SafeFile.write(file, svg ? svg(mat).getBytes(StandardCharsets.UTF_8) : pdf(mat), inputs);
    }

    static byte[] pdf(TrayMat mat) {
        try (PDDocument document = new PDDocument()) {
            Type type = new Type(document);
            for (TrayMat.Page page : mat.pages()) {
                PDPage sheet = new PDPage(new PDRectangle((float) (TrayMat.WIDTH_MM * POINTS_PER_MM), (float) (TrayMat.HEIGHT_MM * POINTS_PER_MM)));
                document.addPage(sheet);
                try (PDPageContentStream out = new PDPageContentStream(document, sheet)) {
                    out.setLineWidth((float) (LINE_MM * POINTS_PER_MM));
                    for (TrayMat.Mark m : page.marks()) {
                        draw(m, out, type);
                    }
                }
            }
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            document.save(bytes);
            return bytes.toByteArray();
        } catch (IOException e) {
            throw new IllegalStateException("the mat could not be set: " + e.getMessage(), e);
        }
    }

    private static float x(double mm) {
        return (float) (mm * POINTS_PER_MM);
    }

    private static float y(double mm) {
        return (float) ((TrayMat.HEIGHT_MM - mm) * POINTS_PER_MM);
    }

    private static void draw(TrayMat.Mark mark, PDPageContentStream out, Type type) throws IOException {
        switch (mark) {
            case TrayMat.Mark.Circle c -> circle(c, out);
            case TrayMat.Mark.Area a -> {
                for (int i = 0; i < a.corners().size(); i += 2) {
                    float px = x(a.corners().get(i));
                    float py = y(a.corners().get(i + 1));
                    if (i == 0) {
                        out.moveTo(px, py);
                    } else {
                        out.lineTo(px, py);
                    }
                }
                out.closePath();
                out.fill();
            }
            case TrayMat.Mark.Box b -> {
                out.addRect(x(b.x()), y(b.y() + b.h()), x(b.w()), x(b.h()));
                out.stroke();
            }
            case TrayMat.Mark.Line l -> {
                out.moveTo(x(l.x1()), y(l.y1()));
                out.lineTo(x(l.x2()), y(l.y2()));
                out.stroke();
            }
            case TrayMat.Mark.Text t -> {
                out.beginText();
                out.newLineAtOffset(x(t.x()), y(t.y()));
                type.show(out, t.text(), x(t.sizeMm()));
                out.endText();
            }
        }
    }

    private static void circle(TrayMat.Mark.Circle c, PDPageContentStream out) throws IOException {
        double k = QUARTER * c.r();
        out.moveTo(x(c.x() + c.r()), y(c.y()));
        out.curveTo(x(c.x() + c.r()), y(c.y() + k), x(c.x() + k), y(c.y() + c.r()), x(c.x()), y(c.y() + c.r()));
        out.curveTo(x(c.x() - k), y(c.y() + c.r()), x(c.x() - c.r()), y(c.y() + k), x(c.x() - c.r()), y(c.y()));
        out.curveTo(x(c.x() - c.r()), y(c.y() - k), x(c.x() - k), y(c.y() - c.r()), x(c.x()), y(c.y() - c.r()));
        out.curveTo(x(c.x() + k), y(c.y() - c.r()), x(c.x() + c.r()), y(c.y() - k), x(c.x() + c.r()), y(c.y()));
        out.stroke();
    }

    static String svg(TrayMat mat) {
        double height = TrayMat.HEIGHT_MM * Math.max(1, mat.pages().size());
        StringWriter text = new StringWriter();
        try {
            XMLStreamWriter xml = XMLOutputFactory.newFactory().createXMLStreamWriter(text);
            xml.writeStartElement("svg");
            xml.writeDefaultNamespace("http://www.w3.org/2000/svg");
            xml.writeAttribute("width", number(TrayMat.WIDTH_MM) + "mm");
            xml.writeAttribute("height", number(height) + "mm");
            xml.writeAttribute("viewBox", "0 0 " + number(TrayMat.WIDTH_MM) + " " + number(height));
            xml.writeAttribute("fill", "none");
            xml.writeAttribute("stroke", "black");
            xml.writeAttribute("stroke-width", number(LINE_MM));
            for (int p = 0; p < mat.pages().size(); p++) {
                xml.writeStartElement("g");
                xml.writeAttribute("transform", "translate(0 " + number(p * TrayMat.HEIGHT_MM) + ")");
                for (TrayMat.Mark m : mat.pages().get(p).marks()) {
                    draw(m, xml);
                }
                xml.writeEndElement();
            }
            xml.writeEndElement();
            xml.close();
        } catch (XMLStreamException e) {
            throw new IllegalStateException("the mat could not be drawn", e);
        }
        return text.toString();
    }

    private static void draw(TrayMat.Mark mark, XMLStreamWriter xml) throws XMLStreamException {
        switch (mark) {
            case TrayMat.Mark.Area a -> {
                xml.writeEmptyElement("polygon");
                xml.writeAttribute("points", String.join(" ", a.corners().stream().map(MatFiles::exact).toList()));
                xml.writeAttribute("fill", "black");
                xml.writeAttribute("stroke", "none");
            }
            case TrayMat.Mark.Circle c -> element(xml, "circle", "cx", c.x(), "cy", c.y(), "r", c.r());
            case TrayMat.Mark.Box b -> element(xml, "rect", "x", b.x(), "y", b.y(), "width", b.w(), "height", b.h());
            case TrayMat.Mark.Line l -> element(xml, "line", "x1", l.x1(), "y1", l.y1(), "x2", l.x2(), "y2", l.y2());
            case TrayMat.Mark.Text t -> {
                xml.writeStartElement("text");
                xml.writeAttribute("x", number(t.x()));
                xml.writeAttribute("y", number(t.y()));
                xml.writeAttribute("font-size", number(t.sizeMm()));
                xml.writeAttribute("font-family", "sans-serif");
                xml.writeAttribute("fill", "black");
                xml.writeAttribute("stroke", "none");
                xml.writeCharacters(OneLine.clean(t.text()));
                xml.writeEndElement();
            }
        }
    }

    private static void element(XMLStreamWriter xml, String name, Object... attributes) throws XMLStreamException {
        xml.writeEmptyElement(name);
        for (int i = 0; i < attributes.length; i += 2) {
            xml.writeAttribute((String) attributes[i], number((Double) attributes[i + 1]));
        }
    }

    private static String exact(double mm) {
        return String.format(Locale.ROOT, "%.4f", mm);
    }

    private static String number(double mm) {
        return String.format(Locale.ROOT, "%.2f", mm);
    }
}

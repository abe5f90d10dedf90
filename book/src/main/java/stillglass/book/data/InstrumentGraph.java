package stillglass.book.data;

import java.io.StringWriter;
import java.util.List;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;

/// An instrument as a graph for other programs: parts and joints are nodes; a joint points to what it frees and to what waits for it.
/// Format: GraphML (graphml.graphdrawing.org), keys `name`, `sort`, `relation`; joints of which one is enough are joined by `one-of` and the number of
/// their set.
public final class InstrumentGraph {
    private static final String NAMESPACE = "http://graphml.graphdrawing.org/xmlns";

    private InstrumentGraph() {}

    public static String graphml(Instrument instrument) {
        StringWriter text = new StringWriter();
        try {
            XMLStreamWriter xml = XMLOutputFactory.newFactory().createXMLStreamWriter(text);
            xml.writeStartDocument("UTF-8", "1.0");
            xml.writeStartElement("graphml");
            xml.writeDefaultNamespace(NAMESPACE);
            for (String key : List.of("name", "sort")) {
                key(xml, key, "node");
            }
            key(xml, "relation", "edge");
            xml.writeStartElement("graph");
            xml.writeAttribute("id", instrument.id());
            xml.writeAttribute("edgedefault", "directed");
            for (Part p : instrument.parts()) {
                node(xml, "part:" + p.id(), p.name(), p.kind().name());
            }
            for (Joint j : instrument.joints()) {
                node(xml, "joint:" + j.id(), j.name(), j.hold().getClass().getSimpleName());
            }
            for (Joint j : instrument.joints()) {
                edges(xml, j);
            }
            xml.writeEndElement();
            xml.writeEndElement();
            xml.writeEndDocument();
            xml.close();
        } catch (XMLStreamException e) {
            throw new IllegalStateException("the graph of " + instrument.id() + " could not be written", e);
        }
        return text.toString();
    }

    private static void edges(XMLStreamWriter xml, Joint j) throws XMLStreamException {
        String id = "joint:" + j.id();
        for (String before : j.after().stream().sorted().toList()) {
            edge(xml, "joint:" + before, id, "before");
        }
        int set = 0;
        for (var oneOf : j.behind().oneOf()) {
            set++;
            for (String before : oneOf.stream().sorted().toList()) {
                edge(xml, "joint:" + before, id, "one-of " + set);
            }
        }
        for (String part : j.frees()) {
            edge(xml, id, "part:" + part, "frees");
        }
    }

    private static void key(XMLStreamWriter xml, String name, String of) throws XMLStreamException {
        xml.writeEmptyElement("key");
        xml.writeAttribute("id", name);
        xml.writeAttribute("for", of);
        xml.writeAttribute("attr.name", name);
        xml.writeAttribute("attr.type", "string");
    }

    private static void node(XMLStreamWriter xml, String id, String name, String sort) throws XMLStreamException {
        xml.writeStartElement("node");
        xml.writeAttribute("id", id);
        data(xml, "name", name);
        data(xml, "sort", sort.toLowerCase(java.util.Locale.ROOT));
        xml.writeEndElement();
    }

    private static void edge(XMLStreamWriter xml, String from, String to, String relation) throws XMLStreamException {
        xml.writeStartElement("edge");
        xml.writeAttribute("source", from);
        xml.writeAttribute("target", to);
        data(xml, "relation", relation);
        xml.writeEndElement();
    }

    private static void data(XMLStreamWriter xml, String key, String value) throws XMLStreamException {
        xml.writeStartElement("data");
        xml.writeAttribute("key", key);
        xml.writeCharacters(value);
        xml.writeEndElement();
    }
}

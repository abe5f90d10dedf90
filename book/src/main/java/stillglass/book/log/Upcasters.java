package stillglass.book.log;

import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.function.UnaryOperator;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/// Reads rows of older versions: each step makes one kind of row one version younger.
final class Upcasters {
    private static final JsonMapper MAPPER = JsonMapper.builder().build();
    private static final Map<String, UnaryOperator<Row>> STEPS = new HashMap<>();
    /// Names of before events had any: simple names of classes, kept in the body.
    private static final Map<String, String> CLASSES = new HashMap<>();
    private static final Map<String, String> FACTS = Map.ofEntries(Map.entry("Facing", "facing"), Map.entry("LetGo", "lets-go"), Map.entry("Turns", "turns"), Map.entry("Proud", "proud"),
            Map.entry("Screw", "screw"), Map.entry("Shims", "shims"), Map.entry("Ball", "ball"), Map.entry("Spring", "spring"), Map.entry("Stuck", "stuck"), Map.entry("Collar", "collar"),
            Map.entry("BackedOff", "backed-off"), Map.entry("Preload", "preload"), Map.entry("Moved", "moved"), Map.entry("Damaged", "damaged"), Map.entry("Earlier", "earlier"),
            Map.entry("Photo", "photo"), Map.entry("Clocked", "clocked"), Map.entry("Note", "note"));

    /// A row on its way.
    record Row(String name, int version, JsonNode body) {}

    static {
        String classes = "SymptomNoted UseNoted OwnerNamed FunctionChecked InfinityMeasured PhotoKept PhotoMarked PhotoUnmarked PhotoGraded FindingRekinded FindingDismissed FindingPlaced"
                + " FindingUnplaced DepthRead FindingTested FindingReshaped FindingDrawn FindingsMerged FindingSplit PhotoFocused PhotosSwept BladesSharp PhotoTurned MisassemblyFound AssemblyPutRight GradeOverruled"
                + " GoalsChosen ModelTaken WayChosen OrderChosen ReferenceKept FactNoted JointOpened JointFound Troubled Mended PartCleaned TimerSet TimerCleared FactStated Greased ControlsSet"
                + " JointClosed JointTightened JointRefitted JointTakenOff JointZeroed ShimsFitted Overruled StageDone ReportSigned LineKept Undone";
        for (String name : classes.split(" ")) {
            CLASSES.put(name, name.replaceAll("(?<=[a-z])(?=[A-Z])", "-").toLowerCase(Locale.ROOT));
        }
        CLASSES.put("Opened", "ticket-begun");
        CLASSES.put("TestPassed", "function-tried");

        step("ticket-begun", 1, Upcasters::tag);
        step("joint-found", 1, b -> {
            b.putArray("parts").add(b.path("part").asString());
            b.remove("part");
            return b;
        });
        step("fact-noted", 0, b -> facts(b));
        step("fact-stated", 1, b -> {
            facts(b);
            b.remove("verdict");
            return b;
        });
        // Marks had neither a second part nor strokes, and none was somebody else's.
        step("mark-made", 1, b -> b.put("ours", true));
        // One test passed was one joint's.
        step("function-tried", 0, b -> {
            b.set("function", b.path("test"));
            b.remove("test");
            return b.put("passed", true).put("what", "");
        });
        step("undone", 0, b -> {
            b.set("act", b.path("intent"));
            b.remove("intent");
            return b;
        });
        // Whatever only became optional reads as it was written.
        for (String same : new String[] {"greased", "joint-refitted", "mended", "shims-fitted", "timer-set", "overruled"}) {
            step(same, 1, b -> b);
        }
    }

    private Upcasters() {}

    private static void step(String name, int from, UnaryOperator<ObjectNode> body) {
        STEPS.put(name + " " + from, r -> new Row(name, from + 1, body.apply((ObjectNode) r.body())));
    }

    /// The row as the newest version would have written it.
    static Row now(Row old) {
        Row row = old.name().isEmpty() ? nameless(old) : old;
        UnaryOperator<Row> step = STEPS.get(row.name() + " " + row.version());
        while (step != null || row.version() == 0) {
            row = step != null ? step.apply(row) : new Row(row.name(), 1, row.body());
            step = STEPS.get(row.name() + " " + row.version());
        }
        return row;
    }

    /// Rows of before events had names: version 0 of what they are called now.
    private static Row nameless(Row old) {
        if (!(old.body() instanceof ObjectNode body)) {
            throw new Unreadable("an entry that is no object");
        }
        String type = body.path("type").asString("");
        String name = CLASSES.get(type);
        if (name == null) {
            throw new Unreadable("an entry of a kind it does not know, “" + type + "”");
        }
        body.remove("type");
        return new Row(name, 0, body);
    }

    /// A tag had its parts lying about; what nobody had said stood there as empty words.
    private static ObjectNode tag(ObjectNode b) {
        ObjectNode tag = MAPPER.createObjectNode();
        for (String same : new String[] {"number", "title", "instrumentId"}) {
            tag.set(same, b.path(same));
        }
        tag.put("sort", "LENS");
        for (String maybe : new String[] {"sectionId", "owner", "due"}) {
            if (!b.path(maybe).asString("").isEmpty()) {
                tag.set(maybe, b.path(maybe));
            }
        }
        ObjectNode out = MAPPER.createObjectNode();
        out.set("tag", tag);
        return out;
    }

    /// Facts were named by their classes, too.
    private static ObjectNode facts(ObjectNode b) {
        if (!(b.path("fact") instanceof ObjectNode fact) || !fact.has("type")) {
            return b;
        }
        String type = fact.path("type").asString("");
        String kind = FACTS.get(type);
        if (kind == null) {
            throw new Unreadable("a fact of a kind it does not know, “" + type + "”");
        }
        fact.remove("type");
        fact.put("kind", kind).put("version", 1);
        switch (kind) {
            case "shims" -> {
                fact.set("piecesMm", fact.path("thicknessesMm"));
                fact.remove("thicknessesMm");
            }
            case "spring" -> {
                fact.set("words", fact.path("what"));
                fact.remove("what");
            }
            case "collar" -> fact.put("name", "");
            case "damaged" -> fact.put("ours", false);
            default -> {
                // The rest is as it was.
            }
        }
        return b;
    }
}

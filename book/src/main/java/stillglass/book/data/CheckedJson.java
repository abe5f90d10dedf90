package stillglass.book.data;

import com.networknt.schema.Error;
import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;
import stillglass.book.BadInput;
import stillglass.book.Edge;
import stillglass.book.OneLine;
import tools.jackson.core.JacksonException;
import tools.jackson.core.exc.UnexpectedEndOfInputException;
import tools.jackson.databind.JsonNode;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.exc.JsonNodeException;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import tools.jackson.databind.node.StringNode;

/// JSON that has been checked against its published schema, and files too large or unreadable refused.
public final class CheckedJson {
    private static final long MOST_BYTES = 20_000_000;
    private static final JsonMapper MAPPER = JsonMapper.builder().enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION).enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS).build();
    private static final Map<String, Schema> SCHEMAS = new ConcurrentHashMap<>();

    private CheckedJson() {}

    /// @param schema file name of the schema in docs/formats, such as `lens.schema.json`
    /// @throws BadInput naming the file and the pointer that offends
    public static JsonNode file(Path file, String schema) {
        return text(String.valueOf(file.getFileName()), read(file), schema);
    }

    /// The text of a file, not yet checked for what it says.
    /// @throws BadInput naming the file when it is too large or no text
    public static String read(Path file) {
        String name = String.valueOf(file.getFileName());
        try {
            Edge.ends(file, name, "a JSON file");
            if (Files.size(file) > MOST_BYTES) {
                throw new BadInput(name, "file", "is larger than 20 MB: this is no file of ours");
            }
            return unmarked(Files.readString(file));
        } catch (NoSuchFileException e) {
            throw new BadInput(name, "file", "there is no such file: check the path " + file);
        } catch (java.nio.charset.CharacterCodingException e) {
            throw new BadInput(name, "file", "is not UTF-8 text: save it as plain JSON");
        } catch (IOException e) {
            throw new BadInput(name, "file", "cannot be read: " + e.getMessage());
        }
    }

    /// Some editors begin a text with a mark of its byte order.
    private static String unmarked(String text) {
        return text.startsWith("\uFEFF") ? text.substring(1) : text;
    }

    /// A file shipped with the application.
    static JsonNode resource(String path, String schema) {
        return text(path.substring(path.lastIndexOf('/') + 1), shipped(path), schema);
    }

    static String shipped(String path) {
        try (InputStream in = CheckedJson.class.getResourceAsStream(path)) {
            if (in == null) {
                throw new IllegalStateException("the application lacks " + path);
            }
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new IllegalStateException("the application cannot read " + path, e);
        }
    }

    static JsonNode text(String name, String json, String schema) {
        return read(name, "write plain JSON as its schema asks", () -> parsed(name, unmarked(json), schema));
    }

    /// The edge of every reader of JSON.
    static <T> T read(String name, String remedy, Supplier<T> work) {
        return Edge.read(name, "file", remedy, () -> {
            try {
                return work.get();
            } catch (JsonNodeException e) {
                throw new BadInput(name, "file", misfit(e), e);
            }
        });
    }

    private static JsonNode parsed(String name, String text, String schema) {
        JsonNode node;
        try {
            node = MAPPER.readTree(text);
        } catch (JacksonException e) {
            String what = e instanceof UnexpectedEndOfInputException ? "the file ends here, before it is complete: it may have been cut off" : firstLine(e.getOriginalMessage()) + ": write plain JSON";
            throw new BadInput(name, place(e), what);
        }
        if (node.isMissingNode()) {
            throw new BadInput(name, "file", "is empty: a JSON object was expected");
        }
        List<Error> errors = SCHEMAS.computeIfAbsent(schema, CheckedJson::load).validate(text, InputFormat.JSON);
        if (!errors.isEmpty()) {
            Error first = errors.getFirst();
            String pointer = first.getInstanceLocation().toString();
            throw new BadInput(name, pointer.isEmpty() || pointer.equals("/") ? "file" : pointer, first.getMessage());
        }
        return cleaned(node);
    }

    /// With every text as it can be shown on one line.
    private static JsonNode cleaned(JsonNode node) {
        return switch (node) {
            case ObjectNode o -> {
                o.properties().forEach(e -> e.setValue(cleaned(e.getValue())));
                yield o;
            }
            case ArrayNode a -> {
                for (int i = 0; i < a.size(); i++) {
                    a.set(i, cleaned(a.get(i)));
                }
                yield a;
            }
            case StringNode s -> StringNode.valueOf(OneLine.clean(s.asString()));
            default -> node;
        };
    }

    private static String place(JacksonException e) {
        String pointer = "";
        if (e instanceof tools.jackson.core.exc.StreamReadException s && s.processor() != null) {
            pointer = s.processor().streamReadContext().pathAsPointer().toString();
        }
        if (e.getLocation() == null) {
            return pointer.isEmpty() ? "file" : pointer;
        }
        String line = "line " + e.getLocation().getLineNr();
        return pointer.isEmpty() ? line : pointer + " (" + line + ")";
    }

    /// What is wrong with a value that fits its schema and still is not what is needed.
    static String misfit(JsonNodeException e) {
        return (e.getNode() == null ? "holds a value" : "holds " + e.getNode()) + " where another kind of value belongs: write plain text or a smaller number";
    }

    /// What the parser found wrong, without its advice to programmers and without where it read from.
    private static String firstLine(String message) {
        if (message.startsWith("Trailing token")) {
            return "holds more than one JSON value";
        }
        String line = message.lines().findFirst().orElse("is not JSON");
        return line.replaceAll("\\s*\\[Source:.*?]", "").replaceAll(":?\\s*(?:-\\s*)?\\(?(?:to allow|enable|use) .*Feature.*$", "")
                .replaceAll("\\s*\\(.*Feature.*\\)", "").strip();
    }

    private static Schema load(String schema) {
        return SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(shipped("/stillglass/formats/" + schema));
    }
}

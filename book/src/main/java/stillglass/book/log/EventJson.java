package stillglass.book.log;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import stillglass.say.Said;
import stillglass.ticket.agenda.AgendaEvent;
import stillglass.ticket.arrival.ArrivalEvent;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.condition.ConditionEvent;
import stillglass.ticket.course.CourseEvent;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.facts.FactKind;
import stillglass.ticket.facts.FactKinds;
import stillglass.ticket.glass.GlassEvent;
import stillglass.ticket.joints.JointEvent;
import stillglass.ticket.proof.ProofEvent;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.story.Event;
import stillglass.ticket.story.Named;
import stillglass.ticket.story.Overruled;
import stillglass.ticket.story.Undone;
import stillglass.ticket.worth.WorthEvent;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.deser.std.StdDeserializer;
import tools.jackson.databind.MapperFeature;
import tools.jackson.databind.cfg.CoercionAction;
import tools.jackson.databind.cfg.CoercionInputShape;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.module.SimpleModule;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import tools.jackson.databind.type.LogicalType;
import tools.jackson.databind.ser.std.StdSerializer;

/// Events as JSON rows with stable names. The core knows nothing of this.
final class EventJson {
    private static final List<Class<?>> SUBJECTS = List.of(AgendaEvent.class, ArrivalEvent.class, ReadingEvent.class, GlassEvent.class, JointEvent.class, CareEvent.class, ConditionEvent.class, CourseEvent.class, ProofEvent.class, WorthEvent.class,
            Undone.class, Overruled.class);
    private static final Map<String, Class<? extends Event>> BY_NAME = byName();

    /// Records as they are; facts and things said have a form of their own.
    private static final JsonMapper PLAIN = JsonMapper.builder().enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES, DeserializationFeature.FAIL_ON_NULL_CREATOR_PROPERTIES,
            DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES, DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
            .disable(MapperFeature.ALLOW_COERCION_OF_SCALARS)
            .withCoercionConfig(LogicalType.Textual, c -> List.of(CoercionInputShape.Integer, CoercionInputShape.Float, CoercionInputShape.Boolean).forEach(s -> c.setCoercion(s, CoercionAction.Fail)))
            .build();
    private static final JsonMapper MAPPER = PLAIN.rebuild()
            .addModule(new SimpleModule()
                    .addSerializer(Said.class, new SaidWriter()).addDeserializer(Said.class, new SaidReader())
                    .addSerializer(Fact.class, new FactWriter()).addDeserializer(Fact.class, new FactReader()))
            .build();

    private EventJson() {}

    /// An event as it is stored.
    /// @param version of its kind
    record Stored(String name, int version, String body) {}

    private static Map<String, Class<? extends Event>> byName() {
        Map<String, Class<? extends Event>> all = new LinkedHashMap<>();
        SUBJECTS.forEach(s -> collect(s, all));
        return all;
    }

    private static void collect(Class<?> type, Map<String, Class<? extends Event>> into) {
        if (type.isSealed()) {
            for (Class<?> sub : type.getPermittedSubclasses()) {
                collect(sub, into);
            }
        } else if (into.put(named(type).value(), type.asSubclass(Event.class)) != null) {
            throw new IllegalStateException("two events are named " + named(type).value());
        }
    }

    private static Named named(Class<?> type) {
        Named named = type.getAnnotation(Named.class);
        if (named == null) {
            throw new IllegalStateException(type.getName() + " has no name to be stored under");
        }
        return named;
    }

    /// Kinds of event by the names they are stored under.
    static Map<String, Class<? extends Event>> kinds() {
        return Map.copyOf(BY_NAME);
    }

    static Stored write(Event event) {
        Named named = named(event.getClass());
        return new Stored(named.value(), named.version(), MAPPER.writeValueAsString(event));
    }

    /// Reads a row, older ones by way of all versions since.
    /// @throws Unreadable when this version of the program cannot
    static Event read(Stored row) {
        try {
            Upcasters.Row now = Upcasters.now(new Upcasters.Row(row.name(), row.version(), PLAIN.readTree(row.body())));
            Class<? extends Event> type = BY_NAME.get(now.name());
            if (type == null) {
                throw new Unreadable("an entry of a kind it does not know, “" + now.name() + "”");
            }
            if (now.version() > named(type).version()) {
                throw new Unreadable("an entry “" + now.name() + "” of version " + now.version() + ", newer than this program");
            }
            Complete.check(now.body(), type);
            return MAPPER.treeToValue(now.body(), type);
        } catch (JacksonException | IllegalArgumentException e) {
            throw new Unreadable("an entry that cannot be read (" + first(e.getMessage()) + ")", e);
        }
    }

    private static String first(@org.jspecify.annotations.Nullable String message) {
        String line = message == null ? "" : message.lines().findFirst().orElse("");
        return line.length() > 200 ? line.substring(0, 200) : line;
    }

    static JsonMapper mapper() {
        return MAPPER;
    }

    private static final class SaidWriter extends StdSerializer<Said> {
        SaidWriter() {
            super(Said.class);
        }

        @Override
        public void serialize(Said said, JsonGenerator out, SerializationContext c) {
            out.writeTree(said(said));
        }

        static JsonNode said(Said said) {
            if (said.key().isEmpty()) {
                return PLAIN.valueToTree(said.with().values().iterator().next());
            }
            ObjectNode node = PLAIN.createObjectNode().put("key", said.key());
            ObjectNode with = node.putObject("with");
            said.with().forEach((name, value) -> with.set(name, value(value)));
            return node;
        }

        private static JsonNode value(Object value) {
            return switch (value) {
                case Said s -> said(s);
                case List<?> all -> {
                    ArrayNode array = PLAIN.createArrayNode();
                    all.forEach(v -> array.add(value(v)));
                    yield array;
                }
                default -> PLAIN.valueToTree(value);
            };
        }
    }

    private static final class SaidReader extends StdDeserializer<Said> {
        SaidReader() {
            super(Said.class);
        }

        @Override
        public Said deserialize(JsonParser in, DeserializationContext c) {
            return said(c.readTree(in));
        }

        private static Said said(JsonNode node) {
            if (node.isString()) {
                return Said.text(node.asString());
            }
            if (!node.path("key").isString() || node.path("key").asString().isBlank()) {
                throw new IllegalArgumentException("what was said is neither words nor known by a key: " + first(node.toString()));
            }
            Map<String, Object> with = new LinkedHashMap<>();
            node.path("with").forEachEntry((name, value) -> with.put(name, value(value)));
            return new Said(node.path("key").asString(), with);
        }

        private static Object value(JsonNode node) {
            if (node.isObject()) {
                return said(node);
            }
            if (node.isArray()) {
                List<Object> all = new ArrayList<>();
                node.forEach(v -> all.add(value(v)));
                return all;
            }
            return node.isNumber() ? node.numberValue() : node.asString();
        }
    }

    private static final class FactWriter extends StdSerializer<Fact> {
        FactWriter() {
            super(Fact.class);
        }

        @Override
        public void serialize(Fact fact, JsonGenerator out, SerializationContext c) {
            FactKind kind = FactKinds.of(fact);
            ObjectNode node = PLAIN.createObjectNode().put("kind", kind.name()).put("version", kind.version());
            node.setAll((ObjectNode) PLAIN.valueToTree(fact));
            out.writeTree(node);
        }
    }

    private static final class FactReader extends StdDeserializer<Fact> {
        FactReader() {
            super(Fact.class);
        }

        @Override
        public Fact deserialize(JsonParser in, DeserializationContext c) {
            ObjectNode node = (ObjectNode) c.readTree(in);
            String name = node.path("kind").asString("");
            FactKind kind = FactKinds.named(name).orElseThrow(() -> new Unreadable("a fact of a kind it does not know, “" + name + "”"));
            if (node.path("version").asInt(1) > kind.version()) {
                throw new Unreadable("a fact “" + name + "” newer than this program");
            }
            node.remove(List.of("kind", "version"));
            Complete.check(node, kind.type());
            return PLAIN.treeToValue(node, kind.type());
        }
    }
}

package stillglass.cli;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.OptionalDouble;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/// A JSON object whose numbers are finite or absent.
final class Answer {
    private static final JsonMapper MAPPER =
            JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

    private static final JsonMapper LINE = JsonMapper.builder().build();

    private final Map<String, Object> fields = new LinkedHashMap<>();

    Answer put(String key, Object value) {
        fields.put(key, value instanceof Answer a ? a.fields : value);
        return this;
    }

    /// Leaves the key out when the number is not finite.
    Answer number(String key, double value) {
        if (Double.isFinite(value)) {
            fields.put(key, value);
        }
        return this;
    }

    Answer number(String key, OptionalDouble value) {
        value.ifPresent(v -> number(key, v));
        return this;
    }

    Map<String, Object> fields() {
        return fields;
    }

    /// The same on one line.
    String oneLine() {
        return LINE.writeValueAsString(fields);
    }

    String json() {
        return MAPPER.writeValueAsString(fields);
    }
}

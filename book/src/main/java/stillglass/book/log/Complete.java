package stillglass.book.log;

import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import tools.jackson.databind.JsonNode;

/// Whether a stored record has every number it must have: one that is missing would be read as zero.
final class Complete {
    private Complete() {}

    /// @throws Unreadable naming what is missing
    static void check(JsonNode node, Type type) {
        if (type instanceof ParameterizedType many && node.isArray()) {
            node.forEach(each -> check(each, many.getActualTypeArguments()[0]));
        } else if (type instanceof ParameterizedType maybe && node.isObject() && maybe.getRawType() == java.util.Optional.class) {
            check(node, maybe.getActualTypeArguments()[0]);
        } else if (type instanceof Class<?> c && c.isRecord() && node.isObject()) {
            for (RecordComponent each : c.getRecordComponents()) {
                JsonNode value = node.path(each.getName());
                if (each.getType().isPrimitive() && value.isMissingNode()) {
                    throw new Unreadable("an entry without “" + each.getName() + "”");
                }
                check(value, each.getGenericType());
            }
        }
    }
}

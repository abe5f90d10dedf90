package stillglass.benchmarks.hostile;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/// Damages JSON: values of another kind or size where one is expected, what is required taken away, and texts that are no JSON.
final class Trees {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final List<String> VALUES = List.of("null", "true", "[]", "{}", "\"\"", "-1", "0", "2147483648", "-2147483649", "1e308", "-1e308", "1e-320", "0.5", "123456789012345678901234567890",
            "\"NaN\"", "\"\\u0000\"", "\"a\\nb\"", "\"\\u202Etxet\"", "\"../../../etc/passwd\"", "\"\\uD83D\\uDD2D\"", "\"\\uD800\"", "\"<script>&amp;\"", "\"عدسة\"", "[null]", "[[[[1]]]]", "{\"a\":{\"b\":[]}}",
            "[1,\"two\",null,{}]", "1.7976931348623157e309", "\"" + "x".repeat(5000) + "\"");

    private static final Pattern RAW = Pattern.compile("\"@@(.*?)@@\"");

    private Trees() {}

    static byte[] damaged(byte[] whole, Random random) {
        return (random.nextInt(5) == 0 ? text(new String(whole, StandardCharsets.UTF_8), random) : tree(whole, random)).getBytes(StandardCharsets.UTF_8);
    }

    private static String tree(byte[] whole, Random random) {
        JsonNode root = JSON.readTree(whole);
        for (int i = random.nextInt(2); i >= 0; i--) {
            once(root, random);
        }
        return RAW.matcher(root.toString()).replaceAll(m -> Matcher.quoteReplacement(JSON.readTree('"' + m.group(1) + '"').asString()));
    }

    private static void once(JsonNode root, Random random) {
        List<JsonNode> holders = new ArrayList<>();
        collect(root, holders);
        JsonNode holder = holders.get(random.nextInt(holders.size()));
        // A raw text, so that numbers stay as they are written.
        String value = "@@" + VALUES.get(random.nextInt(VALUES.size())) + "@@";
        switch (holder) {
            case ObjectNode o -> {
                List<String> names = new ArrayList<>(o.propertyNames());
                String name = names.get(random.nextInt(names.size()));
                switch (random.nextInt(4)) {
                    case 0 -> o.remove(name);
                    case 1 -> o.set(name + random.nextInt(3), o.get(name));
                    default -> o.put(name, value);
                }
            }
            case ArrayNode a -> {
                int at = random.nextInt(a.size());
                switch (random.nextInt(4)) {
                    case 0 -> a.remove(at);
                    case 1 -> a.add(a.get(at));
                    default -> a.set(at, JSON.getNodeFactory().stringNode(value));
                }
            }
            default -> throw new IllegalStateException("only objects and arrays were collected");
        }
    }

    private static void collect(JsonNode node, List<JsonNode> into) {
        if (node.isContainer() && !node.isEmpty()) {
            into.add(node);
        }
        node.forEach(n -> collect(n, into));
    }

    private static String text(String json, Random random) {
        int at = random.nextInt(json.length());
        return switch (random.nextInt(9)) {
            case 0 -> "\uFEFF" + json;
            case 1 -> json.substring(0, at);
            case 2 -> json + json;
            case 3 -> "[".repeat(20_000);
            case 4 -> json.replaceFirst("\\{", "{\"name\":\"one\",\"name\":\"two\",");
            case 5 -> json.substring(0, at) + "\u0000" + json.substring(at);
            case 6 -> json.replaceFirst(":\\s*[\\d.]+", ": NaN");
            case 7 -> "/* */ " + json.replace('"', '\'');
            default -> json.substring(0, at) + json.substring(Math.min(json.length(), at + 1 + random.nextInt(30)));
        };
    }
}

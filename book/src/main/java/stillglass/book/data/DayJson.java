package stillglass.book.data;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import stillglass.day.Day;
import tools.jackson.databind.JsonNode;

/// A bench day, from JSON.
public final class DayJson {
    private static final String SCHEMA = "day.schema.json";
    private static final String HANDS = "technician";

    private DayJson() {}

    /// @throws stillglass.book.BadInput naming file and field
    public static Day read(Path file) {
        JsonNode j = CheckedJson.file(file, SCHEMA);
        return CheckedJson.read(String.valueOf(file.getFileName()), "describe tickets and hours as the schema asks", () -> day(j));
    }

    private static Day day(JsonNode j) {
        Map<String, Integer> resources = new HashMap<>();
        j.path("resources").properties().forEach(e -> resources.put(e.getKey(), e.getValue().asInt()));
        int hands = Optional.ofNullable(resources.remove(HANDS)).orElse(1);
        List<Day.Ticket> tickets = new ArrayList<>();
        for (JsonNode t : j.get("tickets")) {
            List<Day.Task> tasks = new ArrayList<>();
            for (JsonNode k : t.get("tasks")) {
                tasks.add(new Day.Task(k.get("id").asString(), k.get("minutes").asInt(), k.path("attended").asBoolean(true), words(k.path("uses")), words(k.path("after")), Set.copyOf(words(k.path("tags"))), k.path("splits").asBoolean(false), whole(k.path("start"))));
            }
            tickets.add(new Day.Ticket(t.get("id").asString(), whole(t.path("due_min")), t.path("weight").asInt(1), tasks));
        }
        List<Day.Span> hours = new ArrayList<>();
        j.get("hours").forEach(h -> hours.add(new Day.Span(h.get(0).asInt(), h.get(1).asInt())));
        List<Day.Pair> apart = new ArrayList<>();
        j.path("keep_apart").forEach(p -> apart.add(new Day.Pair(p.get(0).asString(), p.get(1).asString())));
        return new Day(hands, resources, tickets, hours, apart, new HashSet<>(words(j.path("staffed_only"))));
    }

    private static List<String> words(JsonNode n) {
        List<String> all = new ArrayList<>();
        n.forEach(w -> all.add(w.asString()));
        return all.stream().distinct().toList();
    }

    private static Optional<Integer> whole(JsonNode n) {
        return n.isNumber() ? Optional.of(n.asInt()) : Optional.empty();
    }
}

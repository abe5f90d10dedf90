package stillglass.book.data;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import stillglass.care.seals.Channel;
import stillglass.care.seals.SealPlan;
import tools.jackson.databind.JsonNode;

/// Channels for light seals and the foam there is, from JSON.
public final class SealsJson {
    private static final String SCHEMA = "seals.schema.json";
    private static final double USUAL_COMPRESSION = 0.3;

    private SealsJson() {}

    /// @throws stillglass.book.BadInput naming file and field
    public static SealPlan.Asked read(Path file) {
        JsonNode j = CheckedJson.file(file, SCHEMA);
        return CheckedJson.read(String.valueOf(file.getFileName()), "describe channels and foam as the schema asks", () -> asked(j));
    }

    private static SealPlan.Asked asked(JsonNode j) {
        List<Channel> channels = new ArrayList<>();
        for (JsonNode c : j.get("channels")) {
            channels.add(new Channel(c.get("id").asString(), c.get("length_mm").asDouble(), c.get("width_mm").asDouble(), number(c.path("gap_mm")), c.path("count").asInt(1)));
        }
        List<List<Double>> offcuts = new ArrayList<>();
        j.path("offcuts_mm").forEach(o -> offcuts.add(LensJson.numbers(o)));
        return new SealPlan.Asked(channels, j.has("sheet_mm") ? Optional.of(LensJson.numbers(j.get("sheet_mm"))) : Optional.empty(), j.path("sheets").asInt(1), offcuts, j.path("kerf_mm").asDouble(0),
                number(j.get("gap").path("mm")), j.get("gap").path("compress").asDouble(USUAL_COMPRESSION), j.has("foam_mm") ? LensJson.numbers(j.get("foam_mm")) : List.of());
    }

    private static Optional<Double> number(JsonNode n) {
        return n.isNumber() ? Optional.of(n.asDouble()) : Optional.empty();
    }
}

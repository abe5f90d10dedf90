package stillglass.book.data;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import stillglass.care.Grease;
import stillglass.care.GreaseDose;
import stillglass.care.Greasing;
import tools.jackson.databind.JsonNode;

/// A thread and the greases there are, from JSON.
public final class GreaseJson {
    private static final String SCHEMA = "grease.schema.json";
    private static final double USUAL_CELSIUS = 20;

    private GreaseJson() {}

    /// What a file asks.
    /// @param needleMm bore of the dosing needle
    public record File(Greasing.Asked asked, double needleMm) {}

    /// @throws stillglass.book.BadInput naming file and field
    public static File read(Path file) {
        JsonNode j = CheckedJson.file(file, SCHEMA);
        return CheckedJson.read(String.valueOf(file.getFileName()), "describe thread and greases as the schema asks", () -> new File(asked(j), j.path("needle_mm").asDouble(GreaseDose.USUAL_NEEDLE_MM)));
    }

    private static Greasing.Asked asked(JsonNode j) {
        List<Grease> greases = new ArrayList<>();
        for (JsonNode g : j.get("greases")) {
            List<Grease.Point> points = new ArrayList<>();
            g.get("viscosity_pa_s").forEach(p -> points.add(new Grease.Point(p.get(0).asDouble(), p.get(1).asDouble())));
            greases.add(new Grease(g.get("name").asString(), g.path("density_mg_mm3").asDouble(GreaseDose.USUAL_DENSITY), points));
        }
        return new Greasing.Asked(j.get("diameter_mm").asDouble(), j.get("engaged_mm").asDouble(), GreaseDose.Profile.valueOf(j.path("profile").asString("iso60").toUpperCase(Locale.ROOT)), number(j.path("slop_mm")),
                j.path("temperature_c").asDouble(USUAL_CELSIUS), number(j.path("target_torque_nmm")), j.path("speed_rad_s").asDouble(Greasing.USUAL_SPEED), greases);
    }

    private static Optional<Double> number(JsonNode n) {
        return n.isNumber() ? Optional.of(n.asDouble()) : Optional.empty();
    }
}

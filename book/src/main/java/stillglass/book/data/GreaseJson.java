package stillglass.book.data;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import stillglass.care.Creep;
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
    /// @param laidMg what was or is to be laid, where that is asked about
    /// @param toBladesMm how far the oil may run before it does harm
    public record File(Greasing.Asked asked, double needleMm, Optional<Double> laidMg, Optional<Double> toBladesMm, Creep.Summer summer) {}

    /// @throws stillglass.book.BadInput naming file and field
    public static File read(Path file) {
        JsonNode j = CheckedJson.file(file, SCHEMA);
        return CheckedJson.read(String.valueOf(file.getFileName()), "describe thread and greases as the schema asks", () -> new File(asked(j), j.path("needle_mm").asDouble(GreaseDose.USUAL_NEEDLE_MM),
                number(j.path("laid_mg")), number(j.path("to_blades_mm")), summer(j.path("summer"))));
    }

    private static Creep.Summer summer(JsonNode s) {
        return new Creep.Summer(range(s.path("shed_percent"), 0.01, Creep.USUAL_SHED), range(s.path("oil_mm2_s"), 1, Creep.USUAL_OIL), s.path("days").asDouble(Creep.USUAL_DAYS));
    }

    private static Creep.Range range(JsonNode pair, double unit, Creep.Range usual) {
        return pair.isArray() ? new Creep.Range(pair.get(0).asDouble() * unit, pair.get(1).asDouble() * unit) : usual;
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

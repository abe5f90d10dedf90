package stillglass.book.data;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import stillglass.book.BadInput;
import stillglass.grade.GradeRules;
import stillglass.grade.Patch;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.optics.LensSection;
import tools.jackson.databind.JsonNode;

/// Findings that lie on known surfaces, from JSON.
public final class FindingsJson {
    private static final String SCHEMA = "findings.schema.json";

    private FindingsJson() {}

    /// @param patch where it lies
    /// @param optics what it does to light, where the file says so
    public record Placed(String id, Patch patch, Optional<GradeRules.Optics> optics) {}

    /// @param usual what kinds do to light where the file does not say
    /// @throws BadInput naming file and field
    public static List<Placed> read(Path file, LensSection lens, GradeRules usual) {
        String name = String.valueOf(file.getFileName());
        JsonNode j = CheckedJson.file(file, SCHEMA);
        List<Placed> out = new ArrayList<>();
        int n = 0;
        for (JsonNode f : j.get("findings")) {
            String at = "/findings/" + n++;
            int surface = f.get("surface").asInt();
            if (surface > lens.surfaces().size()) {
                throw new BadInput(name, at + "/surface", "is " + surface + ": " + lens.name() + " has surfaces 1 to " + lens.surfaces().size());
            }
            out.add(LensJson.at(name, at, () -> placed(f, lens, surface - 1, usual)));
        }
        return out;
    }

    private static Placed placed(JsonNode f, LensSection lens, int surface, GradeRules usual) {
        FindingKind kind = Arrays.stream(FindingKind.values()).filter(k -> k.word().equals(f.get("kind").asString())).findFirst().orElseThrow();
        JsonNode disc = f.path("disc_mm");
        Patch patch;
        if (disc.isMissingNode()) {
            List<Finding.Point> outline = new ArrayList<>();
            f.get("outline_mm").forEach(p -> outline.add(new Finding.Point(p.get(0).asDouble(), p.get(1).asDouble())));
            patch = Patch.known(kind, lens, surface, outline);
        } else {
            patch = Patch.known(kind, lens, surface, disc.get("x").asDouble(), disc.get("y").asDouble(), disc.get("diameter").asDouble());
        }
        GradeRules.Optics of = usual.optics(kind);
        boolean own = f.has("blocks") || f.has("scatters");
        return new Placed(f.get("id").asString(), patch, own ? Optional.of(new GradeRules.Optics(f.path("blocks").asDouble(of.blocks()), f.path("scatters").asDouble(of.scatters()), of.curable(), of.lobe())) : Optional.empty());
    }
}

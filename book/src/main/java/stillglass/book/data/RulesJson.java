package stillglass.book.data;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import stillglass.assembly.Material;
import stillglass.care.CareTables;
import stillglass.care.StuckTry;
import stillglass.care.knack.Act;
import stillglass.care.knack.Knack;
import stillglass.care.knack.Knacks;
import stillglass.care.knack.Trait;
import stillglass.grade.CheapTest;
import stillglass.grade.GradeRules;
import stillglass.grade.Lobe;
import stillglass.look.FindingKind;
import tools.jackson.databind.JsonNode;

/// The tables of the shop: grade rules, care, and the tests that tell kinds apart.
public final class RulesJson {
    private RulesJson() {}

    /// @throws stillglass.book.BadInput naming file and field
    public static GradeRules grade(Path file) {
        return grade(String.valueOf(file.getFileName()), CheckedJson.file(file, "grade-rules.schema.json"));
    }

    static GradeRules shippedGrade() {
        return grade("grade-rules.json",
                CheckedJson.resource("/stillglass/book/grade-rules.json", "grade-rules.schema.json"));
    }

    static CareTables shippedCare() {
        return care("care.json", CheckedJson.resource("/stillglass/book/care.json", "care.schema.json")).with(shippedKnacks());
    }

    private static Knacks shippedKnacks() {
        String file = "knacks.json";
        List<Knack> all = new ArrayList<>();
        for (JsonNode k : CheckedJson.resource("/stillglass/book/knacks.json", "knacks.schema.json").get("knacks")) {
            Set<Trait> on = EnumSet.noneOf(Trait.class);
            k.get("on").forEach(t -> on.add(Trait.ofWord(t.asString()).orElseThrow()));
            all.add(new Knack(k.get("id").asString(), Act.ofWord(k.get("act").asString()).orElseThrow(), on, k.get("what").asString(), k.get("why").asString()));
        }
        return LensJson.at(file, "file", () -> new Knacks(all, Set.of()));
    }

    static List<CheapTest> shippedTests() {
        String file = "tell-apart.json";
        List<CheapTest> tests = new ArrayList<>();
        for (JsonNode t : CheckedJson.resource("/stillglass/book/tell-apart.json", "tell-apart.schema.json").get("tests")) {
            Map<FindingKind, Double> yes = new EnumMap<>(FindingKind.class);
            t.get("yes").properties().forEach(e -> yes.put(FindingKind.ofWord(e.getKey()), e.getValue().asDouble()));
            tests.add(LensJson.at(file, "/tests/" + tests.size(), () -> new CheapTest(t.get("id").asString(), t.get("question").asString(),
                    t.get("minutes").asDouble(), t.get("risk").asDouble(), t.get("touches").asBoolean(), t.path("caution").asString(""), yes)));
        }
        return tests;
    }

    private static GradeRules grade(String file, JsonNode j) {
        return CheckedJson.read(file, "write the rules as their schema asks", () -> made(file, j));
    }

    private static GradeRules made(String file, JsonNode j) {
        Map<FindingKind, GradeRules.Optics> kinds = new EnumMap<>(FindingKind.class);
        for (Map.Entry<String, JsonNode> e : j.get("kinds").properties()) {
            JsonNode k = e.getValue();
            kinds.put(
                    LensJson.at(file, "/kinds/" + e.getKey(), () -> FindingKind.ofWord(e.getKey())),
                    LensJson.at(file, "/kinds/" + e.getKey(), () -> new GradeRules.Optics(
                            k.get("blocks").asDouble(), k.get("scatters").asDouble(), k.get("curable").asDouble(),
                            new Lobe(k.path("structure_um").asDouble(Lobe.USUAL.structureUm()), k.path("fall").asDouble(Lobe.USUAL.fall())))));
        }
        return LensJson.at(file, "file", () -> new GradeRules(
                kinds,
                j.get("visible_shadow").asDouble(),
                j.get("severe_shadow").asDouble(),
                j.get("measurable").asDouble(),
                j.get("visible_veil").asDouble(),
                j.get("severe_veil").asDouble(),
                j.get("against_light").asDouble()));
    }

    private static CareTables care(String file, JsonNode j) {
        List<CareTables.Agent> agents = new ArrayList<>();
        for (JsonNode a : j.get("agents")) {
            Map<Material, CareTables.Bears> bears = new EnumMap<>(Material.class);
            Map<Material, String> why = new EnumMap<>(Material.class);
            for (Map.Entry<String, JsonNode> e : a.get("materials").properties()) {
                Material m = material(e.getKey());
                String[] cell = e.getValue().asString().split(":", 2);
                bears.put(m, CareTables.Bears.valueOf(cell[0].strip().toUpperCase(Locale.ROOT)));
                if (cell.length > 1) {
                    why.put(m, cell[1].strip());
                }
            }
            agents.add(new CareTables.Agent(a.get("id").asString(), a.get("name").asString(), bears, why,
                    a.path("caution").asString(""), a.get("minutes").asDouble(), a.path("solvent").asBoolean(false), a.path("tank").asBoolean(false), a.path("tool").asString(""), a.path("how").asString("")));
        }
        List<CareTables.Soil> soils = new ArrayList<>();
        for (JsonNode s : j.get("soils")) {
            Map<String, Double> by = new HashMap<>();
            s.get("removed_by").properties().forEach(e -> by.put(e.getKey(), e.getValue().asDouble()));
            soils.add(new CareTables.Soil(s.get("id").asString(), s.get("name").asString(), by, s.path("why").asString(""), s.path("caution").asString("")));
        }
        List<StuckTry> tries = new ArrayList<>();
        for (JsonNode t : j.get("stuck")) {
            Set<String> holds = new HashSet<>();
            t.get("holds").forEach(h -> holds.add(h.asString()));
            Set<Material> spoils = new HashSet<>();
            t.path("spoils").forEach(m -> spoils.add(material(m.asString())));
            tries.add(LensJson.at(file, "/stuck/" + tries.size(), () -> new StuckTry(holds, StuckTry.Sort.valueOf(t.get("how").asString().toUpperCase(Locale.ROOT)), t.get("means").asString(),
                    t.get("minutes").asDouble(), t.get("why").asString(), spoils, t.path("near_glass").asBoolean(true))));
        }
        return LensJson.at(file, "file", () -> new CareTables(agents, soils, tries));
    }

    private static Material material(String word) {
        return Material.valueOf(word.toUpperCase(Locale.ROOT).replace(' ', '_'));
    }
}

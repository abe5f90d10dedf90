package stillglass.book.data;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import stillglass.book.BadInput;
import stillglass.optics.Asphere;
import stillglass.optics.Element;
import stillglass.optics.LensSection;
import stillglass.optics.Medium;
import stillglass.optics.Positions;
import stillglass.optics.Seat;
import stillglass.optics.Surface;
import stillglass.optics.Tilt;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.exc.JsonNodeException;

/// Lens sections from JSON.
public final class LensJson {
    static final String SCHEMA = "lens.schema.json";

    private LensJson() {}

    /// @throws BadInput naming file and field
    public static LensSection read(Path file) {
        return lens(String.valueOf(file.getFileName()), CheckedJson.file(file, SCHEMA));
    }

    /// The lens as it stands at one of its positions.
    /// @param position name, or a number between two
    /// @throws BadInput naming file and field, or the positions there are
    public static LensSection read(Path file, String position) {
        String name = String.valueOf(file.getFileName());
        JsonNode j = CheckedJson.file(file, SCHEMA);
        LensSection lens = lens(name, j);
        return at(name, "/positions", () -> lens.positions().at(lens, position));
    }

    private static Positions positions(String name, JsonNode j, LensSection lens) {
        List<Positions.Position> each = new ArrayList<>();
        int n = 0;
        for (JsonNode p : j.path("positions")) {
            each.add(at(name, "/positions/" + n++, () -> position(p, lens)));
        }
        return new Positions(each);
    }

    private static Positions.Position position(JsonNode p, LensSection lens) {
        Map<Integer, Double> gaps = new HashMap<>();
        p.path("gaps_mm").properties().forEach(e -> {
            int gap = Integer.parseInt(e.getKey());
            if (gap < 1 || gap > lens.surfaces().size() || !(e.getValue().asDouble() >= 0)) {
                throw new IllegalArgumentException("gap " + gap + " is " + e.getValue().asDouble() + " mm: gaps run from 1 to " + lens.surfaces().size() + " and are not negative");
            }
            gaps.put(gap, e.getValue().asDouble());
        });
        return new Positions.Position(p.get("name").asString(), p.get("at").asDouble(), gaps, p.has("focal_length_mm") ? Optional.of(p.get("focal_length_mm").asDouble()) : Optional.empty(),
                p.has("f_number") ? Optional.of(p.get("f_number").asDouble()) : Optional.empty());
    }

    /// @param name what to call it in a complaint
    /// @throws BadInput naming file and field
    public static LensSection parse(String name, String json) {
        return lens(name, CheckedJson.text(name, json, SCHEMA));
    }

    static LensSection shipped(String id) {
        return lens(id + ".json", CheckedJson.resource("/stillglass/book/lenses/" + id + ".json", SCHEMA));
    }

    static LensSection lens(String file, JsonNode j) {
        return CheckedJson.read(file, "describe the lens as its schema asks", () -> made(file, j));
    }

    private static LensSection made(String file, JsonNode j) {
        List<Surface> surfaces = new ArrayList<>();
        int n = 0;
        for (JsonNode s : j.get("surfaces")) {
            surfaces.add(at(file, "/surfaces/" + n++, () -> surface(s)));
        }
        for (int i = 0; i + 1 < surfaces.size(); i++) {
            if (surfaces.get(i).thicknessMm() < 0 && !j.path("misassembled").asBoolean(false)) {
                throw new BadInput(file, "/surfaces/" + i + "/thickness_mm",
                        "is negative: a section lists surfaces in the order light meets them");
            }
        }
        List<Element> elements = new ArrayList<>();
        n = 0;
        for (JsonNode e : j.get("elements")) {
            elements.add(at(file, "/elements/" + n++, () -> element(e)));
        }
        JsonNode focusing = j.path("focusing");
        LensSection one = at(file, "file", () -> new LensSection(
                j.get("name").asString(),
                j.path("form").asString(""),
                j.get("nominal_focal_length_mm").asDouble(),
                j.get("f_number").asDouble(),
                j.get("image_circle_mm").asDouble(),
                numbers(j.get("design_wavelengths_nm")),
                surfaces,
                elements,
                new LensSection.Focusing(focusing.path("kind").asString("unit"), strings(focusing.path("moving_groups"))),
                LensSection.Basis.valueOf(j.path("basis").asString("design").toUpperCase(Locale.ROOT).replace('-', '_')),
                tilts(j.path("tilts"))).withSeats(seats(j.path("seats"))));
        return one.withPositions(positions(file, j, one));
    }

    private static List<Optional<Seat>> seats(JsonNode array) {
        List<Optional<Seat>> all = new ArrayList<>();
        array.forEach(s -> all.add(s.isNull() ? Optional.empty() : Optional.of(new Seat(Seat.Rests.valueOf(s.get("rests").asString().toUpperCase(Locale.ROOT).replace('-', '_')),
                s.hasNonNull("cell") ? Optional.of(s.get("cell").asString()) : Optional.empty()))));
        return all;
    }

    private static List<Tilt> tilts(JsonNode array) {
        List<Tilt> all = new ArrayList<>();
        array.forEach(t -> all.add(new Tilt(t.get("first_surface").asInt(), t.get("last_surface").asInt(),
                Math.toRadians(t.get("angle_deg").asDouble()), Math.toRadians(t.get("towards_deg").asDouble()), t.path("aside_mm").asDouble(0))));
        return all;
    }

    private static Surface surface(JsonNode s) {
        double nd = s.get("nd").asDouble();
        Medium after = nd == 1
                ? new Medium.Air()
                : new Medium.Glass(nd, s.path("vd").asDouble(0), s.path("glass_code").asString(""));
        JsonNode radius = s.get("radius_mm");
        return new Surface(
                radius.isNull() ? Double.POSITIVE_INFINITY : radius.asDouble(),
                s.get("thickness_mm").asDouble(),
                after,
                s.get("semi_diameter_mm").asDouble(),
                s.path("stop").asBoolean(false),
                new Asphere(s.path("conic").asDouble(0), numbers(s.path("asphere"))));
    }

    private static Element element(JsonNode e) {
        return new Element(
                e.get("name").asString(),
                e.get("first_surface").asInt(),
                e.get("last_surface").asInt(),
                e.get("diameter_mm").asDouble(),
                e.path("group").asString(""),
                e.path("centre_thickness_mm").asDouble(0),
                e.path("edge_thickness_mm").asDouble(0),
                strings(e.path("cemented_with")));
    }

    static List<String> strings(JsonNode array) {
        List<String> all = new ArrayList<>();
        array.forEach(n -> all.add(n.asString()));
        return all;
    }

    static List<Double> numbers(JsonNode array) {
        List<Double> all = new ArrayList<>();
        array.forEach(n -> all.add(n.asDouble()));
        return all;
    }

    /// Runs a constructor that refuses impossible values, and says where they stood.
    static <T> T at(String file, String pointer, java.util.function.Supplier<T> make) {
        try {
            return make.get();
        } catch (IllegalArgumentException e) {
            throw new BadInput(file, pointer, String.valueOf(e.getMessage()));
        } catch (JsonNodeException e) {
            // Right by the schema, and still no number of the kind that is needed.
            throw new BadInput(file, pointer, CheckedJson.misfit(e));
        }
    }
}

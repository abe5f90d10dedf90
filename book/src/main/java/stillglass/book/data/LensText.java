package stillglass.book.data;

import java.util.List;
import java.util.TreeMap;
import stillglass.book.BadInput;
import stillglass.optics.Element;
import stillglass.optics.LensSection;
import stillglass.optics.Positions;
import stillglass.optics.Medium;
import stillglass.optics.Surface;
import stillglass.optics.Tilt;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/// Lens sections as JSON text. What was read comes back as it was, keys that Still Glass knows nothing of included.
public final class LensText {
    private static final JsonMapper MAPPER = JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

    private LensText() {}

    /// A section that never was a file.
    public static String of(LensSection lens) {
        return MAPPER.writeValueAsString(tree(lens));
    }

    /// A section that came from a file: the file's own text where nothing changed, else its tree with what changed.
    /// @param original text the section was read from
    /// @throws BadInput when `original` is no lens section
    public static String of(LensSection lens, String original) {
        JsonNode kept = CheckedJson.text("section", original, LensJson.SCHEMA);
        LensSection before = LensJson.lens("section", kept);
        if (lens.equals(before)) {
            return original;
        }
        ObjectNode tree = ((ObjectNode) kept).deepCopy();
        ObjectNode fresh = tree(lens);
        fresh.properties().forEach(e -> {
            boolean sameFocusing = e.getKey().equals("focusing") && lens.focusing().equals(before.focusing());
            if (!sameFocusing) {
                tree.set(e.getKey(), merged(tree.get(e.getKey()), e.getValue()));
            }
        });
        return MAPPER.writeValueAsString(tree);
    }

    /// New values over old ones, list by list while they are of one length, so that unknown keys stay.
    private static JsonNode merged(@org.jspecify.annotations.Nullable JsonNode old, JsonNode now) {
        if (old instanceof ObjectNode a && now instanceof ObjectNode b) {
            ObjectNode both = a.deepCopy();
            b.properties().forEach(e -> both.set(e.getKey(), merged(a.get(e.getKey()), e.getValue())));
            return both;
        }
        if (old instanceof ArrayNode a && now instanceof ArrayNode b && a.size() == b.size()) {
            ArrayNode both = MAPPER.createArrayNode();
            for (int i = 0; i < a.size(); i++) {
                both.add(merged(a.get(i), b.get(i)));
            }
            return both;
        }
        return now;
    }

    private static ObjectNode tree(LensSection lens) {
        ObjectNode j = MAPPER.createObjectNode();
        j.put("name", lens.name());
        j.put("form", lens.form());
        if (lens.basis().estimate()) {
            j.put("basis", lens.basis().word());
        }
        j.put("nominal_focal_length_mm", lens.nominalFocalLengthMm());
        j.put("f_number", lens.fNumber());
        j.put("image_circle_mm", lens.imageCircleMm());
        ArrayNode waves = j.putArray("design_wavelengths_nm");
        lens.wavelengthsNm().forEach(waves::add);
        ArrayNode surfaces = j.putArray("surfaces");
        lens.surfaces().forEach(s -> surfaces.add(surface(s)));
        ArrayNode elements = j.putArray("elements");
        lens.elements().forEach(e -> elements.add(element(e)));
        ArrayNode groups = j.putArray("groups");
        lens.elements().stream().map(Element::group).distinct().filter(g -> !g.isEmpty()).forEach(g -> groups.add(group(lens, g)));
        ObjectNode focusing = j.putObject("focusing");
        focusing.put("kind", lens.focusing().kind());
        ArrayNode moving = focusing.putArray("moving_groups");
        lens.focusing().movingGroups().forEach(moving::add);
        if (!lens.tilts().isEmpty() || lens.surfaces().subList(0, lens.surfaces().size() - 1).stream().anyMatch(s -> s.thicknessMm() < 0)) {
            j.put("misassembled", true);
        }
        if (!lens.tilts().isEmpty()) {
            ArrayNode tilts = j.putArray("tilts");
            lens.tilts().forEach(t -> tilts.add(tilt(t)));
        }
        if (!lens.seats().isEmpty()) {
            ArrayNode seats = j.putArray("seats");
            lens.seats().forEach(s -> s.ifPresentOrElse(held -> {
                ObjectNode seat = seats.addObject().put("rests", held.rests().word());
                held.cell().ifPresent(c -> seat.put("cell", c));
            }, seats::addNull));
        }
        if (!lens.positions().each().isEmpty()) {
            ArrayNode positions = j.putArray("positions");
            lens.positions().each().forEach(p -> positions.add(position(p)));
        }
        return j;
    }

    private static ObjectNode position(Positions.Position p) {
        ObjectNode j = MAPPER.createObjectNode();
        j.put("name", p.name()).put("at", p.at());
        if (!p.gaps().isEmpty()) {
            ObjectNode gaps = j.putObject("gaps_mm");
            new TreeMap<>(p.gaps()).forEach((gap, mm) -> gaps.put(gap.toString(), mm));
        }
        p.focalMm().ifPresent(mm -> j.put("focal_length_mm", mm));
        p.fNumber().ifPresent(f -> j.put("f_number", f));
        return j;
    }

    private static ObjectNode surface(Surface s) {
        ObjectNode j = MAPPER.createObjectNode();
        if (Double.isInfinite(s.radiusMm())) {
            j.putNull("radius_mm");
        } else {
            j.put("radius_mm", s.radiusMm());
        }
        j.put("thickness_mm", s.thicknessMm());
        switch (s.after()) {
            case Medium.Air a -> j.put("nd", 1.0).putNull("vd").putNull("glass_code");
            case Medium.Glass g -> {
                j.put("nd", g.nd()).put("vd", g.vd());
                j.put("glass_code", g.code());
            }
        }
        j.put("semi_diameter_mm", s.semiDiameterMm());
        if (s.asphere().conic() != 0) {
            j.put("conic", s.asphere().conic());
        }
        if (!s.asphere().even().isEmpty()) {
            ArrayNode even = j.putArray("asphere");
            s.asphere().even().forEach(even::add);
        }
        if (s.stop()) {
            j.put("stop", true);
        }
        return j;
    }

    private static ObjectNode element(Element e) {
        ObjectNode j = MAPPER.createObjectNode();
        j.put("name", e.name()).put("first_surface", e.firstSurface()).put("last_surface", e.lastSurface()).put("diameter_mm", e.diameterMm());
        j.put("group", e.group()).put("centre_thickness_mm", e.centreThicknessMm()).put("edge_thickness_mm", e.edgeThicknessMm());
        if (!e.cementedWith().isEmpty()) {
            ArrayNode partners = j.putArray("cemented_with");
            e.cementedWith().forEach(partners::add);
        }
        return j;
    }

    private static ObjectNode group(LensSection lens, String name) {
        List<Element> glasses = lens.elements().stream().filter(e -> e.group().equals(name)).toList();
        ObjectNode j = MAPPER.createObjectNode();
        j.put("name", name);
        j.put("first_surface", glasses.stream().mapToInt(Element::firstSurface).min().orElseThrow());
        j.put("last_surface", glasses.stream().mapToInt(Element::lastSurface).max().orElseThrow());
        ArrayNode names = j.putArray("elements");
        glasses.forEach(e -> names.add(e.name()));
        j.put("diameter_mm", glasses.getFirst().diameterMm());
        return j;
    }

    private static ObjectNode tilt(Tilt t) {
        ObjectNode j = MAPPER.createObjectNode();
        j.put("first_surface", t.firstSurface()).put("last_surface", t.lastSurface());
        j.put("angle_deg", Math.toDegrees(t.angleRad())).put("towards_deg", Math.toDegrees(t.towardsRad()));
        return t.asideMm() == 0 ? j : j.put("aside_mm", t.asideMm());
    }
}

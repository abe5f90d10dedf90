package stillglass.book.data;

import java.util.Collection;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Net;
import stillglass.assembly.Part;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/// Instruments as JSON text: what [InstrumentJson] reads back as the same.
public final class InstrumentText {
    private static final JsonMapper MAPPER = JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

    private InstrumentText() {}

    public static String of(Instrument i) {
        ObjectNode all = MAPPER.createObjectNode().put("id", i.id()).put("maker", i.maker()).put("name", i.name()).put("sort", word(i.sort()));
        i.sectionId().ifPresent(s -> all.put("section", s));
        i.flangeFocalMm().ifPresent(d -> all.put("flange_focal_mm", d));
        i.maxExtensionMm().ifPresent(d -> all.put("max_extension_mm", d));
        i.infinityShims().ifPresent(s -> all.put("infinity_shims", s));
        ArrayNode parts = all.putArray("parts");
        i.parts().forEach(p -> parts.add(part(p)));
        ArrayNode joints = all.putArray("joints");
        i.joints().forEach(j -> joints.add(joint(j)));
        if (!i.references().isEmpty()) {
            ArrayNode references = all.putArray("references");
            i.references().forEach(r -> references.addObject().put("id", r.id()).put("name", r.name()).put("how", r.how()).put("kind", word(r.kind())));
        }
        i.net().ifPresent(n -> all.set("net", net(n)));
        return MAPPER.writeValueAsString(all);
    }

    private static String word(Enum<?> e) {
        return e.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    private static void words(ObjectNode into, String key, Collection<String> words) {
        if (!words.isEmpty()) {
            ArrayNode all = into.putArray(key);
            words.stream().sorted().forEach(all::add);
        }
    }

    private static ObjectNode part(Part p) {
        ObjectNode n = MAPPER.createObjectNode().put("id", p.id()).put("name", p.name()).put("kind", word(p.kind()));
        ArrayNode materials = n.putArray("materials");
        p.materials().stream().map(InstrumentText::word).sorted().forEach(materials::add);
        if (!p.profile().isEmpty()) {
            ArrayNode profile = n.putArray("profile_mm");
            p.profile().forEach(r -> profile.addArray().add(r.fromMm()).add(r.toMm()).add(r.innerRadiusMm()).add(r.outerRadiusMm()));
        }
        p.element().ifPresent(e -> n.put("element", e));
        p.within().ifPresent(w -> n.put("within", w));
        if (p.facingMatters()) {
            n.put("facing_matters", true);
        }
        p.fragile().ifPresent(f -> n.put("fragile", f));
        return n;
    }

    private static ObjectNode joint(Joint j) {
        ObjectNode n = MAPPER.createObjectNode().put("id", j.id()).put("name", j.name());
        n.set("hold", hold(j.hold()));
        n.put("side", j.side().word()).put("tool", j.tool()).put("minutes", j.minutes()).put("risk", j.risk());
        if (!j.behind().all().isEmpty() || !j.behind().oneOf().isEmpty()) {
            ArrayNode after = n.putArray("after");
            j.behind().all().stream().sorted().forEach(after::add);
            j.behind().oneOf().forEach(some -> {
                ArrayNode one = after.addArray();
                some.stream().sorted().forEach(one::add);
            });
        }
        j.behind().hidden().ifPresent(h -> n.put("hidden", h));
        if (!j.behind().with().isEmpty()) {
            ObjectNode with = n.putObject("with");
            new TreeMap<>(j.behind().with()).forEach(with::put);
        }
        if (!j.frees().isEmpty()) {
            ArrayNode frees = n.putArray("frees");
            j.frees().forEach(frees::add);
        }
        if (!j.exposes().isEmpty()) {
            ArrayNode exposes = n.putArray("exposes");
            j.exposes().stream().sorted().forEach(s -> exposes.add(s + 1));
        }
        words(n, "loses", j.loses());
        words(n, "hazards", j.hazards().stream().map(Joint.Hazard::word).toList());
        ObjectNode closing = closing(j.close());
        if (!closing.isEmpty()) {
            n.set("closing", closing);
        }
        return n;
    }

    private static ObjectNode closing(Joint.Closing c) {
        ObjectNode n = MAPPER.createObjectNode();
        c.setFirst().ifPresent(s -> n.put("set_first", s));
        c.looseUntil().ifPresent(s -> n.put("loose_until", s));
        c.test().ifPresent(t -> {
            if (t.needs().isEmpty()) {
                n.put("test", t.what());
            } else {
                words(n.putObject("test").put("try", t.what()), "needs", t.needs());
            }
        });
        if (c.greased()) {
            n.put("greased", true);
        }
        words(n, "before", c.before());
        c.refit().ifPresent(s -> n.put("refit", s));
        c.zeroLast().ifPresent(s -> n.put("zero_last", s));
        if (!c.points().isEmpty()) {
            ArrayNode points = n.putArray("points");
            c.points().forEach(p -> {
                ObjectNode one = points.addObject().put("name", p.name()).put("wants", p.wants().word()).put("why", p.why());
                p.with().ifPresent(w -> one.put("with", w));
                p.at().ifPresent(at -> {
                    one.put("side", at.side().word());
                    one.putArray("at_mm").add(at.x()).add(at.y());
                });
            });
        }
        return n;
    }

    private static ObjectNode hold(Hold hold) {
        ObjectNode n = MAPPER.createObjectNode().put("kind", hold instanceof Hold.Noted ? "noted" : hold.word());
        switch (hold) {
            case Hold.Thread t -> n.put("lead_mm", t.leadMm()).put("starts", t.starts()).put("turns", t.turns()).put("diameter_mm", t.diameterMm()).put("engaged_mm", t.engagedMm());
            case Hold.Screws s -> {
                n.put("drive", s.drive()).put("diameter_mm", s.diameterMm());
                ArrayNode holes = n.putArray("holes");
                s.holes().forEach(h -> holes.addObject().put("cell", h.cell()).put("length_mm", h.lengthMm()).put("hole_depth_mm", h.holeDepthMm()).put("clock", h.at().hours()));
            }
            case Hold.SetScrews s -> n.put("drive", s.drive()).put("count", s.count()).put("loose_turns", s.looseTurns());
            case Hold.RetainingRing r -> n.put("diameter_mm", r.diameterMm()).put("turns", r.turns()).put("proud_mm", r.proudMm());
            case Hold.Noted w -> n.put("word", w.word());
            case Hold.Glue g -> n.put("softener", g.softener()).put("wait_minutes", g.waitMinutes());
            case Hold.Snap s -> n.put("tongues", s.tongues());
            case Hold.Bayonet b -> n.put("degrees", b.degrees());
            case Hold.Solder s -> n.put("places", s.places());
            case Hold.Connector c -> n.put("ways", c.ways()).put("ribbon", c.ribbon());
            case Hold.Press p -> {}
            case Hold.Seat s -> {}
            case Hold.Hook h -> {}
            case Hold.Cement c -> {}
        }
        return n;
    }

    private static ObjectNode net(Net net) {
        ObjectNode n = MAPPER.createObjectNode().put("width_mm", net.widthMm()).put("height_mm", net.heightMm()).put("depth_mm", net.depthMm());
        ObjectNode parts = n.putObject("parts");
        new TreeMap<>(net.parts()).forEach((id, p) -> {
            ObjectNode place = parts.putObject(id).put("side", p.side().word());
            place.putArray("at_mm").add(p.x()).add(p.y());
            place.putArray("size_mm").add(p.widthMm()).add(p.heightMm());
            if (p.round()) {
                place.put("round", true);
            }
            if (p.layer() != 0) {
                place.put("layer", p.layer());
            }
            p.under().ifPresent(u -> place.put("under", u));
        });
        ObjectNode screws = n.putObject("screws_mm");
        for (Map.Entry<String, Net.Spot> s : new TreeMap<>(net.screws()).entrySet()) {
            screws.putArray(s.getKey()).add(s.getValue().x()).add(s.getValue().y());
        }
        return n;
    }
}

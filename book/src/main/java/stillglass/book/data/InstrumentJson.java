package stillglass.book.data;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import stillglass.assembly.Build;
import stillglass.assembly.Circuits;
import stillglass.assembly.ClockPosition;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Material;
import stillglass.assembly.Net;
import stillglass.assembly.Part;
import stillglass.assembly.Point;
import stillglass.assembly.Side;
import tools.jackson.databind.JsonNode;

/// Instruments from JSON.
public final class InstrumentJson {
    private static final String SCHEMA = "instrument.schema.json";

    private InstrumentJson() {}

    /// @throws stillglass.book.BadInput naming file and field
    public static Instrument read(Path file) {
        return instrument(String.valueOf(file.getFileName()), CheckedJson.file(file, SCHEMA));
    }

    static Instrument shipped(String id) {
        return instrument(id + ".json", CheckedJson.resource("/stillglass/book/instruments/" + id + ".json", SCHEMA));
    }

    /// A generic construction: the same format with a chance for each joint and how it is told from others.
    static Build build(String id) {
        String file = id + ".json";
        JsonNode j = CheckedJson.resource("/stillglass/book/builds/" + file, SCHEMA);
        Map<String, Double> chances = new HashMap<>();
        Map<String, String> variants = new HashMap<>();
        for (JsonNode joint : j.get("joints")) {
            chances.put(joint.get("id").asString(), joint.path("chance").asDouble(0));
            text(joint, "variant").ifPresent(v -> variants.put(joint.get("id").asString(), v));
        }
        Map<String, Double> parts = new HashMap<>();
        for (JsonNode part : j.get("parts")) {
            if (part.has("chance")) {
                parts.put(part.get("id").asString(), part.get("chance").asDouble());
            }
        }
        JsonNode asks = j.path("asks");
        return LensJson.at(file, "joints", () -> new Build(instrument(file, j), chances, parts, variants,
                new Build.Asks(asks.path("front").asString(""), asks.path("focus").asString(""), asks.path("rear").asString(""))));
    }

    private static Instrument instrument(String file, JsonNode j) {
        return CheckedJson.read(file, "describe the instrument as its schema asks", () -> made(file, j));
    }

    private static Instrument made(String file, JsonNode j) {
        List<Part> parts = new ArrayList<>();
        int n = 0;
        for (JsonNode p : j.get("parts")) {
            parts.add(LensJson.at(file, "/parts/" + n++, () -> part(p)));
        }
        List<Joint> joints = new ArrayList<>();
        n = 0;
        for (JsonNode jn : j.get("joints")) {
            joints.add(LensJson.at(file, "/joints/" + n++, () -> joint(jn)));
        }
        List<Instrument.Reference> references = new ArrayList<>();
        for (JsonNode r : j.path("references")) {
            references.add(new Instrument.Reference(
                    r.get("id").asString(), r.get("name").asString(), r.get("how").asString(),
                    named(Instrument.Kind.class, r.path("kind").asString("position"))));
        }
        return LensJson.at(file, "file", () -> Circuits.batteryFirst(new Instrument(
                j.get("id").asString(),
                j.get("maker").asString(),
                j.get("name").asString(),
                named(Instrument.Sort.class, j.path("sort").asString("lens")),
                text(j, "section"),
                number(j, "flange_focal_mm"),
                number(j, "max_extension_mm"),
                parts,
                joints,
                references,
                j.has("net") ? Optional.of(net(j.get("net"))) : Optional.empty(),
                text(j, "infinity_shims"))));
    }

    private static Net net(JsonNode n) {
        Map<String, Net.Place> parts = new HashMap<>();
        n.path("parts").forEachEntry((id, p) -> parts.put(id, new Net.Place(
                named(Side.class, p.get("side").asString()), p.get("at_mm").get(0).asDouble(), p.get("at_mm").get(1).asDouble(),
                p.get("size_mm").get(0).asDouble(), p.get("size_mm").get(1).asDouble(), p.path("round").asBoolean(false), p.path("layer").asInt(0), text(p, "under"))));
        Map<String, Net.Spot> screws = new HashMap<>();
        n.path("screws_mm").forEachEntry((cell, s) -> screws.put(cell, new Net.Spot(s.get(0).asDouble(), s.get(1).asDouble())));
        return new Net(n.get("width_mm").asDouble(), n.get("height_mm").asDouble(), n.get("depth_mm").asDouble(), parts, screws);
    }

    private static Part part(JsonNode p) {
        List<Part.Profile> profile = new ArrayList<>();
        for (JsonNode r : p.path("profile_mm")) {
            profile.add(new Part.Profile(
                    r.get(0).asDouble(), r.get(1).asDouble(), r.get(2).asDouble(), r.get(3).asDouble()));
        }
        Set<Material> materials = new HashSet<>();
        LensJson.strings(p.get("materials")).forEach(m -> materials.add(named(Material.class, m)));
        return new Part(
                p.get("id").asString(),
                p.get("name").asString(),
                named(Part.Kind.class, p.get("kind").asString()),
                materials,
                profile,
                text(p, "element"),
                text(p, "within"),
                p.path("facing_matters").asBoolean(false),
                text(p, "fragile"));
    }

    private static Joint joint(JsonNode j) {
        Set<Integer> exposes = new HashSet<>();
        // Surfaces count from 1 in files, as on the bench.
        j.path("exposes").forEach(s -> exposes.add(s.asInt() - 1));
        Set<Joint.Hazard> hazards = new HashSet<>();
        LensJson.strings(j.path("hazards")).forEach(h -> hazards.add(named(Joint.Hazard.class, h)));
        JsonNode close = j.path("closing");
        return new Joint(
                j.get("id").asString(),
                j.get("name").asString(),
                hold(j.get("hold")),
                named(Side.class, j.get("side").asString()),
                j.get("tool").asString(),
                j.get("minutes").asDouble(),
                j.get("risk").asDouble(),
                behind(j),
                LensJson.strings(j.path("frees")),
                exposes,
                Set.copyOf(LensJson.strings(j.path("loses"))),
                hazards,
                new Joint.Closing(
                        text(close, "set_first"),
                        text(close, "loose_until"),
                        test(close.path("test")),
                        close.path("greased").asBoolean(false),
                        Set.copyOf(LensJson.strings(close.path("before"))),
                        text(close, "refit"),
                        text(close, "zero_last"),
                        points(close.path("points"))));
    }

    private static List<Point> points(JsonNode all) {
        List<Point> points = new ArrayList<>();
        for (JsonNode p : all) {
            Optional<Point.At> at = p.has("at_mm") ? Optional.of(new Point.At(named(Side.class, p.path("side").asString("")), p.get("at_mm").get(0).asDouble(), p.get("at_mm").get(1).asDouble())) : Optional.empty();
            points.add(new Point(p.get("name").asString(), named(Point.Wants.class, p.get("wants").asString()), text(p, "with"), p.get("why").asString(), at));
        }
        return points;
    }

    /// A name must be open before; of a list of names one is enough.
    private static Joint.Behind behind(JsonNode j) {
        Set<String> all = new HashSet<>();
        List<Set<String>> oneOf = new ArrayList<>();
        for (JsonNode a : j.path("after")) {
            if (a.isArray()) {
                oneOf.add(Set.copyOf(LensJson.strings(a)));
            } else {
                all.add(a.asString());
            }
        }
        Map<String, String> with = new HashMap<>();
        j.path("with").forEachEntry((control, at) -> with.put(control, at.asString()));
        return new Joint.Behind(all, oneOf, text(j, "hidden"), with);
    }

    private static Hold hold(JsonNode h) {
        return switch (h.get("kind").asString()) {
            case "thread" -> new Hold.Thread(
                    h.get("lead_mm").asDouble(),
                    h.path("starts").asInt(1),
                    h.get("turns").asDouble(),
                    h.get("diameter_mm").asDouble(),
                    h.get("engaged_mm").asDouble());
            case "screws" -> {
                List<Joint.ScrewHole> holes = new ArrayList<>();
                for (JsonNode s : h.get("holes")) {
                    holes.add(new Joint.ScrewHole(
                            s.get("cell").asString(),
                            s.get("length_mm").asDouble(),
                            s.get("hole_depth_mm").asDouble(),
                            ClockPosition.of(s.get("clock").asDouble())));
                }
                yield new Hold.Screws(h.get("drive").asString(), h.get("diameter_mm").asDouble(), holes);
            }
            case "set-screws" -> new Hold.SetScrews(
                    h.path("drive").asString("slot"), h.get("count").asInt(), h.get("loose_turns").asDouble());
            case "retaining-ring" -> new Hold.RetainingRing(
                    h.get("diameter_mm").asDouble(), h.get("turns").asDouble(), h.path("proud_mm").asDouble(0));
            case "noted" -> new Hold.Noted(h.path("word").asString(""));
            case "press" -> new Hold.Press();
            case "seat" -> new Hold.Seat();
            case "hook" -> new Hold.Hook();
            case "glue" -> new Hold.Glue(h.get("softener").asString(), h.get("wait_minutes").asDouble());
            case "snap" -> new Hold.Snap(h.get("tongues").asInt());
            case "cement" -> new Hold.Cement();
            case "bayonet" -> new Hold.Bayonet(h.get("degrees").asDouble());
            case "solder" -> new Hold.Solder(h.get("places").asInt());
            case "connector" -> new Hold.Connector(h.get("ways").asInt(), h.path("ribbon").asBoolean(false));
            default -> throw new IllegalArgumentException("hold of kind " + h.get("kind").asString()
                    + " is not known: thread, screws, set-screws, retaining-ring, press, seat, hook, glue, snap, cement, bayonet, solder, connector or noted");
        };
    }

    /// A function that is tried: its words alone, or with what else must be closed for it.
    private static Optional<Joint.Test> test(JsonNode t) {
        return t.isString() ? Optional.of(new Joint.Test(t.asString(), Set.of()))
                : t.isObject() ? Optional.of(new Joint.Test(t.get("try").asString(), Set.copyOf(LensJson.strings(t.path("needs"))))) : Optional.empty();
    }

    private static Optional<Double> number(JsonNode node, String field) {
        JsonNode value = node.path(field);
        return value.isNumber() ? Optional.of(value.asDouble()) : Optional.empty();
    }

    private static Optional<String> text(JsonNode node, String field) {
        JsonNode value = node.path(field);
        return value.isString() ? Optional.of(value.asString()) : Optional.empty();
    }

    private static <E extends Enum<E>> E named(Class<E> type, String word) {
        return Enum.valueOf(type, word.toUpperCase(Locale.ROOT).replace('-', '_').replace(' ', '_'));
    }
}

package stillglass.book.data;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import stillglass.book.BadInput;
import stillglass.fault.CollarTrim;
import stillglass.fault.EntryFinder;
import stillglass.fault.LampLook;
import stillglass.fault.LooseGlass;
import stillglass.fault.Observation;
import stillglass.fault.OrderFinder;
import stillglass.optics.Glints;
import tools.jackson.databind.JsonNode;

/// What was measured on an assembly, and threads of helicoids, from JSON.
public final class FaultJson {
    private static final String OBSERVATIONS = "observations.schema.json";
    private static final String HELICOID = "helicoid.schema.json";
    private static final String COLLARS = "collars.schema.json";
    private static final String GLINTS = "glints.schema.json";
    private static final double USUAL_SHARPNESS = 0.03;
    private static final String GLASSES = "glasses.schema.json";
    /// Engraved focal lengths are rarely true to less.
    private static final double USUAL_SHARE = 0.015;

    private FaultJson() {}

    /// @throws BadInput naming file and field
    public static List<Observation> observations(Path file) {
        String name = String.valueOf(file.getFileName());
        JsonNode j = CheckedJson.file(file, OBSERVATIONS);
        List<Observation> out = new ArrayList<>();
        int n = 0;
        for (JsonNode o : j.get("observations")) {
            int at = n++;
            out.add(CheckedJson.read(name, "describe what was measured as the schema asks", () -> observation(name, at, o)));
        }
        return out;
    }

    private static Observation observation(String file, int at, JsonNode o) {
        Observation.What what = Observation.What.valueOf(o.get("what").asString().toUpperCase(Locale.ROOT));
        double value = o.get("value").asDouble();
        if (what.ofField() && !o.has("field")) {
            throw new BadInput(file, "/observations/" + at, what.word() + " belongs to a place of the picture: give its field, 0 for the middle, 1 for the corner");
        }
        boolean positive = what == Observation.What.RMS_UM || what == Observation.What.SCALE_AT_M;
        if (positive && !(value > 0)) {
            throw new BadInput(file, "/observations/" + at + "/value", "is " + value + ": " + what.word() + " is above 0");
        }
        return new Observation(what, o.path("field").asDouble(0), o.has("azimuth_deg") ? OptionalDouble.of(o.get("azimuth_deg").asDouble()) : OptionalDouble.empty(), value,
                o.path("sigma").asDouble(what.usualSigma(value)), o.path("plane").asString("best").equals("film"), o.path("at_m").asDouble(1), o.path("position").asString(""));
    }

    /// @param share one standard deviation of a frequency, as a share of it
    public record Collars(List<CollarTrim.Setting> settings, double share) {
        public Collars {
            settings = List.copyOf(settings);
        }
    }

    /// @throws BadInput naming file and field
    public static Collars collars(Path file) {
        String name = String.valueOf(file.getFileName());
        JsonNode j = CheckedJson.file(file, COLLARS);
        List<CollarTrim.Setting> out = new ArrayList<>();
        for (JsonNode s : j.get("settings")) {
            out.add(CheckedJson.read(name, "describe the settings as the schema asks", () -> new CollarTrim.Setting(LensJson.numbers(s.get("collars_deg")), LensJson.numbers(s.get("corners_lp_mm")))));
        }
        return new Collars(out, j.path("sigma_share").asDouble(USUAL_SHARPNESS));
    }

    /// @throws BadInput naming file and field
    public static List<LampLook.Seen> glints(Path file) {
        String name = String.valueOf(file.getFileName());
        JsonNode j = CheckedJson.file(file, GLINTS);
        List<LampLook.Seen> out = new ArrayList<>();
        for (JsonNode p : j.get("photos")) {
            out.add(CheckedJson.read(name, "describe the photos as the schema asks", () -> new LampLook.Seen(new Glints.Stand(p.get("lamp_mm").asDouble(), p.get("aside_mm").asDouble(), p.get("camera_mm").asDouble()), LensJson.numbers(p.get("shares")))));
        }
        return out;
    }

    /// A helicoid as it is described.
    /// @param trialsWanted whether the order of trials is asked for
    public record Helicoid(Optional<EntryFinder.Thread> outer, Optional<EntryFinder.Thread> inner, int keySlots, boolean trialsWanted, List<EntryFinder.Witness> marks) {
        public Helicoid {
            marks = List.copyOf(marks);
        }
    }

    /// @throws BadInput naming file and field
    public static Helicoid helicoid(Path file) {
        JsonNode j = CheckedJson.file(file, HELICOID);
        return CheckedJson.read(String.valueOf(file.getFileName()), "describe the threads as the schema asks",
                () -> new Helicoid(thread(j.path("outer")), thread(j.path("inner")), j.path("key_slots").asInt(1), j.path("trials_wanted").asBoolean(false), marks(j.path("witness_marks"))));
    }

    private static List<EntryFinder.Witness> marks(JsonNode array) {
        List<EntryFinder.Witness> out = new ArrayList<>();
        array.forEach(m -> out.add(new EntryFinder.Witness(EntryFinder.Witness.Where.valueOf(m.get("between").asString().toUpperCase(Locale.ROOT)), EntryFinder.Witness.Sort.valueOf(m.get("sort").asString().toUpperCase(Locale.ROOT)), m.get("hours").asDouble())));
        return out;
    }

    private static Optional<EntryFinder.Thread> thread(JsonNode t) {
        return t.isObject() ? Optional.of(new EntryFinder.Thread(t.get("lead_mm").asDouble(), t.get("starts").asInt(), t.get("hand").asString().equals("right"))) : Optional.empty();
    }

    /// Glasses and the lens they are to make.
    public record Glasses(List<LooseGlass> loose, OrderFinder.Wanted wanted) {
        public Glasses {
            loose = List.copyOf(loose);
        }
    }

    /// @throws BadInput naming file and field
    public static Glasses glasses(Path file) {
        String name = String.valueOf(file.getFileName());
        JsonNode j = CheckedJson.file(file, GLASSES);
        List<LooseGlass> loose = new ArrayList<>();
        int n = 0;
        for (JsonNode g : j.get("glasses")) {
            loose.add(CheckedJson.read(name, "measure the glass again: /glasses/" + n++, () -> glass(name, g)));
        }
        if (loose.stream().map(LooseGlass::id).distinct().count() < loose.size()) {
            throw new BadInput(name, "/glasses", "two of them have one id: give each its own");
        }
        boolean seats = j.has("seat_gaps_mm");
        double efl = j.get("efl_mm").asDouble();
        JsonNode within = j.path("tolerances");
        return new Glasses(loose, CheckedJson.read(name, "describe the lens as the schema asks", () -> new OrderFinder.Wanted(numbers(j.get(seats ? "seat_gaps_mm" : "gaps_mm")), seats, efl,
                within.path("efl_mm").asDouble(USUAL_SHARE * efl), j.has("back_focus_mm") ? OptionalDouble.of(j.get("back_focus_mm").asDouble()) : OptionalDouble.empty(),
                within.path("back_focus_mm").asDouble(USUAL_SHARE * efl), j.get("f_number").asDouble(), j.has("place_diameters_mm") ? numbers(j.get("place_diameters_mm")) : List.of())));
    }

    private static List<Double> numbers(JsonNode array) {
        List<Double> out = new ArrayList<>();
        array.forEach(v -> out.add(v.asDouble()));
        return out;
    }

    private static double radius(JsonNode r) {
        return r.isNull() ? Double.POSITIVE_INFINITY : r.asDouble();
    }

    private static LooseGlass glass(String file, JsonNode g) {
        String id = g.get("id").asString();
        double diameter = g.get("diameter_mm").asDouble();
        if (g.has("faces")) {
            List<Double> r = new ArrayList<>();
            List<Double> t = new ArrayList<>();
            List<Double> nd = new ArrayList<>();
            for (JsonNode f : g.get("faces")) {
                r.add(radius(f.get("r_mm")));
                if (f.has("thickness_mm") && f.has("nd")) {
                    t.add(f.get("thickness_mm").asDouble());
                    nd.add(f.get("nd").asDouble());
                }
            }
            if (t.size() != r.size() - 1) {
                throw new BadInput(file, id, "every face of a cemented group but the last has thickness_mm and nd of the glass behind it");
            }
            return new LooseGlass(id, r, t, nd, diameter);
        }
        double r1 = radius(g.get("r1_mm"));
        double r2 = radius(g.get("r2_mm"));
        double thickness = g.get("thickness_mm").asDouble();
        return g.has("nd") ? new LooseGlass(id, List.of(r1, r2), List.of(thickness), List.of(g.get("nd").asDouble()), diameter)
                : LooseGlass.ofFocalLength(id, r1, r2, thickness, diameter, g.get("focal_mm").asDouble());
    }
}

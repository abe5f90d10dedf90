package stillglass.book.data;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import stillglass.book.BadInput;
import stillglass.fault.EntryFinder;
import stillglass.fault.Observation;
import tools.jackson.databind.JsonNode;

/// What was measured on an assembly, and threads of helicoids, from JSON.
public final class FaultJson {
    private static final String OBSERVATIONS = "observations.schema.json";
    private static final String HELICOID = "helicoid.schema.json";

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
                o.path("sigma").asDouble(what.usualSigma(value)), o.path("plane").asString("best").equals("film"), o.path("at_m").asDouble(1));
    }

    /// A helicoid as it is described.
    /// @param trialsWanted whether the order of trials is asked for
    public record Helicoid(Optional<EntryFinder.Thread> outer, Optional<EntryFinder.Thread> inner, int keySlots, boolean trialsWanted) {}

    /// @throws BadInput naming file and field
    public static Helicoid helicoid(Path file) {
        JsonNode j = CheckedJson.file(file, HELICOID);
        return CheckedJson.read(String.valueOf(file.getFileName()), "describe the threads as the schema asks",
                () -> new Helicoid(thread(j.path("outer")), thread(j.path("inner")), j.path("key_slots").asInt(1), j.path("trials_wanted").asBoolean(false)));
    }

    private static Optional<EntryFinder.Thread> thread(JsonNode t) {
        return t.isObject() ? Optional.of(new EntryFinder.Thread(t.get("lead_mm").asDouble(), t.get("starts").asInt(), t.get("hand").asString().equals("right"))) : Optional.empty();
    }
}

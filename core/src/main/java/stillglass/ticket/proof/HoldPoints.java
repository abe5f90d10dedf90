package stillglass.ticket.proof;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.prove.measure.Streak;
import stillglass.say.Said;
import stillglass.ticket.joints.Closings;
import stillglass.ticket.joints.JointStory;
import stillglass.ticket.joints.Joints;
import stillglass.ticket.readings.Functions;
import stillglass.ticket.readings.Readings;
import stillglass.ticket.story.Phase;

/// A function that should be tried now, before more is closed over it.
///
/// Where a map says what is tried on a joint and what must be closed for it, that counts. Of an instrument nobody has mapped the names of what was just closed tell
/// which functions may have been touched; what cannot work while something is out is not asked for.
///
/// @param function as the list of functions calls it
/// @param joint whose closing calls for it; empty for a function that hangs on none
/// @param why it is tried now
public record HoldPoints(String function, Optional<String> joint, Said why) {
    /// Functions that words in a name speak of. A function is tried once what carries it is home.
    private static final Map<String, List<String>> SPOKEN_OF = Map.ofEntries(
            Map.entry("iris", List.of("iris", "stop-down lever")), Map.entry("aperture", List.of("iris", "iris clicks")), Map.entry("diaphragm", List.of("iris")),
            Map.entry("helicoid", List.of("feel")), Map.entry("focus", List.of("feel")), Map.entry("distance", List.of("feel")),
            Map.entry("cam", List.of("slow speeds", "fast speeds", "B")), Map.entry("speed", List.of("slow speeds", "fast speeds", "B")), Map.entry("escapement", List.of("slow speeds")),
            Map.entry("gear", List.of("slow speeds")), Map.entry("retard", List.of("slow speeds")), Map.entry("timer", List.of("self-timer")),
            Map.entry("cock", List.of("cocking", "release")), Map.entry("release", List.of("release")), Map.entry("sector", List.of("B", "release")),
            Map.entry("blade", List.of("B", "iris")), Map.entry("shutter", List.of("cocking", "release", "slow speeds", "fast speeds", "B")),
            Map.entry("wind", List.of("wind", "counter")), Map.entry("curtain", List.of("curtains", "fast speeds")), Map.entry("mirror", List.of("mirror")),
            Map.entry("mount", List.of("mount", "iris")), Map.entry("lock", List.of("mount")), Map.entry("zoom", List.of("zoom ring")), Map.entry("click", List.of("iris clicks")),
            Map.entry("finder", List.of("finder", "frame lines", "image")), Map.entry("door", List.of("door catch")), Map.entry("contact", List.of("flash contact")), Map.entry("synch", List.of("flash contact")),
            Map.entry("bellows", List.of("bellows")), Map.entry("rewind", List.of("rewind")));

    /// Functions to try now, those of the last closing first. A try counts from the closing on.
    public static List<HoldPoints> due(Readings readings, Joints joints, Instrument instrument) {
        Map<String, HoldPoints> out = new LinkedHashMap<>();
        for (Joint j : Closings.due(joints, instrument)) {
            String what = j.close().test().orElseThrow().what();
            boolean failed = joints.trial(j.id()).filter(t -> !t.passed()).isPresent();
            out.put(what, new HoldPoints(what, Optional.of(j.id()), Said.of(failed ? "hold.failed" : "hold.mapped", "joint", j.name())));
        }
        if (instrument.joints().stream().noneMatch(j -> j.close().test().isPresent())) {
            named(readings, joints, instrument, out);
        }
        sometimes(readings, joints).forEach((f, s) -> out.putIfAbsent(f, new HoldPoints(f, Optional.empty(), s)));
        return List.copyOf(out.values());
    }

    /// Where no map says what is tried: by the names of what was closed, the last first.
    private static void named(Readings readings, Joints joints, Instrument instrument, Map<String, HoldPoints> out) {
        Set<String> possible = new LinkedHashSet<>(Functions.of(instrument.sort()));
        List<String> closed = joints.order().stream().filter(id -> joints.story(id).closed() && !joints.story(id).loose())
                .sorted(Comparator.comparingLong((String id) -> joints.story(id).closing().done().orElse(0L)).reversed()).toList();
        for (String id : closed) {
            Optional<Joint> joint = instrument.joint(id);
            for (String f : functions(joint.map(Joint::name).orElse(""))) {
                if (possible.contains(f) && !out.containsKey(f) && !hidden(f, joints, instrument) && !triedSince(f, joints.story(id), readings, joints)) {
                    out.put(f, new HoldPoints(f, Optional.of(id), Said.of("hold.named", "joint", joint.orElseThrow().name())));
                }
            }
        }
    }

    /// Functions that failed now and then on arrival and were not tried often enough since.
    static Map<String, Said> sometimes(Readings readings, Joints joints) {
        Map<String, Said> out = new LinkedHashMap<>();
        for (String f : readings.checks(Phase.BEFORE).keySet()) {
            Optional<Streak> streak = readings.sometimes(f);
            int good = readings.goodInARow(f, joints.lastOpened());
            streak.filter(s -> good > 0 && good < s.needed()).ifPresent(s -> out.put(f, Said.of("hold.streak", "check", f, "good", good, "needed", s.needed(), "failed", s.failed(), "of", s.of())));
        }
        return out;
    }

    /// Functions that words in a name speak of.
    static Set<String> functions(String name) {
        Set<String> out = new LinkedHashSet<>();
        List<String> words = List.of(name.toLowerCase(Locale.ROOT).split("[^\\p{L}]+"));
        for (String w : words) {
            SPOKEN_OF.forEach((key, functions) -> {
                if (w.startsWith(key)) {
                    out.addAll(functions);
                }
            });
        }
        return out;
    }

    /// Whether something that the function is spoken of with is still open: it cannot work yet.
    private static boolean hidden(String function, Joints joints, Instrument instrument) {
        return joints.openNow().stream().flatMap(id -> instrument.joint(id).stream()).anyMatch(j -> functions(j.name()).contains(function));
    }

    private static boolean triedSince(String function, JointStory story, Readings readings, Joints joints) {
        long since = story.closing().done().orElse(0L);
        return readings.tries().stream().anyMatch(t -> t.key().check().equals(function) && t.check().seq() > since)
                || joints.trials().stream().anyMatch(t -> t.function().equalsIgnoreCase(function) && t.seq() > since);
    }
}

package stillglass.ticket;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.plan.Goal;
import stillglass.say.Said;
import stillglass.ticket.condition.ConditionEvent;
import stillglass.ticket.readings.Behaves;
import stillglass.ticket.readings.Readings;
import stillglass.ticket.story.Phase;

/// What a complaint, a function that is not free, or a flaw of what is not glass leads to without any photo: what must be reached, and why. Rules of the trade; where the model has a map
/// they name its parts, where it has none they still say what to look for.
///
/// @param why in a sentence
/// @param goals as [Goal#read] reads them; empty where no map tells
public record Lead(Said why, List<String> goals) {
    private static final String LOOK = "lead.haze";
    private static final Set<Behaves> DRAGS = Set.of(Behaves.SLOW, Behaves.DRY, Behaves.GRITTY, Behaves.STIFF, Behaves.STUCK, Behaves.SOMETIMES);
    private static final Set<Behaves> FAILS = Set.of(Behaves.SLOW, Behaves.DRY, Behaves.GRITTY, Behaves.STIFF, Behaves.STUCK, Behaves.DEAD, Behaves.OFF, Behaves.SOMETIMES);
    private static final Set<Behaves> PLAY = Set.of(Behaves.LOOSE);

    private static final List<Rule> RULES = List.of(
            new Rule("lead.wet", "(?:under |salt |in the )?water|(?:in|into) the (?:sea|river|lake)|rain|drowned|soaked|wet (?:camera|body|through)", Set.of(), true, Set.of(), ""),
            new Rule("lead.seals", "foam|seals?|light leaks?|crumb", FAILS, true, Set.of(), "seal|foam"),
            new Rule("lead.timer", "self.?timer|timer", FAILS, false, Set.of(), "timer"),
            new Rule("lead.slow", "slow speeds?|escapement|1 s|1/2|1/4|1/8|1/15", FAILS, false, Set.of(), "escapement|slow|retard"),
            new Rule("lead.iris", "iris|diaphragm|aperture|stop.?down", FAILS, false, Set.of(Part.Kind.BLADES), "iris|diaphragm"),
            new Rule("lead.zoom.loose", "zoom", PLAY, false, Set.of(), "follower|roller"),
            new Rule("lead.zoom", "zoom", DRAGS, false, Set.of(), "cam|zoom"),
            new Rule("lead.focus.loose", "focus|feel|helicoid", PLAY, false, Set.of(Part.Kind.KEY), "focus key"),
            new Rule("lead.focus", "focus|feel|helicoid", DRAGS, false, Set.of(Part.Kind.HELICOID), "helicoid"),
            new Rule("lead.mirror", "mirror", FAILS, false, Set.of(Part.Kind.MIRROR), "mirror"),
            new Rule("lead.wind", "wind|counter|rewind|transport|double.exposure", FAILS, false, Set.of(), "wind|counter"),
            new Rule("lead.finder", "finder|range.?finder|frame lines|patch", FAILS, true, Set.of(Part.Kind.PRISM), "finder|prism"),
            new Rule("lead.contact", "flash|contact|meter|battery", FAILS, false, Set.of(), "contact|battery"),
            new Rule("lead.shutter", "shutter|release|blades|curtains?|fast speeds?|cocking|\\bb\\b|\\bt\\b|fires?", FAILS, false, Set.of(Part.Kind.SHUTTER), "shutter"),
            new Rule(LOOK, "milky|haz[ey]|flare|flat|fungus|fog|cloud|spots?|soft|dust", Set.of(), true, Set.of(), ""));

    /// @param about words of the function or complaint
    /// @param how it must behave; empty for any
    /// @param alone whether the words of a complaint are enough without saying how it behaves
    /// @param kinds of part that are reached
    /// @param names words in the names of parts that are reached, none where nothing is
    private record Rule(String key, Pattern about, Set<Behaves> how, boolean alone, Set<Part.Kind> kinds, Optional<Pattern> names) {
        Rule(String key, String about, Set<Behaves> how, boolean alone, Set<Part.Kind> kinds, String names) {
            this(key, Pattern.compile("\\b(?:" + about + ")", Pattern.CASE_INSENSITIVE), how, alone, kinds,
                    names.isEmpty() ? Optional.empty() : Optional.of(Pattern.compile("\\b(?:" + names + ")", Pattern.CASE_INSENSITIVE)));
        }

        boolean speaksOf(String words, Optional<Behaves> found, boolean complaint) {
            boolean fits = found.map(h -> how.isEmpty() || how.contains(h)).orElse(false) || complaint && alone && found.filter(h -> h == Behaves.FREE).isEmpty();
            return fits && about.matcher(words).find();
        }

        List<String> goals(Instrument i) {
            Set<String> all = new LinkedHashSet<>();
            if (key.equals("lead.focus")) {
                i.joints().stream().filter(j -> j.close().greased()).map(Joint::frees).filter(f -> !f.isEmpty()).map(List::getFirst).forEach(all::add);
            }
            if (all.isEmpty()) {
                all.addAll(Goal.partsOf(i, kinds, names));
            }
            return List.copyOf(all);
        }
    }

    public Lead {
        goals = List.copyOf(goals);
    }

    /// In the order they came: complaints first. One rule speaks once.
    public static List<Lead> of(TicketState state, Instrument instrument) {
        Map<String, Lead> all = new LinkedHashMap<>();
        // Whoever has looked need not be told to.
        boolean looked = !state.glass().findings().isEmpty();
        for (String complaint : state.arrival().symptoms()) {
            Optional<Behaves> how = Behaves.in(complaint);
            matching(complaint, how, true).ifPresent(r -> all.putIfAbsent(r.key, lead(r, Said.of("lead.complaint", "complaint", complaint), instrument)));
        }
        for (Map.Entry<Readings.Key, Readings.Check> c : state.readings().checks().entrySet()) {
            if (c.getKey().phase() == Phase.BEFORE && c.getValue().how().isPresent() && !c.getValue().free()) {
                Said because = Said.of("lead.because", "function", c.getKey().check(), "found", c.getValue().found());
                matching(c.getKey().check(), c.getValue().how(), false).ifPresent(r -> all.putIfAbsent(r.key, lead(r, because, instrument)));
            }
        }
        for (ConditionEvent.FlawFound f : state.condition().all(Phase.BEFORE)) {
            if (f.flaw().worthOpening(f.extent())) {
                Said because = Said.of("lead.condition", "place", f.place().said(), "found", f.said());
                all.put("lead." + f.place().word() + "." + f.flaw().word(), new Lead(Said.of("lead.flaw", "because", because, "cure", f.flaw().cure()), f.place().goals(instrument)));
            }
        }
        if (state.arrival().wet().isPresent()) {
            // What to do first is said with more than a complaint knows.
            all.remove("lead.wet");
        }
        if (looked) {
            all.remove(LOOK);
        }
        return new ArrayList<>(all.values());
    }

    private static Optional<Rule> matching(String words, Optional<Behaves> how, boolean complaint) {
        return RULES.stream().filter(r -> r.speaksOf(words.toLowerCase(Locale.ROOT), how, complaint)).findFirst();
    }

    private static Lead lead(Rule r, Said because, Instrument instrument) {
        return new Lead(Said.of(r.key, "because", because), r.goals(instrument));
    }
}

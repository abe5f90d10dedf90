package stillglass.ticket.proof;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.fault.Sign;
import stillglass.fault.SlipEffect;
import stillglass.fault.Suspicion;
import stillglass.optics.LensSection;
import stillglass.optics.misassembly.LensFault;
import stillglass.prove.measure.Quantity;
import stillglass.say.Said;
import stillglass.ticket.facts.Clocked;
import stillglass.ticket.facts.Facing;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.facts.LetGo;
import stillglass.ticket.facts.Mark;
import stillglass.ticket.facts.Screw;
import stillglass.ticket.facts.Sided;
import stillglass.ticket.facts.Spring;
import stillglass.ticket.facts.ThreadSeen;
import stillglass.ticket.joints.Joints;
import stillglass.ticket.joints.ShimStack;
import stillglass.ticket.readings.Functions;
import stillglass.ticket.readings.Readings;
import stillglass.ticket.story.Phase;

/// Slips of a rebuild that nothing would show: every single one that what was opened allows, against the record, and against the tests that were made or are due.
///
/// A slip the record asks about when its joint is closed (which face is front, which shims, where the thread let go) does not stay silent. What a test would show of the others is traced where
/// the section is known, else taken from what such faults do to lenses (docs/methods/assembly-faults.md); for what is no glass it is judgement.
///
/// @param all slips that could be made
/// @param silent those that neither the record nor a test would show
/// @param tests fewest further tests that show as many of them as tests can
/// @param shown how many of the silent ones those tests show
public record SilentSlips(List<Slip> all, List<Slip> silent, List<String> tests, int shown) {
    private static final double SHOWS = 0.5;
    private static final double INFINITY_SEEN_MM = 0.06;
    private static final double SEEN = 0.93;
    private static final double MISSED = 0.05;
    private static final double FUNCTION = 0.7;
    private static final double RIMS_MM = 1.5;
    private static final int MOST_TESTS = 12;
    private static final String INFINITY = "infinity";
    private static final double INFINITY_MINUTES = 4;
    private static final double FUNCTION_MINUTES = 1;

    /// @param said what it would be
    /// @param shownBy tests that may show it, with how likely they do
    /// @param recorded whether the record asks about it
    public record Slip(Said said, Map<String, Double> shownBy, boolean recorded) {
        public Slip {
            shownBy = Map.copyOf(shownBy);
        }

        boolean shows(String test) {
            return shownBy.getOrDefault(test, 0.0) >= SHOWS;
        }
    }

    public SilentSlips {
        all = List.copyOf(all);
        silent = List.copyOf(silent);
        tests = List.copyOf(tests);
    }

    public static SilentSlips of(Readings readings, Joints joints, Instrument instrument, Optional<LensSection> section) {
        return of(readings, joints, instrument, section, new HashMap<>());
    }

    /// @param traced what slips of this section were traced to look like; those that are missing are added
    public static SilentSlips of(Readings readings, Joints joints, Instrument instrument, Optional<LensSection> section, Map<LensFault, Optional<SlipEffect>> traced) {
        List<Slip> all = new Slips(joints, instrument, section, traced).all();
        Set<String> made = made(readings, joints, instrument);
        List<Slip> silent = all.stream().filter(s -> !s.recorded && made.stream().noneMatch(s::shows)).toList();
        List<String> tests = fewest(silent);
        return new SilentSlips(all, silent, tests, (int) silent.stream().filter(s -> tests.stream().anyMatch(s::shows)).count());
    }

    /// Tests that count: tried or measured since the last opening, or due.
    private static Set<String> made(Readings readings, Joints joints, Instrument instrument) {
        Set<String> out = new LinkedHashSet<>();
        readings.tries().stream().filter(t -> t.key().phase() == Phase.AFTER && t.check().seq() > joints.lastOpened()).forEach(t -> out.add(t.key().check()));
        HoldPoints.due(readings, joints, instrument).forEach(h -> out.add(h.function()));
        Proof.infinity(readings, joints).ifPresent(i -> out.add(INFINITY));
        if (readings.all().stream().anyMatch(m -> m.read().phase() == Phase.AFTER && m.read().quantity() == Quantity.SHARPNESS && m.seq() > joints.lastOpened())) {
            out.addAll(List.of(Sign.MIDDLE.function(), Sign.EDGES.function(), Sign.CORNERS.function()));
        }
        return out;
    }

    /// Of all sets of tests the one that shows most; of those the one of fewest minutes.
    private static List<String> fewest(List<Slip> silent) {
        List<String> tests = silent.stream().flatMap(s -> s.shownBy.keySet().stream().filter(s::shows)).distinct().sorted(Comparator.comparingLong((String t) -> -silent.stream().filter(s -> s.shows(t)).count())).limit(MOST_TESTS).toList();
        int best = 0;
        double bestWorth = 0;
        for (int set = 1; set < 1 << tests.size(); set++) {
            int in = set;
            List<String> chosen = IntStream.range(0, tests.size()).filter(i -> (in >> i & 1) == 1).mapToObj(tests::get).toList();
            long shown = silent.stream().filter(s -> chosen.stream().anyMatch(s::shows)).count();
            double worth = shown - 1e-3 * chosen.stream().mapToDouble(SilentSlips::minutes).sum();
            if (worth > bestWorth) {
                bestWorth = worth;
                best = set;
            }
        }
        int chosen = best;
        return IntStream.range(0, tests.size()).filter(i -> (chosen >> i & 1) == 1).mapToObj(tests::get).toList();
    }

    private static double minutes(String test) {
        return test.equals(INFINITY) ? INFINITY_MINUTES : Arrays.stream(Sign.values()).filter(s -> s.function().equals(test)).findFirst().map(Sign::minutes).orElse(FUNCTION_MINUTES);
    }

    /// All that could be done wrong with what was opened.
    private record Slips(Joints joints, Instrument instrument, Optional<LensSection> section, Map<LensFault, Optional<SlipEffect>> traced) {
        List<Slip> all() {
            List<Slip> out = new ArrayList<>();
            List<Part> glasses = new ArrayList<>();
            List<Part> spacers = new ArrayList<>();
            List<Spring> springs = new ArrayList<>();
            for (String id : joints.order()) {
                Optional<Joint> joint = instrument.joint(id).filter(j -> joints.story(id).everOpened());
                if (joint.isEmpty()) {
                    continue;
                }
                List<Fact> facts = joints.facts(id);
                List<Part> freed = joint.get().frees().stream().flatMap(p -> instrument.part(p).stream()).toList();
                freed.forEach(p -> turned(p, facts).ifPresent(out::add));
                freed.stream().filter(p -> NamedGlass.is(p) || p.kind() == Part.Kind.CELL).forEach(glasses::add);
                freed.stream().filter(p -> p.kind() == Part.Kind.SPACER).forEach(spacers::add);
                facts.stream().filter(Spring.class::isInstance).map(Spring.class::cast).forEach(springs::add);
                out.addAll(ofJoint(joint.get(), facts, freed));
            }
            pairs(glasses).forEach(p -> out.add(slip(Said.of("slip.swap", "one", p.getFirst().name(), "other", p.getLast().name()), glass(p, true), false)));
            pairs(spacers).forEach(p -> out.add(slip(Said.of("slip.swap", "one", p.getFirst().name(), "other", p.getLast().name()), table(Suspicion.Kind.SPACER), false)));
            if (springs.size() > 1) {
                boolean told = springs.stream().map(s -> List.of(s.wireMm(), s.lengthMm(), s.coils())).distinct().count() == springs.size();
                out.add(slip(Said.of("slip.springs", "count", springs.size()), Map.of(), told));
            }
            ShimStack.of(joints, instrument).stream().filter(s -> s.found().isEmpty() && s.fitted().isEmpty() && instrument.part(s.place()).filter(p -> joints.order().stream().flatMap(id -> instrument.joint(id).stream()).anyMatch(j -> joints.story(j.id()).everOpened() && j.frees().contains(p.id()))).isPresent())
                    .forEach(s -> out.add(slip(Said.of("slip.shim", "place", instrument.part(s.place()).map(Part::name).orElse(s.place())), table(Suspicion.Kind.SHIM), false)));
            return out;
        }

        private static Slip slip(Said said, Map<String, Double> shownBy, boolean recorded) {
            return new Slip(said, shownBy, recorded);
        }

        private Optional<Slip> turned(Part p, List<Fact> facts) {
            boolean glass = NamedGlass.is(p);
            boolean spacer = p.kind() == Part.Kind.SPACER;
            if (!glass && !spacer && !p.facingMatters()) {
                return Optional.empty();
            }
            boolean known = facts.stream().anyMatch(f -> f instanceof Facing x && (x.part().equals(p.id()) || x.part().equalsIgnoreCase(p.name()) || p.element().filter(x.part()::equals).isPresent()) || f instanceof Sided || f instanceof Mark);
            Map<String, Double> shown = glass ? glass(List.of(p), false) : spacer ? table(Suspicion.Kind.SPACER) : functions(p.name());
            return Optional.of(slip(Said.of("slip.turned", "part", p.name()), shown, known));
        }

        private List<Slip> ofJoint(Joint j, List<Fact> facts, List<Part> freed) {
            List<Slip> out = new ArrayList<>();
            boolean marked = facts.stream().anyMatch(f -> f instanceof Mark || f instanceof Clocked);
            ThreadSeen.of(j, facts).filter(t -> t.starts().orElse(1) > 1).ifPresent(t -> out.add(slip(Said.of("slip.entry", "joint", j.name()),
                    Map.of(INFINITY, ThreadTravel.factor(j, instrument, section).orElse(1) * t.leadMm() / t.starts().orElse(2) > INFINITY_SEEN_MM ? 1.0 : MISSED), marked || facts.stream().anyMatch(LetGo.class::isInstance))));
            if (j.hold() instanceof Hold.Screws || j.hold() instanceof Hold.Noted n && n.word().startsWith("screw")) {
                if (facts.stream().noneMatch(f -> f instanceof Screw s && s.lengthMm().isPresent())) {
                    out.add(slip(Said.of("slip.screws", "joint", j.name()), Map.of(), false));
                }
                freed.stream().filter(p -> p.kind() != Part.Kind.COVER && p.kind() != Part.Kind.COVERING).findFirst().ifPresent(p -> out.add(slip(Said.of("slip.hole", "part", p.name()), functions(j.name() + " " + p.name()), marked)));
            }
            return out;
        }

        private Map<String, Double> functions(String names) {
            Map<String, Double> out = new HashMap<>();
            List<String> possible = Functions.of(instrument.sort());
            HoldPoints.functions(names).stream().filter(possible::contains).forEach(f -> out.put(f, FUNCTION));
            return out;
        }

        /// Traced where the section knows the glasses, else what such slips do to lenses.
        private Map<String, Double> glass(List<Part> parts, boolean swapped) {
            Optional<SlipEffect> effect = section.flatMap(l -> fault(parts, l).flatMap(f -> traced.computeIfAbsent(f, x -> SlipEffect.of(l, x))));
            if (effect.isEmpty()) {
                return table(swapped ? Suspicion.Kind.SWAPPED : Suspicion.Kind.REVERSED);
            }
            Map<String, Double> out = new HashMap<>();
            out.put(INFINITY, Math.abs(effect.get().infinityMm().orElse(99)) > INFINITY_SEEN_MM ? 1.0 : MISSED);
            effect.get().right().forEach((s, fine) -> out.put(s.function(), fine ? MISSED : SEEN));
            return out;
        }

        private static Optional<LensFault> fault(List<Part> parts, LensSection l) {
            List<List<String>> groups = parts.stream().map(p -> p.element().flatMap(l::element).map(e -> l.elements().stream().filter(x -> x.group().equals(e.group())).map(x -> x.name()).toList()).orElse(List.of())).toList();
            if (groups.stream().anyMatch(List::isEmpty) || groups.size() == 2 && groups.getFirst().equals(groups.getLast())) {
                return Optional.empty();
            }
            return Optional.of(groups.size() == 1 ? new LensFault.Reversed(groups.getFirst()) : new LensFault.Swapped(groups.getFirst(), groups.getLast()));
        }

        private static Map<String, Double> table(Suspicion.Kind kind) {
            Map<String, Double> out = new LinkedHashMap<>();
            out.put(INFINITY, kind.movesBeyond(INFINITY_SEEN_MM));
            for (Sign s : Sign.values()) {
                out.put(s.function(), 1 - kind.right(s));
            }
            return out;
        }

        private static List<List<Part>> pairs(List<Part> of) {
            List<List<Part>> out = new ArrayList<>();
            for (int a = 0; a < of.size(); a++) {
                for (int b = a + 1; b < of.size(); b++) {
                    if (fits(of.get(a), of.get(b))) {
                        out.add(List.of(of.get(a), of.get(b)));
                    }
                }
            }
            return out;
        }

        /// Rims that differ do not fit each other's seat; of parts nobody measured it is not known.
        private static boolean fits(Part a, Part b) {
            double one = a.profile().stream().mapToDouble(Part.Profile::outerRadiusMm).max().orElse(0);
            double other = b.profile().stream().mapToDouble(Part.Profile::outerRadiusMm).max().orElse(0);
            return one == 0 || other == 0 || Math.abs(one - other) < RIMS_MM;
        }
    }
}

package stillglass.ticket;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Stream;
import stillglass.assembly.Instrument;
import stillglass.care.Bump;
import stillglass.grade.Advice;
import stillglass.grade.Grader;
import stillglass.grade.OwnersUse;
import stillglass.look.FindingKind;
import stillglass.optics.LensSection;
import stillglass.optics.misassembly.LensFault;
import stillglass.optics.sharpness.AssemblyEffect;
import stillglass.plan.Goal;
import stillglass.plan.MetalPairs;
import stillglass.plan.PlanCost;
import stillglass.plan.WayIn;
import stillglass.prove.InfinityShims;
import stillglass.say.Said;
import stillglass.ticket.condition.ConditionEvent;
import stillglass.ticket.condition.Flaw;
import stillglass.ticket.glass.Called;
import stillglass.ticket.glass.Known;
import stillglass.ticket.joints.ShimStack;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.readings.Readings;
import stillglass.ticket.story.Phase;

/// What to do with the whole instrument: the goals worth opening for, what that costs, and why.
///
/// @param act the strongest advice among the findings, or to clean when a control wants grease
/// @param goals as [Goal#parse] reads them
/// @param plan the best way to all of them, empty when there is no map or nothing to reach
/// @param reasons in order of weight
public record Recommendation(Advice.Act act, List<String> goals, Optional<WayIn.Plan> plan, List<Said> reasons) {
    private static final Set<FindingKind> WIPES_OFF = Set.of(FindingKind.DUST, FindingKind.HAZE, FindingKind.OIL);
    /// Severity by the photo alone from which a fault that wipes off is worth opening for.
    private static final int WORTH_OPENING = 2;

    public Recommendation {
        goals = List.copyOf(goals);
        // Several findings of a kind on one surface are one reason.
        reasons = reasons.stream().distinct().toList();
    }

    /// @param assessments findings traced through the section; none where no section is known
    /// @param assembly what a wrong assembly does, when one was found
    public static Recommendation of(
            TicketState state, List<Assessment> assessments, Optional<AssemblyEffect> assembly, Optional<LensSection> section, Instrument instrument) {
        Set<String> goals = new LinkedHashSet<>();
        List<Said> reasons = new ArrayList<>();
        Set<String> reassembly = new LinkedHashSet<>();
        assembly.ifPresent(a -> {
            a.faults().stream().flatMap(f -> glasses(f).stream())
                    .flatMap(e -> instrument.partOfElement(e).stream())
                    .filter(p -> !new Goal.ReachPart(p.id()).doors(instrument).isEmpty())
                    .forEach(p -> reassembly.add(p.id()));
            reasons.add(Said.of("advise.put-right", "faults", Said.commas(a.faults().stream().map(LensFault::said).toList()), "effect", a.sentence()));
        });
        boolean refer = false;
        for (Assessment a : assessments) {
            Said what = Said.of("advise.finding", "kind", Called.of(a.known(), section).fault(), "surface", section.map(l -> l.surfaceName(a.surface())).orElse(""));
            switch (a.advice().act()) {
                case CLEAN -> {
                    goals.add("S" + (a.surface() + 1));
                    reasons.add(Said.of("advise.clean", "what", what, "grade", a.standingGrade()));
                }
                case REFER -> {
                    refer = true;
                    reasons.add(Said.of("advise.refer", "what", what));
                }
                case LOOK_AGAIN -> reasons.add(again(a.known(), section.map(l -> l.surfaceName(a.surface()))));
                case LEAVE, PUT_RIGHT -> reasons.add(Said.of("advise.leave", "what", what, "grade", a.standingGrade()));
            }
        }
        if (!assessments.isEmpty()) {
            OwnersUse.of(state.arrival().use()).said().ifPresent(reasons::add);
        }
        Optional<Wet> wet = Wet.of(state);
        wet.ifPresent(w -> {
            reasons.add(w.got().said());
            reasons.addAll(w.got().water().acts(OptionalDouble.empty(), w.got().on()));
        });
        List<Lead> leads = Lead.of(state, instrument);
        leads.forEach(l -> {
            goals.addAll(l.goals());
            reasons.add(l.why());
        });
        flaws(state, reasons);
        reasons.addAll(MetalPairs.said(Corroding.of(state, instrument)));
        state.condition().bumps().keySet().forEach(b -> reasons.add(state.condition().bump(b).getFirst()));
        section.ifPresent(lens -> state.readings().infinity(Phase.BEFORE).map(Readings.Infinity::read).ifPresent(m -> infinity(m, lens, state, instrument, goals, reasons)));
        // Without its optics nothing says what a finding does to a picture; that it is there is known all the same.
        List<Known> unweighed = section.isPresent() ? List.of() : state.glass().findings();
        unweighed.stream().filter(k -> k.severity().filter(s -> s == 0).isEmpty() && k.mayBe() != FindingKind.UNKNOWN).forEach(k -> reasons.add(unweighed(k)));
        boolean worth = unweighed.stream().filter(k -> !k.doubtful()).map(Known::finding).anyMatch(f -> f.kind() == FindingKind.FUNGUS || WIPES_OFF.contains(f.kind()) && f.severity() >= WORTH_OPENING);
        boolean lifts = state.condition().bumps().keySet().stream().anyMatch(b -> state.condition().judged(b).verdict() == Bump.Verdict.LIFT);
        boolean cleaning = lifts || wet.isPresent() || !goals.isEmpty() || !leads.isEmpty() || worth;
        Set<String> all = new LinkedHashSet<>(reassembly);
        all.addAll(goals);
        Optional<WayIn.Plan> plan = all.isEmpty()
                ? Optional.empty()
                : WayIn.plan(instrument, all.stream().map(g -> Goal.parse(g, instrument, section)).toList(), Set.of(), Set.of(), PlanCost.USUAL);
        plan.ifPresent(p -> reasons.add(Said.of("advise.effort", "hours", 2 * p.minutes() / 60, "risk", 100 * p.risk(), "turns", p.turnOvers())));
        Advice.Act act = cleaning ? Advice.Act.CLEAN
                : assembly.isPresent() ? Advice.Act.PUT_RIGHT : refer ? Advice.Act.REFER : Advice.Act.LEAVE;
        reasons.addAll(Clues.of(state, instrument, section));
        section.filter(l -> l.basis().estimate()).ifPresent(l -> reasons.add(Said.of("advise.estimate", "basis", l.basis().word())));
        if (reasons.isEmpty()) {
            reasons.add(Said.of("advise.nothing"));
        }
        return new Recommendation(act, List.copyOf(all), plan, reasons);
    }

    /// What has no kind has no severity either, and is to be looked at again as what it may be.
    private static Said unweighed(Known k) {
        return k.doubtful() || k.severity().isEmpty() ? again(k, Optional.empty()) : Said.of("advise.unweighed", "kind", Called.of(k, Optional.empty()).fault(), "severity", k.finding().severity());
    }

    /// That it may be nothing, and what would tell. Where the lamp stands changes what is nothing, but not haze, which is everywhere.
    private static Said again(Known k, Optional<String> surface) {
        Said what = surface.map(s -> Said.of("advise.finding", "kind", word(k.mayBe()), "surface", s)).orElseGet(() -> Said.of("advise.kind", "kind", word(k.mayBe())));
        return Said.of(k.mayBe() == FindingKind.HAZE ? "advise.look-again.haze" : "advise.look-again", "what", what, "percent", 100 * k.nothing());
    }

    private static String word(FindingKind kind) {
        return kind.word().replace('-', ' ');
    }

    /// What stays as it is beside the glass, and what tells of others who were here before.
    private static void flaws(TicketState state, List<Said> reasons) {
        List<ConditionEvent.FlawFound> rest = state.condition().all(Phase.BEFORE).stream().filter(f -> !f.flaw().worthOpening(f.extent())).toList();
        rest.stream().filter(f -> f.flaw() == Flaw.TOOL_MARKS).findFirst()
                .ifPresent(f -> reasons.add(Said.of("lead.flaw", "because", Said.of("lead.condition", "place", f.place().said(), "found", f.said()), "cure", f.flaw().cure())));
        for (boolean told : new boolean[] {true, false}) {
            List<Said> some = rest.stream().filter(f -> f.flaw() != Flaw.TOOL_MARKS && f.extent().isPresent() == told).map(ConditionEvent.FlawFound::saidWhere).toList();
            if (!some.isEmpty()) {
                reasons.add(Said.of(told ? "advise.flaws.left" : "advise.flaws.how-far", "flaws", Said.commas(some)));
            }
        }
    }

    /// Infinity that is farther off than the widest stop hides asks for the shims that move it.
    private static void infinity(ReadingEvent.InfinityMeasured m, LensSection lens, TicketState state, Instrument instrument, Set<String> goals, List<Said> reasons) {
        double hidden = InfinityShims.hiddenMm(lens.fNumber(), InfinityShims.SMALL_FORMAT_CIRCLE_MM);
        if (Math.abs(m.errorMm()) > hidden) {
            ShimStack.ofInfinity(state.joints(), instrument).map(ShimStack::place).flatMap(instrument::part).ifPresent(p -> {
                goals.add(p.id());
                reasons.add(Said.of("advise.infinity", "mm", m.errorMm(), "stop", Grader.stop(lens.fNumber()), "hidden", hidden));
            });
        }
    }

    /// The glasses that must come out to put a fault right.
    private static List<String> glasses(LensFault fault) {
        return switch (fault) {
            case LensFault.Reversed r -> r.elements();
            case LensFault.Swapped s -> Stream.concat(s.one().stream(), s.other().stream()).toList();
            case LensFault.Unseated u -> u.elements();
            case LensFault.Decentred d -> d.elements();
            case LensFault.PlateBehind p -> List.of();
            case LensFault.GapChanged g -> List.of();
            case LensFault.SpacerMissing s -> List.of();
            case LensFault.SpacerReversed s -> List.of();
            case LensFault.SpacersSwapped s -> List.of();
            case LensFault.ShimMissing s -> List.of();
            case LensFault.ShimDoubled s -> List.of();
            case LensFault.FrontCellEntry f -> List.of();
        };
    }
}

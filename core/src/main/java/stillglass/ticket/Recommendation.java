package stillglass.ticket;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.grade.Advice;
import stillglass.grade.Grader;
import stillglass.optics.LensSection;
import stillglass.optics.misassembly.LensFault;
import stillglass.optics.sharpness.AssemblyEffect;
import stillglass.plan.Goal;
import stillglass.plan.PlanCost;
import stillglass.plan.WayIn;
import stillglass.prove.InfinityShims;

/// What to do with the whole instrument: the goals worth opening for, what that costs, and why.
///
/// @param act the strongest advice among the findings, or to clean when a control wants grease
/// @param goals as [Goal#parse] reads them
/// @param plan the best way to all of them, empty when there is no map or nothing to reach
/// @param reasons in order of weight, each a sentence
public record Recommendation(Advice.Act act, List<String> goals, Optional<WayIn.Plan> plan, List<String> reasons) {
    /// Words in the function check of the feel that ask for fresh grease.
    private static final Pattern WANTS_GREASE =
            Pattern.compile("\\b(dry|stiff|heavy|gritty|scrap|rough|sticky)", Pattern.CASE_INSENSITIVE);

    public Recommendation {
        goals = List.copyOf(goals);
        reasons = List.copyOf(reasons);
    }

    /// @param assembly what a wrong assembly does, when one was found
    public static Recommendation of(
            TicketState state, List<Assessment> assessments, Optional<AssemblyEffect> assembly, LensSection section, Instrument instrument) {
        Set<String> goals = new LinkedHashSet<>();
        List<String> reasons = new ArrayList<>();
        Set<String> reassembly = new LinkedHashSet<>();
        assembly.ifPresent(a -> {
            a.faults().stream().flatMap(f -> glasses(f).stream())
                    .flatMap(e -> instrument.partOfElement(e).stream())
                    .filter(p -> !new Goal.ReachPart(p.id()).doors(instrument).isEmpty())
                    .forEach(p -> reassembly.add(p.id()));
            reasons.add("Put right first: " + String.join("; ", a.faults().stream().map(LensFault::toString).toList()) + ": " + a.sentence() + ".");
        });
        boolean refer = false;
        for (Assessment a : assessments) {
            String what = a.known().finding().kind().word().replace('-', ' ') + " on the " + section.surfaceName(a.surface());
            switch (a.advice().act()) {
                case CLEAN -> {
                    goals.add("S" + (a.surface() + 1));
                    reasons.add(String.format(Locale.ROOT, "Clean the %s: grade %d.", what, a.standingGrade()));
                }
                case REFER -> {
                    refer = true;
                    reasons.add("Cleaning cannot cure the " + what + ": disclose it, or refer the glass.");
                }
                case LEAVE, PUT_RIGHT -> reasons.add(String.format(
                        Locale.ROOT, "Leave the %s: grade %d is not worth the way in by itself.", what, a.standingGrade()));
            }
        }
        state.check(Phase.BEFORE, "feel").filter(feel -> WANTS_GREASE.matcher(feel).find()).ifPresent(feel -> {
            List<Joint> greased = instrument.joints().stream().filter(j -> j.close().greased()).toList();
            greased.forEach(j -> j.frees().stream().findFirst().ifPresent(goals::add));
            if (!greased.isEmpty()) {
                reasons.add("The focus feels \"" + feel + "\": take the helicoid apart, degrease it and grease it afresh.");
            }
        });
        state.infinity(Phase.BEFORE).ifPresent(m -> {
            double hidden = InfinityShims.hiddenMm(section.fNumber(), InfinityShims.SMALL_FORMAT_CIRCLE_MM);
            instrument.parts().stream()
                    .filter(p -> p.kind() == Part.Kind.SHIM && Math.abs(m.errorMm()) > hidden)
                    .findFirst()
                    .ifPresent(p -> {
                        goals.add(p.id());
                        reasons.add(String.format(Locale.ROOT, "Infinity lies %.3f mm off, f/%s hides %.3f mm: reach the shims.",
                                m.errorMm(), Grader.stop(section.fNumber()), hidden));
                    });
        });
        boolean cleaning = !goals.isEmpty();
        Set<String> all = new LinkedHashSet<>(reassembly);
        all.addAll(goals);
        Optional<WayIn.Plan> plan = all.isEmpty()
                ? Optional.empty()
                : WayIn.plan(instrument, all.stream()
                        .map(g -> Goal.parse(g, instrument, Optional.of(section)))
                        .toList(), Set.of(), Set.of(), PlanCost.USUAL);
        plan.ifPresent(p -> reasons.add(String.format(Locale.ROOT,
                "In and back about %.1f h, risk of damage %.1f %%, %d turn-overs.",
                2 * p.minutes() / 60, 100 * p.risk(), p.turnOvers())));
        Advice.Act act = cleaning ? Advice.Act.CLEAN
                : assembly.isPresent() ? Advice.Act.PUT_RIGHT : refer ? Advice.Act.REFER : Advice.Act.LEAVE;
        if (section.basis().estimate()) {
            reasons.add("The section is an estimate (" + section.basis().word() + "): effects and grades are estimates, too.");
        }
        if (reasons.isEmpty()) {
            reasons.add("Nothing was found that would show in a picture.");
        }
        return new Recommendation(act, List.copyOf(all), plan, reasons);
    }

    /// The glasses that must come out to put a fault right.
    private static List<String> glasses(LensFault fault) {
        return switch (fault) {
            case LensFault.Reversed r -> r.elements();
            case LensFault.Swapped s -> java.util.stream.Stream.concat(s.one().stream(), s.other().stream()).toList();
            case LensFault.Unseated u -> u.elements();
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

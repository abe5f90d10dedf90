package stillglass.ticket;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import stillglass.assembly.Instrument;
import stillglass.grade.Advice;
import stillglass.grade.Flare;
import stillglass.grade.GradeRules;
import stillglass.grade.Grader;
import stillglass.grade.OwnersUse;
import stillglass.grade.Patch;
import stillglass.grade.PlaceEvidence;
import stillglass.grade.ShowThrough;
import stillglass.grade.WhichSurface;
import stillglass.look.Progress;
import stillglass.optics.Footprints;
import stillglass.optics.LensSection;
import stillglass.plan.Goal;
import stillglass.plan.PlanCost;
import stillglass.plan.WayIn;
import stillglass.ticket.glass.GlassEvent;
import stillglass.ticket.glass.Known;

/// A finding of a ticket carried through to its effect, grade and advice.
///
/// @param known the finding as it stands
/// @param surface index of the surface it was traced on
/// @param assumed nobody said which surface it is on: the likeliest by depth readings and photos was taken, or without any the
///     one where it would do most harm
/// @param where what depth readings, sights from both sides and at several zoom settings say, empty when there are none
/// @param shown effect at every stop
/// @param grade computed from the effect
/// @param byEffect what to do and why, if it is what it was taken for
/// @param flares contrast lost at every stop of its effects, by where the light stands
public record Assessment(
        Known known,
        int surface,
        boolean assumed,
        Optional<WhichSurface> where,
        ShowThrough.Shown shown,
        Grader.Grade grade,
        Advice byEffect,
        List<Flare> flares) {
    public Assessment {
        flares = List.copyOf(flares);
    }

    /// The same of the finding as it stands now, where nothing changed that the effect hangs on.
    public Assessment of(Known now) {
        return new Assessment(now, surface, assumed, where, shown, grade, byEffect, flares);
    }

    /// What to do and why: nothing is opened for what is likelier no fault at all.
    public Advice advice() {
        return known.doubtful() ? byEffect.unsure(known.nothing()) : byEffect;
    }

    /// Traces one finding.
    /// @param fromRear whether its photo looks in from behind
    /// @param prints traced beams of the section, for what the owner photographs
    /// @param use which stops count, and how strictly
    /// @throws java.util.concurrent.CancellationException when `progress` asks to stop
    public static Assessment of(
            Known known,
            boolean fromRear,
            Footprints prints,
            Instrument instrument,
            GradeRules usual,
            OwnersUse use,
            Progress progress) {
        GradeRules rules = use.rules(usual);
        LensSection section = prints.lens();
        List<PlaceEvidence> seen = known.places(section, fromRear);
        Optional<WhichSurface> where = known.depths().isEmpty() && seen.isEmpty()
                ? Optional.empty()
                : Optional.of(WhichSurface.of(section, known.finding().kind(),
                        Math.hypot(known.finding().x(), known.finding().y()), fromRear, known.depths(), seen));
        List<Integer> surfaces = known.surface()
                .or(() -> where.map(w -> w.likeliest().surface()))
                .map(List::of)
                .orElseGet(() -> candidates(section));
        ShowThrough.Shown worst = surfaces.stream()
                .map(s -> ShowThrough.of(prints, Patch.place(known.finding(), section, s, fromRear), rules, progress))
                .max(Comparator.comparingDouble((ShowThrough.Shown s) -> Grader.of(use.seen(s), rules).grade())
                        .thenComparingDouble(s -> harm(use.seen(s))))
                .orElseThrow();
        Grader.Grade grade = Grader.of(use.seen(worst), rules);
        Advice advice = wayTo(worst.surface(), instrument)
                .map(plan -> Advice.of(known.finding().kind(), grade, plan.minutes() / 60, plan.risk(), rules))
                .orElseGet(() -> Advice.unmapped(known.finding().kind(), grade, rules));
        double reaches = Flare.reaches(section, worst.surface());
        List<Flare> flares = worst.effects().stream().map(e -> Flare.of(e.veil(), known.finding().kind(), usual, reaches)).toList();
        return new Assessment(known, worst.surface(), known.surface().isEmpty(), where, worst, grade, advice, flares);
    }

    /// The technician's grade where there is one, the computed one otherwise.
    public int standingGrade() {
        return known.overruled().map(GlassEvent.GradeOverruled::grade).orElse(grade.grade());
    }

    /// Surfaces a thing of unknown depth is tried on: the foremost and hindmost free faces and those next to the iris,
    /// because the effect changes monotonically with the distance from the iris on either side.
    static List<Integer> candidates(LensSection section) {
        List<Integer> free = section.faces().stream().filter(s -> !section.cemented(s)).toList();
        int stop = section.stopIndex();
        return Stream.of(
                        free.stream().filter(s -> s < stop).findFirst(),
                        free.stream().filter(s -> s < stop).reduce((a, b) -> b),
                        free.stream().filter(s -> s > stop).findFirst(),
                        free.stream().reduce((a, b) -> b))
                .flatMap(Optional::stream)
                .distinct()
                .toList();
    }

    private static double harm(ShowThrough.Shown shown) {
        return shown.effects().stream()
                .mapToDouble(e -> e.deepestShadow() + e.veil())
                .max()
                .orElse(0);
    }

    private static Optional<WayIn.Plan> wayTo(int surface, Instrument instrument) {
        return WayIn.plan(instrument, List.of(new Goal.ReachSurface(surface)), Set.of(), Set.of(), PlanCost.USUAL);
    }
}

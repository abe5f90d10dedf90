package stillglass.app.decide;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import stillglass.app.desk.Say;
import stillglass.app.desk.Work;
import stillglass.app.draw.StopStrip;
import stillglass.app.theme.Words;
import stillglass.assembly.Joint;
import stillglass.grade.Grader;
import stillglass.look.FindingKind;
import stillglass.ticket.Assessment;
import stillglass.ticket.Recommendation;
import stillglass.ticket.Stage;

/// What Decide shows.
///
/// @param verdict "Clean", "Leave" or "Refer", empty until something was found or tried
/// @param reasons why
/// @param effort hours and risk, computed from the way in
/// @param goals what the advice would reach, and whether it is chosen
/// @param cautions shown where the act is
/// @param tracing whether newer results are on their way
public record DecideModel(
        List<Row> rows,
        Optional<String> verdict,
        List<String> reasons,
        String effort,
        List<GoalChip> goals,
        List<String> cautions,
        double visibleShare,
        boolean tracing,
        boolean chosen,
        boolean done) {

    /// @param grade the standing grade
    /// @param computed the computed one, where it was overruled
    public record Row(
            String id, int number, FindingKind kind, String title, String sentence, int grade, String computed,
            List<StopStrip.Bar> bars, String advice, boolean selected) {
        public Row {
            bars = List.copyOf(bars);
        }
    }

    public record GoalChip(String goal, String name, boolean chosen) {}

    public DecideModel {
        rows = List.copyOf(rows);
        reasons = List.copyOf(reasons);
        goals = List.copyOf(goals);
        cautions = List.copyOf(cautions);
    }

    public static DecideModel of(Work work) {
        List<Row> rows = new ArrayList<>();
        int number = 1;
        for (Assessment a : work.computed().assessments()) {
            rows.add(row(a, number++, work));
        }
        Optional<Recommendation> r = work.computed().recommendation();
        Set<String> all = new LinkedHashSet<>(r.map(Recommendation::goals).orElse(List.of()));
        all.addAll(work.state().goals());
        return new DecideModel(
                rows,
                r.map(x -> Words.capital(x.act().word())),
                r.map(Recommendation::reasons).orElse(List.of()),
                r.flatMap(Recommendation::plan).map(p -> Words.of("decide.effort", 2 * p.minutes() / 60, 100 * p.risk(), p.joints().size()))
                        .orElse(work.mapped() ? "" : Words.of("decide.nomap")),
                all.stream().map(g -> new GoalChip(g, goalName(g, work), work.state().goals().contains(g))).toList(),
                cautions(r, work),
                work.rules().visibleShadow(), work.computing(), !work.state().goals().isEmpty(), work.state().done(Stage.DECIDE));
    }

    private static Row row(Assessment a, int number, Work work) {
        String where = work.section().surfaceName(a.surface()) + (a.assumed() ? Words.of("decide.assumed") : "");
        return new Row(a.known().id(), number, a.known().finding().kind(),
                Words.of("decide.title", Words.capital(a.known().finding().kind().word().replace('-', ' ')), where),
                a.grade().sentence(), a.standingGrade(),
                a.known().overruled().map(o -> Words.of("decide.overruled", a.grade().grade(), o.why())).orElse(""),
                a.shown().effects().stream()
                        .map(e -> new StopStrip.Bar(Grader.stop(e.stop()), e.deepestShadow(), e.veil()))
                        .toList(),
                Words.of("decide.advice." + a.advice().act().word()), work.selection().finding(a.known().id()));
    }

    /// "both faces of E2", "rear of E1", "inner helicoid".
    static String goalName(String goal, Work work) {
        if (goal.matches("S\\d+")) {
            return work.section().surfaceName(Integer.parseInt(goal.substring(1)) - 1);
        }
        return work.instrument().part(goal).map(p -> p.name()).orElse(goal);
    }

    private static List<String> cautions(Optional<Recommendation> r, Work work) {
        List<String> lines = new ArrayList<>();
        if (work.computed().assessments().stream().anyMatch(a -> a.known().finding().kind() == FindingKind.FUNGUS)) {
            lines.add(Words.of("caution.fungus"));
        }
        boolean springs = r.flatMap(Recommendation::plan).stream()
                .flatMap(p -> p.joints().stream())
                .anyMatch(j -> j.hazards().contains(Joint.Hazard.SPRING));
        if (springs) {
            lines.add(Words.of("caution.spring"));
        }
        return lines;
    }

    public Optional<Row> selected() {
        return rows.stream().filter(Row::selected).findFirst();
    }

    public Say say() {
        if (rows.isEmpty() && verdict.isEmpty()) {
            return new Say(Words.of(tracing ? "decide.say.tracing" : "decide.say.empty"), Words.of("keys.hint.look"));
        }
        if (!chosen && goals.isEmpty()) {
            return new Say(Words.of("decide.say.leave"), Words.of("keys.hint.finish"));
        }
        if (!chosen) {
            return new Say(Words.of("decide.say.take", verdict.orElse("").toLowerCase(Locale.ROOT)), Words.of("decide.keys"));
        }
        return done ? new Say(Words.of("decide.say.done"), Words.of("keys.hint.open"))
                : new Say(Words.of("decide.say.finish"), Words.of("keys.hint.finish"));
    }
}

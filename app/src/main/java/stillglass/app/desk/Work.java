package stillglass.app.desk;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.care.CareTables;
import stillglass.grade.CheapTest;
import stillglass.grade.GradeRules;
import stillglass.grade.TellApart;
import stillglass.look.Finding;
import stillglass.look.SameFault;
import stillglass.optics.LensSection;
import stillglass.optics.sharpness.AssemblyEffect;
import stillglass.plan.Goal;
import stillglass.plan.PlanCost;
import stillglass.plan.StuckLadder;
import stillglass.plan.WayBack;
import stillglass.plan.WayIn;
import stillglass.plan.alike.AlikeModel;
import stillglass.ticket.Known;
import stillglass.ticket.Assessment;
import stillglass.ticket.Decision;
import stillglass.ticket.Ledger;
import stillglass.ticket.Recommendation;
import stillglass.ticket.Stage;
import stillglass.ticket.TicketState;

/// Everything a view may look at: one ticket, what is known about its model, what was computed, and what is selected.
///
/// @param state the fold of the ticket's events
/// @param computed results for this state, or for the last one while new ones are being made
/// @param computing whether newer results are on their way
/// @param stage the stage shown
/// @param viewing how it is looked at: stop, rays, what-if
/// @param tests cheap tests that tell kinds apart
/// @param tools what the shop has of the tools the map names; the instrument is that map with the tools really taken
public record Work(
        TicketState state,
        LensSection section,
        Instrument instrument,
        CareTables care,
        GradeRules rules,
        Computed computed,
        boolean computing,
        Stage stage,
        Selection selection,
        Viewing viewing,
        List<CheapTest> tests,
        Toolbox tools) {

    /// Results with their inputs' fingerprint.
    /// @param assessments one for each finding
    /// @param plan the rest of the way to the chosen goals from the state the instrument is in
    /// @param recommendation what to do, and why
    /// @param assembly what a wrong assembly does, when one was found
    /// @param beams rays through the section at every stop, for drawing
    /// @param alike a known model built like one that is on no map
    public record Computed(
            List<Assessment> assessments, Optional<WayIn.Plan> plan, Optional<Recommendation> recommendation,
            Optional<AssemblyEffect> assembly, Optional<Beams> beams, Optional<AlikeModel> alike) {
        public static final Computed NOTHING =
                new Computed(List.of(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());

        public Computed {
            assessments = List.copyOf(assessments);
        }
    }

    /// Whether a way in is known, from the shelf or from earlier jobs; what this job has found itself is no map yet.
    public boolean mapped() {
        return instrument.joints().size() > state.found().size();
    }

    /// While a model is learned the joint in hand is the one that came off last.
    public Optional<Joint> lastOff() {
        return mapped() || state.opened().isEmpty() ? Optional.empty() : instrument.joint(state.opened().getLast());
    }

    public Decision.World world() {
        return new Decision.World(instrument, section, care);
    }

    public Ledger ledger() {
        return Ledger.of(state, instrument);
    }

    /// The joint to open next, whatever must be marked or caught before.
    public Optional<Joint> nextToOpen() {
        return computed.plan().flatMap(p -> p.joints().stream()
                .filter(j -> !state.openNow().contains(j.id()))
                .findFirst());
    }

    public List<Goal> goals() {
        return state.goals().stream().map(g -> Goal.parse(g, instrument, Optional.of(section))).toList();
    }

    /// What is asked of the planner. Everything that was ever open counts as reached, so that closing again does not call for new steps.
    public WayIn.Request wayRequest(List<Goal> goals) {
        return new WayIn.Request(instrument, goals, Set.copyOf(state.opened()), state.references().keySet(), state.barred(), PlanCost.USUAL);
    }

    /// What to try on a joint that will not open; whatever is closed and not on the way is meant to stay.
    public StuckLadder stuck(Joint joint) {
        Set<String> way = computed.plan().map(p -> p.joints().stream().map(Joint::id).collect(Collectors.toSet())).orElse(Set.of());
        Set<String> staying = instrument.joints().stream().map(Joint::id).filter(id -> !way.contains(id) && !state.openNow().contains(id)).collect(Collectors.toSet());
        return StuckLadder.of(instrument, joint, staying, care);
    }

    /// What is left of the rebuild.
    public List<WayBack.Step> wayBack() {
        return WayBack.order(instrument, state.standing());
    }

    /// The joint to close or tighten next.
    public Optional<WayBack.Step> nextToClose() {
        List<WayBack.Step> steps = wayBack();
        return steps.isEmpty() ? Optional.empty() : Optional.of(steps.getFirst());
    }

    public Optional<Assessment> assessment(String findingId) {
        return computed.assessments().stream().filter(a -> a.known().id().equals(findingId)).findFirst();
    }

    /// What is known of a finding's kind, and the question that would settle it.
    public TellApart told(Known k) {
        return told(k, k.tests());
    }

    /// The same with other answers.
    public TellApart told(Known k, List<TellApart.Answered> answers) {
        // The photo's own chances are the start, whatever the answers since have made of them.
        Finding seen = k.sights().values().stream().reduce(SameFault::together).orElse(k.finding());
        return TellApart.of(seen, k.surface(), section, tests, answers);
    }

    /// The lens as it is: as designed but for what was found assembled wrongly.
    public LensSection asBuilt() {
        return computed.assembly().map(AssemblyEffect::asBuilt).orElse(section);
    }

    /// How far the first vertex of [#asBuilt] stands from that of the section, mm: the iris keeps its place.
    public double shiftMm() {
        return computed.assembly().map(a -> a.shiftMm(section)).orElse(0.0);
    }

    Work with(Stage shown) {
        return new Work(state, section, instrument, care, rules, computed, computing, shown, selection, viewing, tests, tools);
    }

    Work with(Selection selected) {
        return new Work(state, section, instrument, care, rules, computed, computing, stage, selected, viewing, tests, tools);
    }

    Work with(Computed results, boolean more) {
        return new Work(state, section, instrument, care, rules, results, more, stage, selection, viewing, tests, tools);
    }

    Work with(Viewing looked) {
        return new Work(state, section, instrument, care, rules, computed, computing, stage, selection, looked, tests, tools);
    }
}

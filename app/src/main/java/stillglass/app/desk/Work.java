package stillglass.app.desk;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.care.CareTables;
import stillglass.fault.ChartPicture;
import stillglass.fault.Diagnosis;
import stillglass.fault.LampLook;
import stillglass.grade.CheapTest;
import stillglass.grade.GradeRules;
import stillglass.grade.TellApart;
import stillglass.look.Finding;
import stillglass.look.SameFault;
import stillglass.optics.LensSection;
import stillglass.optics.sharpness.AssemblyEffect;
import stillglass.plan.Goal;
import stillglass.plan.StuckLadder;
import stillglass.plan.WayBack;
import stillglass.plan.WayIn;
import stillglass.plan.alike.AlikeModel;
import stillglass.ticket.Assessment;
import stillglass.ticket.Recommendation;
import stillglass.ticket.Pending;
import stillglass.ticket.TicketState;
import stillglass.ticket.Wanted;
import stillglass.ticket.glass.Known;
import stillglass.ticket.joints.Ledger;
import stillglass.ticket.joints.Rework;
import stillglass.ticket.proof.BackIn;
import stillglass.ticket.proof.SilentSlips;
import stillglass.ticket.story.Stage;
import stillglass.ticket.story.World;
import stillglass.ticket.words.InHand;

/// Everything a view may look at: one ticket, what is known about its model, what was computed, and what is selected.
///
/// @param state the fold of the ticket's events
/// @param world what is known of the model: its instrument with the tools really taken, its optical section where there is one
/// @param computed results for this state, or for the last one while new ones are being made
/// @param computing whether newer results are on their way
/// @param stage the stage shown
/// @param viewing how it is looked at: stop, rays, what-if
/// @param tests cheap tests that tell kinds apart
/// @param tools what the shop has of the tools the map names
public record Work(
        TicketState state,
        World world,
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
    /// @param rework what to do about a function that failed
    /// @param diagnosis which fault of the assembly explains what was measured, where the section is known and something is off
    /// @param lamp what a lamp's reflections say of a lens that is closed
    /// @param back the shortest way to the glass it blames
    public record Computed(
            List<Assessment> assessments, Optional<WayIn.Plan> plan, Optional<Recommendation> recommendation,
            Optional<AssemblyEffect> assembly, Optional<Beams> beams, Optional<AlikeModel> alike, Optional<Rework> rework, Optional<Diagnosis> diagnosis, Optional<BackIn> back, Optional<SilentSlips> slips, List<ChartPicture> charts, Optional<LampLook> lamp) {
        public static final Computed NOTHING =
                new Computed(List.of(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), List.of(), Optional.empty());

        public Computed {
            assessments = List.copyOf(assessments);
            charts = List.copyOf(charts);
        }
    }

    public Instrument instrument() {
        return world.instrument();
    }

    /// The optical section, where one is known.
    public Optional<LensSection> section() {
        return world.section();
    }

    public CareTables care() {
        return world.care();
    }

    /// Whether a way in is known, from the shelf or from earlier jobs; what this job has found itself is no map yet.
    public boolean mapped() {
        return instrument().joints().size() > state.joints().found().size();
    }

    public Ledger ledger() {
        return Pending.ledger(state, instrument());
    }

    /// The joint a typed line is about when it names none.
    public Optional<Joint> inHand() {
        return stage == Stage.OPEN || stage == Stage.CLOSE ? InHand.of(state, world, stage, nextToOpen()) : Optional.empty();
    }

    /// The joint to open next, whatever must be marked or caught before.
    public Optional<Joint> nextToOpen() {
        return computed.plan().flatMap(p -> p.joints().stream().filter(j -> !state.joints().story(j.id()).open()).findFirst());
    }

    public List<Goal> goals() {
        return Wanted.goals(state, world);
    }

    /// What is asked of the planner, from what is in hand now. While it is being closed, what was reached counts as reached, unless something failed.
    public WayIn.Request wayRequest(List<Goal> goals) {
        return Wanted.way(state, world, goals);
    }

    /// What to try on a joint that will not open; whatever is closed and not on the way is meant to stay.
    public StuckLadder stuck(Joint joint) {
        Set<String> way = computed.plan().map(p -> p.joints().stream().map(Joint::id).collect(Collectors.toSet())).orElse(Set.of());
        Set<String> staying = instrument().joints().stream().map(Joint::id).filter(id -> !way.contains(id) && !state.joints().story(id).open()).collect(Collectors.toSet());
        return StuckLadder.of(instrument(), joint, staying, state.joints().openNow(), care());
    }

    /// What is left of the rebuild.
    public List<WayBack.Step> wayBack() {
        return WayBack.order(instrument(), state.joints().standing());
    }

    /// The joint to close or tighten next.
    public Optional<WayBack.Step> nextToClose() {
        return WayBack.next(instrument(), state.joints().standing());
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
        return TellApart.of(seen, k.surface(), section(), tests, answers);
    }

    /// The lens as it is: as designed but for what was found assembled wrongly.
    public Optional<LensSection> asBuilt() {
        return computed.assembly().map(AssemblyEffect::asBuilt).or(this::section);
    }

    /// How far the first vertex of [#asBuilt] stands from that of the section, mm: the iris keeps its place.
    public double shiftMm() {
        return computed.assembly().flatMap(a -> section().map(a::shiftMm)).orElse(0.0);
    }

    Work with(Stage shown) {
        return new Work(state, world, rules, computed, computing, shown, selection, viewing, tests, tools);
    }

    Work with(Selection selected) {
        return new Work(state, world, rules, computed, computing, stage, selected, viewing, tests, tools);
    }

    Work with(Computed results, boolean more) {
        return new Work(state, world, rules, results, more, stage, selection, viewing, tests, tools);
    }

    Work with(Viewing looked) {
        return new Work(state, world, rules, computed, computing, stage, selection, looked, tests, tools);
    }
}

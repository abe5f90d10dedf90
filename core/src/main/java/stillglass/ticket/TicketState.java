package stillglass.ticket;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.stream.Collectors;
import stillglass.look.Finding;
import stillglass.plan.Alternatives;
import stillglass.plan.WayBack;

/// Everything known about a ticket: the fold of its events. Immutable to the outside.
///
/// The fold runs over the events that are not undone. Every accessor returns a view that cannot be changed.
public final class TicketState {
    /// A photo and what was read from it.
    public record Photo(
            TicketEvent.PhotoKept kept, Optional<TicketEvent.PhotoGraded> graded, Instant at) {}

    private TicketEvent.Opened tag = new TicketEvent.Opened("", "", "", "", "", LocalDate.EPOCH);
    private final List<String> symptoms = new ArrayList<>();
    private String use = "";
    private final Map<String, TicketEvent.FunctionChecked> checks = new LinkedHashMap<>();
    private final Map<Phase, TicketEvent.InfinityMeasured> infinity = new EnumMap<>(Phase.class);
    private final GlassRecord glass = new GlassRecord();
    private final JointRecord joints = new JointRecord();
    private final List<String> assembly = new ArrayList<>();
    private final Set<String> assemblyFound = new LinkedHashSet<>();
    private List<String> goals = List.of();
    private Alternatives.Sort way = Alternatives.Sort.BEST;
    private List<String> order = List.of();
    private Optional<TicketEvent.ModelTaken> taken = Optional.empty();
    private final Map<String, TicketEvent.ReferenceKept> references = new LinkedHashMap<>();
    private final List<TicketEvent.PartCleaned> cleaned = new ArrayList<>();
    private final Map<String, TicketEvent.TimerSet> timers = new LinkedHashMap<>();
    private List<Double> shims = List.of();
    private final List<TicketEvent.Overruled> overruled = new ArrayList<>();
    private final Set<Stage> done = new LinkedHashSet<>();
    private Optional<TicketEvent.ReportSigned> signed = Optional.empty();
    private long lastIntent;
    private final List<Long> undoable = new ArrayList<>();
    private Instant lastChange = Instant.EPOCH;

    private TicketState() {}

    /// The state after a story.
    /// @param story all events of one ticket, in order
    public static TicketState of(List<Recorded> story) {
        Set<Long> undone = undone(story);
        TicketState s = new TicketState();
        for (Recorded r : story) {
            s.lastIntent = Math.max(s.lastIntent, r.intent());
            s.lastChange = r.at();
            if (!undone.contains(r.intent())) {
                s.apply(r);
            }
        }
        return s;
    }

    /// Intents that are taken back. An undo that is itself taken back takes nothing back.
    private static Set<Long> undone(List<Recorded> story) {
        Set<Long> undone = new HashSet<>();
        for (Recorded r : story.reversed()) {
            if (r.event() instanceof TicketEvent.Undone u && !undone.contains(r.intent())) {
                undone.add(u.intent());
            }
        }
        return undone;
    }

    private void apply(Recorded r) {
        if (!(r.event() instanceof TicketEvent.Undone)
                && !(r.event() instanceof TicketEvent.Opened)
                && (undoable.isEmpty() || undoable.getLast() != r.intent())) {
            undoable.add(r.intent());
        }
        switch (r.event()) {
            case TicketEvent.Opened e -> tag = e;
            case TicketEvent.SymptomNoted e -> symptoms.add(e.text());
            case TicketEvent.UseNoted e -> use = e.text();
            case TicketEvent.OwnerNamed e -> tag = new TicketEvent.Opened(
                    tag.number(), tag.title(), tag.instrumentId(), tag.sectionId(), e.owner(), tag.due());
            case TicketEvent.FunctionChecked e -> checks.put(e.phase() + " " + e.check(), e);
            case TicketEvent.InfinityMeasured e -> infinity.put(e.phase(), e);
            case TicketEvent.PhotoKept e -> glass.keep(e, r.at());
            case TicketEvent.OnGlass e -> glass.apply(e);
            case TicketEvent.OnJoint e -> joints.apply(e);
            case TicketEvent.MisassemblyFound e -> {
                assembly.add(e.fault());
                assemblyFound.add(e.fault());
            }
            case TicketEvent.AssemblyPutRight e -> assembly.clear();
            case TicketEvent.GoalsChosen e -> goals = e.goals();
            case TicketEvent.ModelTaken e -> taken = Optional.of(e);
            case TicketEvent.WayChosen e -> {
                way = e.sort();
                order = List.of();
            }
            case TicketEvent.OrderChosen e -> order = e.joints();
            case TicketEvent.ReferenceKept e -> references.put(e.reference(), e);
            case TicketEvent.PartCleaned e -> cleaned.add(e);
            case TicketEvent.TimerSet e -> timers.put(e.timer(), e);
            case TicketEvent.TimerCleared e -> timers.remove(e.timer());
            case TicketEvent.ShimsFitted e -> shims = e.pieces();
            case TicketEvent.Overruled e -> overruled.add(e);
            case TicketEvent.StageDone e -> done.add(e.stage());
            case TicketEvent.ReportSigned e -> signed = Optional.of(e);
            case TicketEvent.LineKept e -> symptoms.add(e.text());
            case TicketEvent.Undone e -> undoable.remove(e.intent());
        }
    }

    public TicketEvent.Opened tag() {
        return tag;
    }

    public List<String> symptoms() {
        return List.copyOf(symptoms);
    }

    public String use() {
        return use;
    }

    public Optional<String> check(Phase phase, String name) {
        return Optional.ofNullable(checks.get(phase + " " + name)).map(TicketEvent.FunctionChecked::found);
    }

    public Optional<TicketEvent.InfinityMeasured> infinity(Phase phase) {
        return Optional.ofNullable(infinity.get(phase));
    }

    public List<Photo> photos() {
        return glass.photos();
    }

    public Optional<Photo> photo(String id) {
        return glass.photo(id);
    }

    /// The last graded photo of a phase taken against the light, or else any graded one.
    public Optional<Photo> gradedPhoto(Phase phase) {
        return glass.photos().stream()
                .filter(p -> p.kept().phase() == phase && p.graded().isPresent())
                .reduce((a, b) -> b);
    }

    /// Findings in the order of their photos; dismissed ones are gone.
    public List<Known> findings() {
        return glass.findings();
    }

    /// The photo before the work with which one after it is compared: the last from its side.
    public Optional<Photo> earlier(Photo after) {
        return photos().stream().filter(p -> p.graded().isPresent() && p.kept().phase() == Phase.BEFORE && p.kept().fromRear() == after.kept().fromRear())
                .reduce((a, b) -> b);
    }

    /// Whether a photo looks in from behind.
    public boolean fromRear(String photoId) {
        return glass.fromRear(photoId);
    }

    /// The id every finding of a new photo gets: that of the same fault in an earlier photo from its side, or else one of its own.
    Map<String, Finding> numbered(TicketEvent.PhotoKept photo, List<Finding> found) {
        return glass.numbered(photo, found);
    }

    /// What was called no fault, with the kind that had been computed.
    public List<Known> dismissed() {
        return glass.dismissed();
    }

    /// How far a photo is turned against an earlier one, where its mount told.
    public Optional<TicketEvent.PhotoTurned> turned(String photoId) {
        return glass.turned(photoId);
    }

    /// Marks drawn on a photo, by their numbers.
    public SortedMap<Integer, PhotoMark> marks(String photoId) {
        return glass.marks(photoId);
    }

    /// Plane behind the rim on which a photo is sharp, where that was said; mm.
    public Optional<Double> focusMm(String photoId) {
        return glass.focusMm(photoId);
    }

    public Optional<Known> finding(String id) {
        return glass.finding(id);
    }

    /// What was found assembled wrongly and not put right since, in the order it was found; short forms of
    /// [stillglass.optics.misassembly.LensFault].
    public List<String> assembly() {
        return List.copyOf(assembly);
    }

    /// Everything that was ever found assembled wrongly, put right since or not.
    public List<String> assemblyFound() {
        return List.copyOf(assemblyFound);
    }

    public List<String> goals() {
        return goals;
    }

    /// The model built alike whose map was the start, when one was.
    public Optional<TicketEvent.ModelTaken> taken() {
        return taken;
    }

    /// Sort of way in that was chosen.
    public Alternatives.Sort way() {
        return way;
    }

    /// Joints in the order that was preferred; empty while the computed one is.
    public List<String> order() {
        return order;
    }

    public Map<String, TicketEvent.ReferenceKept> references() {
        return Map.copyOf(references);
    }

    public List<Fact> facts(String joint) {
        return joints.facts(joint);
    }

    /// Everything stated while closing a joint, latest last.
    public List<TicketEvent.FactStated> stated(String joint) {
        return joints.stated(joint);
    }

    /// Joints in the order they were really opened.
    public List<String> opened() {
        return joints.opened();
    }

    public boolean offPlan(String joint) {
        return joints.offPlan(joint);
    }

    public Set<String> closed() {
        return joints.closed();
    }

    /// Closed, but not yet tightened.
    public Set<String> loose() {
        return joints.loose();
    }

    /// Joints that are open now.
    public Set<String> openNow() {
        return joints.openNow();
    }

    /// Joints that came off and were on no map.
    public List<TicketEvent.JointFound> found() {
        return joints.found();
    }

    /// Whether controls were set for closing a joint.
    public boolean controlsSet(String joint) {
        return joints.controlsSet(joint);
    }

    /// Joints put back for a moment only, still on.
    public Set<String> refitted() {
        return joints.refitted();
    }

    /// Where the rebuild stands.
    public WayBack.Standing standing() {
        return joints.standing();
    }

    /// What went wrong and is not mended.
    public List<TicketEvent.Troubled> troubles() {
        return joints.troubles();
    }

    /// Joints that no way may lead through.
    public Set<String> barred() {
        return joints.troubles().stream().filter(t -> t.kind().bars()).map(TicketEvent.Troubled::joint).collect(Collectors.toUnmodifiableSet());
    }

    public List<TicketEvent.PartCleaned> cleaned() {
        return List.copyOf(cleaned);
    }

    public List<TicketEvent.TimerSet> timers() {
        return List.copyOf(timers.values());
    }

    public Optional<TicketEvent.Greased> greased(String joint) {
        return joints.greased(joint);
    }

    public boolean tested(String joint) {
        return joints.tested(joint);
    }

    /// Shims fitted during proof, empty while those found are still in.
    public List<Double> shims() {
        return shims;
    }

    /// Total of the shims recorded when they came out, mm; zero when none were.
    public double shimsFoundMm() {
        return joints.opened().stream()
                .flatMap(j -> facts(j).stream())
                .filter(Fact.Shims.class::isInstance)
                .mapToDouble(f -> ((Fact.Shims) f).totalMm())
                .sum();
    }

    /// Whether anybody wrote down which shims came out.
    public boolean shimsRecorded() {
        return joints.opened().stream().flatMap(j -> facts(j).stream()).anyMatch(Fact.Shims.class::isInstance);
    }

    /// Total of the shims in the instrument now, mm.
    public double shimsNowMm() {
        return shims.isEmpty() ? shimsFoundMm() : shims.stream().mapToDouble(Double::doubleValue).sum();
    }

    public List<TicketEvent.Overruled> overruled() {
        return List.copyOf(overruled);
    }

    public boolean done(Stage stage) {
        return done.contains(stage);
    }

    public Optional<TicketEvent.ReportSigned> signed() {
        return signed;
    }

    public long lastIntent() {
        return lastIntent;
    }

    /// The newest intent that can be taken back.
    public Optional<Long> lastUndoable() {
        return undoable.isEmpty() ? Optional.empty() : Optional.of(undoable.getLast());
    }

    public Instant lastChange() {
        return lastChange;
    }

    /// Whether a stage has been begun: anything of its own was recorded.
    public boolean begun(Stage stage) {
        return switch (stage) {
            case ARRIVE -> !tag.number().isEmpty();
            case LOOK -> !glass.photos().isEmpty();
            case DECIDE -> !goals.isEmpty();
            case OPEN -> joints.opening() || !references.isEmpty();
            case CLEAN -> !cleaned.isEmpty();
            case CLOSE -> joints.closing();
            case PROVE -> infinity.containsKey(Phase.AFTER) || signed.isPresent();
        };
    }
}

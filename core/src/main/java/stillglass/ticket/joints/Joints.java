package stillglass.ticket.joints;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import stillglass.plan.WayBack;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.story.Grown;
import stillglass.ticket.story.Recorded;

/// The joints of a ticket's instrument as they stand: the fold of what happened to them. Immutable.
///
/// @param stories of every joint that was touched, in the order they were first
/// @param order joints that were ever opened, in the order of their last opening
/// @param firstOrder the same in the order of their first opening
/// @param references marked references of the map
/// @param marks made on the spot
/// @param troubles not mended
/// @param trials functions tried, in order
/// @param shims stacks changed since, by place, each with its history; the last is in it now
/// @param infinityPlace place of the stack that was said to move infinity
/// @param inHand the joint that was last taken in hand or came off
/// @param lastOpened number of the row in which anything was last opened; 0 when nothing was
/// @param lastFitted number of the row in which shims were last changed; 0 when they were not
public record Joints(
        Map<String, JointStory> stories, List<String> order, List<String> firstOrder, Map<String, JointEvent.ReferenceKept> references, List<MadeMark> marks,
        List<TroubleAt> troubles, List<Trial> trials, Map<String, List<List<Double>>> shims, Optional<String> infinityPlace, Optional<String> inHand, long lastOpened, long lastFitted) {
    /// Nothing was done.
    public static final Joints NONE = new Joints(Map.of(), List.of(), List.of(), Map.of(), List.of(), List.of(), List.of(), Map.of(), Optional.empty(), Optional.empty(), 0, 0);

    public Joints {
        stories = Grown.kept(stories);
        order = List.copyOf(order);
        firstOrder = List.copyOf(firstOrder);
        references = Grown.kept(references);
        marks = List.copyOf(marks);
        troubles = List.copyOf(troubles);
        trials = List.copyOf(trials);
        shims = Grown.kept(shims);
    }

    /// The state after one more event.
    public Joints after(Recorded row, JointEvent happened) {
        long seq = row.seq();
        return switch (happened) {
            case JointEvent.Found e -> touch(e.joint(), s -> s.with(e));
            case JointEvent.Tried e -> touch(e.joint(), s -> s).inHand(e.joint());
            case JointEvent.Noted e -> touch(e.joint(), s -> s.with(new Occurrence(seq, row.at(), e.fact())));
            case JointEvent.Corrected e -> touch(e.joint(), s -> s.corrected(e.occurrence(), e.fact()));
            case JointEvent.Withdrawn e -> touch(e.joint(), s -> s.without(e.occurrence()));
            case JointEvent.ReferenceKept e -> with(Grown.by(references, e.reference(), e));
            case JointEvent.MarkMade e -> made(row, e);
            case JointEvent.Opened e -> opened(row, e, seq);
            case JointEvent.Stated e -> touch(e.joint(), s -> s.with(s.closing().with(new Statement(seq, e.fact(), e.matches(), e.answers().or(() -> answered(s, e))))));
            case JointEvent.Greased e -> touch(e.joint(), s -> s.with(s.closing().with(e)));
            case JointEvent.ControlsSet e -> touch(e.joint(), s -> s.with(s.closing().withControlsSet()));
            case JointEvent.Closed e -> touch(e.joint(), s -> s.closed(s.closing().closed(seq, openBut(e.joint()), e.loose(), !s.wrong().isEmpty() || !s.waiting().isEmpty()))).inHand(Optional.empty());
            case JointEvent.Tightened e -> touch(e.joint(), s -> s.with(s.closing().tightened()));
            case JointEvent.Refitted e -> touch(e.joint(), s -> s.refitted(Optional.of(e.during().orElse(""))));
            case JointEvent.TakenOff e -> touch(e.joint(), s -> s.refitted(Optional.empty()));
            case JointEvent.Zeroed e -> touch(e.joint(), s -> s.with(s.closing().zeroed(Optional.of(seq))));
            case JointEvent.Tested e -> tried(Grown.by(trials, new Trial(seq, e.joint(), e.function(), e.passed(), e.what())));
            case JointEvent.Troubled e -> troubled(Grown.by(troubles, new TroubleAt(seq, e.joint(), e.kind(), e.note()))).touch(e.joint(), s -> s.troubled(e.kind()));
            case JointEvent.Mended e -> mended(e);
            case JointEvent.ShimsFitted e -> fitted(e, seq);
            case JointEvent.InfinityShimsNamed e -> new Joints(stories, order, firstOrder, references, marks, troubles, trials, shims, Optional.of(e.place()), inHand, lastOpened, lastFitted);
        };
    }

    /// Rows written before occurrences had an identity answer the first that is about the same and still waits.
    private static Optional<Long> answered(JointStory s, JointEvent.Stated e) {
        return s.waiting().stream().filter(o -> o.fact().about().equals(e.fact().about())).map(Occurrence::seq).findFirst();
    }

    /// A mark that names its joint is noted of it at once; another waits for the next that comes off.
    private Joints made(Recorded row, JointEvent.MarkMade e) {
        Joints with = marked(Grown.by(marks, new MadeMark(row.seq(), e.mark(), e.before())));
        return e.before().map(joint -> with.touch(joint, s -> s.with(new Occurrence(row.seq(), row.at(), e.mark())))).orElse(with);
    }

    private Joints opened(Recorded row, JointEvent.Opened e, long seq) {
        List<String> last = new ArrayList<>(order);
        last.remove(e.joint());
        last.add(e.joint());
        List<MadeMark> owned = marks.stream().map(m -> m.joint().isEmpty() ? m.of(e.joint()) : m).toList();
        // Whatever was zeroed was so with everything else closed.
        Map<String, JointStory> unzeroed = new LinkedHashMap<>();
        stories.forEach((id, s) -> unzeroed.put(id, s.closing().zeroed().isPresent() ? s.with(s.closing().zeroed(Optional.empty())) : s));
        Joints now = new Joints(unzeroed, last, firstOrder.contains(e.joint()) ? firstOrder : Grown.by(firstOrder, e.joint()), references, owned, troubles, trials, shims,
                infinityPlace, Optional.of(e.joint()), seq, lastFitted);
        // Marks made for it come back when it is closed, like everything else that was noted of it.
        List<MadeMark> made = marks.stream().filter(m -> m.joint().isEmpty()).toList();
        return now.touch(e.joint(), s -> {
            JointStory opened = s;
            for (MadeMark m : made) {
                opened = opened.with(new Occurrence(m.seq(), row.at(), m.mark()));
            }
            return opened.opened(e.offPlan(), seq, row.at());
        });
    }

    private Joints mended(JointEvent.Mended e) {
        Optional<TroubleAt> over = e.occurrence().flatMap(o -> troubles.stream().filter(t -> t.seq() == o).findFirst())
                .or(() -> e.occurrence().isPresent() ? Optional.empty() : troubles.stream().filter(t -> t.joint().equals(e.joint())).reduce((a, b) -> b));
        return over.map(t -> troubled(troubles.stream().filter(o -> o != t).toList())).orElse(this);
    }

    private Joints fitted(JointEvent.ShimsFitted e, long seq) {
        String place = e.place().or(() -> ShimStack.noted(this).stream().map(ShimStack::place).findFirst()).orElse("");
        Map<String, List<List<Double>>> all = Grown.by(shims, place, Grown.by(shims.getOrDefault(place, List.of()), e.pieces()));
        return new Joints(stories, order, firstOrder, references, marks, troubles, trials, all, infinityPlace, inHand, lastOpened, seq);
    }

    private Joints touch(String joint, UnaryOperator<JointStory> how) {
        return new Joints(Grown.by(stories, joint, how.apply(story(joint))), order, firstOrder, references, marks, troubles, trials, shims, infinityPlace, inHand, lastOpened, lastFitted);
    }

    private Joints with(Map<String, JointEvent.ReferenceKept> kept) {
        return new Joints(stories, order, firstOrder, kept, marks, troubles, trials, shims, infinityPlace, inHand, lastOpened, lastFitted);
    }

    private Joints marked(List<MadeMark> made) {
        return new Joints(stories, order, firstOrder, references, made, troubles, trials, shims, infinityPlace, inHand, lastOpened, lastFitted);
    }

    private Joints troubled(List<TroubleAt> standing) {
        return new Joints(stories, order, firstOrder, references, marks, standing, trials, shims, infinityPlace, inHand, lastOpened, lastFitted);
    }

    private Joints tried(List<Trial> all) {
        return new Joints(stories, order, firstOrder, references, marks, troubles, all, shims, infinityPlace, inHand, lastOpened, lastFitted);
    }

    private Joints inHand(String joint) {
        return inHand(Optional.of(joint));
    }

    private Joints inHand(Optional<String> joint) {
        return new Joints(stories, order, firstOrder, references, marks, troubles, trials, shims, infinityPlace, joint, lastOpened, lastFitted);
    }

    /// What happened to a joint; an untouched one when nothing did.
    public JointStory story(String joint) {
        JointStory known = stories.get(joint);
        return known == null ? JointStory.untouched(joint) : known;
    }

    /// Facts that stand on record of a joint, in the order they were noted.
    public List<Fact> facts(String joint) {
        return story(joint).facts();
    }

    /// Joints that came to light and were on no map.
    public List<JointEvent.Found> found() {
        return stories.values().stream().flatMap(s -> s.found().stream()).toList();
    }

    /// Joints that are open now, in the order they came off.
    public Set<String> openNow() {
        return order.stream().filter(id -> story(id).open()).collect(Collectors.toCollection(LinkedHashSet::new));
    }

    private Set<String> openBut(String joint) {
        Set<String> open = openNow();
        open.remove(joint);
        return open;
    }

    public Set<String> closed() {
        return order.stream().filter(id -> story(id).closed()).collect(Collectors.toCollection(LinkedHashSet::new));
    }

    /// Whether anything was put back since a row was written.
    public boolean closedSince(long seq) {
        return stories.values().stream().anyMatch(s -> s.closing().done().filter(d -> d > seq).isPresent());
    }

    /// Closed, but not yet tightened.
    public Set<String> loose() {
        return order.stream().filter(id -> story(id).loose()).collect(Collectors.toCollection(LinkedHashSet::new));
    }

    /// Joints put back for a moment only, still on, with the joint for whose sake; empty when nobody said.
    public Map<String, String> refitted() {
        Map<String, String> on = new LinkedHashMap<>();
        stories.values().forEach(s -> s.refitted().ifPresent(during -> on.put(s.joint(), during)));
        return on;
    }

    /// The last trial of a joint's function since it was closed.
    public Optional<Trial> trial(String joint) {
        long since = story(joint).closing().done().orElse(Long.MAX_VALUE);
        return trials.stream().filter(t -> t.seq() > since && t.joint().filter(joint::equals).isPresent()).reduce((a, b) -> b);
    }

    /// Whether its function was tried since it was closed, and passed.
    public boolean passed(String joint) {
        return trial(joint).filter(Trial::passed).isPresent();
    }

    /// Joints that no way may lead through.
    public Set<String> barred() {
        return troubles.stream().filter(t -> t.kind().bars()).map(TroubleAt::joint).collect(Collectors.toUnmodifiableSet());
    }

    /// Marks that were made for a joint.
    public List<MadeMark> marks(String joint) {
        return marks.stream().filter(m -> m.joint().filter(joint::equals).isPresent()).toList();
    }

    /// Where the rebuild stands.
    public WayBack.Standing standing() {
        Set<String> zeroed = order.stream().filter(id -> story(id).closing().zeroed().isPresent()).collect(Collectors.toSet());
        return new WayBack.Standing(order, closed(), loose(), refitted(), zeroed);
    }

    /// Whether anything was taken off, tried or noted.
    public boolean opening() {
        return !stories.isEmpty() || !references.isEmpty() || !marks.isEmpty();
    }

    /// Whether anything was put back or stated.
    public boolean closing() {
        return stories.values().stream().anyMatch(s -> s.everOpened() && (s.closing().begun() || !s.past().isEmpty()));
    }
}

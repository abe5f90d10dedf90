package stillglass.ticket;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import stillglass.plan.WayBack;

/// What was done to the joints of a ticket's instrument: the fold of opening, noting, stating, closing.
final class JointRecord {
    private final Map<String, List<Fact>> facts = new LinkedHashMap<>();
    private final Map<String, List<TicketEvent.FactStated>> stated = new LinkedHashMap<>();
    private final Map<String, TicketEvent.JointFound> found = new LinkedHashMap<>();
    private final List<String> opened = new ArrayList<>();
    private final Set<String> offPlan = new HashSet<>();
    private final Set<String> closed = new LinkedHashSet<>();
    private final Set<String> loose = new LinkedHashSet<>();
    private final Set<String> controlsSet = new LinkedHashSet<>();
    /// Put back for a moment, with the joint each is on for.
    private final Map<String, String> refitted = new LinkedHashMap<>();
    private final Set<String> zeroed = new LinkedHashSet<>();
    private final Map<String, TicketEvent.Greased> greased = new LinkedHashMap<>();
    private final Set<String> tested = new LinkedHashSet<>();
    private final Map<String, TicketEvent.Troubled> troubles = new LinkedHashMap<>();

    void apply(TicketEvent.OnJoint happened) {
        switch (happened) {
            case TicketEvent.JointFound e -> found.put(e.joint(), e);
            case TicketEvent.FactNoted e -> facts.computeIfAbsent(e.joint(), j -> new ArrayList<>()).add(e.fact());
            case TicketEvent.FactStated e -> stated.computeIfAbsent(e.joint(), j -> new ArrayList<>()).add(e);
            case TicketEvent.JointOpened e -> open(e);
            case TicketEvent.Greased e -> greased.put(e.joint(), e);
            case TicketEvent.ControlsSet e -> controlsSet.add(e.joint());
            case TicketEvent.JointClosed e -> {
                closed.add(e.joint());
                refitted.remove(e.joint());
                if (e.loose()) {
                    loose.add(e.joint());
                }
            }
            case TicketEvent.JointTightened e -> loose.remove(e.joint());
            case TicketEvent.JointRefitted e -> refitted.put(e.joint(), e.during());
            case TicketEvent.JointTakenOff e -> refitted.remove(e.joint());
            case TicketEvent.JointZeroed e -> zeroed.add(e.joint());
            case TicketEvent.TestPassed e -> tested.add(e.joint());
            case TicketEvent.Troubled e -> troubles.put(e.joint(), e);
            case TicketEvent.Mended e -> troubles.remove(e.joint());
        }
    }

    /// What was stated, set and tested belongs to one closing; opened again, it is all to be done again.
    private void open(TicketEvent.JointOpened e) {
        opened.remove(e.joint());
        opened.add(e.joint());
        for (Set<String> once : List.of(closed, loose, tested, controlsSet, zeroed)) {
            once.remove(e.joint());
        }
        refitted.remove(e.joint());
        stated.remove(e.joint());
        if (e.offPlan()) {
            offPlan.add(e.joint());
        }
    }

    List<Fact> facts(String joint) {
        return List.copyOf(facts.getOrDefault(joint, List.of()));
    }

    List<TicketEvent.FactStated> stated(String joint) {
        return List.copyOf(stated.getOrDefault(joint, List.of()));
    }

    List<TicketEvent.JointFound> found() {
        return List.copyOf(found.values());
    }

    List<String> opened() {
        return List.copyOf(opened);
    }

    boolean offPlan(String joint) {
        return offPlan.contains(joint);
    }

    Set<String> closed() {
        return Set.copyOf(closed);
    }

    Set<String> loose() {
        return Set.copyOf(loose);
    }

    Set<String> openNow() {
        Set<String> now = new LinkedHashSet<>(opened);
        now.removeAll(closed);
        return now;
    }

    boolean controlsSet(String joint) {
        return controlsSet.contains(joint);
    }

    Set<String> refitted() {
        return Set.copyOf(refitted.keySet());
    }

    Optional<TicketEvent.Greased> greased(String joint) {
        return Optional.ofNullable(greased.get(joint));
    }

    boolean tested(String joint) {
        return tested.contains(joint);
    }

    List<TicketEvent.Troubled> troubles() {
        return List.copyOf(troubles.values());
    }

    WayBack.Standing standing() {
        return new WayBack.Standing(opened, closed, loose, refitted, zeroed);
    }

    boolean opening() {
        return !opened.isEmpty() || !facts.isEmpty();
    }

    boolean closing() {
        return !closed.isEmpty() || !stated.isEmpty();
    }
}

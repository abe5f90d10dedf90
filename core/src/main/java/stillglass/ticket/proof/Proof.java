package stillglass.ticket.proof;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import stillglass.prove.measure.Quantity;
import stillglass.prove.measure.Verdict;
import stillglass.say.Said;
import stillglass.ticket.joints.Joints;
import stillglass.ticket.joints.Ledger;
import stillglass.ticket.joints.Trial;
import stillglass.ticket.readings.Readings;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Event;
import stillglass.ticket.story.Grown;
import stillglass.ticket.story.Overruled;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Recorded;
import stillglass.ticket.story.World;

/// Signatures under a job. Immutable.
///
/// @param signatures in order, withdrawn ones among them
public record Proof(List<Signature> signatures) {
    /// Nobody has signed.
    public static final Proof NONE = new Proof(List.of());

    /// Who proved it, and when.
    /// @param seq number of its row
    public record Signature(long seq, ProofEvent.Signed signed) {}

    public Proof {
        signatures = List.copyOf(signatures);
    }

    /// The state after one more event.
    public Proof after(Recorded row, ProofEvent happened) {
        return switch (happened) {
            case ProofEvent.Signed e -> new Proof(Grown.by(signatures, new Signature(row.seq(), e)));
        };
    }

    /// The last row that changed what a proof was made on.
    private static long changed(Joints joints) {
        return Math.max(joints.lastOpened(), joints.lastFitted());
    }

    /// The signature that stands: nothing was opened or shimmed anew since.
    public Optional<ProofEvent.Signed> signed(Joints joints) {
        return signatures.stream().reduce((a, b) -> b).filter(s -> s.seq() > changed(joints)).map(Signature::signed);
    }

    /// Signatures that what was done since has withdrawn.
    public List<ProofEvent.Signed> withdrawn(Joints joints) {
        return signatures.stream().filter(s -> s.seq() < changed(joints)).map(Signature::signed).toList();
    }

    /// The reading of infinity after the work that stands.
    public static Optional<Readings.Infinity> infinity(Readings readings, Joints joints) {
        return readings.infinity(Phase.AFTER).filter(i -> i.seq() > changed(joints));
    }

    /// The reading of infinity after the work that what was done since has withdrawn.
    public static Optional<Readings.Infinity> withdrawnInfinity(Readings readings, Joints joints) {
        return readings.infinity(Phase.AFTER).filter(i -> i.seq() < changed(joints));
    }

    /// What is still to be shown before this instrument can be signed for, in order of weight. An instrument without optics of its own has no infinity.
    public static List<Said> wanted(Readings readings, Joints joints, World world) {
        List<Said> wanted = new ArrayList<>();
        if (world.instrument().sort().images() && infinity(readings, joints).isEmpty()) {
            wanted.add(Said.of(withdrawnInfinity(readings, joints).isPresent() ? "proof.infinity.again" : "proof.infinity"));
        }
        readings.checks(Phase.BEFORE).keySet().stream()
                .filter(c -> Optional.ofNullable(readings.checks().get(new Readings.Key(Phase.AFTER, c))).filter(k -> k.seq() > joints.lastOpened()).isEmpty())
                .filter(c -> joints.trials().stream().noneMatch(t -> t.passed() && t.seq() > joints.lastOpened() && t.function().equalsIgnoreCase(c)))
                .forEach(c -> wanted.add(Said.of("proof.check", "check", c)));
        readings.checks(Phase.AFTER).keySet().forEach(c -> readings.last(Phase.AFTER, c).filter(k -> k.seq() > joints.lastOpened()).filter(k -> k.how().isPresent() && !k.free())
                .ifPresent(k -> wanted.add(Said.of("proof.check.not", "check", c, "found", k.found()))));
        HoldPoints.sometimes(readings, joints).values().forEach(wanted::add);
        figures(readings, joints, world, wanted);
        boolean tried = !readings.checks(Phase.AFTER).isEmpty() || joints.trials().stream().anyMatch(Trial::passed);
        if (!world.instrument().sort().images() && !tried) {
            // Nothing was tried on arrival either, so that nothing above asks for it.
            wanted.add(Said.of("proof.functions"));
        }
        return List.copyOf(wanted);
    }

    /// What was measured on arrival is measured again; what fails then is said.
    private static void figures(Readings readings, Joints joints, World world, List<Said> wanted) {
        for (Provable p : Provable.all(readings, joints, world.instrument())) {
            if (p.quantity() == Quantity.INFINITY) {
                continue;
            }
            List<Said> missing = p.points().stream().filter(t -> t.after().isEmpty() && (t.before().isPresent() || t.withdrawn())).map(t -> p.quantity().place(t.at())).toList();
            if (!missing.isEmpty()) {
                boolean placed = p.quantity().where() != Quantity.Where.NOTHING && p.points().stream().noneMatch(t -> t.at().isEmpty());
                wanted.add(placed ? Said.of("proof.figure.at", "what", p.quantity().said(), "places", Said.commas(missing)) : Said.of("proof.figure", "what", p.quantity().said()));
            }
            p.points().stream().filter(t -> t.verdict(OptionalDouble.empty()).filter(v -> v == Verdict.FAILS).isPresent())
                    .forEach(t -> wanted.add(Said.of("proof.figure.fails", "what", p.quantity().said(), "at", p.quantity().place(t.at()), "value", p.quantity().figure(t.after().orElseThrow().value()))));
        }
    }

    /// Decides an intent: events, or a refusal that says what to do instead.
    /// @param pending what keeps the ledger from zero besides joints and parts
    public static Decision decide(ProofIntent intent, Readings readings, Joints joints, List<Said> pending, World world) {
        return switch (intent) {
            case ProofIntent.Sign s -> sign(s, readings, joints, pending, world);
        };
    }

    private static Decision sign(ProofIntent.Sign s, Readings readings, Joints joints, List<Said> pending, World world) {
        if (s.by().isBlank()) {
            return Decision.refused("sign.name");
        }
        Ledger ledger = Ledger.of(joints, world.instrument(), pending);
        List<Said> wanted = new ArrayList<>(wanted(readings, joints, world));
        if (!ledger.zero()) {
            wanted.add(Said.of("proof.ledger", "ledger", ledger.said()));
        }
        Optional<String> despite = s.despite().map(String::strip).filter(w -> !w.isEmpty());
        if (!wanted.isEmpty() && despite.isEmpty()) {
            return Decision.refused("sign.wanted", "wanted", Said.and(wanted));
        }
        List<Event> events = new ArrayList<>();
        if (!wanted.isEmpty()) {
            events.add(new Overruled(Said.of("overruled.unproved", "wanted", Said.and(wanted)), despite.orElse("")));
        }
        events.add(new ProofEvent.Signed(s.by().strip(), s.at()));
        return new Decision.Accepted(events);
    }
}

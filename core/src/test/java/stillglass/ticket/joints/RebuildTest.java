package stillglass.ticket.joints;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import stillglass.assembly.ClockPosition;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.optics.Lenses;
import stillglass.plan.RandomRebuild;
import stillglass.plan.WayBack;
import stillglass.ticket.Job;
import stillglass.ticket.facts.BackedOff;
import stillglass.ticket.facts.Ball;
import stillglass.ticket.facts.Collar;
import stillglass.ticket.facts.Facing;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.facts.LetGo;
import stillglass.ticket.facts.Moved;
import stillglass.ticket.facts.Preload;
import stillglass.ticket.facts.Proud;
import stillglass.ticket.facts.Screw;
import stillglass.ticket.facts.Shims;
import stillglass.ticket.facts.Turns;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Decision;

/// Any record can be closed by saying what it says, and no single wrong statement gets through. What was noted is kept by the test itself.
class RebuildTest {
    private static Fact fact(int sort, SplittableRandom random) {
        ClockPosition at = ClockPosition.of(random.nextInt(24) / 2.0);
        double size = 0.5 + random.nextInt(40) / 10.0;
        return switch (sort) {
            case 0 -> new Facing("E1", random.nextBoolean());
            case 1 -> new LetGo(at);
            case 2 -> new Turns(size);
            case 3 -> new Proud(size);
            case 4 -> new Screw("C" + random.nextInt(100), "slot", size);
            case 5 -> new Shims(List.of(0.1, size / 10));
            case 6 -> new Ball(size);
            case 7 -> new Collar("", at);
            case 8 -> new BackedOff(10 * size);
            case 9 -> new Preload(size);
            default -> new Moved("part " + random.nextInt(3), at);
        };
    }

    /// The same with one thing misread, lost or turned round.
    private static Fact wrong(Fact fact) {
        return switch (fact) {
            case Facing f -> new Facing(f.part(), !f.frontUp());
            case LetGo l -> new LetGo(ClockPosition.of(l.at().hours() + 4));
            case Turns t -> new Turns(t.turns() + 1);
            case Proud p -> new Proud(p.mm() + 1);
            case Screw s -> new Screw(s.cell(), "slot", s.lengthMm().orElse(0.0) + 2);
            case Shims s -> new Shims(List.of(0.9, 0.9));
            case Ball b -> new Ball(b.diameterMm().orElse(0.0) + 5);
            case Collar c -> new Collar(c.name(), ClockPosition.of(c.at().hours() + 5));
            case BackedOff b -> new BackedOff(b.degrees() + 60);
            case Preload p -> new Preload(p.turns() + 3);
            case Moved m -> new Moved(m.what(), ClockPosition.of(m.to().hours() + 6));
            default -> throw new IllegalArgumentException(fact.toString());
        };
    }

    private static boolean many(Fact f) {
        return f instanceof Ball || f instanceof Moved || f instanceof Screw;
    }

    /// Opens an instrument with everything worth noting at some of its joints.
    /// @return what was noted, by joint, in order
    private static Map<String, List<Fact>> open(Job job, Instrument instrument, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        Map<String, List<Fact>> noted = new LinkedHashMap<>();
        for (String id : RandomRebuild.opened(instrument, seed)) {
            List<Fact> facts = new ArrayList<>();
            for (int n = random.nextInt(5); n > 0; n--) {
                Fact f = fact(random.nextInt(11), random);
                if (many(f) ? facts.stream().noneMatch(o -> o instanceof Screw s && f instanceof Screw x && s.cell().equals(x.cell())) : facts.stream().noneMatch(o -> o.getClass() == f.getClass())) {
                    facts.add(f);
                }
            }
            if (!facts.isEmpty()) {
                job.accept(Job.note(id, facts.toArray(new Fact[0])));
            }
            job.accept(Job.open(id));
            noted.put(id, facts);
        }
        return noted;
    }

    /// What must be said before it is closed: moves last in, first out.
    private static List<Fact> answers(List<Fact> noted) {
        List<Fact> all = new ArrayList<>(noted.stream().filter(f -> !(f instanceof Moved)).toList());
        all.addAll(noted.stream().filter(Moved.class::isInstance).toList().reversed());
        return all;
    }

    private static boolean refused(Job job, JointIntent intent) {
        return job.decide(Act.of(intent)) instanceof Decision.Refused;
    }

    @Test
    void anyRecordIsClosedByWhatItSaysAndByNothingElse() {
        int caught = 0;
        for (long seed = 1; seed <= 60; seed++) {
            Instrument instrument = RandomRebuild.instrument(seed);
            Job job = Job.on(instrument, Optional.of(Lenses.triplet()));
            Map<String, List<Fact>> noted = open(job, instrument, seed);
            int steps = 0;
            for (Optional<WayBack.Step> next = next(job); next.isPresent(); next = next(job)) {
                WayBack.Step step = next.get();
                Joint j = step.joint();
                if (step instanceof WayBack.Step.Close || step instanceof WayBack.Step.LeaveLoose) {
                    for (Fact right : answers(noted.get(j.id()))) {
                        assertThat(refused(job, Closings.intent(step))).as("seed %d: %s closed without %s", seed, j.id(), right).isTrue();
                        if (!refused(job, Job.see(j.id(), wrong(right)))) {
                            job.accept(Job.see(j.id(), wrong(right)));
                            assertThat(refused(job, Closings.intent(step))).as("seed %d: closed in spite of %s for %s", seed, wrong(right), right).isTrue();
                        }
                        job.accept(Job.see(j.id(), right));
                        caught++;
                    }
                }
                job.accept(Closings.intent(step));
                assertThat(++steps).as("seed %d comes to an end", seed).isLessThan(200);
            }
            Joints joints = job.state().joints();
            assertThat(joints.closed()).as("seed %d", seed).containsExactlyInAnyOrderElementsOf(noted.keySet());
            assertThat(List.of(joints.openNow(), joints.loose(), joints.refitted().keySet())).as("seed %d", seed).allMatch(Set::isEmpty);
            assertThat(Ledger.of(joints, job.world().instrument(), List.of()).zero()).as("seed %d", seed).isTrue();
        }
        assertThat(caught).isGreaterThan(500);
    }

    private static Optional<WayBack.Step> next(Job job) {
        return WayBack.next(job.world().instrument(), job.state().joints().standing());
    }
}

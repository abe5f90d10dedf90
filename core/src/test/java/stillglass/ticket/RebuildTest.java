package stillglass.ticket;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import stillglass.assembly.ClockPosition;
import stillglass.assembly.Instrument;
import stillglass.optics.Lenses;
import stillglass.plan.RandomRebuild;
import stillglass.plan.WayBack;

/// Any record can be closed by saying what it says, and no single wrong statement gets through.
class RebuildTest {
    private static final Instant NOON = Instant.parse("2026-11-25T12:00:00Z");

    private final List<Recorded> rows = new ArrayList<>();
    private Decision.World world = new Decision.World(RandomRebuild.instrument(1), Lenses.triplet(), new stillglass.care.CareTables(List.of(), List.of()));

    private TicketState state() {
        return TicketState.of(rows);
    }

    private Decision tell(Intent intent) {
        Decision d = Decision.decide(state(), intent, world);
        if (d instanceof Decision.Accepted a) {
            long number = state().lastIntent() + 1;
            a.events().forEach(e -> rows.add(new Recorded(number, NOON, e)));
        }
        return d;
    }

    private void must(Intent intent, long seed) {
        assertThat(tell(intent)).as("seed %d: %s", seed, intent).isInstanceOf(Decision.Accepted.class);
    }

    /// Opens an instrument with everything worth noting at some of its joints.
    private void open(Instrument instrument, long seed) {
        rows.clear();
        world = new Decision.World(instrument, Lenses.triplet(), world.care());
        SplittableRandom random = new SplittableRandom(seed);
        for (String id : RandomRebuild.opened(instrument, seed)) {
            List<Fact> facts = new ArrayList<>();
            for (int n = random.nextInt(4); n > 0; n--) {
                facts.add(fact(random.nextInt(11), random));
            }
            if (!facts.isEmpty()) {
                must(new Intent.NoteFacts(id, facts), seed);
            }
            must(new Intent.OpenJoint(id, false), seed);
        }
    }

    private static Fact fact(int sort, SplittableRandom random) {
        ClockPosition at = ClockPosition.of(random.nextInt(24) / 2.0);
        double size = 0.5 + random.nextInt(40) / 10.0;
        return switch (sort) {
            case 0 -> new Fact.Facing("E1", random.nextBoolean());
            case 1 -> new Fact.LetGo(at);
            case 2 -> new Fact.Turns(size);
            case 3 -> new Fact.Proud(size);
            case 4 -> new Fact.Screw("C" + random.nextInt(3), "slot", size);
            case 5 -> new Fact.Shims(List.of(0.1, size / 10));
            case 6 -> new Fact.Ball(size);
            case 7 -> new Fact.Collar(at);
            case 8 -> new Fact.BackedOff(10 * size);
            case 9 -> new Fact.Preload(size);
            default -> new Fact.Moved("part " + random.nextInt(3), at);
        };
    }

    /// The same with one thing misread, lost or turned round.
    private static Fact wrong(Fact right) {
        return switch (right) {
            case Fact.Facing f -> new Fact.Facing(f.part(), !f.frontUp());
            case Fact.LetGo l -> new Fact.LetGo(ClockPosition.of(l.at().hours() + 2));
            case Fact.Turns t -> new Fact.Turns(t.turns() + 0.25);
            case Fact.Proud p -> new Fact.Proud(p.mm() + 0.1);
            case Fact.Screw s -> new Fact.Screw(s.cell(), s.drive(), s.lengthMm() + 0.5);
            case Fact.Shims s -> new Fact.Shims(s.thicknessesMm().subList(0, 1));
            case Fact.Ball b -> new Fact.Ball(b.diameterMm() + 0.2);
            case Fact.Collar c -> new Fact.Collar(ClockPosition.of(c.at().hours() + 0.5));
            case Fact.BackedOff b -> new Fact.BackedOff(b.degrees() + 15);
            case Fact.Preload p -> new Fact.Preload(p.turns() + 0.25);
            case Fact.Moved m -> new Fact.Moved(m.what(), ClockPosition.of(m.to().hours() + 1));
            case Fact.Spring s -> s;
            case Fact.Stuck s -> s;
            case Fact.Damaged d -> d;
            case Fact.Earlier e -> e;
            case Fact.Photo p -> p;
            case Fact.Clocked c -> c;
            case Fact.Note n -> n;
        };
    }

    @Test
    void anyRecordIsClosedByWhatItSaysAndByNothingElse() {
        int caught = 0;
        for (long seed = 1; seed <= 60; seed++) {
            open(RandomRebuild.instrument(seed), seed);
            List<String> opened = state().opened();
            int steps = 0;
            while (!WayBack.order(world.instrument(), state().standing()).isEmpty()) {
                WayBack.Step step = WayBack.order(world.instrument(), state().standing()).getFirst();
                String id = step.joint().id();
                boolean closes = step instanceof WayBack.Step.Close || step instanceof WayBack.Step.LeaveLoose;
                for (List<Fact> wanted = Closing.wanted(state(), id); closes && !wanted.isEmpty(); wanted = Closing.wanted(state(), id)) {
                    Fact right = wanted.getFirst();
                    must(new Intent.StateFact(id, wrong(right)), seed);
                    assertThat(state().stated(id).getLast().matches()).as("seed %d: %s for %s", seed, wrong(right), right).isFalse();
                    assertThat(tell(Closing.intent(step))).as("seed %d: closed in spite of %s", seed, wrong(right)).isInstanceOf(Decision.Refused.class);
                    must(new Intent.StateFact(id, right), seed);
                    caught++;
                }
                must(Closing.intent(step), seed);
                assertThat(++steps).as("seed %d comes to an end", seed).isLessThan(200);
            }
            assertThat(Ledger.of(state(), world.instrument()).zero()).as("seed %d: %s", seed, Ledger.of(state(), world.instrument()).say()).isTrue();
            assertThat(state().closed()).as("seed %d", seed).containsExactlyInAnyOrderElementsOf(opened);
        }
        assertThat(caught).isGreaterThan(300);
    }
}

package stillglass.ticket.proof;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.device.Source;
import stillglass.optics.Paraxial;
import stillglass.prove.measure.Quantity;
import stillglass.prove.measure.Verdict;
import stillglass.say.Wording;
import stillglass.ticket.Job;
import stillglass.ticket.Zeroing;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.readings.Readings;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Stage;
import stillglass.ticket.words.Reading;

/// Figures typed at the bench, what they are kept as, and what they prove.
class FiguresTest {
    private static ReadingEvent.Measured last(Job job) {
        return job.state().readings().all().getLast().read();
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';', value = {
        "speed 1/125 8.4 ms ± 0.1; SPEED; 1/125; 0.0084; 0.0001",
        "speed 1/125 = 1/110; SPEED; 1/125; 0.0090909; 0.000273",
        "speed 1/60 +1 EV ± 0.1; SPEED; 1/60; 0.0333333; 0.002393",
        "speed 1 s 1.2 s; SPEED; 1; 1.2; 0.036",
        "measured speed 0.5: 470ms; SPEED; 0.5; 0.47; 0.0141",
        "opening f/5.6 -0.3 EV; OPENING; 5.6; -0.3; 0.1",
        "opening f/8 f/11.313708; OPENING; 8; -1; 0.1",
        "torque focus 45 ± 5; TORQUE; focus; 45; 5",
        "torque 4.5 Ncm; TORQUE; ''; 45; 1.35",
        "torque focus 0.35 kg at 120 mm; TORQUE; focus; 411.8793; 12.356379",
        "breakaway focus: 5 N at 3 cm; BREAKAWAY; focus; 150; 4.5",
        "breakaway focus ring: 60 N·mm; BREAKAWAY; focus ring; 60; 1.8",
        "sharpness centre f/2.8 42 lp/mm ± 2; SHARPNESS; centre f/2.8; 42; 2",
        "scale 1 m 1.04 m; SCALE; 1; 1.04; 0.0312",
        "finder 3 3,1; FINDER; 3; 3.1; 0.093",
        "finder inf 60 m ± 4; FINDER; Infinity; 60; 4",
        "scale ∞ 45; SCALE; Infinity; 45; 1.35",
        "closing f/16 22 ms ± 2; CLOSING; 16; 0.022; 0.002",
        "weight 312.4 g; WEIGHT; ''; 312.4; 0.01",
        "veil 2.5 % ± 0.5; VEIL; ''; 0.025; 0.005",
        "flange 45.46 ± 0.01; FLANGE; ''; 45.46; 0.01",
        "play front cell 0.05; PLAY; front cell; 0.05; 0.01"})
    void figuresAreTyped(String line, Quantity quantity, String at, double value, double sigma) {
        Job job = Job.begun().stage(Stage.ARRIVE).say(line);
        assertThat(last(job).quantity()).isEqualTo(quantity);
        assertThat(last(job).at()).isEqualTo(at);
        assertThat(last(job).value()).isCloseTo(value, within(1e-6));
        assertThat(last(job).sigma()).isCloseTo(sigma, within(1e-6));
        assertThat(last(job).phase()).isEqualTo(Phase.BEFORE);
        assertThat(last(job).source()).contains(Source.TYPED);
    }

    @ParameterizedTest
    @ValueSource(strings = {"measured speed 1/125", "measured speed 1/125 8.4", "measured opening 8.4 ms", "measured speed 1/125 8.4 mm", "measured scale 1 m -2 m", "measured torque focus tight",
        "measured speed 1/125 1/0", "measured veil 4000 %", "speed 1/60 fast"})
    void whatIsNoFigureIsAskedFor(String line) {
        Job job = Job.begun().stage(Stage.ARRIVE);
        assertThat(job.read(line)).isInstanceOfSatisfying(Reading.Unclear.class, u -> assertThat(u.why().key()).as("what is lacking is said").startsWith("say.measured."));
    }

    @Test
    void whereAFigureWasTakenIsKept() {
        Job job = Job.begun().stage(Stage.OPEN).accept(Job.open("ring-thread")).say("measured torque focus 30");
        assertThat(last(job).phase()).isEqualTo(Phase.BETWEEN);
        job.accept(Job.close("ring-thread")).stage(Stage.PROVE).say("torque focus 32");
        assertThat(last(job).phase()).isEqualTo(Phase.AFTER);
    }

    /// One key a try: what was counted is told together, and counts towards the streak that proves a fault gone.
    @Test
    void triesThatAreCountedOneByOneAddUp() {
        Job job = Job.begun().stage(Stage.ARRIVE);
        for (int i = 0; i < 10; i++) {
            job.accept(new ReadingEvent.FunctionChecked(Phase.BEFORE, "release", i % 4 == 3 ? "0 of 1" : "1 of 1"));
        }
        Readings r = job.state().readings();
        assertThat(r.told(Phase.BEFORE, "release", -1)).contains("8 of 10");
        assertThat(r.sometimes("release").orElseThrow().failed()).isEqualTo(2);
        for (int i = 0; i < 5; i++) {
            job.accept(new ReadingEvent.FunctionChecked(Phase.AFTER, "release", "1 of 1"));
        }
        assertThat(job.state().readings().goodInARow("release", 0)).isEqualTo(5);
        job.accept(new ReadingEvent.FunctionChecked(Phase.AFTER, "release", "0 of 1"));
        assertThat(job.state().readings().goodInARow("release", 0)).isZero();
        assertThat(job.state().readings().told(Phase.AFTER, "release", -1)).contains("5 of 6");
        assertThat(job.say("check iris: slow").state().readings().told(Phase.BEFORE, "iris", -1)).contains("slow");
    }

    @Test
    void whatWasMeasuredOnArrivalIsMeasuredAgainAndMustHold() {
        Job job = Job.begun().stage(Stage.ARRIVE).say("scale 1 m 1.2 m ± 0.02", "scale 3 m 3.6 m ± 0.05", "torque focus 90 ± 5");
        assertThat(wanted(job)).contains("distance scale measured after the work at 1 m, 3 m", "torque measured after the work at focus");
        job.accept(Job.open("ring-thread"), Job.close("ring-thread")).stage(Stage.PROVE).say("scale 1 m 1.01 m ± 0.01", "scale 3 m 3.5 m ± 0.05", "torque focus 40 ± 4");
        assertThat(wanted(job)).contains("distance scale 3 m is outside what is allowed (3.5 m)").doesNotContain("torque measured");
        Provable scale = provable(job, Quantity.SCALE);
        assertThat(scale.points()).extracting(Provable.Point::at).containsExactly("1", "3");
        assertThat(scale.points().getFirst().arrived(OptionalDouble.empty())).contains(Verdict.FAILS);
        assertThat(scale.points().getFirst().verdict(OptionalDouble.empty())).contains(Verdict.HOLDS);
        assertThat(provable(job, Quantity.TORQUE).points().getFirst().verdict(OptionalDouble.empty())).contains(Verdict.COMPARED);
        job.stage(Stage.OPEN).accept(Job.open("ring-thread"));
        assertThat(provable(job, Quantity.SCALE).points().getFirst()).satisfies(p -> {
            assertThat(p.after()).isEmpty();
            assertThat(p.withdrawn()).isTrue();
        });
    }

    private static Provable provable(Job job, Quantity q) {
        return Provable.all(job.state().readings(), job.state().joints(), job.world().instrument()).stream().filter(p -> p.quantity() == q).findFirst().orElseThrow();
    }

    private static String wanted(Job job) {
        return String.join("; ", Proof.wanted(job.state().readings(), job.state().joints(), job.world()).stream().map(Wording.core()::say).toList());
    }

    @Test
    void infinityGoesThroughTheSameChannel() {
        Job job = Job.begun().stage(Stage.ARRIVE).say("infinity +0.12 ± 0.01");
        assertThat(job.state().readings().last(Phase.BEFORE, Quantity.INFINITY, "").map(Readings.Measurement::read)).get()
                .satisfies(m -> assertThat(m.value()).isEqualTo(0.12));
        assertThat(provable(job, Quantity.INFINITY).points().getFirst().arrived(OptionalDouble.of(0.06))).contains(Verdict.FAILS);
    }

    @Test
    void aFaultSeenNowAndThenWantsGoodTriesInARow() {
        Job job = Job.begun().stage(Stage.ARRIVE).say("check iris, 7 of 10").accept(Job.open("ring-thread"), Job.close("ring-thread")).stage(Stage.PROVE);
        job.say("check iris, 3 of 3");
        assertThat(wanted(job)).contains("failed 3 of 10 times on arrival: 3 good tries in a row of 12");
        job.say("check iris, 6 of 6", "check iris, free", "check iris, 2 of 2");
        assertThat(job.state().readings().goodInARow("iris", job.state().joints().lastOpened())).isEqualTo(12);
        assertThat(wanted(job)).doesNotContain("in a row");
        job.say("check iris, 1 of 2");
        assertThat(job.state().readings().goodInARow("iris", job.state().joints().lastOpened())).isZero();
    }

    @Test
    void onAnInstrumentNobodyMappedNamesTellWhatIsTriedNow() {
        Job job = Job.unknown().say("off iris ring, 3 screws, front", "off aperture plate, front").stage(Stage.CLOSE);
        List<String> open = List.copyOf(job.state().joints().openNow());
        assertThat(HoldPoints.due(job.state().readings(), job.state().joints(), job.world().instrument())).isEmpty();
        job.accept(new JointIntent.Close(open.getLast(), false, Optional.of("test")));
        assertThat(functions(job)).as("what carries the iris is still out").doesNotContain("iris");
        job.accept(new JointIntent.Close(open.getFirst(), false, Optional.of("test")));
        assertThat(functions(job)).contains("iris", "iris clicks");
        job.say("test passed iris");
        assertThat(functions(job)).doesNotContain("iris").contains("iris clicks");
    }

    private static List<String> functions(Job job) {
        return HoldPoints.due(job.state().readings(), job.state().joints(), job.world().instrument()).stream().map(HoldPoints::function).toList();
    }

    @Test
    void aScaleThatReadsWrongIsTurnedByTheLeadThatWasNoted() {
        Job job = Job.begun().stage(Stage.ARRIVE).say("scale 1 m 1.08 m ± 0.01", "scale 2 m 2.36 m ± 0.03");
        List<ReadingEvent.Measured> measured = provable(job, Quantity.SCALE).points().stream().flatMap(p -> p.now().stream()).toList();
        String said = Zeroing.scale(measured, job.state(), job.world()).map(Wording.core()::say).orElseThrow();
        // The small instrument's helicoid has a lead of its own on the map: 9 mm a turn.
        double focal = Paraxial.of(job.world().section().orElseThrow()).eflMm();
        double near = 360 * focal * focal * (1 / (1000 - 2 * focal) - 1 / (1080 - 2 * focal)) / 9;
        assertThat(said).startsWith("To make the scale true turn the ring").contains("towards far");
        double degrees = Double.parseDouble(said.replaceAll(".* by ([\\d.]+)° ±.*", "$1"));
        assertThat(degrees).isCloseTo(near, within(0.25 * near));
        assertThat(Zeroing.scale(List.of(), job.state(), job.world())).isEmpty();
        assertThat(Zeroing.scale(measured, Job.unknown().state(), Job.unknown().world()).map(Wording.core()::say)).get().asString().contains("Note the lead");
    }
}

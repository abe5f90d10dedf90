package stillglass.benchmarks;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import stillglass.assembly.Instrument;
import stillglass.care.CareTables;
import stillglass.day.Durations;
import stillglass.day.Shop;
import stillglass.ticket.BenchDay;
import stillglass.ticket.Story;
import stillglass.ticket.arrival.ArrivalEvent;
import stillglass.ticket.arrival.Tag;
import stillglass.ticket.story.Recorded;
import stillglass.ticket.story.World;

/// The day planned anew after an act, what can be promised with it: open tickets of things nobody knows, all wanted today, so that most are late whatever is done.
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 2, time = 3)
@Measurement(iterations = 4, time = 3)
@Fork(1)
public class DayBench {
    private static final Instant NOW = Instant.parse("2026-11-24T09:00:00Z");

    @Param({"8", "40"})
    public int tickets;

    @Benchmark
    public BenchDay plannedAnew() {
        List<BenchDay.Read> open = new ArrayList<>();
        for (int i = 0; i < tickets; i++) {
            Instrument unknown = Instrument.unknown("own-" + i, "Lens " + i, Instrument.Sort.LENS);
            Tag tag = new Tag("T-" + i, "Lens " + i, unknown.id(), Instrument.Sort.LENS, Optional.empty(), Optional.empty(), Optional.of(LocalDate.of(2026, 11, 24)));
            open.add(new BenchDay.Read(Story.of(List.of(new Recorded(1, 1, "", "bench", NOW, new ArrivalEvent.Begun(tag)))), new World(unknown, Optional.empty(), new CareTables(List.of(), List.of(), List.of())), Optional.empty()));
        }
        return BenchDay.of(Shop.USUAL, open, new Durations(), NOW, ZoneOffset.UTC);
    }
}

package stillglass.benchmarks;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.SplittableRandom;
import stillglass.assembly.Instrument;
import stillglass.assembly.Side;
import stillglass.book.data.Shelf;
import stillglass.book.log.Logbook;
import stillglass.book.log.Tickets;
import stillglass.ticket.arrival.ArrivalEvent;
import stillglass.ticket.arrival.ArrivalIntent;
import stillglass.ticket.arrival.Tag;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Intent;

/// A logbook with very many tickets, and how long what the window asks of it takes: a table on standard output.
public final class BookScaling {
    private static final int USUAL = 100_000;
    private static final int AT_ONCE = 1000;
    private static final int TIMES = 40;
    private static final List<String> NAMES = List.of("Brook 35 mm f/2.8", "Tarn 50 mm f/3.5", "Fell 52 mm f/2", "Moss 85 mm f/1.8", "Ghyll 135 mm f/4", "Beck reflex", "Heath folding", "Cairn shutter 1");
    private static final List<String> OWNERS = List.of("Saltmarsh Lane puppet theatre", "Island weather station", "School night-sky club", "Harbour print workshop", "Éclair évêché", "Őrség múzeum");
    private static final List<String> FAULTS = List.of("haze in the rear group", "fungus behind the front glass", "stiff focus", "iris sluggish", "slow speeds stick", "oil on the blades", "dent in the filter ring", "mirror foam gone");

    private BookScaling() {}

    /// @param args file of the book, made if it is not there, and how many tickets
    public static void main(String[] args) {
        Path file = Path.of(args.length > 0 ? args[0] : "scaling.sqlite");
        int many = args.length > 1 ? Integer.parseInt(args[1]) : USUAL;
        boolean made = !Files.exists(file);
        long opening = System.nanoTime();
        try (Logbook log = Logbook.open(file)) {
            Tickets tickets = new Tickets(log, new Shelf(), InstantSource.fixed(Instant.parse("2026-11-28T09:00:00Z")), "", "scaling");
            long opened = System.nanoTime() - opening;
            if (made) {
                fill(log, tickets, many);
            }
            System.out.printf(Locale.ROOT, "%d tickets, %.0f MB; the book opened in %.0f ms%n| asked | middle, ms | worst, ms |%n|---|---|---|%n", log.counts().tickets(), file.toFile().length() / 1e6, opened / 1e6);
            measure(log, tickets);
        }
    }

    private static void fill(Logbook log, Tickets tickets, int many) {
        SplittableRandom random = new SplittableRandom(1);
        for (int from = 0; from < many; from += AT_ONCE) {
            int first = from;
            log.alone(() -> {
                for (int i = first; i < Math.min(many, first + AT_ONCE); i++) {
                    one(tickets, i, random);
                }
                return true;
            });
        }
    }

    private static void one(Tickets tickets, int i, SplittableRandom random) {
        String name = NAMES.get(random.nextInt(NAMES.size()));
        // About a thousand models, so that most tickets have others of their model.
        String model = "own-" + name.replaceAll("[^A-Za-z0-9]+", "-").toLowerCase(Locale.ROOT) + random.nextInt(120);
        Tag tag = new Tag("T-" + (1001 + i), name, model, Instrument.Sort.LENS, Optional.empty(), Optional.of(OWNERS.get(random.nextInt(OWNERS.size()))),
                random.nextInt(5) == 0 ? Optional.empty() : Optional.of(LocalDate.of(2026, 12, 1).plusDays(random.nextInt(600))));
        List<Intent> intents = new ArrayList<>(List.of(new ArrivalIntent.Begin(tag), new ArrivalEvent.SymptomNoted(FAULTS.get(random.nextInt(FAULTS.size()))),
                new ArrivalEvent.SymptomNoted(FAULTS.get(random.nextInt(FAULTS.size())) + " since " + (1950 + random.nextInt(70)))));
        for (int k = random.nextInt(12) - 6; k > 0; k--) {
            intents.add(new JointIntent.Find("ring " + i + " " + k, Optional.of("thread"), Side.FRONT, Optional.empty(), List.of(), true));
        }
        tickets.begin(new Act(intents));
    }

    private static void measure(Logbook log, Tickets tickets) {
        SplittableRandom random = new SplittableRandom(2);
        int many = log.counts().tickets();
        row("figures above the list", () -> log.counts());
        row("first forty of the list", () -> log.list(0, 40));
        row("forty anywhere in it", () -> log.list(random.nextInt(many), 40));
        row("days of the next sixty", () -> log.list(0, 60));
        List<String> typed = List.of("f", "fu", "fungus", "tar pup", "evech ha", "T-5", "T-50123", "slow 1963", "nothing at all", "haze", "iris is");
        row("a search", () -> log.search(typed.get(random.nextInt(typed.size())), 400));
        row("opening a ticket", () -> tickets.world(tickets.open("T-" + (1001 + random.nextInt(many)))).instrument());
        row("how technician and photo agree", tickets::agreement);
        row("clocks of all tickets", log::clocks);
        Tickets.Ticket ticket = tickets.open("T-1001");
        row("an act", () -> tickets.act(ticket, Act.of(new ArrivalEvent.SymptomNoted("measured")), List.of()));
    }

    private static void row(String what, Runnable work) {
        double[] ms = new double[TIMES];
        // Twice for the compiler and the disk.
        work.run();
        work.run();
        for (int i = 0; i < TIMES; i++) {
            long start = System.nanoTime();
            work.run();
            ms[i] = (System.nanoTime() - start) / 1e6;
        }
        Arrays.sort(ms);
        System.out.printf(Locale.ROOT, "| %s | %.1f | %.1f |%n", what, ms[TIMES / 2], ms[TIMES - 1]);
    }
}

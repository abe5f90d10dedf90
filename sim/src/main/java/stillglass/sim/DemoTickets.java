package stillglass.sim;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import stillglass.assembly.Instrument;
import stillglass.look.FindingKind;
import stillglass.optics.LensSection;
import stillglass.sim.truth.HiddenTruth;

/// The tickets on the bench of the Saltmarsh Lane instrument room, with the truth that only the virtual bench knows.
public final class DemoTickets {
    /// The ticket whose story is told from end to end.
    public static final String SHOWPIECE = "T-0142";

    private DemoTickets() {}

    /// @param dueInDays days from the start of the demo
    /// @param iris what the first function check of the iris finds
    /// @param feel what the focus feels like
    public record Arrival(
            String number,
            String title,
            String instrumentId,
            String sectionId,
            String owner,
            int dueInDays,
            List<String> symptoms,
            String use,
            String iris,
            String feel) {
        public Arrival {
            symptoms = List.copyOf(symptoms);
        }
    }

    /// The showpiece first, then those that have just arrived.
    public static List<Arrival> arrivals() {
        return List.of(
                new Arrival(SHOWPIECE, "Ostrel 52 mm f/2", "ostrel_52_f2", "fell_52_f2", "Saltmarsh Lane puppet theatre", 10,
                        List.of("Milky pictures against the stage lamps", "Fine grey branches behind the front glass",
                                "Focus dry and scraping"),
                        "Plays and portraits, wide open, often against lamps", "snaps open and closed, blades dry",
                        "dry, scrapes near 1 m"),
                new Arrival("T-0143", "Corvane 57 mm f/1.4", "rill_57_f14", "rill_57_f14", "Island weather station", 21,
                        List.of("Iris closes slowly", "A bright bay at the rim of the rear group"),
                        "Cloud pictures at f/8, once an hour", "closes in about a second, blades wet", "smooth"),
                new Arrival("T-0144", "Pellam 105 mm f/2.8", "hawthorn_105_f28", "hawthorn_105_f28", "School night-sky club", 30,
                        List.of("Soft since somebody had it open, the edges worst", "Lamp reflections: the fourth glass lies the wrong way round"),
                        "Star fields wide open", "snaps", "smooth, heavy at the near end"),
                new Arrival("T-0145", "Corvane 35-70 mm f/5 zoom", "corvane_zoom_35_70", "shoal_50_f5", "Saltmarsh Lane puppet theatre", 14,
                        List.of("Dust under the front glass", "One corner was soft until somebody turned a small collar"),
                        "Whole stage and single puppets, f/8", "snaps", "even, the zoom a little dry"),
                new Arrival("T-0146", "Pellam folding camera", "pellam_folding_75", "sedge_75_f45", "Island weather station", 28,
                        List.of("Slow speeds stick below 1/25", "Front cell was off once; distances do not agree"),
                        "Surf and cliffs, on roll film", "moves freely", "stiff at the near end"),
                new Arrival("T-0147", "Ostrel reflex body", "ostrel_reflex", "tarn_50_f35", "School night-sky club", 35,
                        List.of("Door seals and mirror foam have gone to tar", "A bright stripe at one edge of long exposures"),
                        "Long exposures on a tripod", "of the test lens: snaps", "of the test lens: smooth"));
    }

    /// A ticket on something nobody has a map or a section of, told in bench shorthand to the middle of its work.
    /// @param lines as they would be typed, the first begins it
    public record Told(String number, Instrument.Sort sort, String title, String owner, int dueInDays, List<String> symptoms, List<String> lines) {
        public Told {
            symptoms = List.copyOf(symptoms);
            lines = List.copyOf(lines);
        }
    }

    /// Tickets that start from nothing.
    public static List<Told> told() {
        return List.of(
                new Told("T-0148", Instrument.Sort.LENS, "Pellam 40 mm f/2.8", "Harbour print workshop", 17, List.of("Focus stiff since the winter", "Iris closes slowly"),
                        List.of("check feel: stiff, heavy near infinity", "check iris: slow, blades wet", "check iris clicks: free", "check mount: free", "build one helicoid", "as expected", "3 screws, cross, 4.2 mm", "2 screws, cross, 5.1 mm", "as expected", "ball 1.0", "mark aperture coupling at 4", "as expected", "off name ring, thread, front, friction cup",
                                "turns 3.5, lets go 4", "ridge inward", "as expected", "lets go 8, from the front")),
                new Told("T-0149", Instrument.Sort.SHUTTER, "Corvane leaf shutter", "Saltmarsh Lane puppet theatre", 25, List.of("Slow speeds stick", "Self-timer was forced once"),
                        List.of("check cocking: free", "check release: free", "check slow speeds: stuck below 1/10", "check fast speeds: free", "check B: 8 of 10", "build leaf shutter with front", "mark infinity of the focus ring at 12", "as expected", "as expected", "mark front cell entry at 7", "as expected", "turns 5 1/4", "as expected", "off shutter cover ring, thread, front, spanner",
                                "washer ledge down", "as expected", "ball 1.2", "mark cocking cam at 10", "as expected", "long pin into the speed slot")));
    }

    /// What a ticket's instrument was found to be assembled like, as bench shorthand for faults; empty when nothing is amiss.
    public static Optional<String> asFound(String number) {
        return number.equals("T-0144") ? Optional.of("reverse:E4") : Optional.empty();
    }

    /// What is really wrong with a ticket's instrument. Tickets outside the demo get faults drawn from their number.
    public static HiddenTruth truth(String number, LensSection section) {
        if (number.equals(SHOWPIECE)) {
            return new HiddenTruth(List.of(
                    new HiddenTruth.GlassFault(FindingKind.FUNGUS, 1, 0.66, 0.56, 0.55, 0.75, 21),
                    new HiddenTruth.GlassFault(FindingKind.HAZE, 4, 0, 0, 1, 0.055, 9),
                    new HiddenTruth.GlassFault(FindingKind.DUST, 0, 0, 0, 1, 22, 33)), 0.12);
        }
        SplittableRandom random = new SplittableRandom(number.hashCode());
        List<HiddenTruth.GlassFault> faults = new ArrayList<>();
        List<Integer> free = IntStream.range(0, section.stopIndex()).filter(s -> !section.cemented(s)).boxed().toList();
        faults.add(new HiddenTruth.GlassFault(FindingKind.DUST, 0, 0, 0, 1, 6 + random.nextInt(40), random.nextLong()));
        if (random.nextDouble() < 0.6) {
            faults.add(new HiddenTruth.GlassFault(FindingKind.HAZE, free.getLast(), 0, 0, 1, 0.03 + 0.1 * random.nextDouble(), random.nextLong()));
        }
        if (random.nextDouble() < 0.5) {
            double turn = random.nextDouble() * 2 * Math.PI;
            faults.add(new HiddenTruth.GlassFault(FindingKind.FUNGUS, free.get(Math.min(1, free.size() - 1)), 0.8 * Math.cos(turn),
                    0.8 * Math.sin(turn), 0.3 + 0.3 * random.nextDouble(), random.nextDouble(), random.nextLong()));
        }
        return new HiddenTruth(faults, 0.15 * random.nextGaussian());
    }
}

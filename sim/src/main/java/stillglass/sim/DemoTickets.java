package stillglass.sim;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
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

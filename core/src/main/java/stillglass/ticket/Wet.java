package stillglass.ticket;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import stillglass.care.Cavities;
import stillglass.care.Drying;
import stillglass.say.Said;
import stillglass.ticket.arrival.ArrivalEvent;
import stillglass.ticket.care.CareEvent;

/// Something that came in wet: what was done first, how it dries, and whether it is proven dry, before which nothing is switched on and nothing signed.
///
/// @param got how it got wet
/// @param weighings since then, in order
/// @param drying what they tell, where they tell anything
/// @param cavities in which order what is still shut is opened, where somebody named it
/// @param proven whether it is dry as far as this balance sees
public record Wet(ArrivalEvent.GotWet got, List<CareEvent.Weighed> weighings, Optional<Drying> drying, Optional<Cavities> cavities, boolean proven) {
    private static final int FEWEST = 3;
    /// Two weighings at least this far apart that agree say that nothing is lost any more.
    private static final Duration APART = Duration.ofHours(12);

    public Wet {
        weighings = List.copyOf(weighings);
    }

    public static Optional<Wet> of(TicketState s) {
        return s.arrival().wet().map(w -> of(w, s.care().weighed(), s.care().nextCavity()));
    }

    private static Wet of(ArrivalEvent.GotWet got, List<CareEvent.Weighed> all, Optional<Cavities> cavities) {
        Optional<Drying> drying = Optional.empty();
        if (all.size() >= FEWEST) {
            try {
                drying = Optional.of(Drying.of(all.stream().map(w -> new Drying.Weighing(hours(all.getFirst().at(), w.at()), w.grams())).toList(), all.getLast().stepG()));
            } catch (IllegalArgumentException nothingLost) {
                // The last weighings decide.
                drying = Optional.empty();
            }
        }
        return new Wet(got, all, drying, cavities, proven(all, drying));
    }

    private static boolean proven(List<CareEvent.Weighed> all, Optional<Drying> drying) {
        if (all.size() < FEWEST) {
            return false;
        }
        CareEvent.Weighed last = all.getLast();
        boolean settled = all.stream().filter(w -> Duration.between(w.at(), last.at()).compareTo(APART) >= 0).reduce((a, b) -> b).filter(w -> Math.abs(w.grams() - last.grams()) <= last.stepG()).isPresent();
        return settled || drying.filter(d -> hours(all.getFirst().at(), last.at()) >= d.toH()).isPresent();
    }

    static double hours(Instant from, Instant to) {
        return Duration.between(from, to).toMillis() / 3.6e6;
    }

    /// Hours since it got wet, where that is known.
    public OptionalDouble hours(Instant now) {
        return got.at().map(a -> OptionalDouble.of(hours(a, now))).orElse(OptionalDouble.empty());
    }

    /// Head and what to do, in order.
    public List<Said> said(Instant now) {
        List<Said> all = new ArrayList<>(List.of(got.said()));
        hours(now).ifPresent(h -> all.add(Said.of("wet.hours", "hours", h)));
        all.addAll(got.water().acts(hours(now), got.on()));
        cavities.ifPresent(c -> all.add(c.said()));
        all.add(dryness(now));
        return all;
    }

    /// How far it has dried, and when to weigh again.
    public Said dryness(Instant now) {
        if (proven) {
            return Said.of("wet.proven", "count", weighings.size());
        }
        if (drying.isEmpty()) {
            return Said.of(weighings.size() < FEWEST ? "wet.weigh" : "wet.settling", "count", weighings.size());
        }
        Drying d = drying.get();
        double since = hours(weighings.getFirst().at(), now);
        double next = Math.max(0, d.nextH() - since);
        return Double.isInfinite(d.toH()) ? Said.of("wet.drying.open", "left", d.waterLeftG(), "ready", Math.max(0, d.readyAtH() - since), "next", next)
                : Said.of("wet.drying", "left", d.waterLeftG(), "ready", Math.max(0, d.readyAtH() - since), "from", Math.max(0, d.fromH() - since), "to", Math.max(0, d.toH() - since), "next", next);
    }
}

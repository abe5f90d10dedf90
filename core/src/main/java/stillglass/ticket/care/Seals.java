package stillglass.ticket.care;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import stillglass.care.seals.Channel;
import stillglass.care.seals.SealPlan;
import stillglass.say.Said;

/// Light seals of an instrument as far as its channels and the foam there is tell: of the thicknesses there are the one is taken that seals all channels and comes nearest to the wanted compression. Takes a moment.
///
/// @param wantedMm thickness that would suit; empty while no channel has a gap
/// @param plan strips on the foam there is; empty while something is missing or does not fit
/// @param said what is to be done, or what is missing, in a sentence
public record Seals(Optional<Double> wantedMm, Optional<SealPlan> plan, Said said) {
    /// Share by which foam is to be compressed, as the trade has it.
    private static final double COMPRESS = 0.3;

    /// @param channels as they were measured
    /// @param foam pieces there are
    public static Seals of(List<Channel> channels, List<CareEvent.FoamThere> foam) {
        if (channels.isEmpty()) {
            return new Seals(Optional.empty(), Optional.empty(), Said.of("seals.measure"));
        }
        Optional<Channel> open = channels.stream().filter(c -> c.gapMm().isEmpty()).findFirst();
        if (open.isPresent()) {
            return new Seals(Optional.empty(), Optional.empty(), Said.of("seals.gap", "channel", open.get().id()));
        }
        double wanted = channels.stream().mapToDouble(c -> c.gapMm().orElseThrow()).max().orElseThrow() / (1 - COMPRESS);
        if (foam.isEmpty()) {
            return new Seals(Optional.of(wanted), Optional.empty(), Said.of("seals.foam", "mm", wanted));
        }
        List<Double> thicknesses = foam.stream().map(CareEvent.FoamThere::thicknessMm).distinct().sorted(Comparator.comparingDouble(t -> Math.abs(t - wanted))).toList();
        String why = "";
        for (double t : thicknesses) {
            List<List<Double>> pieces = foam.stream().filter(f -> f.thicknessMm() == t).map(f -> List.of(f.widthMm(), f.heightMm())).toList();
            try {
                SealPlan plan = SealPlan.of(new SealPlan.Asked(channels, Optional.empty(), 1, pieces, 0, Optional.empty(), COMPRESS, List.of(t)));
                if (plan.seals()) {
                    return new Seals(Optional.of(wanted), Optional.of(plan), Said.of(plan.nest().proven() ? "seals.cut.least" : "seals.cut", "count", plan.nest().strips().size(), "mm", t, "pieces", plan.nest().left().size(), "waste", plan.wasteMm2() / 100));
                }
                why = why.isEmpty() ? "foam of " + t + " mm does not seal all channels" : why;
            } catch (IllegalArgumentException doesNotFit) {
                why = why.isEmpty() ? String.valueOf(doesNotFit.getMessage()) : why;
            }
        }
        return new Seals(Optional.of(wanted), Optional.empty(), Said.of("seals.not", "why", why, "mm", wanted));
    }
}

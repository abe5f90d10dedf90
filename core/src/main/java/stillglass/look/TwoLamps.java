package stillglass.look;

import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;

/// What the kind of a finding is worth once the lamp stood at two places: what stands at both is in the glass, what stands at one only is mostly nothing, however sure one photo was of it.
///
/// How much was read off 124 lenses of the wide world of the inspection camera, each photographed twice (documented in the method page): of findings at one place of the lamp 35 % were what they were called where 62 % was claimed, of those at both 88 % where 83 % was. The logarithm of the odds of the likeliest kind was fitted by a straight line for each.
public final class TwoLamps {
    private static final double STAYS_MORE = 0.6;
    private static final double GOES_SLOPE = 0.5;
    private static final double GOES_LESS = -1;
    /// Chance from which a kind is named.
    private static final double NAMED = 0.4;
    private static final double LEAST = 1e-4;

    private TwoLamps() {}

    /// A finding of photos against the light.
    /// @param stays whether it stands at both places of the lamp
    /// @return the same where nothing was computed of its kind
    public static Finding seen(Finding f, boolean stays) {
        Optional<FindingKind> best = f.likeliest();
        if (best.isEmpty()) {
            return f;
        }
        double p = Math.clamp(f.chances().getOrDefault(best.get(), 0.0), LEAST, 1 - LEAST);
        double odds = Math.log(p / (1 - p));
        double now = 1 / (1 + Math.exp(-(stays ? odds + STAYS_MORE : GOES_SLOPE * odds + GOES_LESS)));
        Map<FindingKind, Double> chances = new EnumMap<>(FindingKind.class);
        // What it loses goes to nothing at all; what it gains comes from everything else.
        boolean less = now < p;
        f.chances().forEach((k, c) -> chances.put(k, less ? c * now / p : k == best.get() ? now : c * (1 - now) / (1 - p)));
        if (less) {
            chances.put(FindingKind.UNKNOWN, 1 - chances.entrySet().stream().filter(e -> e.getKey() != FindingKind.UNKNOWN).mapToDouble(Map.Entry::getValue).sum());
        }
        return now >= NAMED ? f.told(best.get(), chances) : f.unnamed(chances);
    }
}

package stillglass.grade;

import java.util.EnumMap;
import java.util.Map;
import stillglass.look.FindingKind;

/// Every number that stands between an effect and a grade. Read from one documented file.
///
/// @param kinds how each kind stops and scatters light
/// @param visibleShadow local darkening that shows in a picture, share
/// @param severeShadow local darkening nobody overlooks
/// @param measurable effect that instruments see and pictures do not
/// @param visibleVeil scattered share that flattens an average scene visibly
/// @param severeVeil scattered share that spoils an average scene
/// @param againstLight how many times more a veil of haze counts five degrees beside a lamp in the frame; of other kinds as their light spreads
public record GradeRules(
        Map<FindingKind, Optics> kinds,
        double visibleShadow,
        double severeShadow,
        double measurable,
        double visibleVeil,
        double severeVeil,
        double againstLight) {

    /// What a kind of fault does to light that meets it.
    /// @param blocks share stopped or thrown far aside, 0 to 1
    /// @param scatters share that ends as veil in the picture, 0 to 1
    /// @param curable chance that cleaning removes it
    /// @param lobe how its scatter spreads over angles
    public record Optics(double blocks, double scatters, double curable, Lobe lobe) {
        /// Spreading as drops of a film do.
        public Optics(double blocks, double scatters, double curable) {
            this(blocks, scatters, curable, Lobe.USUAL);
        }

        public Optics {
            if (!(blocks >= 0 && blocks <= 1) || !(scatters >= 0 && scatters <= 1) || !(curable >= 0 && curable <= 1)) {
                throw new IllegalArgumentException("shares lie between 0 and 1");
            }
        }
    }

    public GradeRules {
        kinds = Map.copyOf(kinds);
        for (FindingKind k : FindingKind.values()) {
            if (!kinds.containsKey(k)) {
                throw new IllegalArgumentException("the grade rules say nothing of " + k.word());
            }
        }
        if (!(measurable < visibleShadow && visibleShadow < severeShadow && visibleVeil < severeVeil)) {
            throw new IllegalArgumentException(
                    "thresholds must rise: measurable, visible_shadow, severe_shadow; visible_veil, severe_veil");
        }
    }

    /// What a kind does to light.
    public Optics optics(FindingKind kind) {
        Optics found = kinds.get(kind);
        if (found == null) {
            throw new IllegalStateException("no rule for " + kind.word());
        }
        return found;
    }

    /// How many times more a veil of a kind counts five degrees beside a lamp in the frame.
    public double againstLight(FindingKind kind) {
        double beside = Math.toRadians(Flare.LAMP_DEG);
        return againstLight * optics(kind).lobe().per(beside) / optics(FindingKind.HAZE).lobe().per(beside);
    }

    /// The same with every threshold times a figure: below 1 for who looks harder.
    public GradeRules stricter(double times) {
        return new GradeRules(kinds, visibleShadow * times, severeShadow * times, measurable * times, visibleVeil * times, severeVeil * times, againstLight);
    }

    /// The same with another effect of one kind.
    public GradeRules with(FindingKind kind, Optics optics) {
        Map<FindingKind, Optics> changed = new EnumMap<>(kinds);
        changed.put(kind, optics);
        return new GradeRules(changed, visibleShadow, severeShadow, measurable, visibleVeil, severeVeil, againstLight);
    }
}

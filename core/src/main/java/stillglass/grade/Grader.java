package stillglass.grade;

import java.util.Comparator;
import java.util.Locale;
import java.util.Optional;

/// Turns effects into a grade 0 to 4 and says in one sentence what decided it.
public final class Grader {
    private Grader() {}

    /// @param grade 0 nothing, 1 trace, 2 slight, 3 marked, 4 severe
    /// @param sentence what shows, where and from which stop
    /// @param because the figure that decided it beside its threshold
    public record Grade(int grade, String sentence, String because) {}

    public static Grade of(ShowThrough.Shown shown, GradeRules rules) {
        ShowThrough.Effect deepest = max(shown, Comparator.comparingDouble(ShowThrough.Effect::deepestShadow));
        ShowThrough.Effect haziest = max(shown, Comparator.comparingDouble(ShowThrough.Effect::veil));
        double shadow = deepest.deepestShadow();
        double veil = haziest.veil();
        double against = veil * rules.againstLight();
        Optional<ShowThrough.Effect> firstShown = shown.effects().stream()
                .filter(e -> e.deepestShadow() >= rules.visibleShadow())
                .min(Comparator.comparingDouble(ShowThrough.Effect::stop));
        boolean ordinary = firstShown.filter(e -> e.stop() <= 8.5).isPresent();
        if (veil >= rules.severeVeil() || shadow >= rules.severeShadow() && ordinary) {
            boolean byShadow = firstShown.isPresent() && shadow >= rules.severeShadow();
            return new Grade(4, byShadow
                    ? shadowSentence(deepest, firstShown.get())
                    : String.format(Locale.ROOT, "Flattens ordinary pictures: %.1f %% of the light is veil at f/%s.",
                            100 * veil, stop(haziest.stop())),
                    byShadow ? reached("shadow", shadow, deepest, "severe", rules.severeShadow())
                            : reached("veil", veil, haziest, "severe", rules.severeVeil()));
        }
        if (firstShown.isPresent()) {
            return new Grade(3, shadowSentence(deepest, firstShown.get()), reached("shadow", shadow, deepest, "visible", rules.visibleShadow()));
        }
        if (veil >= rules.visibleVeil() || against >= rules.severeVeil()) {
            return new Grade(3, String.format(Locale.ROOT,
                    "Shows against the light: contrast −%.1f %% at f/%s, −%.1f %% in an average scene.",
                    100 * Math.min(1, against), stop(haziest.stop()), 100 * veil),
                    veil >= rules.visibleVeil()
                            ? reached("veil", veil, haziest, "visible", rules.visibleVeil())
                            : reached("veil against the light", against, haziest, "severe", rules.severeVeil()));
        }
        double most = Math.max(shadow, veil);
        if (most >= rules.measurable()) {
            return new Grade(2, String.format(Locale.ROOT,
                    "Measurable, never in a picture: shadow %.1f %%, veil %.2f %%.", 100 * shadow, 100 * veil),
                    reached(shadow >= veil ? "shadow" : "veil", most, shadow >= veil ? deepest : haziest, "measurable", rules.measurable()));
        }
        if (Math.max(shadow, against) >= rules.measurable() / 4) {
            return new Grade(1, "Seen under a strong light only; no picture shows it.",
                    reached(shadow >= against ? "shadow" : "veil against the light", Math.max(shadow, against), shadow >= against ? deepest : haziest,
                            "a trace", rules.measurable() / 4));
        }
        return new Grade(0, "No effect at any stop.", String.format(Locale.ROOT,
                "shadow and veil stay below %.2f %%, a trace", 100 * rules.measurable() / 4));
    }

    /// "shadow 3.1 % at f/4; from 2 % on it is visible".
    private static String reached(String what, double share, ShowThrough.Effect at, String word, double threshold) {
        return what + " " + percent(share) + " at f/" + stop(at.stop()) + "; from " + percent(threshold) + " on it is " + word;
    }

    private static String percent(double share) {
        return String.format(Locale.ROOT, share >= 0.0995 ? "%.0f %%" : share >= 0.00095 ? "%.1f %%" : "%.2f %%", 100 * share);
    }

    private static ShowThrough.Effect max(ShowThrough.Shown shown, Comparator<ShowThrough.Effect> by) {
        return shown.effects().stream().max(by).orElseThrow();
    }

    private static String shadowSentence(ShowThrough.Effect deepest, ShowThrough.Effect first) {
        return String.format(Locale.ROOT, "Shows as a %.0f %% shadow, %s, from f/%s down.",
                100 * deepest.deepestShadow(), place(deepest), stop(first.stop()));
    }

    /// "upper left", "centre" …
    public static String place(ShowThrough.Effect e) {
        String vertical = e.shadowY() > 0.34 ? "upper " : e.shadowY() < -0.34 ? "lower " : "";
        String horizontal = e.shadowX() > 0.34 ? "right" : e.shadowX() < -0.34 ? "left" : "";
        String both = (vertical + horizontal).strip();
        return both.isEmpty() ? "in the centre" : both;
    }

    /// An f-number as engraved: 2, 2.8, 16.
    public static String stop(double f) {
        return f == Math.rint(f) ? Integer.toString((int) f) : String.format(Locale.ROOT, "%.1f", f);
    }
}

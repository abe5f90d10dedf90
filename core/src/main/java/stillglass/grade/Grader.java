package stillglass.grade;

import java.util.Comparator;
import java.util.Locale;
import java.util.Optional;
import stillglass.say.Said;

/// Turns effects into a grade 0 to 4 and says in one sentence what decided it.
public final class Grader {
    private Grader() {}

    /// @param grade 0 nothing, 1 trace, 2 slight, 3 marked, 4 severe
    /// @param sentence what shows, where and from which stop
    /// @param because the figure that decided it beside its threshold
    public record Grade(int grade, Said sentence, Said because) {}

    public static Grade of(ShowThrough.Shown shown, GradeRules rules) {
        ShowThrough.Effect deepest = max(shown, Comparator.comparingDouble(ShowThrough.Effect::deepestShadow));
        ShowThrough.Effect haziest = max(shown, Comparator.comparingDouble(ShowThrough.Effect::veil));
        double shadow = deepest.deepestShadow();
        double veil = haziest.veil();
        double against = Flare.loss(veil * rules.againstLight(shown.kind()));
        Optional<ShowThrough.Effect> firstShown = shown.effects().stream()
                .filter(e -> e.deepestShadow() >= rules.visibleShadow())
                .min(Comparator.comparingDouble(ShowThrough.Effect::stop));
        boolean ordinary = firstShown.filter(e -> e.stop() <= 8.5).isPresent();
        if (veil >= rules.severeVeil() || shadow >= rules.severeShadow() && ordinary) {
            boolean byShadow = firstShown.isPresent() && shadow >= rules.severeShadow();
            return new Grade(4, byShadow
                    ? shadowSentence(deepest, firstShown.get())
                    : Said.of("grade.flattens", "percent", 100 * Flare.loss(veil), "stop", stop(haziest.stop())),
                    byShadow ? reached("shadow", shadow, deepest, "severe", rules.severeShadow())
                            : reached("veil", veil, haziest, "severe", rules.severeVeil()));
        }
        if (firstShown.isPresent()) {
            return new Grade(3, shadowSentence(deepest, firstShown.get()), reached("shadow", shadow, deepest, "visible", rules.visibleShadow()));
        }
        if (veil >= rules.visibleVeil() || against >= rules.severeVeil()) {
            return new Grade(3, Said.of("grade.against", "against", 100 * against, "stop", stop(haziest.stop()), "veil", 100 * Flare.loss(veil)),
                    veil >= rules.visibleVeil()
                            ? reached("veil", veil, haziest, "visible", rules.visibleVeil())
                            : reached("against", against, haziest, "severe", rules.severeVeil()));
        }
        double most = Math.max(shadow, veil);
        if (most >= rules.measurable()) {
            return new Grade(2, Said.of("grade.measurable", "shadow", 100 * shadow, "veil", 100 * veil),
                    reached(shadow >= veil ? "shadow" : "veil", most, shadow >= veil ? deepest : haziest, "measurable", rules.measurable()));
        }
        if (Math.max(shadow, against) >= rules.measurable() / 4) {
            return new Grade(1, Said.of("grade.trace"),
                    reached(shadow >= against ? "shadow" : "against", Math.max(shadow, against), shadow >= against ? deepest : haziest,
                            "trace", rules.measurable() / 4));
        }
        return new Grade(0, Said.of("grade.none"), Said.of("grade.below", "percent", 100 * rules.measurable() / 4));
    }

    /// "shadow 3.1 % at f/4; from 2 % on it is visible".
    private static Said reached(String what, double share, ShowThrough.Effect at, String word, double threshold) {
        return Said.of("grade.reached", "what", what, "share", percent(share), "stop", stop(at.stop()), "threshold", percent(threshold), "word", word);
    }

    private static Said percent(double share) {
        return Said.of(share >= 0.0995 ? "grade.percent.0" : share >= 0.00095 ? "grade.percent.1" : "grade.percent.2", "value", 100 * share);
    }

    private static ShowThrough.Effect max(ShowThrough.Shown shown, Comparator<ShowThrough.Effect> by) {
        return shown.effects().stream().max(by).orElseThrow();
    }

    private static Said shadowSentence(ShowThrough.Effect deepest, ShowThrough.Effect first) {
        return Said.of("grade.shadow", "percent", 100 * deepest.deepestShadow(), "place", place(deepest), "stop", stop(first.stop()));
    }

    /// Where in the picture the shadow is deepest: upper left, centre …
    public static Said place(ShowThrough.Effect e) {
        String vertical = e.shadowY() > 0.34 ? "upper" : e.shadowY() < -0.34 ? "lower" : "middle";
        String horizontal = e.shadowX() > 0.34 ? "right" : e.shadowX() < -0.34 ? "left" : "middle";
        return Said.of("grade.place", "vertical", vertical, "horizontal", horizontal);
    }

    /// An f-number as engraved: 2, 2.8, 16.
    public static String stop(double f) {
        return f == Math.rint(f) ? Integer.toString((int) f) : String.format(Locale.ROOT, "%.1f", f);
    }
}

package stillglass.grade;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import stillglass.look.FindingKind;
import stillglass.say.Said;

/// What to do about a finding, and why.
///
/// @param act the recommendation
/// @param reasons in order of weight, each a sentence
public record Advice(Act act, List<Said> reasons) {
    /// Gain (share of the worst grade, times the chance of a cure) that a certain loss would have to buy: a shop setting.
    private static final double RISK_WEIGHT = 2;
    /// Gain that one hour of work would have to buy: a full cure of a grade 4 is worth 25 hours, of a grade 1 six.
    private static final double HOUR_WEIGHT = 0.04;

    /// The choices of a bench.
    public enum Act {
        LEAVE,
        CLEAN,
        REFER,
        /// Likelier nothing than a fault: to be seen once more before anything is opened for it.
        LOOK_AGAIN,
        /// Nothing to clean, but something to assemble anew.
        PUT_RIGHT;

        public String word() {
            return name().toLowerCase(Locale.ROOT).replace('_', ' ');
        }
    }

    public Advice {
        reasons = List.copyOf(reasons);
    }

    /// Weighs effect against the way in.
    /// @param grade 0 to 4
    /// @param hours attended time to reach it
    /// @param risk chance of damage on the way, 0 to 1
    public static Advice of(FindingKind kind, Grader.Grade grade, double hours, double risk, GradeRules rules) {
        List<Said> reasons = new ArrayList<>();
        reasons.add(grade.sentence());
        double curable = rules.optics(kind).curable();
        reasons.add(Said.of("advice.curable", "kind", name(kind), "percent", 100 * curable));
        reasons.add(Said.of("advice.way", "hours", hours, "percent", 100 * risk));
        return decide(kind, grade, curable, RISK_WEIGHT * risk + HOUR_WEIGHT * hours, reasons);
    }

    /// Where no map says what the way in costs: the effect and the chance of a cure decide alone.
    public static Advice unmapped(FindingKind kind, Grader.Grade grade, GradeRules rules) {
        List<Said> reasons = new ArrayList<>();
        reasons.add(grade.sentence());
        double curable = rules.optics(kind).curable();
        reasons.add(Said.of("advice.curable", "kind", name(kind), "percent", 100 * curable));
        reasons.add(Said.of("advice.no-map"));
        return decide(kind, grade, curable, HOUR_WEIGHT, reasons);
    }

    /// The same of what is likelier nothing than a fault: nothing is opened for it, and nothing given away, before it was seen once more. What was to be left stays so.
    /// @param nothing chance that it is no fault, 0 to 1
    public Advice unsure(double nothing) {
        if (act == Act.LEAVE) {
            return this;
        }
        List<Said> more = new ArrayList<>(reasons);
        more.add(Said.of("advice.look-again", "percent", 100 * nothing));
        return new Advice(Act.LOOK_AGAIN, more);
    }

    private static Advice decide(
            FindingKind kind, Grader.Grade grade, double curable, double effort, List<Said> reasons) {
        if (kind == FindingKind.FUNGUS) {
            reasons.add(Said.of("advice.fungus"));
        }
        if (curable < 0.3) {
            return new Advice(grade.grade() >= 4 ? Act.REFER : Act.LEAVE, reasons);
        }
        boolean living = kind == FindingKind.FUNGUS && grade.grade() >= 1;
        double gain = grade.grade() / 4.0 * curable;
        return new Advice(living || gain > effort ? Act.CLEAN : Act.LEAVE, reasons);
    }

    private static String name(FindingKind kind) {
        String word = kind.word().replace('-', ' ');
        return Character.toUpperCase(word.charAt(0)) + word.substring(1);
    }
}

package stillglass.care;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import stillglass.say.Said;

/// Whether sound covering is lifted for what grows under it, from how high a bump stands.
///
/// A round bump h high and c across stretches what lies over it to the arc of its circle: R = (c²/4 + h²)/2h, stretch 2R·asin(c/2R)/c − 1 (the longer arc where it is higher than half its width). From half the stretch at which the covering tears, lifting it is the smaller harm; a flat bump that does not grow
/// is left; what lies between is measured again. Brittle covering tears in lifting: that is the owner's to decide.
///
/// @param verdict what to do
/// @param stretch of the covering over it, a share of its length
/// @param tears stretch from which such a covering tears
/// @param perMonth how fast it rises, mm, where two measurements lie far enough apart
/// @param againDays when to measure again; 0 where that is not the question
public record Bump(Verdict verdict, double stretch, double tears, Optional<Double> perMonth, int againDays) {
    private static final double MONTH_DAYS = 30.44;
    /// A rule's edge and a light from the side tell that much.
    private static final double READ_MM = 0.1;
    private static final double FLAT_MM = 0.3;
    private static final double LIFT_FROM = 0.5;
    private static final int SOON_MONTHS = 12;
    private static final int AGAIN_DAYS = 180;

    /// What to do about it.
    public enum Verdict {
        LEAVE,
        WATCH,
        LIFT,
        /// Lifting would tear it.
        OWNER
    }

    /// A bump as it was measured.
    /// @param through whether it has come through the covering
    public record Seen(double heightMm, double acrossMm, boolean through, Instant at) {
        private static final double MOST_MM = 60;

        public Seen {
            if (!possible(heightMm, acrossMm)) {
                throw new IllegalArgumentException("a bump " + heightMm + " mm high and " + acrossMm + " mm across is none: give more than 0, at most " + MOST_MM + " across, and no higher than wide");
            }
        }

        /// Where and how large.
        public Said said(String where) {
            return Said.of(through ? "say.reads.bump.through" : "say.reads.bump", "where", where, "height", heightMm, "across", acrossMm);
        }

        /// Whether there can be such a bump.
        public static boolean possible(double heightMm, double acrossMm) {
            return heightMm > 0 && acrossMm > 0 && acrossMm <= MOST_MM && heightMm <= acrossMm;
        }
    }

    /// @param seen one bump, in the order it was measured; at least once
    public static Bump of(List<Seen> seen, Covering covering) {
        Seen now = seen.getLast();
        double tears = covering.reckoned().tears();
        double stretch = stretch(now.heightMm, now.acrossMm);
        Optional<Double> growth = perMonth(seen);
        boolean soon = growth.filter(g -> g > 0 && stretch(Math.min(now.acrossMm, now.heightMm + SOON_MONTHS * g), now.acrossMm) >= LIFT_FROM * tears).isPresent();
        boolean wants = now.through || stretch >= LIFT_FROM * tears || soon;
        boolean grows = growth.filter(g -> g > 0).isPresent();
        Verdict verdict = wants ? covering.reckoned() == Covering.State.BRITTLE ? Verdict.OWNER : Verdict.LIFT : now.heightMm < FLAT_MM && !grows ? Verdict.LEAVE : Verdict.WATCH;
        return new Bump(verdict, stretch, tears, growth, verdict == Verdict.WATCH ? AGAIN_DAYS : 0);
    }

    /// Arc over chord, less one.
    static double stretch(double heightMm, double acrossMm) {
        double radius = (acrossMm * acrossMm / 4 + heightMm * heightMm) / (2 * heightMm);
        double half = Math.asin(Math.min(1, acrossMm / (2 * radius)));
        return 2 * radius * (heightMm > acrossMm / 2 ? Math.PI - half : half) / acrossMm - 1;
    }

    /// What two readings cannot tell apart is no growth; less than a month tells nothing.
    private static Optional<Double> perMonth(List<Seen> seen) {
        double days = Duration.between(seen.getFirst().at, seen.getLast().at).toHours() / 24.0;
        double rise = seen.getLast().heightMm - seen.getFirst().heightMm;
        if (days < MONTH_DAYS) {
            return Optional.empty();
        }
        return Optional.of(Math.abs(rise) <= 2 * READ_MM ? 0 : rise / days * MONTH_DAYS);
    }

    /// What to do, in a word.
    public Said inShort(String where) {
        return Said.of("bump.short", "where", where, "verdict", verdict.name().toLowerCase(Locale.ROOT));
    }

    /// What to do and why.
    /// @param where it is
    public List<Said> said(String where, Covering covering) {
        List<Said> all = new ArrayList<>(List.of(Said.of("bump." + verdict.name().toLowerCase(Locale.ROOT), "where", where, "percent", 100 * stretch, "tears", 100 * tears,
                "covering", covering.said(), "days", againDays)));
        perMonth.ifPresent(g -> all.add(g > 0 ? Said.of("bump.grows", "mm", g) : Said.of("bump.still")));
        if (verdict == Verdict.LIFT || verdict == Verdict.OWNER) {
            all.add(Said.of("bump.how"));
            covering.trapped().ifPresent(t -> all.add(Said.of("bump.trapped", "where", t)));
            all.add(Said.of("bump.glue"));
        }
        return all;
    }
}

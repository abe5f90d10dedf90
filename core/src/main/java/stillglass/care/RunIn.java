package stillglass.care;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import stillglass.say.Said;

/// A greased thread that is run through its travel, judged, and given more or wiped: what to do next.
///
/// Run through, torque falls to a plateau as the film spreads: it is judged once two readings in a row at one dose differ by less than a twentieth. While the film does not fill its gap torque rises with the dose, T = a + b·D: how much of it is dry friction (a) one dose does not tell, so that to come down by a share s of the torque between s and 2s of the dose
/// is too much (a from none to half of T), and the smaller is wiped first. Two doses that were judged give the line, and the next dose straight from it. Where more grease does not move the torque as it should, the amount is not what is wrong.
///
/// @param verdict what to do
/// @param changeMg by how much the dose should change, the careful end first; empty where nothing was weighed or nothing changes
/// @param share the same as a share of what lies there, the careful end and the far end
public record RunIn(Verdict verdict, Optional<Double> changeMg, double share, double farShare) {
    private static final double SETTLED = 0.05;
    /// More than this of a film that fills the gap only waits to creep.
    private static final double MOST_OF_FILM = 1.2;
    private static final double LEAST_OF_FILM = 0.5;
    /// A first correction is never more than half of what lies there.
    private static final double MOST_AT_ONCE = 0.5;
    /// What a hand calls heavy or light, as a factor on what is wanted: the trade's sense, not measured.
    private static final double FELT = 1.5;

    /// What to do next.
    public enum Verdict {
        /// It still changes as it is run through, or was not judged twice.
        RUN,
        WIPE,
        ADD,
        DONE,
        /// Less than half a film and still heavy, or more than a whole one and still light: another grease.
        OTHER_GREASE,
        /// The amount does not move it.
        NOT_THE_AMOUNT,
        /// Nobody has said which torque is wanted, so none is right or wrong.
        WANTED,
        /// Grains or places: wash it out, look for what was left in.
        WASH
    }

    /// How it feels by hand.
    public enum Feel {
        LIGHT("light", "too light", "loose"),
        RIGHT("right", "good", "as wanted", "even"),
        HEAVY("heavy", "too heavy", "stiff"),
        GRAINY("grainy", "gritty", "uneven", "catches");

        private final List<String> words;

        Feel(String... words) {
            this.words = List.of(words);
        }

        public List<String> words() {
            return words;
        }
    }

    /// A judgement after some travels.
    /// @param doseMg what lay on the thread by then; empty where it was not weighed
    /// @param changes how often the dose had been changed by then
    /// @param nmm torque, where it was measured
    public record Judged(Optional<Double> doseMg, int changes, int travels, Optional<Double> nmm, Optional<Feel> feel) {}

    /// Torque that is wanted.
    public record Band(double fromNmm, double toNmm) {
        public Band {
            if (!possible(fromNmm, toNmm)) {
                throw new IllegalArgumentException("a torque from " + fromNmm + " to " + toNmm + " N·mm is none: give two numbers above 0, the second no smaller");
            }
        }

        public static boolean possible(double fromNmm, double toNmm) {
            return fromNmm > 0 && toNmm >= fromNmm && toNmm < 1e5;
        }

        double middle() {
            return Math.sqrt(fromNmm * toNmm);
        }
    }

    /// @param all in order, at least one
    /// @param band wanted; empty where it is judged by hand alone
    /// @param fullMg dose that fills the gap; empty where the thread was not measured
    public static RunIn of(List<Judged> all, Optional<Band> band, Optional<Double> fullMg) {
        Judged last = all.getLast();
        if (last.feel.filter(f -> f == Feel.GRAINY).isPresent()) {
            return plain(Verdict.WASH);
        }
        if (band.isEmpty() && last.feel.isEmpty()) {
            return plain(Verdict.WANTED);
        }
        List<Judged> here = all.stream().filter(j -> j.changes == last.changes).toList();
        Optional<Double> torque = last.nmm.filter(t -> band.isPresent());
        if (torque.isPresent() && !settled(here)) {
            return plain(Verdict.RUN);
        }
        double over = torque.map(t -> t / band.get().middle()).orElseGet(() -> felt(last));
        boolean right = torque.map(t -> t >= band.get().fromNmm && t <= band.get().toNmm).orElse(over == 1);
        if (right) {
            return plain(Verdict.DONE);
        }
        Optional<RunIn> line = torque.flatMap(t -> byLine(all, last, band.get()));
        RunIn next = line.orElseGet(() -> byShare(over, last));
        if (next.verdict == Verdict.NOT_THE_AMOUNT || fullMg.isEmpty() || last.doseMg.isEmpty()) {
            return next;
        }
        double film = last.doseMg.get() / fullMg.get();
        boolean spent = over > 1 ? film <= LEAST_OF_FILM : film >= MOST_OF_FILM;
        return spent ? plain(Verdict.OTHER_GREASE) : next;
    }

    private static RunIn plain(Verdict v) {
        return new RunIn(v, Optional.empty(), 0, 0);
    }

    private static double felt(Judged j) {
        return j.feel.map(f -> f == Feel.HEAVY ? FELT : f == Feel.LIGHT ? 1 / FELT : 1.0).orElse(1.0);
    }

    private static boolean settled(List<Judged> here) {
        List<Double> t = here.stream().flatMap(j -> j.nmm.stream()).toList();
        return t.size() > 1 && Math.abs(t.getLast() - t.get(t.size() - 2)) < SETTLED * t.getLast();
    }

    /// One dose only: torque in proportion to the dose at one end, half of it dry friction at the other.
    private static RunIn byShare(double over, Judged last) {
        double share = over > 1 ? Math.min(MOST_AT_ONCE, 1 - 1 / over) : Math.min(MOST_AT_ONCE, 1 / over - 1);
        double far = Math.min(1, 2 * share);
        double sign = over > 1 ? -1 : 1;
        return new RunIn(over > 1 ? Verdict.WIPE : Verdict.ADD, last.doseMg.map(d -> sign * share * d), share, far);
    }

    /// A line through the last two doses that were judged by torque.
    private static Optional<RunIn> byLine(List<Judged> all, Judged last, Band band) {
        Optional<Judged> before = all.stream().filter(j -> j.changes < last.changes && j.nmm.isPresent() && j.doseMg.isPresent()).reduce((a, b) -> b);
        if (before.isEmpty() || last.doseMg.isEmpty()) {
            return Optional.empty();
        }
        double dose = last.doseMg.get() - before.get().doseMg.orElseThrow();
        double rise = last.nmm.orElseThrow() - before.get().nmm.orElseThrow();
        // A tenth of the torque is what two readings of a hand-held gauge differ by anyway.
        if (dose == 0 || Math.abs(rise) < 2 * SETTLED * last.nmm.get()) {
            return Math.abs(dose) < 0.1 * last.doseMg.get() ? Optional.empty() : Optional.of(plain(Verdict.NOT_THE_AMOUNT));
        }
        if (rise / dose < 0) {
            return Optional.of(plain(Verdict.NOT_THE_AMOUNT));
        }
        double change = (band.middle() - last.nmm.get()) * dose / rise;
        double most = MOST_AT_ONCE * last.doseMg.get();
        double taken = Math.clamp(change, -most, most);
        double share = Math.abs(taken) / last.doseMg.get();
        return Optional.of(new RunIn(taken < 0 ? Verdict.WIPE : Verdict.ADD, Optional.of(taken), share, share));
    }

    /// What to do, in sentences.
    public List<Said> said() {
        List<Said> all = new ArrayList<>(List.of(Said.of("runin." + verdict.name().toLowerCase(Locale.ROOT), "mg", Math.abs(changeMg.orElse(0.0)), "percent", 100 * share, "far", 100 * farShare,
                "weighed", changeMg.isPresent() ? "yes" : "no")));
        if (verdict == Verdict.WIPE || verdict == Verdict.ADD) {
            all.add(Said.of(verdict == Verdict.WIPE ? "runin.how.wipe" : "runin.how.add"));
        }
        return all;
    }
}

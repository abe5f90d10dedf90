package stillglass.fault;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import stillglass.prove.measure.Bell;
import stillglass.say.Said;

/// At which entries a helicoid was started, from where infinity came to lie, or in which order to try them.
///
/// A thread of lead L with n starts can be begun at n places round; begun k places on, what it carries stands L k/n elsewhere at the same angle. Of a double helicoid the ring runs in the body and the block in the ring, held
/// by a key that fits m slots: error of the block −h₁L₁k₁/n₁ − h₂L₂k₂/n₂ + h₂L₂j/m, hands h = ±1, each part brought back by whole leads of its own thread. Places are counted clockwise seen from the
/// front; the error is positive towards the film, as that of infinity is.
///
/// @param entries the likeliest first
/// @param trials one entry for each place at which the block could stand, the likeliest first
/// @param expectedTrials how many of them it takes in the mean when each only tells right or wrong
public record EntryFinder(List<Entry> entries, List<Entry> trials, double expectedTrials) {
    private static final int MOST_STARTS = 60;
    private static final double MOST_LEAD_MM = 200;
    /// Leads measured with a caliper over a turn.
    private static final double LEAD_SHARE = 0.004;
    private static final double SAME_MM = 1e-6;
    private static final double OWN_MM = 0.01;

    /// A multi-start thread.
    /// @param leadMm travel for one turn
    /// @param right whether its hand is right
    public record Thread(double leadMm, int starts, boolean right) {
        public Thread {
            if (!(leadMm > 0 && leadMm < MOST_LEAD_MM) || starts < 1 || starts > MOST_STARTS) {
                throw new IllegalArgumentException("a lead of " + leadMm + " mm with " + starts + " starts is out of range: measure the travel of one turn, below 200 mm, and count the thread ends, 60 at most");
            }
        }

        int hand() {
            return right ? 1 : -1;
        }
    }

    /// Where threads were started, in places clockwise of where they belong.
    /// @param errorMm of the block at the infinity stop
    /// @param lettingGoDeg by how much sooner (negative: later) each trial lets go than it should, outer thread
    public record Entry(int outer, int inner, int key, double errorMm, double probability, double lettingGoDeg) {
        /// What to do about it.
        public Said say(Optional<Thread> outerThread, Optional<Thread> innerThread, int slots) {
            List<Said> parts = new ArrayList<>();
            outerThread.filter(t -> outer != 0).ifPresent(t -> parts.add(Said.of("entry.outer", "places", Math.abs(near(outer, t.starts)), "way", near(outer, t.starts) > 0 ? "back" : "on", "hours", 12.0 * Math.abs(near(outer, t.starts)) / t.starts)));
            innerThread.filter(t -> inner != 0).ifPresent(t -> parts.add(Said.of("entry.inner", "places", Math.abs(near(inner, t.starts)), "way", near(inner, t.starts) > 0 ? "back" : "on", "hours", 12.0 * Math.abs(near(inner, t.starts)) / t.starts)));
            if (key != 0) {
                parts.add(Said.of("entry.key", "places", Math.abs(near(key, slots)), "way", near(key, slots) > 0 ? "back" : "on", "hours", 12.0 * Math.abs(near(key, slots)) / slots));
            }
            return parts.isEmpty() ? Said.of("entry.right") : Said.and(parts);
        }

        /// The shorter way round.
        private static int near(int k, int n) {
            return 2 * k > n ? k - n : k;
        }
    }

    /// What two parts tell that stood together for years: how far one mark stands from its partner as it is screwed now.
    /// @param hours clockwise of where it belongs, seen from the front, 0 to 12
    public record Witness(Where where, Sort sort, double hours) {
        private static final double SIGMA_HOURS = 0.25;

        /// Between which parts.
        public enum Where {
            OUTER,
            INNER,
            KEY
        }

        /// What made the mark, and how often it is of the last right assembly.
        public enum Sort {
            /// The dent a set screw left.
            DENT(0.92),
            /// An arc that something rubbed.
            WEAR(0.85),
            /// Paint or a scratch somebody put there.
            PAINT(0.8);

            private final double trusted;

            Sort(double trusted) {
                this.trusted = trusted;
            }
        }

        public Witness {
            if (!(hours >= 0 && hours <= 12)) {
                throw new IllegalArgumentException("a mark stands " + hours + " hours from its partner: give 0 to 12, clockwise seen from the front");
            }
        }

        /// Of standing so when the thread was begun some places on.
        double likelihood(int places, int of) {
            double off = Math.IEEEremainder(hours - 12.0 * places / of, 12);
            double here = Bell.density(off, SIGMA_HOURS);
            return sort.trusted * here + (1 - sort.trusted) / 12;
        }
    }

    public EntryFinder {
        entries = List.copyOf(entries);
        trials = List.copyOf(trials);
    }

    /// @param outer thread of the ring in the body; empty where there is none
    /// @param inner thread of the block in the ring; empty where there is none
    /// @param keySlots slots that the key fits, 1 where there is only one
    /// @param infinityMm measured error of infinity, positive behind the film; empty for none
    /// @param sigmaMm one standard deviation of it
    public static EntryFinder of(Optional<Thread> outer, Optional<Thread> inner, int keySlots, OptionalDouble infinityMm, double sigmaMm) {
        return of(outer, inner, keySlots, infinityMm, sigmaMm, List.of());
    }

    /// The same, with what old marks tell.
    public static EntryFinder of(Optional<Thread> outer, Optional<Thread> inner, int keySlots, OptionalDouble infinityMm, double sigmaMm, List<Witness> marks) {
        if (outer.isEmpty() && inner.isEmpty()) {
            throw new IllegalArgumentException("a helicoid has an outer or an inner thread: give lead, starts and hand of at least one");
        }
        if (keySlots < 1 || keySlots > MOST_STARTS) {
            throw new IllegalArgumentException("a key fits 1 to 60 slots, not " + keySlots);
        }
        if (infinityMm.isPresent() && !(sigmaMm > 0 && sigmaMm < MOST_LEAD_MM)) {
            throw new IllegalArgumentException("the error of infinity needs a standard deviation above 0 mm, not " + sigmaMm);
        }
        List<Entry> all = new ArrayList<>();
        int n1 = outer.map(Thread::starts).orElse(1);
        int n2 = inner.map(Thread::starts).orElse(1);
        int slots = inner.isPresent() ? keySlots : 1;
        double sum = 0;
        double top = Double.NEGATIVE_INFINITY;
        for (int pass = 0; pass < 2; pass++) {
            all.clear();
            sum = 0;
            for (int k1 = 0; k1 < n1; k1++) {
                for (int k2 = 0; k2 < n2; k2++) {
                    for (int j = 0; j < slots; j++) {
                        double error = outerMm(outer, k1) + innerMm(inner, k2, j, slots);
                        double log = Math.log(usual(k1, n1) * usual(k2, n2) * usual(j, slots));
                        for (Witness w : marks) {
                            log += Math.log(switch (w.where) {
                                case OUTER -> w.likelihood(k1, n1);
                                case INNER -> w.likelihood(k2, n2);
                                case KEY -> w.likelihood(j, slots);
                            });
                        }
                        if (infinityMm.isPresent()) {
                            double s = Math.hypot(Math.hypot(sigmaMm, OWN_MM), LEAD_SHARE * Math.abs(error));
                            log += -Math.pow((infinityMm.getAsDouble() - error) / s, 2) / 2 - Math.log(s);
                        }
                        if (pass == 0) {
                            top = Math.max(top, log);
                        } else {
                            double w = Math.exp(log - top);
                            sum += w;
                            all.add(new Entry(k1, k2, j, error, w, outer.isPresent() ? 360.0 * Entry.near(k1, n1) / n1 : 0));
                        }
                    }
                }
            }
        }
        double whole = sum;
        List<Entry> ranked = all.stream().map(e -> new Entry(e.outer, e.inner, e.key, e.errorMm, e.probability / whole, e.lettingGoDeg))
                .sorted(Comparator.comparingDouble((Entry e) -> -e.probability).thenComparingDouble(e -> Math.abs(e.errorMm))).toList();
        List<Entry> trials = trials(ranked);
        double expected = 0;
        for (int i = 0; i < trials.size(); i++) {
            expected += (i + 1) * trials.get(i).probability;
        }
        return new EntryFinder(ranked, trials, expected);
    }

    /// Entries at which the block stands in one place are one trial: whichever of them is begun, it focuses alike.
    private static List<Entry> trials(List<Entry> ranked) {
        Map<Long, Entry> places = new LinkedHashMap<>();
        for (Entry e : ranked) {
            places.merge(Math.round(e.errorMm / SAME_MM / 10), e, (a, b) -> new Entry(a.outer, a.inner, a.key, a.errorMm, a.probability + b.probability, a.lettingGoDeg));
        }
        return places.values().stream().sorted(Comparator.comparingDouble((Entry e) -> -e.probability).thenComparingDouble(e -> Math.abs(e.errorMm))).toList();
    }

    /// One place off is met more often than half round.
    private static double usual(int k, int n) {
        return 1.0 / (1 + Math.abs(Entry.near(k, n)));
    }

    private static double outerMm(Optional<Thread> t, int k) {
        return t.map(x -> wrapped(-x.hand() * x.leadMm * k / x.starts, x.leadMm)).orElse(0.0);
    }

    private static double innerMm(Optional<Thread> t, int k, int j, int slots) {
        return t.map(x -> wrapped(x.hand() * x.leadMm * ((double) j / slots - (double) k / x.starts), x.leadMm)).orElse(0.0);
    }

    /// Brought back by whole leads to within half of one.
    private static double wrapped(double mm, double lead) {
        double out = mm - lead * Math.rint(mm / lead);
        return Math.abs(out) < 1e-12 ? 0 : out;
    }
}

package stillglass.fault;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.Collectors;
import stillglass.prove.measure.Bell;
import stillglass.say.Said;

/// What may be wrong with a lens nobody has a section of: from infinity, from what its picture looks like, and from what was out.
///
/// Bayes over kinds of fault. How often each leaves middle, edges and corners as they were, and how far it takes infinity, was traced through designs drawn anew (docs/methods/assembly-faults.md);
/// how often each is met, and what rattles, is judgement.
///
/// @param causes the likeliest first; probabilities add up to 1
/// @param next the sign that would tell most for its minutes
public record Suspicion(List<Cause> causes, Optional<Next> next) {
    private static final double NEVER_OUT = 0.1;
    private static final double LEAST = 0.03;
    private static final double SLIPS = 0.04;
    private static final double OWN_MM = 0.01;
    private static final double LEAD_SHARE = 0.004;
    private static final double ON_RECORD = 0.7;
    private static final double MISREAD_RANGE_MM = 20;
    private static final double WORTH_BITS = 0.02;

    /// Ways of being wrong that can be told without a section. Figures: how often it is met; how often middle, edges, corners, size stay right, and nothing rattles; how far infinity comes to lie (median, factor of one deviation).
    public enum Kind {
        NOTHING(0.12, 0.97, 0.95, 0.95, 0.98, 0.97, 0, 0),
        MISREAD(0.05, 0.97, 0.95, 0.95, 0.98, 0.97, 0, 0),
        SHIM(0.14, 0.99, 0.97, 0.97, 0.99, 0.97, 0.31, 2.6),
        ENTRY(0.08, 0.97, 0.95, 0.95, 0.98, 0.97, 1.2, 3),
        REVERSED(0.2, 0.54, 0.1, 0.95, 0.25, 0.95, 2.7, 5.2),
        SWAPPED(0.08, 0.25, 0.08, 0.95, 0.05, 0.95, 14, 3.6),
        SPACER(0.12, 0.9, 0.85, 0.95, 0.74, 0.6, 0.8, 4.9),
        PROUD(0.12, 0.97, 0.95, 0.95, 0.92, 0.6, 0.18, 4.1),
        LEANS(0.14, 0.92, 0.93, 0.55, 0.98, 0.6, 0.015, 5.3);

        private final double prior;
        private final double[] right;
        private final double medianMm;
        private final double factor;

        Kind(double prior, double middle, double edges, double corners, double size, double quiet, double medianMm, double factor) {
            this.prior = prior;
            right = new double[] {middle, edges, corners, size, quiet};
            this.medianMm = medianMm;
            this.factor = factor;
        }

        /// How often it is met, against the others.
        public double often() {
            return prior;
        }

        /// Of the sign being as it should, eyes that err included.
        public double right(Sign s) {
            double p = right[s.ordinal()];
            return Math.clamp((1 - SLIPS) * p + SLIPS * (1 - p), LEAST, 1 - LEAST);
        }

        /// How likely infinity comes to lie farther off than that; a bell of the logarithm.
        public double movesBeyond(double mm) {
            return medianMm == 0 ? 0 : 1 - Bell.below(Math.log(mm / medianMm) / Math.log(factor));
        }

        /// As it is written in keys.
        public String word() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }
    }

    /// A stack of shims and the place it belongs to.
    public record Stack(String place, List<Double> piecesMm) {
        public Stack {
            piecesMm = List.copyOf(piecesMm);
        }
    }

    /// A thread with several starts that was begun anew.
    public record Begun(String joint, double leadMm, int starts) {}

    /// What was out of the lens, as far as anybody noted.
    /// @param known whether it is known at all; when not, nothing counts against any kind
    /// @param glasses single glasses and cells that were out
    /// @param spacers whether a spacer was
    /// @param rings whether a ring or screw that holds glass was
    /// @param threads with several starts that were begun anew
    /// @param stacks of shims on record
    public record Record(boolean known, int glasses, boolean spacers, boolean rings, List<Begun> threads, List<Stack> stacks) {
        public Record {
            threads = List.copyOf(threads);
            stacks = List.copyOf(stacks);
        }

        /// Nobody noted anything.
        public static Record unknown() {
            return new Record(false, 0, false, false, List.of(), List.of());
        }

        private boolean out(Kind k) {
            return switch (k) {
                case NOTHING, MISREAD -> true;
                case SHIM -> !stacks.isEmpty();
                case ENTRY -> !threads.isEmpty();
                case REVERSED -> glasses > 0;
                case SWAPPED -> glasses > 1;
                case SPACER -> spacers;
                case PROUD -> rings || glasses > 0;
                case LEANS -> glasses > 0 || rings;
            };
        }
    }

    /// @param said in words, with the place where the record names one
    public record Cause(Kind kind, double probability, Said said) {}

    /// @param either what it would look like under the likeliest cause
    /// @param or under the next that would look otherwise
    public record Next(Sign sign, double gainBits, Kind either, Kind or) {}

    public Suspicion {
        causes = List.copyOf(causes);
    }

    /// @param infinityMm image of infinity minus film, positive behind it
    /// @param sigmaMm one standard deviation
    /// @param signs those that were looked at: true where as it should be
    public static Suspicion of(OptionalDouble infinityMm, double sigmaMm, Map<Sign, Boolean> signs, Record out) {
        Map<Kind, Double> p = posterior(infinityMm, sigmaMm, signs, out);
        List<Cause> causes = p.entrySet().stream().sorted(Comparator.comparingDouble(e -> -e.getValue())).map(e -> new Cause(e.getKey(), e.getValue(), said(e.getKey(), infinityMm, sigmaMm, out))).toList();
        return new Suspicion(causes, next(p, signs, causes));
    }

    private static Map<Kind, Double> posterior(OptionalDouble infinity, double sigma, Map<Sign, Boolean> signs, Record out) {
        Map<Kind, Double> log = new EnumMap<>(Kind.class);
        for (Kind k : Kind.values()) {
            double l = Math.log(k.prior * (out.known && !out.out(k) ? NEVER_OUT : 1));
            l += signs.entrySet().stream().mapToDouble(e -> Math.log(e.getValue() ? k.right(e.getKey()) : 1 - k.right(e.getKey()))).sum();
            l += infinity.isPresent() ? Math.log(Math.max(1e-12, density(k, infinity.getAsDouble(), sigma, out))) : 0;
            log.put(k, l);
        }
        double top = log.values().stream().mapToDouble(v -> v).max().orElse(0);
        double sum = log.values().stream().mapToDouble(v -> Math.exp(v - top)).sum();
        return log.entrySet().stream().collect(Collectors.toMap(Map.Entry::getKey, e -> Math.exp(e.getValue() - top) / sum, (a, b) -> a, () -> new EnumMap<>(Kind.class)));
    }

    /// Of infinity lying there, per millimetre.
    private static double density(Kind k, double mm, double sigma, Record out) {
        return switch (k) {
            case NOTHING -> Bell.density(mm, Math.hypot(sigma, OWN_MM));
            case MISREAD -> 1 / MISREAD_RANGE_MM;
            case SHIM -> {
                List<Piece> pieces = pieces(out);
                double width = Math.hypot(sigma, OWN_MM / 2);
                yield pieces.isEmpty() ? broad(k, mm, sigma) : ON_RECORD * pieces.stream().mapToDouble(x -> Bell.density(mm - x.movesMm, width)).average().orElse(0) + (1 - ON_RECORD) * broad(k, mm, sigma);
            }
            case ENTRY -> out.threads.isEmpty() ? broad(k, mm, sigma) : out.threads.stream().mapToDouble(t -> entries(t, x -> Bell.density(mm - x, Math.hypot(sigma, LEAD_SHARE * t.leadMm)))).average().orElse(0);
            default -> broad(k, mm, sigma);
        };
    }

    /// A bell of the logarithm, either way, no narrower than what was measured.
    private static double broad(Kind k, double mm, double sigma) {
        double at = Math.max(Math.abs(mm), Math.max(sigma, OWN_MM));
        double s = Math.log(k.factor);
        return Bell.density(Math.log(at / k.medianMm), s) / at / 2;
    }

    /// Mean over the wrong entries of a thread, one place off being twice as likely as two.
    private static double entries(Begun t, DoubleUnaryOperator of) {
        double sum = 0;
        double weights = 0;
        for (int e = 1; e <= Math.max(1, t.starts / 2); e++) {
            double mm = e * t.leadMm / t.starts;
            sum += (of.applyAsDouble(mm) + of.applyAsDouble(-mm)) / e;
            weights += 2.0 / e;
        }
        return sum / weights;
    }

    /// A shim left out or put in twice.
    /// @param movesMm infinity by
    private record Piece(String place, double mm, double movesMm) {}

    private static List<Piece> pieces(Record out) {
        List<Piece> all = new ArrayList<>();
        for (Stack s : out.stacks) {
            List<Double> each = new ArrayList<>(s.piecesMm.stream().distinct().toList());
            double total = s.piecesMm.stream().mapToDouble(v -> v).sum();
            if (s.piecesMm.size() > 1) {
                each.add(total);
            }
            each.forEach(mm -> {
                // Without it the mount comes nearer, and the image lies behind the film.
                all.add(new Piece(s.place, mm, mm));
                all.add(new Piece(s.place, mm, -mm));
            });
        }
        return all;
    }

    private static Said said(Kind k, OptionalDouble infinity, double sigma, Record out) {
        if (infinity.isPresent() && k == Kind.SHIM) {
            Optional<Piece> near = pieces(out).stream().min(Comparator.comparingDouble(x -> Math.abs(x.movesMm - infinity.getAsDouble()))).filter(x -> Math.abs(x.movesMm - infinity.getAsDouble()) < 3 * Math.hypot(sigma, OWN_MM));
            if (near.isPresent()) {
                return Said.of(near.get().movesMm > 0 ? "suspicion.shim.lost" : "suspicion.shim.twice", "mm", near.get().mm, "place", near.get().place);
            }
        }
        if (infinity.isPresent() && k == Kind.ENTRY) {
            for (Begun t : out.threads) {
                int e = (int) Math.max(1, Math.round(Math.abs(infinity.getAsDouble()) * t.starts / t.leadMm));
                if (e <= t.starts / 2 && Math.abs(e * t.leadMm / t.starts - Math.abs(infinity.getAsDouble())) < 3 * Math.hypot(sigma, LEAD_SHARE * t.leadMm)) {
                    return Said.of("suspicion.entry.at", "joint", t.joint, "entries", e);
                }
            }
        }
        return Said.of("suspicion." + k.word());
    }

    private static Optional<Next> next(Map<Kind, Double> p, Map<Sign, Boolean> signs, List<Cause> causes) {
        return List.of(Sign.values()).stream().filter(s -> !signs.containsKey(s)).map(s -> {
            double yes = p.entrySet().stream().mapToDouble(e -> e.getValue() * e.getKey().right(s)).sum();
            double gain = entropy(yes) - p.entrySet().stream().mapToDouble(e -> e.getValue() * entropy(e.getKey().right(s))).sum();
            Kind first = causes.getFirst().kind;
            Kind other = causes.stream().map(Cause::kind).filter(k -> Math.abs(k.right(s) - first.right(s)) > 0.3).findFirst().orElse(causes.get(1).kind);
            return new Next(s, gain, first, other);
        }).filter(n -> n.gainBits > WORTH_BITS).max(Comparator.comparingDouble(n -> n.gainBits / (n.sign.minutes() + 1)));
    }

    private static double entropy(double p) {
        return p <= 0 || p >= 1 ? 0 : -(p * Math.log(p) + (1 - p) * Math.log(1 - p)) / Math.log(2);
    }

    /// The next look in words: what it would be like under the leader, and under the one that would look otherwise.
    public Optional<Said> nextSaid() {
        return next.map(n -> {
            boolean fine = n.either.right(n.sign) >= n.or.right(n.sign);
            return Said.of("suspicion.next." + n.sign.word(), "fine", Said.of("suspicion.short." + (fine ? n.either : n.or).word()), "not", Said.of("suspicion.short." + (fine ? n.or : n.either).word()));
        });
    }
}

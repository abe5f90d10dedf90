package stillglass.fault;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.OptionalDouble;
import java.util.function.BiFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import stillglass.prove.ScaleTurn;

/// What a lens that is put together in some way would measure.
///
/// @param infinityMm best focus on the axis against the film, after the design's own
/// @param magnificationPercent of the picture against the design
/// @param focalMm paraxial, d line
/// @param fields at which spots were traced
/// @param azimuthsDeg round the picture, one where nothing leans
/// @param best spots on the best plane of the axis, by azimuth and field, µm; NaN where no light comes
/// @param film the same on the film
/// @param distortionPercent at each field, of the film
/// @param openingEv area of the iris seen from the front against the design, stops
/// @param elsewhere the same at other zoom and focus settings, by name
record Predicted(OptionalDouble infinityMm, double magnificationPercent, double focalMm, List<Double> fields, List<Double> azimuthsDeg, List<List<Double>> best, List<List<Double>> film, List<Double> distortionPercent, double openingEv, Map<String, Predicted> elsewhere) {
    private static final double DARK = 1e4;

    Predicted {
        fields = List.copyOf(fields);
        azimuthsDeg = List.copyOf(azimuthsDeg);
        best = best.stream().map(List::copyOf).toList();
        film = film.stream().map(List::copyOf).toList();
        distortionPercent = List.copyOf(distortionPercent);
        elsewhere = Map.copyOf(elsewhere);
    }

    /// Something done to every other setting too.
    private Map<String, Predicted> others(BiFunction<String, Predicted, Predicted> done) {
        return elsewhere.entrySet().stream().collect(Collectors.toMap(Map.Entry::getKey, e -> done.apply(e.getKey(), e.getValue())));
    }

    /// A spot at a place, µm; where nothing leans and for no azimuth the root mean square round the picture. A place that stays dark counts as a spot of ten millimetres.
    double spotUm(double field, OptionalDouble azimuthDeg, boolean onFilm) {
        List<List<Double>> all = onFilm ? film : best;
        if (azimuthDeg.isEmpty() || azimuthsDeg.size() == 1) {
            return Math.sqrt(all.stream().mapToDouble(row -> Math.pow(between(row, field), 2)).average().orElse(0));
        }
        double step = 360.0 / azimuthsDeg.size();
        double at = ((azimuthDeg.getAsDouble() % 360) + 360) % 360 / step;
        int low = (int) at % azimuthsDeg.size();
        double share = at - Math.floor(at);
        return (1 - share) * between(all.get(low), field) + share * between(all.get((low + 1) % azimuthsDeg.size()), field);
    }

    private double between(List<Double> row, double field) {
        int i = IntStream.range(0, fields.size() - 1).filter(k -> field <= fields.get(k + 1)).findFirst().orElse(Math.max(0, fields.size() - 2));
        if (fields.size() == 1) {
            return seen(row.getFirst());
        }
        double share = Math.clamp((field - fields.get(i)) / (fields.get(i + 1) - fields.get(i)), 0, 1);
        return (1 - share) * seen(row.get(i)) + share * seen(row.get(i + 1));
    }

    /// Distortion grows with the square of the field near the axis; between traced fields in proportion.
    private OptionalDouble bent(double field) {
        int i = IntStream.range(0, fields.size() - 1).filter(k -> field <= fields.get(k + 1)).findFirst().orElse(Math.max(0, fields.size() - 2));
        double low = i == 0 ? 0 : distortionPercent.get(i);
        double high = distortionPercent.get(Math.min(i + 1, fields.size() - 1));
        double share = Math.clamp((field - fields.get(i)) / (fields.get(Math.min(i + 1, fields.size() - 1)) - fields.get(i)), 0, 1);
        double at = (1 - share) * low + share * high;
        return Double.isFinite(at) ? OptionalDouble.of(at) : OptionalDouble.empty();
    }

    private static double seen(double um) {
        return Double.isFinite(um) ? um : DARK;
    }

    /// Between two ways of being wrong by more and by less.
    /// @param share of the other
    Predicted towards(Predicted other, double share) {
        OptionalDouble focus = infinityMm.isPresent() && other.infinityMm.isPresent() ? OptionalDouble.of((1 - share) * infinityMm.getAsDouble() + share * other.infinityMm.getAsDouble()) : OptionalDouble.empty();
        return new Predicted(focus, (1 - share) * magnificationPercent + share * other.magnificationPercent, (1 - share) * focalMm + share * other.focalMm, fields, azimuthsDeg,
                mixed(best, other.best, share), mixed(film, other.film, share),
                IntStream.range(0, distortionPercent.size()).mapToObj(f -> (1 - share) * distortionPercent.get(f) + share * other.distortionPercent.get(f)).toList(), (1 - share) * openingEv + share * other.openingEv, others((name, p) -> p.towards(Objects.requireNonNull(other.elsewhere.get(name)), share)));
    }

    private static List<List<Double>> mixed(List<List<Double>> a, List<List<Double>> b, double share) {
        return IntStream.range(0, a.size()).mapToObj(r -> IntStream.range(0, a.get(r).size()).mapToObj(c -> (1 - share) * seen(a.get(r).get(c)) + share * seen(b.get(r).get(c))).toList()).toList();
    }

    /// The same lens turned about its axis, so that what leaned towards 12 leans elsewhere.
    Predicted turned(int steps) {
        int n = azimuthsDeg.size();
        return new Predicted(infinityMm, magnificationPercent, focalMm, fields, azimuthsDeg, IntStream.range(0, n).mapToObj(i -> best.get(Math.floorMod(i - steps, n))).toList(),
                IntStream.range(0, n).mapToObj(i -> film.get(Math.floorMod(i - steps, n))).toList(), distortionPercent, openingEv, others((name, p) -> p.turned(steps)));
    }

    /// What would be measured; empty where nothing focuses.
    /// @param design the lens as designed
    OptionalDouble of(Observation o, Predicted design) {
        if (!o.setting().isEmpty()) {
            return Objects.requireNonNull(elsewhere.get(o.setting())).of(o.at(""), Objects.requireNonNull(design.elsewhere.get(o.setting())));
        }
        return switch (o.what()) {
            case INFINITY_ERROR_MM -> infinityMm;
            case RMS_UM -> OptionalDouble.of(spotUm(o.field(), o.azimuthDeg(), o.onFilm()));
            case MTF30_SAGITTAL, MTF30_TANGENTIAL -> OptionalDouble.of(transfer(spotUm(o.field(), o.azimuthDeg(), o.onFilm())));
            case MAGNIFICATION_PERCENT -> OptionalDouble.of(magnificationPercent);
            case DISTORTION_PERCENT -> bent(o.field());
            case OPENING_EV -> OptionalDouble.of(openingEv);
            case SCALE_AT_M -> infinityMm.isEmpty() ? OptionalDouble.empty() : scale(o.atM(), infinityMm.getAsDouble(), design.focalMm);
        };
    }

    /// Transfer of a bell of the same spot at 30 line pairs a millimetre.
    private static double transfer(double um) {
        double sigma = um / 1000 / Math.sqrt(2);
        return Math.exp(-2 * Math.pow(Math.PI * 30 * sigma, 2));
    }

    /// Reading of the scale when something at a true distance is sharp: an image that lies behind the film has to be drawn out by as much more.
    private static OptionalDouble scale(double trueM, double errorMm, double focalMm) {
        if (1000 * trueM < 4 * focalMm) {
            // Nothing nearer is ever sharp on the film.
            return OptionalDouble.empty();
        }
        double extension = ScaleTurn.extension(trueM, focalMm) + errorMm;
        return OptionalDouble.of(extension > 0 ? ScaleTurn.distance(extension, focalMm) : DARK);
    }

    /// Whether infinity, spots and scale differ from those of another by less than anybody measures.
    boolean like(Predicted other) {
        boolean focus = infinityMm.isPresent() == other.infinityMm.isPresent() && (infinityMm.isEmpty() || Math.abs(infinityMm.getAsDouble() - other.infinityMm.getAsDouble()) < Observation.What.INFINITY_ERROR_MM.usualSigma(0));
        boolean spots = fields.stream().allMatch(f -> Math.abs(Math.log(spotUm(f, OptionalDouble.empty(), false) / other.spotUm(f, OptionalDouble.empty(), false))) < 0.1);
        return elsewhere.entrySet().stream().allMatch(e -> e.getValue().like(Objects.requireNonNull(other.elsewhere.get(e.getKey())))) && focus && spots && Math.abs(magnificationPercent - other.magnificationPercent) < Observation.What.MAGNIFICATION_PERCENT.usualSigma(0);
    }
}

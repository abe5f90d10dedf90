package stillglass.fault;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import stillglass.optics.LensSection;
import stillglass.optics.Paraxial;
import stillglass.optics.misassembly.LensFault;
import stillglass.optics.misassembly.MountedFilm;
import stillglass.optics.sharpness.SpotSurvey;

/// Traces what each fault of a lens would measure, in one colour: enough to weigh hundreds of them.
final class Predictor {
    /// Directions round the picture at which a lens that leans is looked at.
    static final int AROUND = 8;
    private static final double D_LINE = 587.6;
    private static final List<Double> ALWAYS = List.of(0.0, 0.7, 1.0);

    private final LensSection designed;
    private final LensFault.Seating seating;
    private final List<Double> fields;
    private final List<Double> offAxis;
    private final SpotSurvey survey;
    private final double focal;
    private final Predicted design;

    private final Map<String, Predictor> elsewhere;

    Predictor(LensSection section, LensFault.Seating seating, List<Double> wanted) {
        this(section, Map.of(), seating, wanted);
    }

    /// @param settings the same lens at other zoom and focus settings, by name
    Predictor(LensSection section, Map<String, LensSection> settings, LensFault.Seating seating, List<Double> wanted) {
        elsewhere = settings.entrySet().stream().collect(Collectors.toMap(Map.Entry::getKey, e -> new Predictor(e.getValue(), seating, wanted)));
        designed = new LensSection(section.name(), section.form(), section.nominalFocalLengthMm(), section.fNumber(), section.imageCircleMm(), List.of(D_LINE), section.surfaces(), section.elements(),
                section.focusing(), section.basis(), section.tilts(), section.seats(), section.positions());
        this.seating = seating;
        TreeSet<Double> all = new TreeSet<>(ALWAYS);
        all.addAll(wanted);
        fields = List.copyOf(all);
        offAxis = fields.subList(1, fields.size());
        survey = SpotSurvey.quick(designed, designed, fields);
        focal = Paraxial.of(designed).eflMm();
        design = predict(List.of());
    }

    Predicted design() {
        return design;
    }

    /// @throws IllegalArgumentException where the fault cannot be
    Predicted predict(List<LensFault> faults) {
        LensSection built = MountedFilm.of(LensFault.apply(designed, faults, seating).lens(), designed, faults);
        List<Double> around = new ArrayList<>();
        List<List<Double>> best = new ArrayList<>();
        List<List<Double>> film = new ArrayList<>();
        List<Double> bent = List.of();
        OptionalDouble focus = OptionalDouble.empty();
        int directions = built.tilts().isEmpty() ? 1 : AROUND;
        for (int k = 0; k < directions; k++) {
            // A place round the film is seen by turning the lens the other way. What leans towards 12 or 6 is mirrored left to right, which halves the work.
            if (built.mirrored() && k > directions / 2) {
                int same = directions - k;
                around.add(360.0 * k / directions);
                best.add(best.get(same));
                film.add(film.get(same));
                continue;
            }
            if (k == 0) {
                SpotSurvey s = SpotSurvey.quick(built, designed, fields);
                focus = s.bestFocusMm();
                bent = s.distortionPercent().stream().map(v -> v.orElse(Double.NaN)).toList();
                best.add(s.rmsUm().stream().map(v -> v.orElse(Double.NaN)).toList());
                film.add(s.rmsOnFilmUm().stream().map(v -> v.orElse(Double.NaN)).toList());
            } else {
                // Where nothing focuses no plane is better than the film.
                SpotSurvey s = SpotSurvey.quickAt(turned(built, 2 * Math.PI * k / directions), designed, offAxis, focus.orElse(built.surfaces().getLast().thicknessMm()));
                best.add(withAxis(best.getFirst(), focus.isPresent() ? s.rmsUm() : List.of()));
                film.add(withAxis(film.getFirst(), focus.isPresent() ? s.rmsOnFilmUm() : List.of()));
            }
            around.add(360.0 * k / directions);
        }
        OptionalDouble infinity = focus.isPresent() && survey.bestFocusMm().isPresent()
                ? OptionalDouble.of(focus.getAsDouble() - built.surfaces().getLast().thicknessMm() - (survey.bestFocusMm().getAsDouble() - designed.surfaces().getLast().thicknessMm()))
                : OptionalDouble.empty();
        double efl = Paraxial.of(built).eflMm();
        double magnification = Double.isFinite(efl) ? Math.clamp(100 * (efl / focal - 1), -1000, 1000) : 1000;
        return new Predicted(infinity, magnification, Double.isFinite(efl) ? efl : focal, fields, around, best, film, bent, openingEv(built), elsewhere.entrySet().stream().collect(Collectors.toMap(Map.Entry::getKey, e -> e.getValue().predict(faults))));
    }

    /// The iris keeps its width; the glass before it shows it larger or smaller.
    private double openingEv(LensSection built) {
        double now = Math.abs(Paraxial.of(built).entrancePupil().diameterMm());
        double right = Paraxial.of(designed).entrancePupil().diameterMm();
        return now > 0 && Double.isFinite(now) ? Math.clamp(2 * Math.log(now / right) / Math.log(2), -20, 20) : 20;
    }

    /// Spots of all fields: the axis is the same from every direction.
    private List<Double> withAxis(List<Double> first, List<OptionalDouble> offAxisUm) {
        return IntStream.range(0, fields.size()).mapToObj(f -> f == 0 ? first.getFirst() : offAxisUm.isEmpty() ? Double.NaN : offAxisUm.get(f - 1).orElse(Double.NaN)).toList();
    }

    private static LensSection turned(LensSection lens, double rad) {
        if (lens.tilts().isEmpty()) {
            return lens;
        }
        return lens.withTilts(lens.tilts().stream().map(t -> t.turned(rad)).toList());
    }

}

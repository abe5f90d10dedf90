package stillglass.fault;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.TreeSet;
import stillglass.optics.LensSection;
import stillglass.optics.Paraxial;
import stillglass.optics.Tilt;
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
    private final SpotSurvey survey;
    private final double focal;
    private final Predicted design;

    Predictor(LensSection section, LensFault.Seating seating, List<Double> wanted) {
        designed = new LensSection(section.name(), section.form(), section.nominalFocalLengthMm(), section.fNumber(), section.imageCircleMm(), List.of(D_LINE), section.surfaces(), section.elements(),
                section.focusing(), section.basis(), section.tilts());
        this.seating = seating;
        TreeSet<Double> all = new TreeSet<>(ALWAYS);
        all.addAll(wanted);
        fields = List.copyOf(all);
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
        OptionalDouble infinity = OptionalDouble.empty();
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
            SpotSurvey s = SpotSurvey.quick(turned(built, 2 * Math.PI * k / directions), designed, fields);
            if (k == 0) {
                infinity = s.bestFocusMm().isPresent() && survey.bestFocusMm().isPresent()
                        ? OptionalDouble.of(s.bestFocusMm().getAsDouble() - built.surfaces().getLast().thicknessMm() - (survey.bestFocusMm().getAsDouble() - designed.surfaces().getLast().thicknessMm()))
                        : OptionalDouble.empty();
            }
            around.add(360.0 * k / directions);
            best.add(s.rmsUm().stream().map(v -> v.orElse(Double.NaN)).toList());
            film.add(s.rmsOnFilmUm().stream().map(v -> v.orElse(Double.NaN)).toList());
        }
        double efl = Paraxial.of(built).eflMm();
        double magnification = Double.isFinite(efl) ? Math.clamp(100 * (efl / focal - 1), -1000, 1000) : 1000;
        return new Predicted(infinity, magnification, Double.isFinite(efl) ? efl : focal, fields, around, best, film);
    }

    private static LensSection turned(LensSection lens, double rad) {
        if (lens.tilts().isEmpty()) {
            return lens;
        }
        return lens.withTilts(lens.tilts().stream().map(t -> new Tilt(t.firstSurface(), t.lastSurface(), t.angleRad(), t.towardsRad() + rad)).toList());
    }

}

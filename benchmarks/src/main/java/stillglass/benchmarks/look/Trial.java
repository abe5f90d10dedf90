package stillglass.benchmarks.look;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.look.LinearPhoto;
import stillglass.look.Progress;
import stillglass.look.kinds.KindModel;
import stillglass.look.reading.PhotoGrading;
import stillglass.look.reading.Survey;
import stillglass.sim.photo.RandomScene;
import stillglass.sim.photo.Shot;

/// One simulated photo, what it shows and what was read from it.
///
/// @param truth kinds it shows: those whose faults change the picture by more than its noise
/// @param truthSeverity of each of them by the same table as that of findings
/// @param found kinds named, dust only beyond a trace; without kinds that are there but do not show, which count neither way
/// @param apertureOff error of centre or radius, whichever is larger, over the radius; infinite when refused
/// @param right for each finding whether its kind is in the photo
record Trial(
        Lighting lighting,
        Lighting lightingFound,
        Set<FindingKind> truth,
        Map<FindingKind, Integer> truthSeverity,
        Set<FindingKind> found,
        Map<FindingKind, Integer> foundSeverity,
        double apertureOff,
        double veil,
        double veilFound,
        List<Finding> findings,
        List<Boolean> right) {

    static Trial of(RandomScene scene, KindModel model) {
        Shot shot = scene.shoot();
        return of(scene, shot, PhotoGrading.grade(Labels.linear(shot.picture()), PhotoGrading.Given.NOTHING, model, Progress.SILENT));
    }

    /// The same photo read by several models.
    static Map<String, Trial> of(RandomScene scene, Map<String, KindModel> models) {
        Shot shot = scene.shoot();
        LinearPhoto photo = Labels.linear(shot.picture());
        Optional<Survey> survey = Survey.of(photo, PhotoGrading.Given.NOTHING, Progress.SILENT);
        Map<String, Trial> out = new LinkedHashMap<>();
        models.forEach((name, model) -> out.put(name, of(scene, shot, PhotoGrading.judge(survey, photo, PhotoGrading.Given.NOTHING, model, Progress.SILENT))));
        return out;
    }

    static Trial of(RandomScene scene, Shot shot, PhotoGrading.Outcome outcome) {
        Set<FindingKind> truth = scene.shown(shot);
        Set<FindingKind> faint = scene.present(shot);
        faint.removeAll(truth);
        Map<FindingKind, Integer> severity = TruthSeverity.of(scene, shot, truth);
        if (!(outcome instanceof PhotoGrading.Outcome.Seen s)) {
            return new Trial(scene.pose().lighting(), scene.pose().lighting(), truth, severity, Set.of(), Map.of(), Double.POSITIVE_INFINITY,
                    shot.veil(), 0, List.of(), List.of());
        }
        PhotoGrading.Graded g = s.graded();
        List<Boolean> right = new ArrayList<>();
        Map<FindingKind, Integer> foundSeverity = new EnumMap<>(FindingKind.class);
        Set<FindingKind> named = named(g.findings());
        named.removeAll(faint);
        boolean specks = scene.truth().faults().stream().anyMatch(f -> f.kind() == FindingKind.DUST);
        for (Finding f : g.findings()) {
            right.add(truth.contains(f.kind()) || faint.contains(f.kind()) || f.kind() == FindingKind.DUST && specks);
            foundSeverity.merge(f.kind(), f.severity(), Math::max);
        }
        return new Trial(scene.pose().lighting(), g.lighting(), truth, severity, named, foundSeverity,
                Labels.off(g.aperture(), shot.aperture()), shot.veil(), g.veilFraction(), g.findings(), right);
    }

    /// Kinds that a set of findings names; dust only from severity 1, unknown not at all.
    static Set<FindingKind> named(List<Finding> findings) {
        Set<FindingKind> kinds = new TreeSet<>();
        for (Finding f : findings) {
            if (f.kind() != FindingKind.UNKNOWN && (f.kind() != FindingKind.DUST || f.severity() > 0)) {
                kinds.add(f.kind());
            }
        }
        return kinds;
    }
}

package stillglass.benchmarks.look;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import stillglass.device.Source;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Progress;
import stillglass.look.reading.PhotoGrading;
import stillglass.sim.second.SecondPhoto;
import stillglass.ticket.glass.Glass;
import stillglass.ticket.glass.GlassEvent;
import stillglass.ticket.glass.Known;
import stillglass.ticket.glass.Sights;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Recorded;

/// What one more photo of the same lens adds: photos of the second renderer, three of a lens, put together as a ticket does. The rim is given.
///
/// `SessionReport LENSES SEED`: a seed is used for one report and never again.
public final class SessionReport {
    /// Photos of a session that are taken, in their order.
    private static final Map<String, List<Integer>> SETS = sets();

    private SessionReport() {}

    private static Map<String, List<Integer>> sets() {
        Map<String, List<Integer>> out = new LinkedHashMap<>();
        out.put("against the light", List.of(0));
        out.put("before a bright field", List.of(2));
        out.put("against the light, the lamp moved", List.of(0, 1));
        out.put("against the light and before a bright field", List.of(0, 2));
        out.put("all three", List.of(0, 1, 2));
        return out;
    }

    private record Lens(Set<FindingKind> present, List<Set<FindingKind>> shown, List<GlassEvent.PhotoGraded> read) {}

    public static void main(String[] args) {
        int lenses = Integer.parseInt(args[0]);
        long seed = Long.parseLong(args[1]);
        List<Lens> all = LongStream.range(seed, seed + lenses).mapToObj(SessionReport::lens).toList();
        System.out.printf(Locale.ROOT, "%d lenses of the second renderer, seed %d, the rim given%n%n| photos | macro F1 | precision | recall | false kinds on clean glass |%n|---|---:|---:|---:|---:|%n", lenses, seed);
        SETS.forEach((what, photos) -> {
            tell(what, photos, all, false);
            if (photos.contains(0) && photos.contains(1)) {
                tell(what + ", without what stands at one lamp place only", photos, all, true);
            }
        });
        System.out.println();
        SETS.forEach((what, photos) -> kinds(what, photos, all));
    }

    private static Lens lens(long seed) {
        List<SecondPhoto> session = SecondPhoto.session(seed);
        List<GlassEvent.PhotoGraded> read = new ArrayList<>();
        for (int i = 0; i < session.size(); i++) {
            SecondPhoto p = session.get(i);
            PhotoGrading.Given given = new PhotoGrading.Given(Optional.of(p.lighting()), Optional.of(p.shot().aperture()), OptionalDouble.empty());
            List<Finding> findings = PhotoGrading.grade(Labels.linear(p.shot().picture()), given, Progress.SILENT) instanceof PhotoGrading.Outcome.Seen s ? s.graded().findings() : List.of();
            read.add(new GlassEvent.PhotoGraded("p" + i, p.lighting(), p.shot().aperture(), findings, 0, List.of(), List.of()));
        }
        return new Lens(session.getFirst().present(), session.stream().map(SecondPhoto::shown).toList(), read);
    }

    /// Photos as one ticket has them.
    private static Glass together(Lens lens, List<Integer> photos) {
        Glass glass = Glass.NONE;
        long seq = 1;
        for (int i : photos) {
            List<GlassEvent> events = new ArrayList<>(List.of(new GlassEvent.PhotoKept("p" + i, Phase.BEFORE, false, "", Source.SIMULATED), lens.read.get(i)));
            if (i == 1) {
                events.add(new GlassEvent.LampMoved("p1"));
            }
            for (GlassEvent e : events) {
                glass = glass.after(new Recorded(seq, seq++, "", "", Instant.EPOCH, e), e);
            }
        }
        return glass;
    }

    private static Set<FindingKind> named(Lens lens, List<Integer> photos, boolean lamp) {
        Glass glass = together(lens, photos);
        Sights sights = Sights.of(glass);
        Set<FindingKind> named = Trial.named(glass.findings().stream().filter(k -> !lamp || sights.staysAsTheLampMoves(k).orElse(true)).map(Known::finding).toList());
        Set<FindingKind> faint = EnumSet.noneOf(FindingKind.class);
        faint.addAll(lens.present);
        faint.removeAll(shown(lens, photos));
        named.removeAll(faint);
        return named;
    }

    private static Set<FindingKind> shown(Lens lens, List<Integer> photos) {
        Set<FindingKind> out = EnumSet.noneOf(FindingKind.class);
        photos.forEach(i -> out.addAll(lens.shown.get(i)));
        return out;
    }

    private static Score score(List<Integer> photos, List<Lens> all, boolean lamp) {
        Score score = new Score();
        all.forEach(l -> score.add(shown(l, photos), named(l, photos, lamp)));
        return score;
    }

    private static void tell(String what, List<Integer> photos, List<Lens> all, boolean lamp) {
        Score s = score(photos, all, lamp);
        double clean = all.stream().filter(l -> l.present.isEmpty()).mapToInt(l -> named(l, photos, lamp).size()).average().orElse(Double.NaN);
        System.out.printf(Locale.ROOT, "| %s | %.3f | %.2f | %.2f | %.2f |%n", what, s.macro(), s.precision(), s.recall(), clean);
    }

    private static void kinds(String what, List<Integer> photos, List<Lens> all) {
        Score s = score(photos, all, false);
        System.out.println(what + ":" + Arrays.stream(FindingKind.values()).filter(k -> s.shown(k) > 0).map(k -> String.format(Locale.ROOT, " %s %.2f", k.word(), s.f1(k))).collect(Collectors.joining()));
    }
}

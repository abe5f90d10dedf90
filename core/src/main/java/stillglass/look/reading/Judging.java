package stillglass.look.reading;

import boofcv.alg.filter.binary.BinaryImageOps;
import boofcv.struct.image.GrayU8;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import stillglass.look.FindingKind;
import stillglass.look.kinds.Features;
import stillglass.look.kinds.KindModel;
import stillglass.look.kinds.Sight;
import stillglass.say.Said;

/// What a model makes of all that stands out of a glass, mended by what only all of it together tells.
final class Judging {
    private static final double GLASS = Math.PI * GlassFrame.RADIUS * GlassFrame.RADIUS;
    /// Share of the glass that cleaning marks cover at least with their lines.
    private static final double LEAST_HAIRS = 0.003;
    /// What stands out of a hair is so much wider on either side than its ridge, pixels of the frame.
    private static final int AS_WIDE = 3;
    /// Chance that a glass before a card was wiped where hairs run round one centre.
    private static final double WIPED = 0.8;

    private final List<Judged> judged = new ArrayList<>();

    private Judging() {}

    /// What is likely a fault, in the order of the survey, circles of wiping last.
    static List<Judged> of(Survey s, KindModel model) {
        Judging j = new Judging();
        List<KindModel.Verdict> verdicts = model.judge(s.lighting(), s.candidates.stream().map(c -> new KindModel.Standing(c.sight(), c.features())).toList());
        for (int i = 0; i < verdicts.size(); i++) {
            if (!verdicts.get(i).nothing()) {
                j.judged.add(new Judged(s.candidates.get(i), verdicts.get(i)));
            }
        }
        j.swallow();
        j.fewHairs();
        j.wiped(WipedCircles.hairs(s.maps, s.aperture.meanRadius()));
        j.shortThreads();
        return List.copyOf(j.judged);
    }

    /// Fine structure inside a region that is surely something else is part of that: ripples of a chip, beads of oil.
    private void swallow() {
        List<Judged> regions = judged.stream().filter(j -> j.candidate().sight() == Sight.AREA && j.verdict().kind() != FindingKind.HAZE
                && j.verdict().kind() != FindingKind.UNKNOWN && j.verdict().kind() != FindingKind.FUNGUS).toList();
        byte[] owner = new byte[GlassFrame.PIXELS];
        for (int k = 0; k < Math.min(100, regions.size()); k++) {
            for (int at : regions.get(k).candidate().pixels()) {
                owner[at] = (byte) (k + 1);
            }
        }
        judged.removeIf(j -> {
            if (j.candidate().sight() != Sight.FINE) {
                return false;
            }
            int[] votes = new int[101];
            for (int at : j.candidate().pixels()) {
                votes[owner[at]]++;
            }
            for (int k = 1; k < votes.length; k++) {
                if (votes[k] > 0.6 * j.candidate().pixels().length) {
                    Judged region = regions.get(k - 1);
                    return region.verdict().kind() != j.verdict().kind() && region.chance() > j.chance() - 0.15;
                }
            }
            return false;
        });
    }

    /// Cleaning marks are a great many; a stray line or two that look like one are none.
    private void fewHairs() {
        int hairs = judged.stream().filter(j -> j.verdict().kind() == FindingKind.CLEANING_MARKS && j.candidate().sight() == Sight.FINE)
                .mapToInt(j -> j.candidate().pixels().length).sum();
        if (hairs < LEAST_HAIRS * GLASS) {
            judged.removeIf(j -> j.likeliest() == FindingKind.CLEANING_MARKS);
        }
    }

    /// Circles of wiping before a card are told by all of them together; what was told of one by itself is part of them.
    private void wiped(List<int[]> hairs) {
        if (hairs.isEmpty()) {
            return;
        }
        GrayU8 ridges = new GrayU8(GlassFrame.SIDE, GlassFrame.SIDE);
        hairs.forEach(h -> IntStream.of(h).forEach(at -> ridges.data[at] = 1));
        byte[] near = BinaryImageOps.dilate8(ridges, AS_WIDE, null).data;
        judged.removeIf(j -> j.candidate().sight() == Sight.FINE && j.verdict().kind() != FindingKind.CLEANING_MARKS && 2 * IntStream.of(j.candidate().pixels()).filter(at -> near[at] != 0).count() > j.candidate().pixels().length);
        Map<FindingKind, Double> chances = Map.of(FindingKind.CLEANING_MARKS, WIPED, FindingKind.UNKNOWN, 1 - WIPED);
        KindModel.Verdict verdict = new KindModel.Verdict(false, FindingKind.CLEANING_MARKS, chances, List.of(Said.of("found.circles", "count", hairs.size())));
        hairs.forEach(h -> judged.add(new Judged(new Candidate(Sight.FINE, h, new int[0], new Features()), verdict)));
    }

    /// A short thread is not told from dust or lint: where nothing larger near it looks like fungus, it is told as what it may be.
    private void shortThreads() {
        List<Judged> colonies = judged.stream().filter(j -> j.verdict().kind() == FindingKind.FUNGUS && !j.isShort()).toList();
        judged.replaceAll(j -> j.verdict().kind() == FindingKind.FUNGUS && j.isShort() && colonies.stream().noneMatch(c -> c.near(j))
                ? new Judged(j.candidate(), new KindModel.Verdict(false, FindingKind.UNKNOWN, j.verdict().chances(), j.verdict().reasons())) : j);
    }
}

package stillglass.benchmarks.fault;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.SplittableRandom;
import stillglass.book.data.Shelf;
import stillglass.fault.LampLook;
import stillglass.optics.Glints;
import stillglass.optics.LensSection;
import stillglass.optics.Medium;
import stillglass.optics.Surface;
import stillglass.optics.misassembly.LensFault;

/// How often the reflections of a lamp tell what is wrong with a closed lens: lenses varied, made a little off, put together wrongly, photographed by a tracer of exact rays in the plane of lamp and axis that shares nothing with the first order
/// that is judged; spots are missed, and some are none.
public final class GlintReport {
    private static final double VARIED = 0.02;
    private static final double MADE = 0.0005;
    private static final double READ = 0.015;
    private static final double MISSED = 0.12;
    private static final double CLUTTER = 0.3;
    private static final int SCANS = 1200;
    private static final int BINS = 5;

    private GlintReport() {}

    private record Judged(String kind, boolean first, boolean three, double claimed) {}

    public static void main(String[] args) {
        int cases = args.length > 0 ? Integer.parseInt(args[0]) : 200;
        int photos = args.length > 1 ? Integer.parseInt(args[1]) : 1;
        SplittableRandom random = new SplittableRandom(args.length > 2 ? Long.parseLong(args[2]) : 1);
        List<LensSection> designs = new Shelf().sectionIds().stream().map(id -> new Shelf().section(id)).toList();
        List<Judged> all = new ArrayList<>();
        for (int i = 0; i < cases; i++) {
            LensSection design = FaultReport.varied(designs.get(i % designs.size()), VARIED, random);
            LensSection made = FaultReport.varied(design, MADE, random);
            // Each as often as the judge holds it to be met.
            double met = random.nextDouble();
            String kind = met < 0.57 ? "none" : met < 0.82 ? "reverse" : met < 0.93 ? "swap" : "spacer-missing";
            List<String> faults = new ArrayList<>();
            LensSection built = made;
            if (!kind.equals("none")) {
                LensFault f = FaultReport.fault(design, random);
                while (!f.shortForm().startsWith(kind)) {
                    f = FaultReport.fault(design, random);
                }
                faults.add(f.shortForm());
                built = LensFault.apply(made, List.of(f), LensFault.Seating.RIM).lens();
            }
            List<LampLook.Seen> seen = new ArrayList<>();
            for (int k = 0; k < photos; k++) {
                Glints.Stand stand = new Glints.Stand(random.nextDouble(200, 500), random.nextDouble(15, 50), random.nextDouble(200, 500));
                seen.add(new LampLook.Seen(stand, photo(built, stand, random)));
            }
            LampLook look = LampLook.of(design, seen);
            String truth = faults.isEmpty() ? "none" : sorted(faults.getFirst());
            List<String> ranked = look.hypotheses().stream().map(h -> sorted(h.fault())).toList();
            all.add(new Judged(kind, ranked.getFirst().equals(truth), ranked.subList(0, 3).contains(truth), look.hypotheses().getFirst().probability()));
        }
        print(all, photos);
    }

    private static String sorted(String shortForm) {
        return shortForm.startsWith("swap:") ? "swap:" + String.join(",", java.util.Arrays.stream(shortForm.substring(5).split(",")).sorted().toList()) : shortForm;
    }

    private static void print(List<Judged> all, int photos) {
        System.out.printf(Locale.ROOT, "%d cases, %d photos each%n", all.size(), photos);
        for (String kind : List.of("none", "reverse", "swap", "spacer-missing", "")) {
            List<Judged> of = all.stream().filter(j -> kind.isEmpty() || j.kind.equals(kind)).toList();
            System.out.printf(Locale.ROOT, "| %s | %d | %.0f %% | %.0f %% |%n", kind.isEmpty() ? "all" : kind, of.size(), 100.0 * of.stream().filter(Judged::first).count() / of.size(), 100.0 * of.stream().filter(Judged::three).count() / of.size());
        }
        double error = 0;
        for (int b = 0; b < BINS; b++) {
            double low = (double) b / BINS;
            List<Judged> in = all.stream().filter(j -> j.claimed >= low && (j.claimed < low + 1.0 / BINS || low + 1.0 / BINS > 0.999)).toList();
            if (!in.isEmpty()) {
                double claimed = in.stream().mapToDouble(Judged::claimed).average().orElse(0);
                double right = in.stream().filter(Judged::first).count() / (double) in.size();
                error += Math.abs(claimed - right) * in.size() / all.size();
                System.out.printf(Locale.ROOT, "claimed %.2f, right %.2f (%d)%n", claimed, right, in.size());
            }
        }
        System.out.printf(Locale.ROOT, "expected calibration error %.3f%n", error);
    }

    private static List<Double> photo(LensSection lens, Glints.Stand stand, SplittableRandom random) {
        List<Double> out = new ArrayList<>();
        for (int s : lens.faces()) {
            double step = index(lens.before(s)) - index(lens.surfaces().get(s).after());
            for (double at : reflections(lens, s, stand)) {
                double missed = Math.abs(step) < 0.2 ? 0.85 : MISSED;
                double read = at + READ * random.nextGaussian();
                if (random.nextDouble() > missed && Math.abs(read) <= 1) {
                    out.add(read);
                }
            }
        }
        while (random.nextDouble() < CLUTTER / (1 + CLUTTER)) {
            out.add(random.nextDouble(-1, 1));
        }
        return out;
    }

    private static double index(Medium m) {
        return m.index(Medium.D_LINE_NM);
    }

    /// Exact rays from the lamp over the first glass: those that come back into the camera.
    private static List<Double> reflections(LensSection lens, int mirror, Glints.Stand stand) {
        double rim = lens.surfaces().getFirst().semiDiameterMm();
        List<Double> out = new ArrayList<>();
        double[] before = {Double.NaN, 0};
        for (int i = 0; i <= SCANS; i++) {
            double y = rim * (2.0 * i / SCANS - 1);
            double[] now = back(lens, mirror, stand, y);
            if (!Double.isNaN(before[0]) && !Double.isNaN(now[0]) && before[0] * now[0] <= 0 && Math.abs(before[0] - now[0]) < 200) {
                double share = before[0] / (before[0] - now[0]);
                out.add((before[1] + share * (now[1] - before[1])) / rim);
            }
            before = now;
        }
        return out;
    }

    /// Height at the camera, and on the first vertex plane, of the ray through a height of that plane.
    private static double[] back(LensSection lens, int mirror, Glints.Stand stand, double y0) {
        double[] none = {Double.NaN, 0};
        double length = Math.hypot(stand.lampMm(), y0 - stand.asideMm());
        double z = 0;
        double y = y0;
        double dz = stand.lampMm() / length;
        double dy = (y0 - stand.asideMm()) / length;
        double[] vertex = new double[lens.surfaces().size()];
        for (int i = 1; i < vertex.length; i++) {
            vertex[i] = vertex[i - 1] + lens.surfaces().get(i - 1).thicknessMm();
        }
        for (int k = 0; k <= 2 * mirror; k++) {
            int i = k <= mirror ? k : 2 * mirror - k;
            Surface s = lens.surfaces().get(i);
            double t;
            double nz;
            double ny;
            if (Double.isInfinite(s.radiusMm())) {
                t = (vertex[i] - z) / dz;
                nz = 1;
                ny = 0;
            } else {
                double cz = vertex[i] + s.radiusMm();
                double b = (z - cz) * dz + y * dy;
                double c = (z - cz) * (z - cz) + y * y - s.radiusMm() * s.radiusMm();
                double root = b * b - c;
                if (root < 0) {
                    return none;
                }
                double one = -b - Math.sqrt(root);
                double other = -b + Math.sqrt(root);
                // The crossing near the vertex.
                t = Math.abs(z + one * dz - vertex[i]) < Math.abs(z + other * dz - vertex[i]) ? one : other;
                nz = (z + t * dz - cz) / s.radiusMm();
                ny = (y + t * dy) / s.radiusMm();
            }
            z += t * dz;
            y += t * dy;
            if (Math.abs(y) > s.semiDiameterMm()) {
                return none;
            }
            double cos = dz * nz + dy * ny;
            if (k == mirror) {
                dz -= 2 * cos * nz;
                dy -= 2 * cos * ny;
                continue;
            }
            double from = k < mirror ? index(lens.before(i)) : index(s.after());
            double to = k < mirror ? index(s.after()) : index(lens.before(i));
            double mu = from / to;
            double under = 1 - mu * mu * (1 - cos * cos);
            if (under < 0) {
                return none;
            }
            double g = Math.signum(cos) * Math.sqrt(under) - mu * cos;
            dz = mu * dz + g * nz;
            dy = mu * dy + g * ny;
        }
        if (dz >= 0) {
            return none;
        }
        double plane = y + (0 - z) / dz * dy;
        return new double[] {y + (-stand.cameraMm() - z) / dz * dy, plane};
    }
}

package stillglass.benchmarks.grade;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.SplittableRandom;
import stillglass.book.data.Shelf;
import stillglass.grade.BothSides;
import stillglass.grade.DepthReading;
import stillglass.grade.MayLie;
import stillglass.grade.WhichSurface;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.optics.ExactTrace;
import stillglass.optics.LensSection;
import stillglass.optics.Medium;
import stillglass.optics.Paraxial;
import stillglass.optics.RayBundle;
import stillglass.optics.Sighting;
import stillglass.sim.VirtualDepth;
import stillglass.sim.truth.HiddenTruth;

/// Whether the surface that is claimed is the right one as often as is claimed: specks anywhere on four lenses, read by focusing or seen from both sides by a hand-held camera.
public final class WhereReport {
    private static final double MIDDLE = 0.03;
    private static final double LEAN = 0.07;
    private static final double CAMERA_SPREAD = 0.35;
    private static final double CAMERA_MM = 250;
    private static final double SIZE_SCATTER = 0.25;
    private static final int BINS = 5;
    private static final double STEP_MM = 0.05;

    private WhereReport() {}

    private record Case(double claimed, boolean right) {}

    public static void main(String[] args) {
        int cases = args.length > 0 ? Integer.parseInt(args[0]) : 300;
        SplittableRandom random = new SplittableRandom(args.length > 1 ? Long.parseLong(args[1]) : 1);
        Shelf shelf = new Shelf();
        System.out.println("| lens | by focusing: claimed, right | from both sides: claimed, right |");
        System.out.println("|---|---:|---:|");
        List<Case> focused = new ArrayList<>();
        List<Case> seen = new ArrayList<>();
        for (String id : shelf.sectionIds().stream().limit(4).toList()) {
            LensSection lens = shelf.section(id);
            List<Case> f = new ArrayList<>();
            List<Case> b = new ArrayList<>();
            for (int i = 0; i < cases; i++) {
                byFocus(lens, random).ifPresent(f::add);
                bothSides(lens, random).ifPresent(b::add);
            }
            System.out.printf(Locale.ROOT, "| %s | %s | %s |%n", lens.name(), told(f), told(b));
            focused.addAll(f);
            seen.addAll(b);
        }
        System.out.printf(Locale.ROOT, "| all | %s | %s |%n", told(focused), told(seen));
        bins("focusing", focused);
        bins("both sides", seen);
    }

    private static String told(List<Case> of) {
        return String.format(Locale.ROOT, "%.3f, %.3f", of.stream().mapToDouble(Case::claimed).average().orElse(0), of.stream().filter(Case::right).count() / (double) of.size());
    }

    private static void bins(String what, List<Case> of) {
        for (int k = 0; k < BINS; k++) {
            double low = (double) k / BINS;
            List<Case> in = of.stream().filter(c -> c.claimed >= low && c.claimed < low + 1.0 / BINS + (low + 1.0 / BINS > 0.999 ? 1 : 0)).toList();
            if (!in.isEmpty()) {
                System.out.println(what + ": " + told(in) + " (" + in.size() + ")");
            }
        }
    }

    /// A face where such a thing may lie, each alike often.
    private static int face(LensSection lens, SplittableRandom random) {
        List<Integer> may = lens.faces().stream().filter(s -> MayLie.notOn(FindingKind.FUNGUS, lens, s).isEmpty()).toList();
        return may.get(random.nextInt(may.size()));
    }

    private static double height(LensSection lens, int surface, SplittableRandom random) {
        return lens.surfaces().get(surface).semiDiameterMm() * 0.9 * Math.sqrt(random.nextDouble());
    }

    /// Read by the simulated technician, whose rack is found by a fan of rays and not by the formula that is judged.
    private static Optional<Case> byFocus(LensSection lens, SplittableRandom random) {
        int s = face(lens, random);
        double share = 0.6 * Math.sqrt(random.nextDouble());
        DepthReading read = VirtualDepth.focus(lens, new HiddenTruth.GlassFault(FindingKind.FUNGUS, s, share, 0, 0.1, 0.5, 1), random.nextLong());
        double seen = searched(lens, s, share * lens.surfaces().get(s).semiDiameterMm(), CAMERA_MM);
        return seen <= 1 ? Optional.of(judged(WhichSurface.of(lens, FindingKind.FUNGUS, seen, false, List.of(read)), s)) : Optional.empty();
    }

    private static Case judged(WhichSurface w, int truth) {
        return new Case(w.likeliest().probability(), !w.likeliest().inside() && w.likeliest().surface() == truth);
    }

    private static Optional<Case> bothSides(LensSection lens, SplittableRandom random) {
        int s = face(lens, random);
        double h = height(lens, s, random);
        double at = random.nextDouble(2 * Math.PI);
        Optional<Finding> front = photo(lens, s, h * Math.cos(at), h * Math.sin(at), false, random);
        Optional<Finding> rear = photo(lens, s, h * Math.cos(at), h * Math.sin(at), true, random);
        if (front.isEmpty() || rear.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(judged(WhichSurface.of(lens, FindingKind.FUNGUS, 0, false, List.of(), List.of(new BothSides(front.get(), rear.get()))), s));
    }

    /// Where it stands in a photo: the ray that meets it is searched for, from a camera held at about its distance.
    private static Optional<Finding> photo(LensSection lens, int surface, double x, double y, boolean rear, SplittableRandom random) {
        double camera = CAMERA_MM * Math.clamp(1 + CAMERA_SPREAD * random.nextGaussian(), 0.4, 2.5);
        double h = Math.hypot(x, y);
        double share = share(lens, surface, h, rear, camera);
        if (!(share <= 1)) {
            return Optional.empty();
        }
        Paraxial p = Paraxial.of(lens);
        Paraxial.Apparent image = rear ? p.apparentFromRear(surface) : p.apparentFromFront(surface);
        double rim = (rear ? lens.surfaces().getLast() : lens.surfaces().getFirst()).semiDiameterMm();
        double lean = LEAN * image.depthMm() / rim;
        double px = (rear ? -1 : 1) * x / h * share + MIDDLE * random.nextGaussian() + lean * random.nextGaussian();
        double py = y / h * share + MIDDLE * random.nextGaussian() + lean * random.nextGaussian();
        // A speck of 0.3 mm, as large as the glass before it shows it there.
        double grown = (share(lens, surface, h + STEP_MM, rear, camera) - share(lens, surface, Math.max(0, h - STEP_MM), rear, camera)) / (h + STEP_MM - Math.max(0, h - STEP_MM));
        double area = 0.09 * Math.abs(grown * share / h) * Math.exp(SIZE_SCATTER * random.nextGaussian());
        if (!(area > 0)) {
            return Optional.empty();
        }
        double size = Math.sqrt(area);
        Finding.Region r = new Finding.Region(List.of(new Finding.Point(px - size, py), new Finding.Point(px, py + size), new Finding.Point(px + size, py)));
        return Math.hypot(px, py) > 1.05 ? Optional.empty() : Optional.of(new Finding(FindingKind.FUNGUS, 0.9, List.of(r), area, 2, px, py, 0.3, 1, List.of()));
    }

    private static double share(LensSection lens, int surface, double h, boolean rear, double camera) {
        return rear ? Math.abs(Sighting.of(lens, surface, 0, true, camera).share(h)) : searched(lens, surface, h, camera);
    }

    /// By halving, with a trace of its own.
    private static double searched(LensSection lens, int surface, double h, double camera) {
        double rim = lens.surfaces().getFirst().semiDiameterMm();
        double rimZ = lens.surfaces().getFirst().sagMm(rim);
        ExactTrace trace = new ExactTrace(lens, Medium.D_LINE_NM);
        double low = 0;
        double high = 1;
        for (int i = 0; i < 50; i++) {
            double u = (low + high) / 2;
            double slope = u * rim / camera;
            RayBundle ray = new RayBundle(1);
            ray.launch(0, 0, slope * (camera - rimZ), 0, slope / Math.hypot(1, slope));
            for (int s = 0; s <= surface; s++) {
                trace.next(s, ray);
            }
            boolean below = ray.fate(0) == RayBundle.TRAVELS && Math.abs(ray.yMm(0)) < h;
            low = below ? u : low;
            high = below ? high : u;
        }
        return low > 1 - 1e-9 ? Double.NaN : low;
    }
}

package stillglass.look.reading;

import boofcv.alg.filter.binary.BinaryImageOps;
import boofcv.alg.filter.binary.Contour;
import boofcv.struct.ConnectRule;
import boofcv.struct.image.GrayS32;
import boofcv.struct.image.GrayU8;
import georegression.struct.point.Point2D_I32;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import stillglass.look.ApertureMap;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.LinearPhoto;
import stillglass.look.Severity;
import stillglass.look.kinds.Feature;
import stillglass.look.kinds.Features;
import stillglass.look.kinds.KindModel;
import stillglass.look.kinds.Sight;
import stillglass.say.Said;

/// Makes findings of judged candidates: what belongs together becomes one, small things of a kind are counted together.
final class FindingMaker {
    private static final int SIDE = GlassFrame.SIDE;
    private static final double GLASS = Math.PI * GlassFrame.RADIUS * GlassFrame.RADIUS;
    /// A veil below this share is not told from a clean glass.
    private static final double LEAST_VEIL = 0.03;
    /// Parts of one kind closer than twice this belong to one finding, pixels of the frame.
    private static final int TOGETHER = 9;
    private static final int OUTLINE_POINTS = 72;
    /// Specks in the glass over those that are counted: small and faint ones are lost in the grain. Half of 22 scenes of the wide world had more, half had less.
    private static final double SPECKS = 1.6;
    /// Unknown findings that are told, the largest first.
    private static final int MOST_UNKNOWN = 6;
    /// From the kind that gives way to the one that shows where they overlap.
    private static final List<FindingKind> RANK = List.of(FindingKind.HAZE, FindingKind.COATING, FindingKind.CLEANING_MARKS,
            FindingKind.SEPARATION, FindingKind.OIL, FindingKind.EDGE_PAINT, FindingKind.DUST, FindingKind.SCRATCH, FindingKind.BUBBLE,
            FindingKind.CHIP, FindingKind.FUNGUS);

    /// Kinds that are told by the area they cover, border and inside.
    private static final Set<FindingKind> PATCHES = Set.of(FindingKind.OIL, FindingKind.SEPARATION, FindingKind.COATING, FindingKind.CHIP);

    private final Survey s;
    private final Veil veil;
    private final OwnPixels fine;
    private final List<Judged> judged;
    private final Map<FindingKind, GrayU8> painted = new EnumMap<>(FindingKind.class);

    FindingMaker(Survey s, LinearPhoto photo, Veil veil, KindModel model) {
        this.s = s;
        this.veil = veil;
        fine = new OwnPixels(photo, s.aperture, s.maps);
        judged = new ArrayList<>(Judging.of(s, model));
        judged.forEach(this::paint);
        judged.removeIf(j -> j.verdict().kind() == FindingKind.UNKNOWN && explained(j));
    }

    /// Whether something unknown lies within or close about what is known: the bloom of a colony, the ripples of a chip.
    private boolean explained(Judged j) {
        if (painted.isEmpty()) {
            return false;
        }
        GrayU8 known = new GrayU8(SIDE, SIDE);
        painted.forEach((kind, own) -> {
            for (int at = 0; kind != FindingKind.HAZE && kind != FindingKind.DUST && at < known.data.length; at++) {
                known.data[at] |= own.data[at];
            }
        });
        GrayU8 near = Morphology.wider(known, 10);
        int hits = 0;
        for (int at : j.candidate().pixels()) {
            hits += near.data[at];
        }
        return hits > 0.4 * j.candidate().pixels().length;
    }

    private void paint(Judged j) {
        FindingKind kind = j.verdict().kind();
        if (j.candidate().sight() == Sight.WHOLE || kind == FindingKind.UNKNOWN || kind == FindingKind.FUNGUS && j.candidate().sight() == Sight.AREA) {
            return;
        }
        GrayU8 own = painted.computeIfAbsent(kind, k -> new GrayU8(SIDE, SIDE));
        for (int at : j.candidate().pixels()) {
            own.data[at] = 1;
        }
    }

    List<Finding> findings() {
        List<Finding> out = new ArrayList<>();
        for (FindingKind kind : RANK) {
            List<Judged> of = judged.stream().filter(j -> j.verdict().kind() == kind).toList();
            if (of.isEmpty()) {
                continue;
            }
            switch (kind) {
                case HAZE -> haze(of).ifPresent(out::add);
                case DUST, BUBBLE -> out.add(counted(kind, of));
                default -> out.addAll(grouped(kind, of));
            }
        }
        judged.stream().filter(j -> j.verdict().kind() == FindingKind.UNKNOWN)
                .sorted(Comparator.comparingInt((Judged j) -> j.candidate().pixels().length).reversed())
                .limit(MOST_UNKNOWN)
                .forEach(j -> out.add(unknown(j)));
        out.sort(Comparator.comparingInt(Finding::severity).thenComparingDouble(Finding::areaShare).reversed());
        return out;
    }

    private Finding counted(FindingKind kind, List<Judged> of) {
        double pixels = 0;
        double x = 0;
        double y = 0;
        double sure = 0;
        List<Finding.Region> regions = new ArrayList<>();
        for (Judged j : of) {
            int[] own = j.candidate().pixels();
            pixels += kind == FindingKind.DUST ? fine.area(own) : own.length;
            sure += j.chance() / of.size();
            double[] middle = GlassFrame.middle(own);
            x += middle[0] / of.size();
            y += middle[1] / of.size();
            regions.add(region(j.candidate().outline()));
        }
        int n = of.size();
        boolean dust = kind == FindingKind.DUST;
        List<Said> reasons = new ArrayList<>();
        reasons.add(Said.of(dust ? "found.specks" : "found.rings", "count", n));
        if (dust && specks(n) > n) {
            reasons.add(Said.of("found.more-specks", "all", specks(n)));
        }
        reasons.addAll(strongest(of).verdict().reasons());
        return new Finding(kind, sure, regions, pixels / GLASS, n, x, y, contrast(of), Severity.of(kind, dust ? specks(n) : n), reasons,
                strongest(of).verdict().chances(), sharpness(of));
    }

    /// Specks in the glass where so many are counted; of the few that any glass has no more are reckoned.
    private static double specks(int counted) {
        return Severity.ofDust(counted) == 0 ? counted : SPECKS * counted;
    }

    /// One finding per connected group of parts.
    private List<Finding> grouped(FindingKind kind, List<Judged> of) {
        GrayU8 own = painted.get(kind);
        if (own == null) {
            return List.of();
        }
        if (kind == FindingKind.CLEANING_MARKS) {
            Rubbed.fill(own);
        } else if (PATCHES.contains(kind)) {
            new PatchExtent(s.maps).follow(own);
        }
        GrayU8 joined = Morphology.wider(own, TOGETHER);
        GrayS32 labels = new GrayS32(SIDE, SIDE);
        List<Contour> contours = BinaryImageOps.contour(joined, ConnectRule.EIGHT, labels);
        List<List<Judged>> parts = new ArrayList<>();
        for (int k = 0; k <= contours.size(); k++) {
            parts.add(new ArrayList<>());
        }
        of.forEach(j -> parts.get(labels.data[j.candidate().pixels()[0]]).add(j));
        int[] whole = wholes(kind, parts);
        int[] size = new int[contours.size() + 1];
        double[][] middle = new double[contours.size() + 1][2];
        for (int at = 0; at < own.data.length; at++) {
            if (own.data[at] != 0) {
                int k = whole[labels.data[at]];
                size[k]++;
                middle[k][0] += GlassFrame.x(at);
                middle[k][1] += GlassFrame.y(at);
            }
        }
        int severity = Severity.of(kind, amount(kind, own, of));
        List<Finding> out = new ArrayList<>();
        for (int k = 1; k < parts.size(); k++) {
            int group = k;
            int[] pieces = IntStream.range(1, whole.length).filter(i -> whole[i] == group && !parts.get(i).isEmpty()).toArray();
            if (pieces.length > 0 && size[k] > 0) {
                List<Judged> all = IntStream.of(pieces).boxed().flatMap(i -> parts.get(i).stream()).toList();
                Judged best = strongest(all);
                List<Finding.Region> regions = kind == FindingKind.SCRATCH || kind == FindingKind.EDGE_PAINT || kind == FindingKind.CHIP
                        ? all.stream().map(j -> region(j.candidate().outline())).toList()
                        : IntStream.of(pieces).mapToObj(i -> region(pixelsOf(contours.get(i - 1)))).toList();
                out.add(new Finding(kind, best.chance(), regions, size[k] * thinner(kind, all) / GLASS, all.size(), middle[k][0] / size[k], middle[k][1] / size[k],
                        contrast(all), severity, best.verdict().reasons(), best.verdict().chances(), sharpness(all)));
            }
        }
        return out;
    }

    /// Which connected group each belongs to: itself, or for short threads the colony they lie near.
    private static int[] wholes(FindingKind kind, List<List<Judged>> parts) {
        return IntStream.range(0, parts.size()).map(k -> kind != FindingKind.FUNGUS || parts.get(k).isEmpty() || !parts.get(k).stream().allMatch(Judged::isShort) ? k
                : IntStream.range(1, parts.size()).filter(m -> parts.get(m).stream().anyMatch(c -> !c.isShort() && c.near(parts.get(k).getFirst()))).findFirst().orElse(k)).toArray();
    }

    /// Area of parts by the finest pixels over that by the frame's; cleaning marks are told as the area that was rubbed.
    private double thinner(FindingKind kind, List<Judged> of) {
        double frame = 0;
        double own = 0;
        for (Judged j : of) {
            int[] pixels = j.candidate().pixels();
            frame += pixels.length;
            own += j.candidate().sight() == Sight.FINE && kind != FindingKind.CLEANING_MARKS ? fine.area(pixels) : pixels.length;
        }
        return own / frame;
    }

    /// What the severity of a kind goes by.
    private static double amount(FindingKind kind, GrayU8 own, List<Judged> of) {
        int pixels = 0;
        for (byte b : own.data) {
            pixels += b;
        }
        return switch (kind) {
            case SCRATCH -> of.stream().mapToDouble(FindingMaker::length).sum();
            case EDGE_PAINT -> degrees(own);
            case FUNGUS, OIL, CLEANING_MARKS, SEPARATION, CHIP, COATING -> pixels / GLASS;
            case DUST, HAZE, BUBBLE, UNKNOWN -> 0;
        };
    }

    /// Along its bones, radii: of a bent scratch and of two that cross, the distance from end to end is only a part. That is told of what has no bones, and of one that is lost in between.
    private static double length(Judged j) {
        Features f = j.candidate().features();
        double along = f.get(Feature.LENGTH);
        return Math.pow(10, Double.isNaN(along) ? f.get(Feature.EXTENT) : Math.max(along, f.get(Feature.EXTENT)));
    }

    /// Degrees of the rim that something covers; what lies twice on one counts once.
    private static double degrees(GrayU8 own) {
        BitSet seen = new BitSet();
        for (int at = 0; at < own.data.length; at++) {
            if (own.data[at] != 0) {
                seen.set(Math.floorMod((int) Math.floor(Math.toDegrees(Math.atan2(GlassFrame.y(at), GlassFrame.x(at)))), 360));
            }
        }
        return seen.cardinality();
    }

    private Finding unknown(Judged j) {
        Said best = Said.or(j.verdict().chances().entrySet().stream().filter(e -> e.getKey() != FindingKind.UNKNOWN)
                .sorted(Map.Entry.<FindingKind, Double>comparingByValue().reversed()).limit(2)
                .map(e -> Said.of("found.chance", "kind", e.getKey().word().replace('-', ' '), "percent", 100 * e.getValue())).toList());
        double[] middle = GlassFrame.middle(j.candidate().pixels());
        return new Finding(FindingKind.UNKNOWN, 1 - j.verdict().chance(FindingKind.UNKNOWN), List.of(region(j.candidate().outline())),
                j.candidate().pixels().length * thinner(FindingKind.UNKNOWN, List.of(j)) / GLASS, 1, middle[0], middle[1], contrast(List.of(j)), 0, List.of(Said.of("found.may-be", "kinds", best)), j.verdict().chances(), sharpness(List.of(j)));
    }

    /// Haze where the veil exceeds three percent and half its mean, or the hazy regions where the glass as a whole is clear.
    private java.util.Optional<Finding> haze(List<Judged> of) {
        boolean whole = of.stream().anyMatch(j -> j.candidate().sight() == Sight.WHOLE);
        double mean = veil.mean();
        GrayU8 region = painted.computeIfAbsent(FindingKind.HAZE, k -> new GrayU8(SIDE, SIDE));
        double sum = 0;
        int pixels = 0;
        for (int at = 0; at < region.data.length; at++) {
            double v = veil.at(at);
            boolean here = s.maps.frame.r[at] < 0.985
                    && (region.data[at] != 0 || whole && v > Math.max(LEAST_VEIL, mean / 2));
            region.data[at] = (byte) (here ? 1 : 0);
            if (here) {
                sum += s.lighting() == stillglass.look.Lighting.AGAINST ? s.maps.frame.light[at] / veil.reference() : v;
                pixels++;
            }
        }
        if (pixels == 0) {
            return java.util.Optional.empty();
        }
        List<Finding.Region> regions = BinaryImageOps.contour(region, ConnectRule.EIGHT, null).stream()
                .filter(c -> c.external.size() > 60)
                .map(c -> region(pixelsOf(c)))
                .toList();
        Judged best = strongest(of);
        double over = sum / pixels;
        double meanVeil = over * pixels / GLASS;
        List<Said> reasons = new ArrayList<>();
        reasons.add(Said.of("found.veil", "light", 100 * over, "glass", 100 * Math.min(1, pixels / GLASS)));
        reasons.addAll(best.verdict().reasons());
        return java.util.Optional.of(new Finding(FindingKind.HAZE, best.chance(), regions, pixels / GLASS, 1, 0, 0, over * veil.reference(),
                Severity.ofHaze(meanVeil), reasons, best.verdict().chances(), 0));
    }

    private static Judged strongest(List<Judged> of) {
        return of.stream().max(Comparator.comparingDouble(Judged::chance)).orElseThrow();
    }

    private double contrast(List<Judged> of) {
        double sum = 0;
        int n = 0;
        for (Judged j : of) {
            for (int at : j.candidate().pixels()) {
                sum += Math.abs(s.maps.frame.light[at] - s.maps.expected[at]);
                n++;
            }
        }
        return n == 0 ? 0 : sum / n;
    }

    /// Mean square of the steepest changes of light over the mean square departure, per hundredth of a radius.
    private double sharpness(List<Judged> of) {
        double steep = 0;
        double deep = 0;
        float[] l = s.maps.frame.light;
        for (Judged j : of) {
            for (int at : j.candidate().pixels()) {
                if (at > SIDE && at < GlassFrame.PIXELS - SIDE - 1) {
                    double gx = (l[at + 1] - l[at - 1]) / 2;
                    double gy = (l[at + SIDE] - l[at - SIDE]) / 2;
                    steep += gx * gx + gy * gy;
                    deep += Math.pow(l[at] - s.maps.expected[at], 2);
                }
            }
        }
        return deep <= 0 ? 0 : Math.sqrt(steep / deep) * GlassFrame.RADIUS / 100;
    }

    private static int[] pixelsOf(Contour c) {
        int[] out = new int[2 * c.external.size()];
        for (int i = 0; i < c.external.size(); i++) {
            Point2D_I32 p = c.external.get(i);
            out[2 * i] = p.x;
            out[2 * i + 1] = p.y;
        }
        return out;
    }

    private static Finding.Region region(int[] outline) {
        List<Finding.Point> points = new ArrayList<>();
        int stride = Math.max(1, outline.length / 2 / OUTLINE_POINTS);
        for (int i = 0; i + 1 < outline.length; i += 2 * stride) {
            int at = outline[i + 1] * SIDE + outline[i];
            points.add(new Finding.Point(GlassFrame.x(at), GlassFrame.y(at)));
        }
        return new Finding.Region(points);
    }

    /// Kinds painted over the working photo, the higher rank where they overlap.
    byte[] mask(int width, int height) {
        byte[] levels = new byte[GlassFrame.PIXELS];
        for (FindingKind kind : RANK) {
            GrayU8 own = painted.get(kind);
            for (int at = 0; own != null && at < levels.length; at++) {
                levels[at] = own.data[at] != 0 ? (byte) kind.maskLevel() : levels[at];
            }
        }
        ApertureMap map = s.aperture.map();
        byte[] out = new byte[width * height];
        IntStream.range(0, height).parallel().forEach(y -> {
            for (int x = 0; x < width; x++) {
                double ux = map.unitX(x, y);
                double uy = map.unitY(x, y);
                if (ux * ux + uy * uy < 1.2) {
                    out[y * width + x] = levels[GlassFrame.at(ux, uy)];
                }
            }
        });
        return out;
    }
}

package stillglass.sim.photo;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import stillglass.look.Aperture;
import stillglass.look.LinearPhoto;

/// Glass and mount as rings of any light, drawn without a lens: falls within the glass, a blackened edge that is the darkest of all and may hardly differ from dark glass, rings of any width, some of them lit from one side only, or nothing about the glass but the dark.
/// The rooms of [RandomScene] show mounts as they are usual; these show what else there may be, and teach which ring is the rim. The picture has no faults.
///
/// @param photo as a camera delivers it, linear, with noise
/// @param rim of the glass, pixels of the photo
public record DrawnMount(LinearPhoto photo, Aperture rim) {
    private static final int W = 720;
    private static final int H = 600;
    private static final double SMALLEST = 90;
    private static final double LARGEST = 250;
    private static final double TURN = 2 * Math.PI;

    /// A ring, from the end of the one within.
    /// @param to outer radius, rim radii
    /// @param level of its light all the way round
    /// @param arc light that comes on top of it on one side
    /// @param lobe how narrow that is
    private record Ring(double to, double level, double arc, double lobe) {}

    /// The mount of a seed.
    public static DrawnMount of(long seed) {
        SplittableRandom random = new SplittableRandom(seed * 7368787 + 5);
        double r = SMALLEST + (LARGEST - SMALLEST) * random.nextDouble();
        double flat = 1 - 0.08 * Math.pow(random.nextDouble(), 2);
        Aperture rim = new Aperture(W / 2.0 + 50 * (random.nextDouble() - 0.5), H / 2.0 + 40 * (random.nextDouble() - 0.5), r / Math.sqrt(flat), r * Math.sqrt(flat), Math.PI * random.nextDouble());
        return new DrawnMount(taken(rim, rings(random), TURN * random.nextDouble(), random), rim);
    }

    /// From the middle outward; the last has no end.
    private static List<Ring> rings(SplittableRandom random) {
        List<Ring> out = new ArrayList<>();
        double level = logarithmic(0.012, 0.7, random);
        double at = 0.3 + 0.4 * random.nextDouble();
        for (int falls = random.nextInt(4); falls > 0 && at < 0.96; falls--) {
            out.add(new Ring(at, level, 0, 1));
            level = Math.max(0.004, level * (random.nextInt(4) == 0 ? 1 + random.nextDouble() : logarithmic(0.15, 0.9, random)));
            at += 0.03 + 0.3 * random.nextDouble();
        }
        out.add(new Ring(1, level, 0, 1));
        double black = Math.min(level * (0.15 + 0.6 * random.nextDouble()), 0.012);
        if (random.nextInt(4) == 0) {
            return bare(out, black, random);
        }
        at = 1 + 0.015 + 0.09 * random.nextDouble();
        out.add(new Ring(at, black, 0, 1));
        for (int more = 1 + random.nextInt(4); more > 0; more--) {
            at += 0.03 + 0.22 * random.nextDouble();
            boolean arc = random.nextInt(3) == 0;
            out.add(new Ring(at, logarithmic(1.6 * black, 0.3, random), arc ? logarithmic(0.03, 0.5, random) : 0, 1 + 5 * random.nextDouble()));
        }
        out.add(new Ring(9, random.nextBoolean() ? 0.6 * black + 0.01 * random.nextDouble() : logarithmic(0.01, 0.6, random), 0, 1));
        return out;
    }

    /// Black metal about the glass, of which only an arc or two show.
    private static List<Ring> bare(List<Ring> out, double black, SplittableRandom random) {
        double at = 1;
        for (int arcs = random.nextInt(3); arcs > 0; arcs--) {
            at += 0.02 + 0.1 * random.nextDouble();
            out.add(new Ring(at, black, 0, 1));
            at += 0.02 + 0.07 * random.nextDouble();
            out.add(new Ring(at, black, logarithmic(0.02, 0.4, random), 1 + 4 * random.nextDouble()));
        }
        out.add(new Ring(9, black, 0, 1));
        return out;
    }

    private static LinearPhoto taken(Aperture rim, List<Ring> rings, double lampWay, SplittableRandom random) {
        var map = rim.map();
        double noise = logarithmic(0.0004, 0.0025, random);
        double lampX = Math.cos(lampWay);
        double lampY = Math.sin(lampWay);
        float[] light = new float[W * H];
        for (int i = 0; i < light.length; i++) {
            double ux = map.unitX(i % W, i / W);
            double uy = map.unitY(i % W, i / W);
            double u = Math.sqrt(ux * ux + uy * uy);
            int k = 0;
            while (k < rings.size() - 1 && u > rings.get(k).to) {
                k++;
            }
            Ring ring = rings.get(k);
            double arc = ring.arc == 0 ? 0 : ring.arc * Math.pow(Math.max(0, ux * lampX + uy * lampY) / u, ring.lobe);
            light[i] = (float) Math.max(0, ring.level + arc + noise * random.nextGaussian());
        }
        return new LinearPhoto(W, H, light, light.clone(), light.clone(), W, H);
    }

    private static double logarithmic(double from, double to, SplittableRandom random) {
        return from * Math.pow(to / from, random.nextDouble());
    }
}

package stillglass.sim.photo;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import stillglass.look.Aperture;
import stillglass.look.ApertureMap;
import stillglass.look.Lighting;

/// What lies about the glass outside a tidy bench: rings of any metal and width, slots, characters, knurls and tapers, fingers, and any background, lit from one side or from a window.
final class WideMount {
    private static final double TURN = 2 * Math.PI;
    private static final Tint SKIN = new Tint(1.35, 0.95, 0.75);

    /// A ring of the front.
    /// @param to outer radius, rim radii
    /// @param level share of light it returns
    /// @param shine of its highlight, over that
    /// @param lobe how narrow the highlight is
    /// @param pitch of its threads, rim radii, or 0
    /// @param marks slots, characters or knurls round it, or 0
    /// @param share of a period that a mark takes
    /// @param markLevel light of a mark over that of the ring
    private record Ring(double to, double level, double shine, double lobe, double pitch, int marks, double share, double markLevel, Tint hue) {}

    private final Light light;
    private final Pose pose;
    private final ApertureMap map;
    private final SplittableRandom random;
    private final List<Ring> rings = new ArrayList<>();
    private final Noise wear;
    private final Noise clutter;
    private final double lampWay;
    /// Light of the card or of the room in the middle of the picture.
    private final double room;

    WideMount(Light light, Pose pose, Aperture aperture, SplittableRandom random) {
        this.light = light;
        this.pose = pose;
        map = aperture.map();
        this.random = random;
        wear = new Noise(random.nextLong());
        clutter = new Noise(random.nextLong());
        lampWay = random.nextDouble() < 0.6 ? -pose.lampTowardsRad() : TURN * random.nextDouble();
        boolean against = pose.lighting() == Lighting.AGAINST;
        double dark = 0.003 + 0.35 * Math.pow(random.nextDouble(), 2.5);
        room = against ? dark : random.nextDouble() < 0.65 ? 0.4 + 0.5 * random.nextDouble() : 0.08 + 0.5 * random.nextDouble();
        rings();
    }

    private void rings() {
        double at = 1 + 0.01 + 0.06 * random.nextDouble();
        double black = 0.003 + 0.022 * Math.pow(random.nextDouble(), 2);
        rings.add(new Ring(at, black, 2 * random.nextDouble(), 2, 0, 0, 0, 1, hue(0.05)));
        int count = 1 + random.nextInt(4);
        for (int k = 0; k < count; k++) {
            at += 0.03 + 0.16 * random.nextDouble();
            double u = random.nextDouble();
            double level = u < 0.55 ? 0.006 + 0.06 * random.nextDouble() : u < 0.85 ? 0.06 + 0.2 * random.nextDouble() : 0.25 + 0.4 * random.nextDouble();
            boolean threads = random.nextDouble() < 0.35;
            int marks = random.nextDouble() < 0.45 ? 2 + random.nextInt(90) : 0;
            rings.add(new Ring(at, level, 6 * Math.pow(random.nextDouble(), 2), 1 + random.nextInt(10), threads ? 0.008 + 0.02 * random.nextDouble() : 0, marks, 0.1 + 0.5 * random.nextDouble(),
                    random.nextBoolean() ? 0.3 : 1.5 + 5 * random.nextDouble(), hue(0.15)));
        }
    }

    private Tint hue(double most) {
        double warm = most * random.nextGaussian();
        return new Tint(1 + warm, 1, 1 - warm);
    }

    /// Paints all of the picture but the glass; the glass comes over it.
    /// @return light of the card or the room behind the lens
    double paint() {
        Tint tint = hue(0.12);
        double slope = 0.7 * random.nextDouble();
        double slopeWay = TURN * random.nextDouble();
        double contrast = 0.9 * Math.pow(random.nextDouble(), 2);
        double grain = 1.5 + 10 * random.nextDouble();
        double stretch = random.nextDouble() < 0.3 ? 0.08 : 1;
        double knurl = random.nextBoolean() ? 0.015 * random.nextDouble() : 0;
        int teeth = 40 + random.nextInt(80);
        double cast = random.nextDouble();
        for (int y = 0; y < light.height; y++) {
            for (int x = 0; x < light.width; x++) {
                double ux = map.unitX(x, y);
                double uy = map.unitY(x, y);
                double u = Math.hypot(ux, uy);
                double way = Math.atan2(uy, ux);
                double outer = rings.getLast().to * (1 + knurl * Math.signum(Math.sin(teeth * way)));
                int at = y * light.width + x;
                if (u > outer) {
                    double px = x / (double) light.height;
                    double py = y / (double) light.height;
                    double v = room * (1 + contrast * clutter.layered(grain * px, grain * py * stretch, 4)) * (1 + slope * (Math.cos(slopeWay) * (px - 0.6) + Math.sin(slopeWay) * (py - 0.5)));
                    v *= 1 - 0.6 * cast * Math.exp(-(u - outer) / 0.08);
                    set(at, Math.max(0.001, v), tint);
                } else {
                    ring(at, u, way);
                }
            }
        }
        things();
        fingers();
        return room;
    }

    private void ring(int at, double u, double way) {
        double from = 0.9;
        for (Ring r : rings) {
            if (u <= r.to || r == rings.getLast()) {
                double facing = Math.pow(0.5 + 0.5 * Math.cos(way - lampWay), r.lobe) + 0.6 * Math.pow(0.5 + 0.5 * Math.cos(way - lampWay + Math.PI), 3 * r.lobe);
                double v = r.level * (1 + r.shine * facing) * (1 + 0.2 * wear.layered(9 * way, 30 * u, 2));
                v *= r.pitch > 0 ? 0.55 + 0.45 * Math.sin(TURN * (u - from) / r.pitch) : 1;
                double middle = (from + r.to) / 2;
                if (r.marks > 0 && Math.abs(u - middle) < 0.35 * (r.to - from) && Math.abs(way + 0.5) < 2.6) {
                    double phase = way * r.marks / TURN;
                    v *= phase - Math.floor(phase) < r.share ? r.markLevel : 1;
                }
                set(at, v * (pose.lighting() == Lighting.BRIGHT ? 0.6 : 1), r.hue);
                return;
            }
            from = r.to;
        }
    }

    private void set(int at, double v, Tint hue) {
        for (int c = 0; c < 3; c++) {
            light.planes[c][at] = (float) (v * hue.of(c));
        }
    }

    /// Things on the bench, a lamp or a window in the picture: patches with straight or round edges.
    private void things() {
        int count = random.nextDouble() < 0.5 ? 0 : 1 + random.nextInt(6);
        double outer = rings.getLast().to * 1.02;
        for (int k = 0; k < count; k++) {
            double cx = light.width * random.nextDouble();
            double cy = light.height * random.nextDouble();
            double a = light.height * (0.04 + 0.3 * random.nextDouble());
            double b = a * (0.2 + random.nextDouble());
            double turn = TURN * random.nextDouble();
            boolean round = random.nextBoolean();
            double level = random.nextDouble() < 0.2 ? 0.7 + 0.6 * random.nextDouble() : 0.01 + 0.4 * Math.pow(random.nextDouble(), 2);
            Tint tint = hue(0.3);
            double reach = Math.hypot(a, b);
            for (int y = (int) Math.max(0, cy - reach); y < Math.min(light.height, cy + reach); y++) {
                for (int x = (int) Math.max(0, cx - reach); x < Math.min(light.width, cx + reach); x++) {
                    double s = ((x - cx) * Math.cos(turn) + (y - cy) * Math.sin(turn)) / a;
                    double t = (-(x - cx) * Math.sin(turn) + (y - cy) * Math.cos(turn)) / b;
                    boolean in = round ? s * s + t * t < 1 : Math.abs(s) < 0.7 && Math.abs(t) < 0.7;
                    if (in && map.unitRadius(x, y) > outer) {
                        set(y * light.width + x, level * (0.9 + 0.1 * clutter.at(0.02 * x, 0.02 * y)), tint);
                    }
                }
            }
        }
    }

    /// A hand that holds the barrel: rounded bars that come in from the side and end over the outer ring.
    private void fingers() {
        if (random.nextDouble() > 0.25) {
            return;
        }
        int count = 2 + random.nextInt(3);
        double first = TURN * random.nextDouble();
        double level = pose.lighting() == Lighting.BRIGHT ? 0.05 + 0.2 * random.nextDouble() : 0.02 + 0.25 * random.nextDouble();
        double ends = Math.max(rings.getLast().to - 0.1, 1.08);
        for (int k = 0; k < count; k++) {
            double way = k == 0 ? first + Math.PI : first + 0.45 * (k - count / 2.0);
            double half = 0.13 + 0.05 * random.nextDouble();
            for (int y = 0; y < light.height; y++) {
                for (int x = 0; x < light.width; x++) {
                    double ux = map.unitX(x, y);
                    double uy = map.unitY(x, y);
                    double along = ux * Math.cos(way) + uy * Math.sin(way) - ends - half;
                    double across = -ux * Math.sin(way) + uy * Math.cos(way);
                    double d = along > 0 ? Math.abs(across) : Math.hypot(along, across);
                    if (d < half) {
                        double v = level * (0.4 + 0.6 * Math.sqrt(1 - d * d / half / half)) * (1 + 0.1 * wear.layered(20 * ux, 20 * uy, 2));
                        set(y * light.width + x, v, SKIN);
                    }
                }
            }
        }
    }
}

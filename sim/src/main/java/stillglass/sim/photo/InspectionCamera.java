package stillglass.sim.photo;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import stillglass.look.Aperture;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.optics.LensSection;
import stillglass.sim.truth.HiddenTruth;

/// Photographs a lens with hidden truth: faults where refraction shows them, as sharp as the camera's focus lets them be, among all
/// that is no fault.
public final class InspectionCamera {
    /// A veil below this share is not painted into the truth.
    private static final double LEAST_VEIL = 0.03;
    /// The same where haze may be as thin as shows against the light at all.
    private static final double THIN_VEIL = 0.004;
    /// Steps of 255 by which a pixel must change for an eye to tell, about twice the noise of one pixel.
    private static final double VISIBLE_LEVELS = 3;
    /// The same for a film over the whole glass before a card: clean glasses differ from one another by as much.
    private static final double HAZY_LEVELS = 12;
    /// What is kept away of a wall's light, which comes from all about, over what is kept away of light that comes straight from a card.
    private static final double OF_A_WALL = 0.3;
    /// Kinds from the one that gives way to the one that shows where they overlap.
    private static final List<FindingKind> RANK = List.of(FindingKind.UNKNOWN, FindingKind.HAZE, FindingKind.COATING, FindingKind.CLEANING_MARKS,
            FindingKind.SEPARATION, FindingKind.OIL, FindingKind.EDGE_PAINT, FindingKind.DUST, FindingKind.SCRATCH, FindingKind.BUBBLE,
            FindingKind.CHIP, FindingKind.FUNGUS);

    private InspectionCamera() {}

    /// One fault as the camera sees it.
    /// @param layer sharp, as it is on its surface
    /// @param soft as it looks out of focus
    private record Seen(HiddenTruth.GlassFault fault, SurfaceView view, Layer layer, Layer soft) {}

    /// @param veil mean veil it adds over the aperture
    private record Laid(double veil, Shot.Visible visible) {}

    public static Shot photograph(LensSection lens, HiddenTruth truth, Pose pose) {
        return photograph(lens, truth, pose, World.TIDY);
    }

    /// The same in another world than the tidy bench.
    public static Shot photograph(LensSection lens, HiddenTruth truth, Pose pose, World world) {
        SplittableRandom random = new SplittableRandom(pose.seed());
        SplittableRandom wide = new SplittableRandom(world.seed());
        int w = pose.width();
        int h = pose.height();
        double r = pose.radius() * h;
        Aperture aperture = new Aperture(pose.centreX() * w, pose.centreY() * h, r * Math.cos(pose.tiltRad()), r, pose.tiltTowardsRad());
        Light light = new Light(w, h);
        Surroundings around = new Surroundings(light, pose, aperture, lens);
        around.backdropAndBarrel(random.split());
        List<Curtain> curtains = new ArrayList<>();
        double room = 0;
        if (world.wide()) {
            room = new WideMount(light, pose, aperture, wide.split()).paint();
            around.before(room);
        }
        around.cleanGlass(random.split(), truth.blueThrough());
        if (world.wide()) {
            curtains.addAll(InnerWalls.of(light, lens, pose, aperture, room, wide.split()));
        }
        around.innerRims(random.split());
        float[] blades = around.blades(random.split());
        curtains.add(new Curtain(lens.stopIndex(), true, blades, () -> cover(light, blades, pose, around)));
        if (!world.wide()) {
            around.ghosts(random.split());
        }
        byte[] mask = new byte[w * h];
        Painted painted = faults(lens, truth, pose, world, aperture, light, around, curtains, mask);
        if (world.wide()) {
            LampGhosts.paint(light, lens, pose, aperture, wide.split());
        }
        return new Shot(world.wide() ? PhoneCamera.take(light, pose.ev(), wide.split()) : Sensor.expose(light, pose.ev(), random.split()), aperture, mask, painted.veil, painted.visible);
    }

    /// @param veil scattered share of light from haze
    private record Painted(double veil, Map<FindingKind, Shot.Visible> visible) {}

    /// Faults and what hides them, from the far end to the near one.
    /// @param mask gets the kinds that are seen
    private static Painted faults(LensSection lens, HiddenTruth truth, Pose pose, World world, Aperture aperture, Light light, Surroundings around, List<Curtain> curtains, byte[] mask) {
        double veil = 0;
        Map<FindingKind, Shot.Visible> visible = new EnumMap<>(FindingKind.class);
        List<Seen> all = new ArrayList<>();
        for (HiddenTruth.GlassFault f : truth.faults()) {
            all.add(see(lens, f, pose, world, aperture));
        }
        boolean rear = pose.fromRear();
        // What lies farther from the camera is laid first.
        all.sort((a, b) -> rear ? Integer.compare(a.fault.surface(), b.fault.surface()) : Integer.compare(b.fault.surface(), a.fault.surface()));
        List<Curtain> open = new ArrayList<>(curtains);
        open.sort((a, b) -> rear ? Integer.compare(a.surface, b.surface) : Integer.compare(b.surface, a.surface));
        float[] none = new float[0];
        for (Seen s : all) {
            int surface = s.fault.surface();
            open.stream().filter(c -> !c.hides(surface, rear)).forEach(c -> c.paint.run());
            open.removeIf(c -> !c.hides(surface, rear));
            float[] hidden = together(curtains.stream().filter(c -> c.hides(surface, rear)).toList());
            // A shadow needs light behind it: in front of a card what lies before black blades or walls, or on them, shows only by light from the front.
            float[] lightless = pose.lighting() == Lighting.BRIGHT ? together(curtains.stream().filter(c -> !c.hides(surface, rear)).toList()) : none;
            float[] only = surface == lens.stopIndex() ? curtains.stream().filter(c -> c.iris).map(c -> c.cover).findFirst().orElse(none) : none;
            Laid laid = lay(light, mask, s, pose, world, around, hidden, only, lightless);
            veil += laid.veil;
            visible.merge(s.fault.kind(), laid.visible, Shot.Visible::and);
        }
        open.forEach(c -> c.paint.run());
        return new Painted(veil, visible);
    }

    private static float[] together(List<Curtain> curtains) {
        if (curtains.isEmpty()) {
            return new float[0];
        }
        float[] out = curtains.getFirst().cover.clone();
        for (Curtain c : curtains) {
            for (int i = 0; i < out.length; i++) {
                out[i] = Math.max(out[i], c.cover[i]);
            }
        }
        return out;
    }

    private static void cover(Light light, float[] blades, Pose pose, Surroundings around) {
        boolean against = pose.lighting() == Lighting.AGAINST;
        Noise grain = new Noise(pose.seed() + 5);
        for (int i = 0; i < blades.length; i++) {
            if (blades[i] > 0) {
                int x = i % light.width;
                int y = i / light.width;
                double metal = (against ? 0.028 : 0.05) * around.bare(x, y) * (1 + 0.2 * grain.at(x * 0.02, y * 0.25)) * around.lamp(x, y);
                for (float[] p : light.planes) {
                    p[i] = (float) (p[i] * (1 - blades[i]) + metal * blades[i]);
                }
            }
        }
    }

    private static Seen see(LensSection lens, HiddenTruth.GlassFault f, Pose pose, World world, Aperture aperture) {
        SurfaceView view = SurfaceView.of(lens, f.surface(), pose, aperture);
        Layer layer = new Layer(pose.width(), pose.height());
        // On the glass the lamp lies where it does in the picture, mirrored from the rear; a surface's y runs up.
        double lampOnGlass = pose.fromRear() ? Math.PI - pose.lampTowardsRad() : pose.lampTowardsRad();
        Looks looks = new Looks(world, f.seed());
        switch (f.kind()) {
            case DUST -> Specks.dust(layer, view, f, looks);
            case FUNGUS -> Fungus.paint(layer, view, f, looks);
            case HAZE -> Films.haze(layer, view, f, looks);
            case OIL -> Films.oil(layer, view, f, looks, lampOnGlass);
            case SCRATCH -> Lines.scratch(layer, view, f, looks);
            case CLEANING_MARKS -> Lines.cleaningMarks(layer, view, f, looks, lampOnGlass, pose.lighting() == Lighting.AGAINST);
            case SEPARATION -> Films.separation(layer, view, f, looks);
            case BUBBLE -> Specks.bubbles(layer, view, f, looks, pose.lampTowardsRad());
            case EDGE_PAINT -> RimFaults.edgePaint(layer, view, f, looks);
            case CHIP -> RimFaults.chip(layer, view, f, looks);
            case COATING -> Films.coating(layer, view, f, looks);
            case UNKNOWN -> throw new IllegalArgumentException("an unknown fault has no looks");
        }
        layer.strengthen(world.scatter(), world.shade());
        return new Seen(f, view, layer, layer.soft(Math.hypot(view.blurPx(), world.soften())));
    }

    /// @param hidden 1 where blades or walls cover the fault, or empty
    /// @param only 1 where the fault lies on blades, or empty
    /// @param lightless 1 where there is no light behind the fault to be kept away, or empty
    private static Laid lay(Light light, byte[] mask, Seen s, Pose pose, World world, Surroundings around, float[] hidden, float[] only,
            float[] lightless) {
        boolean against = pose.lighting() == Lighting.AGAINST;
        boolean haze = s.fault.kind() == FindingKind.HAZE;
        double gain = Math.pow(2, pose.ev());
        // A film before a card is told from glass that lets a little less light through only where it is thicker.
        double leastLevels = haze && !against ? HAZY_LEVELS : VISIBLE_LEVELS;
        double sum = 0;
        int glass = 0;
        int visible = 0;
        int painted = 0;
        for (int i = 0; i < mask.length; i++) {
            int x = i % light.width;
            int y = i / light.width;
            double u = s.view.map().unitRadius(x, y);
            if (u > (s.fault.kind() == FindingKind.EDGE_PAINT ? 1.02 : 1)) {
                continue;
            }
            glass++;
            double shown = (hidden.length == 0 ? 1 : 1 - hidden[i]) * (only.length == 0 || pose.irisOpen() >= 1 ? 1 : only[i]);
            double scatter = s.soft.scatter[i] * shown;
            double shade = s.soft.shade[i] * shown;
            sum += haze ? scatter : 0;
            boolean dark = lightless.length > 0 && lightless[i] > 0.5;
            boolean seen = false;
            if (scatter > 0 || shade > 0) {
                double lamp = around.lamp(x, y);
                double takes = dark ? OF_A_WALL : 1;
                for (int c = 0; c < 3; c++) {
                    double hue = s.layer.colour(c, i);
                    double before = light.planes[c][i];
                    light.planes[c][i] *= against ? 1 : (float) (1 - Math.min(0.9, takes * shade * (s.layer.coloured() ? 2 - hue : 1)));
                    light.planes[c][i] += (float) (scatter * (against ? lamp : world.front()) * hue);
                    seen |= Sensor.levelsApart(before * gain, light.planes[c][i] * gain) >= leastLevels;
                }
                seen &= !dark || world.front() > 0;
                visible += seen && (haze || s.layer.mark[i]) ? 1 : 0;
            }
            painted += haze ? scatter > 0 ? 1 : 0 : s.layer.mark[i] ? 1 : 0;
            s.layer.mark[i] &= shown > 0.5 && (!dark || seen);
        }
        double mean = sum / Math.max(1, glass);
        mark(mask, s, haze ? Math.max(world.wide() && against ? THIN_VEIL : LEAST_VEIL, mean / 2) : -1, light.width);
        return new Laid(haze ? mean : 0, new Shot.Visible(visible, painted));
    }

    private static void mark(byte[] mask, Seen s, double leastVeil, int width) {
        int rank = RANK.indexOf(s.fault.kind());
        for (int i = 0; i < mask.length; i++) {
            boolean here = leastVeil >= 0 ? s.layer.scatter[i] > leastVeil : s.layer.mark[i];
            if (here && s.view.map().unitRadius(i % width, i / width) < 1.03 && rank > rankOf(mask[i])) {
                mask[i] = (byte) s.fault.kind().maskLevel();
            }
        }
    }

    private static int rankOf(int level) {
        for (int k = 0; k < RANK.size(); k++) {
            if (RANK.get(k).maskLevel() == level) {
                return k;
            }
        }
        return 0;
    }
}

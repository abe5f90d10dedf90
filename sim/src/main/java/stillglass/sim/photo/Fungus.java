package stillglass.sim.photo;

import java.awt.geom.Line2D;
import java.util.List;
import java.util.SplittableRandom;
import stillglass.sim.truth.HiddenTruth;

/// Fungus: branching threads, older colonies with a faint bloom about them.
final class Fungus {
    private Fungus() {}

    static void paint(Layer layer, SurfaceView view, HiddenTruth.GlassFault f, Looks looks) {
        SplittableRandom random = new SplittableRandom(f.seed() ^ 0x5EED);
        double bright = 0.16 + 0.34 * random.nextDouble();
        List<FungusGrowth.Thread> threads = FungusGrowth.grow(f);
        double thick = looks.or(1, 0.6, 1.8);
        layer.draw(bright, 0.25 + 0.3 * random.nextDouble(), 0.2, brush -> {
            for (FungusGrowth.Thread t : threads) {
                brush.stroke(new Line2D.Double(view.pixelX(t.x0(), t.y0()), view.pixelY(t.x0(), t.y0()),
                        view.pixelX(t.x1(), t.y1()), view.pixelY(t.x1(), t.y1())), thick * t.width() * view.pxPerUnit(), t.level());
            }
        });
        if (random.nextDouble() < 0.5) {
            bloom(layer, threads, view, 0.02 + 0.05 * random.nextDouble());
        }
    }

    /// A breath of haze about the threads, spread wide so that it has no border.
    private static void bloom(Layer layer, List<FungusGrowth.Thread> threads, SurfaceView view, double strength) {
        Layer wide = new Layer(layer.width, layer.height);
        wide.draw(1, 1, 1, brush -> threads.forEach(t -> brush.stroke(new Line2D.Double(view.pixelX(t.x0(), t.y0()), view.pixelY(t.x0(), t.y0()),
                view.pixelX(t.x1(), t.y1()), view.pixelY(t.x1(), t.y1())), 0.03 * view.pxPerUnit(), 1)));
        float[] soft = Defocus.disc(Defocus.disc(wide.scatter, layer.width, layer.height, 0.03 * view.pxPerUnit()), layer.width, layer.height,
                0.03 * view.pxPerUnit());
        for (int i = 0; i < soft.length; i++) {
            layer.scatter[i] += (float) (strength * soft[i]);
            layer.shade[i] += (float) (strength * soft[i]);
        }
    }
}

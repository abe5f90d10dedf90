package stillglass.sim;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.SplittableRandom;

/// Grows a colony: threads creep outward from a root, wander a little, and part.
final class FungusGrowth {
    private FungusGrowth() {}

    /// A piece of thread, unit coordinates of the surface.
    record Thread(double x0, double y0, double x1, double y1, double width) {}

    private record Tip(double x, double y, double heading, double width, double life) {}

    static List<Thread> grow(HiddenTruth.GlassFault fault) {
        SplittableRandom random = new SplittableRandom(fault.seed());
        Deque<Tip> tips = new ArrayDeque<>();
        int trunks = 3 + (int) Math.round(fault.amount() * 5);
        double outward = Math.atan2(-fault.y(), -fault.x());
        for (int i = 0; i < trunks; i++) {
            double spread = (random.nextDouble() - 0.5) * 3.6;
            tips.add(new Tip(fault.x(), fault.y(), outward + spread, 0.0075, fault.size() * (0.6 + 0.6 * random.nextDouble())));
        }
        List<Thread> threads = new ArrayList<>();
        double step = 0.012;
        while (!tips.isEmpty() && threads.size() < 6000) {
            Tip t = tips.poll();
            double heading = t.heading + random.nextGaussian() * 0.22;
            double x = t.x + step * Math.cos(heading);
            double y = t.y + step * Math.sin(heading);
            if (Math.hypot(x, y) > 0.995 || t.life <= 0) {
                continue;
            }
            threads.add(new Thread(t.x, t.y, x, y, t.width));
            tips.add(new Tip(x, y, heading, Math.max(0.0022, t.width * 0.985), t.life - step));
            if (random.nextDouble() < 0.055 + 0.05 * fault.amount()) {
                double side = random.nextBoolean() ? 1 : -1;
                tips.add(new Tip(x, y, heading + side * (0.45 + 0.5 * random.nextDouble()), Math.max(0.002, t.width * 0.7),
                        t.life * (0.45 + 0.3 * random.nextDouble())));
            }
        }
        return threads;
    }
}

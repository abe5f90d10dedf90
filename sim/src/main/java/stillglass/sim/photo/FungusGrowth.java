package stillglass.sim.photo;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.SplittableRandom;
import stillglass.sim.truth.HiddenTruth;

/// Grows a colony: threads creep outward from a root, wander a little, and part.
final class FungusGrowth {
    private FungusGrowth() {}

    /// A piece of thread, unit coordinates of the surface.
    record Thread(double x0, double y0, double x1, double y1, double width, double level) {}

    private record Tip(double x, double y, double heading, double width, double life, double level) {}

    /// How a strain grows.
    private record Habit(double wander, double parting, double angle, double width, double thinning) {
        static Habit of(SplittableRandom random, double amount) {
            return new Habit(0.12 + 0.22 * random.nextDouble(), 0.04 + 0.05 * random.nextDouble() + 0.04 * amount,
                    0.35 + 0.5 * random.nextDouble(), 0.003 + 0.004 * random.nextDouble(), 0.978 + 0.016 * random.nextDouble());
        }
    }

    static List<Thread> grow(HiddenTruth.GlassFault fault) {
        SplittableRandom random = new SplittableRandom(fault.seed());
        Habit habit = Habit.of(random, fault.amount());
        Deque<Tip> tips = new ArrayDeque<>();
        int trunks = 3 + (int) Math.round(fault.amount() * 5);
        boolean fromRim = Math.hypot(fault.x(), fault.y()) > 0.6;
        double outward = Math.atan2(-fault.y(), -fault.x());
        for (int i = 0; i < trunks; i++) {
            double spread = fromRim ? (random.nextDouble() - 0.5) * 3.4 : 2 * Math.PI * (i + 0.7 * random.nextDouble()) / trunks;
            tips.add(new Tip(fault.x(), fault.y(), outward + spread, habit.width, fault.size() * (0.6 + 0.6 * random.nextDouble()), 1));
        }
        List<Thread> threads = new ArrayList<>();
        double step = 0.010;
        while (!tips.isEmpty() && threads.size() < 8000) {
            Tip t = tips.poll();
            double heading = t.heading + random.nextGaussian() * habit.wander;
            double x = t.x + step * Math.cos(heading);
            double y = t.y + step * Math.sin(heading);
            if (Math.hypot(x, y) > 0.995 || t.life <= 0) {
                continue;
            }
            threads.add(new Thread(t.x, t.y, x, y, t.width, t.level * (0.75 + 0.25 * random.nextDouble())));
            tips.add(new Tip(x, y, heading, Math.max(0.0012, t.width * habit.thinning), t.life - step, Math.max(0.3, t.level * 0.995)));
            if (random.nextDouble() < habit.parting) {
                double side = random.nextBoolean() ? 1 : -1;
                tips.add(new Tip(x, y, heading + side * (habit.angle + 0.4 * random.nextDouble()), Math.max(0.001, t.width * 0.72),
                        t.life * (0.45 + 0.35 * random.nextDouble()), t.level * 0.85));
            }
        }
        return threads;
    }
}

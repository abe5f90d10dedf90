package stillglass.grade.example;

/// A quay at dusk, drawn by rule: gables with lit windows before a pale sky, a lamp two thousand times as bright as the rest, a railing with fine bars, water that mirrors all of it.
///
/// Light is linear, the mean of the scene without its lamp about 0.2.
final class QuayScene {
    /// Of the lamp over the rest of the scene.
    static final double LAMP = 400;
    static final double LAMP_X = 0.70;
    static final double LAMP_Y = 0.70;
    /// As a share of the picture's width.
    static final double LAMP_RADIUS = 0.006;
    private static final double HORIZON = 0.34;
    private static final double[] EDGES = {0.00, 0.13, 0.24, 0.40, 0.50, 0.63, 0.78, 0.88, 1.01};
    private static final double[] EAVES = {0.52, 0.60, 0.49, 0.57, 0.46, 0.50, 0.58, 0.53};
    private static final double[] RIDGES = {0.63, 0.69, 0.64, 0.66, 0.54, 0.63, 0.68, 0.61};
    private static final double[][] WALLS = {{0.060, 0.045, 0.040}, {0.085, 0.060, 0.045}, {0.045, 0.050, 0.055}, {0.110, 0.095, 0.075}, {0.050, 0.038, 0.034}, {0.070, 0.075, 0.080}, {0.095, 0.065, 0.050}, {0.055, 0.055, 0.050}};

    private QuayScene() {}

    /// @param x 0 left to 1 right
    /// @param y 0 bottom to 1 top
    /// @param channel 0 red, 1 green, 2 blue
    static double light(double x, double y, int channel) {
        double up = Math.hypot((x - LAMP_X) * 1.5, y - LAMP_Y) / 1.5;
        if (up < LAMP_RADIUS) {
            return LAMP * (channel == 0 ? 1.1 : channel == 1 ? 1 : 0.8);
        }
        return y < HORIZON ? near(x, y, channel) : far(x, y, channel);
    }

    private static double far(double x, double y, int channel) {
        if (Math.abs(x - LAMP_X) < 0.0035 && y < LAMP_Y) {
            return 0.01;
        }
        int house = 0;
        while (x >= EDGES[house + 1]) {
            house++;
        }
        double across = (x - EDGES[house]) / (EDGES[house + 1] - EDGES[house]);
        double roof = EAVES[house] + (RIDGES[house] - EAVES[house]) * (1 - Math.abs(2 * across - 1));
        if (y > roof) {
            double t = Math.clamp((y - 0.45) / 0.55, 0, 1);
            return mix(channel, t, 0.62, 0.10, 0.48, 0.15, 0.42, 0.26);
        }
        if (y > EAVES[house]) {
            return 0.035;
        }
        return wall(house, across, (y - HORIZON) / (EAVES[house] - HORIZON), channel);
    }

    private static double wall(int house, double across, double up, int channel) {
        double column = across * 3 - 0.25;
        double row = up * 3 - 0.3;
        boolean pane = column > 0 && column < 2.75 && column % 1 < 0.5 && row > 0 && row < 2.75 && row % 1 < 0.55;
        if (!pane) {
            return WALLS[house][channel];
        }
        boolean lit = (house * 7 + (int) column * 5 + (int) row * 3) % 4 == 0;
        boolean bar = Math.abs(column % 1 - 0.25) < 0.03 || Math.abs(row % 1 - 0.3) < 0.03;
        return bar ? 0.03 : lit ? channel == 0 ? 1.1 : channel == 1 ? 0.75 : 0.32 : 0.02;
    }

    /// The water, and before it a railing.
    private static double near(double x, double y, int channel) {
        boolean rail = Math.abs(y - 0.215) < 0.006 || Math.abs(y - 0.05) < 0.006;
        boolean bar = y < 0.215 && y > 0.05 && x * 70 % 1 < 0.32;
        boolean post = y < 0.235 && x * 7 % 1 < 0.06;
        if (rail || bar || post) {
            return 0.018;
        }
        if (y < 0.03) {
            return 0.06;
        }
        double ripple = 0.012 * Math.sin(260 * y + 9 * Math.sin(17 * x)) + 0.006 * Math.sin(610 * y + 31 * x);
        double mirrored = Math.min(0.999, 2 * HORIZON - y + 0.02);
        double at = Math.clamp(x + ripple, 0, 1);
        double seen = Math.hypot((at - LAMP_X) * 1.5, 0) < 0.018 ? 2.4 * Math.exp(-6 * (HORIZON - y)) : Math.min(1, far(at, Math.max(HORIZON, mirrored), channel));
        return 0.55 * seen + 0.01;
    }

    private static double mix(int channel, double t, double... ends) {
        return ends[2 * channel] * (1 - t) + ends[2 * channel + 1] * t;
    }
}

package stillglass.sim;

/// Defocus as three box blurs, which come close to a Gaussian.
final class Blur {
    private Blur() {}

    static float[] gaussian(float[] in, int w, int h, double sigma) {
        if (sigma < 0.4) {
            return in;
        }
        int radius = (int) Math.max(1, Math.round((Math.sqrt(4 * sigma * sigma + 1) - 1) / 2));
        float[] now = in.clone();
        float[] next = new float[in.length];
        for (int pass = 0; pass < 3; pass++) {
            rows(now, next, w, h, radius, 1, w);
            rows(next, now, h, w, radius, w, 1);
        }
        return now;
    }

    private static void rows(float[] from, float[] to, int length, int lines, int radius, int step, int lineStep) {
        double inverse = 1.0 / (2 * radius + 1);
        for (int line = 0; line < lines; line++) {
            int start = line * lineStep;
            double sum = 0;
            for (int i = -radius; i <= radius; i++) {
                sum += from[start + Math.clamp(i, 0, length - 1) * step];
            }
            for (int i = 0; i < length; i++) {
                to[start + i * step] = (float) (sum * inverse);
                sum += from[start + Math.min(length - 1, i + radius + 1) * step] - from[start + Math.max(0, i - radius) * step];
            }
        }
    }
}

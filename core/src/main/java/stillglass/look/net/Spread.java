package stillglass.look.net;

/// Mean and scatter of the channels a network is given, gathered number by number.
public final class Spread {
    private final double[] sum;
    private final double[] squares;
    private final long[] count;
    private final double least;

    /// @param least variance that is told, for channels that never change
    public Spread(int channels, double least) {
        sum = new double[channels];
        squares = new double[channels];
        count = new long[channels];
        this.least = least;
    }

    public void add(int channel, float value) {
        sum[channel] += value;
        squares[channel] += value * value;
        count[channel]++;
    }

    /// Of every channel; 0 of one that was never given.
    public float[] mean() {
        float[] out = new float[sum.length];
        for (int c = 0; c < out.length; c++) {
            out[c] = (float) (sum[c] / Math.max(1, count[c]));
        }
        return out;
    }

    /// Standard deviation of every channel.
    public float[] scale() {
        float[] mean = mean();
        float[] out = new float[sum.length];
        for (int c = 0; c < out.length; c++) {
            out[c] = (float) Math.sqrt(Math.max(least, squares[c] / Math.max(1, count[c]) - mean[c] * mean[c]));
        }
        return out;
    }
}

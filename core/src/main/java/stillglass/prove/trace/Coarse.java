package stillglass.prove.trace;

import java.util.Arrays;

/// A whole recording in blocks of a quarter of a millisecond: enough to find a shot in minutes of dark.
///
/// @param mean of every block, by channel
/// @param frames of a block
/// @param seconds of a block
/// @param clipped share of the samples of each channel that were cut at full scale
@SuppressWarnings("ArrayRecordComponent")
record Coarse(float[][] mean, int frames, double seconds, double[] clipped) {
    private static final double BLOCK_S = 0.00025;
    /// A sample this close to full scale was cut.
    private static final double CUT = 0.9995;

    static Coarse of(Recording recording) {
        int size = Math.max(1, (int) Math.round(recording.rateHz() * BLOCK_S));
        int blocks = (int) Math.min(Integer.MAX_VALUE - 8, recording.frames() / size);
        int channels = recording.channels();
        float[][] mean = new float[channels][blocks];
        long[] cut = new long[channels];
        double limit = CUT * recording.fullScale();
        double[] sum = new double[channels];
        int[] filled = new int[1];
        int[] at = new int[1];
        recording.play(0, recording.frames(), (block, n) -> {
            for (int i = 0; i < n;) {
                int end = Math.min(n, i + size - filled[0]);
                for (int c = 0; c < channels; c++) {
                    sum[c] += sum(block[c], i, end);
                    cut[c] += cut(block[c], i, end, limit);
                }
                filled[0] += end - i;
                i = end;
                if (filled[0] == size) {
                    for (int c = 0; c < channels && at[0] < blocks; c++) {
                        mean[c][at[0]] = (float) (sum[c] / size);
                    }
                    Arrays.fill(sum, 0);
                    filled[0] = 0;
                    at[0]++;
                }
            }
        });
        return new Coarse(mean, size, size / recording.rateHz(), Arrays.stream(cut).mapToDouble(k -> (double) k / Math.max(1, recording.frames())).toArray());
    }

    private static double sum(float[] x, int from, int to) {
        double sum = 0;
        for (int i = from; i < to; i++) {
            sum += x[i];
        }
        return sum;
    }

    private static long cut(float[] x, int from, int to, double limit) {
        float most = 0;
        for (int i = from; i < to; i++) {
            most = Math.max(most, Math.abs(x[i]));
        }
        if (most < limit) {
            return 0;
        }
        long cut = 0;
        for (int i = from; i < to; i++) {
            cut += Math.abs(x[i]) >= limit ? 1 : 0;
        }
        return cut;
    }

    int blocks() {
        return mean[0].length;
    }

    /// Median of a part of a channel.
    double median(int channel, int from, int to) {
        float[] part = Arrays.copyOfRange(mean[channel], from, to);
        Arrays.sort(part);
        return part.length == 0 ? Double.NaN : part[part.length / 2];
    }
}

package stillglass.prove.trace;

/// Samples at equal steps of time, of one channel or several, that can be played as often as needed.
public interface Recording {
    /// What it is called in sentences.
    String name();

    /// Samples a second of one channel.
    double rateHz();

    int channels();

    /// Samples of one channel.
    long frames();

    /// Magnitude at which the recorder cut what was larger; infinite where nothing is cut.
    double fullScale();

    /// Plays a part of it, in order.
    /// @param from first frame
    /// @param to frame after the last, at most [#frames()]
    /// @throws RuntimeException of the reader's own when the file cannot be read any more
    void play(long from, long to, Listener listener);

    /// Hears what is played.
    @FunctionalInterface
    interface Listener {
        /// @param channels samples of each channel; only valid until the call returns
        /// @param frames how many of them count
        void block(float[][] channels, int frames);
    }

    /// Samples held in memory.
    /// @param samples of each channel, all of one length; taken over
    static Recording of(String name, double rateHz, double fullScale, float[]... samples) {
        if (!(rateHz > 0) || samples.length == 0) {
            throw new IllegalArgumentException("a recording needs a rate and a channel");
        }
        return new Recording() {
            @Override
            public String name() {
                return name;
            }

            @Override
            public double rateHz() {
                return rateHz;
            }

            @Override
            public int channels() {
                return samples.length;
            }

            @Override
            public long frames() {
                return samples[0].length;
            }

            @Override
            public double fullScale() {
                return fullScale;
            }

            @Override
            public void play(long from, long to, Listener listener) {
                float[][] part = new float[samples.length][];
                for (int c = 0; c < samples.length; c++) {
                    part[c] = java.util.Arrays.copyOfRange(samples[c], (int) from, (int) to);
                }
                listener.block(part, (int) (to - from));
            }
        };
    }
}

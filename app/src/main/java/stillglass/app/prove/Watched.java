package stillglass.app.prove;

import stillglass.app.theme.Words;
import stillglass.look.Progress;
import stillglass.prove.trace.Recording;

/// A recording that tells how far it was played, and stops when somebody wants that.
record Watched(Recording of, Progress progress) implements Recording {
    @Override
    public String name() {
        return of.name();
    }

    @Override
    public double rateHz() {
        return of.rateHz();
    }

    @Override
    public int channels() {
        return of.channels();
    }

    @Override
    public long frames() {
        return of.frames();
    }

    @Override
    public double fullScale() {
        return of.fullScale();
    }

    @Override
    public void play(long from, long to, Listener listener) {
        long[] at = {from};
        of.play(from, to, (block, n) -> {
            at[0] += n;
            progress.at((double) at[0] / Math.max(1, of.frames()), Words.of("figures.reading"));
            listener.block(block, n);
        });
    }
}

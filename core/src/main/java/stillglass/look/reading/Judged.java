package stillglass.look.reading;

import java.util.Map;
import stillglass.look.FindingKind;
import stillglass.look.kinds.KindModel;

/// Something that stands out of the glass, and what it was called.
record Judged(Candidate candidate, KindModel.Verdict verdict) {
    /// Share of the glass that a piece of fungus covers at least with its threads to be told by itself.
    private static final double LEAST_COLONY = 0.0004;
    /// Distance up to which a shorter thread is part of a colony, radii.
    private static final double OF_A_COLONY = 0.15;

    double chance() {
        return verdict.chance(verdict.kind());
    }

    /// Its kind, or for something unknown what it would be if it had to be named.
    FindingKind likeliest() {
        return verdict.kind() != FindingKind.UNKNOWN ? verdict.kind()
                : verdict.chances().entrySet().stream().filter(e -> e.getKey() != FindingKind.UNKNOWN).max(Map.Entry.comparingByValue()).orElseThrow().getKey();
    }

    /// Whether it is too short a thread to be told from dust or lint by itself.
    boolean isShort() {
        return candidate.pixels().length < LEAST_COLONY * Math.PI * GlassFrame.RADIUS * GlassFrame.RADIUS;
    }

    /// Whether a short thread lies so near this colony that it is part of it.
    boolean near(Judged thread) {
        double[] middle = GlassFrame.middle(thread.candidate.pixels());
        for (int at : candidate.pixels()) {
            if (Math.hypot(GlassFrame.x(at) - middle[0], GlassFrame.y(at) - middle[1]) < OF_A_COLONY) {
                return true;
            }
        }
        return false;
    }
}

package stillglass.look.reading;

import stillglass.look.kinds.Features;
import stillglass.look.kinds.Sight;

/// Something that stands out of the glass and wants a judgement.
///
/// @param pixels of the glass frame
/// @param outline its outer border in frame pixels, x and y in turn
record Candidate(Sight sight, int[] pixels, int[] outline, Features features) {
    @Override
    public boolean equals(Object o) {
        return o == this;
    }

    @Override
    public int hashCode() {
        return System.identityHashCode(this);
    }
}

package stillglass.look.kinds;

import java.util.Locale;

/// What can be measured on a candidate. Lengths in aperture radii, angles in degrees; `log` in the description means that the value is
/// the decimal logarithm of the quantity.
public enum Feature {
    /// log of its share of the aperture.
    AREA("covers %.2f %% of the glass", true, 100),
    /// Distance of its middle from the centre.
    RADIUS("lies %.2f radii from the centre", false, 1),
    /// Largest distance from the centre.
    REACHES_OUT("reaches out to %.2f radii", false, 1),
    /// Smallest distance from the centre.
    REACHES_IN("reaches in to %.2f radii", false, 1),
    /// Angle it spans about the centre.
    SPAN("spans %.0f° of the rim", false, 1),
    /// log of the skeleton's length.
    LENGTH("lines %.2f radii long in all", true, 1),
    /// log of area over length.
    WIDTH("lines %.4f radii wide", true, 1),
    /// log of its largest extent.
    EXTENT("%.3f radii across", true, 1),
    /// Long axis over short axis of its second moments, log.
    ELONGATION("%.1f times as long as wide", true, 1),
    /// Area over the area of its convex hull.
    SOLIDITY("fills %.0f %% of its hull", false, 100),
    /// 4π area over perimeter squared, holes filled.
    ROUNDNESS("roundness %.2f", false, 1),
    /// Share of the filled outline that is not itself part of it.
    HOLLOW("hollow: %.0f %% of it is empty", false, 100),
    /// log of junctions of the skeleton per radius of length, plus one.
    JUNCTIONS("branching: %.0f junctions per radius of thread", true, 1),
    /// log of free ends per radius of length, plus one.
    ENDS("%.0f free ends per radius of thread", true, 1),
    /// Straight distance between the farthest ends over skeleton length.
    STRAIGHTNESS("%.0f %% straight", false, 100),
    /// Share of its pixels in a few rings about the centre of the glass.
    CONCENTRIC("%.0f %% of it keeps its distance from the centre", false, 100),
    /// Mean |cos| between lines and the way from its own middle: 1 radiating, 0 circling.
    RADIATING("lines radiate from its middle (%.2f)", false, 1),
    /// Mean |sin| between lines and the way from the centre of the glass: 1 circling the axis.
    CIRCLING("lines circle the axis (%.2f)", false, 1),
    /// Length of the mean double-angle vector of its lines: 1 all parallel.
    PARALLEL("lines run side by side (%.2f)", false, 1),
    /// log of mean departure over clean glass.
    CONTRAST("stands out by %.2f of the light around it", true, 1),
    /// Peak over mean departure, log.
    PEAK("peak %.1f times its mean", true, 1),
    /// Share of the departure of the sign that faults have in this lighting, less the rest.
    POLARITY("light of a fault's sign (%.2f)", false, 1),
    /// Gradient across its outline over its contrast, per hundredth of a radius.
    CRISP("border %.2f crisp", false, 1),
    /// Departure just inside the outline over departure of the inside, log.
    BEADED("border %.1f times as strong as its inside", true, 1),
    /// Scatter of the departure inside over its mean.
    MOTTLED("mottled: varies by %.0f %%", false, 100),
    /// Departure of colour from the glass around it, log ratio units.
    TINT("colour departs by %.0f %%", false, 100),
    /// Scatter of the colour inside it.
    RAINBOW("colours change across it (%.2f)", false, 1),
    /// log of patches nearby plus one.
    NEIGHBOURS("%.0f others close by", true, 1),
    /// log of patches in the photo plus one.
    CROWD("%.0f patches in the photo", true, 1),
    /// log of slender patches in the photo plus one.
    LINES("%.0f lines in the photo", true, 1),
    /// Share of clipped pixels.
    CLIPPED("%.0f %% overexposed", false, 100),
    /// Share covered by fine lines.
    LINED("%.0f %% of it is fine lines", false, 100),
    /// log of mean light of the whole glass over the reference.
    VEIL("veil %.1f %%", true, 100),
    /// Light at the edge over light in the middle, log.
    BOWL("edge over middle %.2f", true, 1),
    /// Light inside over light around the lens, log.
    AROUND("glass over surroundings %.2f", true, 1),
    /// Scatter of the light over its mean, log.
    GRAIN("grain %.3f of the light", true, 1),
    /// Largest step of the radial profile inside the rim, over the mean.
    RING_STEP("steps by %.2f at a ring", false, 1),
    /// log of the departure in its middle over its mean departure: a ring is empty there, a disc is not.
    HEART("middle %.2f times as strong as the rest", true, 1),
    /// Share of its pixels inside a region that stands out as a whole.
    COVERED("%.0f %% of it lies in a region that stands out", false, 100),
    /// Share of the glass behind which there are blades.
    BLADES("blades cover %.0f %% of the glass", false, 100),
    /// log of what else in the photo looks like dust, by probability and size, plus one; the same for every kind below. See [Company].
    ALSO_DUST("others in the photo speak for dust (%.1f)", true, 1),
    ALSO_FUNGUS("others in the photo speak for fungus (%.1f)", true, 1),
    ALSO_HAZE("others in the photo speak for haze (%.1f)", true, 1),
    ALSO_OIL("others in the photo speak for oil (%.1f)", true, 1),
    ALSO_SCRATCH("others in the photo speak for scratch (%.1f)", true, 1),
    ALSO_CLEANING_MARKS("others in the photo speak for cleaning marks (%.1f)", true, 1),
    ALSO_SEPARATION("others in the photo speak for separation (%.1f)", true, 1),
    ALSO_BUBBLE("others in the photo speak for bubble (%.1f)", true, 1),
    ALSO_EDGE_PAINT("others in the photo speak for edge paint (%.1f)", true, 1),
    ALSO_CHIP("others in the photo speak for chip (%.1f)", true, 1),
    ALSO_COATING("others in the photo speak for coating (%.1f)", true, 1);

    private final String sentence;
    private final boolean log;
    private final double times;

    Feature(String sentence, boolean log, double times) {
        this.sentence = sentence;
        this.log = log;
        this.times = times;
    }

    /// The value in words.
    public String say(double value) {
        double plain = log ? Math.pow(10, value) : value;
        return String.format(Locale.ROOT, sentence, times * (counted() ? Math.max(0, plain - 1) : plain));
    }

    private boolean counted() {
        return company() || this == JUNCTIONS || this == ENDS || this == NEIGHBOURS || this == CROWD || this == LINES;
    }

    /// Whether it says what else is in the photo: known only when all candidates have been looked at once.
    public boolean company() {
        return ordinal() >= ALSO_DUST.ordinal();
    }

    /// As written in files: `reaches-out`.
    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}

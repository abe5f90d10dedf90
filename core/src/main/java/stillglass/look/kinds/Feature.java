package stillglass.look.kinds;

import java.util.List;
import java.util.Locale;
import stillglass.look.FindingKind;
import stillglass.say.Said;

/// What can be measured on a candidate. Lengths in aperture radii, angles in degrees; `log` in the description means that the value is
/// the decimal logarithm of the quantity.
public enum Feature {
    /// log of its share of the aperture.
    AREA(true, 100),
    /// Distance of its middle from the centre.
    RADIUS(false, 1),
    /// Largest distance from the centre.
    REACHES_OUT(false, 1),
    /// Smallest distance from the centre.
    REACHES_IN(false, 1),
    /// Angle it spans about the centre.
    SPAN(false, 1),
    /// log of the skeleton's length.
    LENGTH(true, 1),
    /// log of area over length.
    WIDTH(true, 1),
    /// log of its largest extent.
    EXTENT(true, 1),
    /// Long axis over short axis of its second moments, log.
    ELONGATION(true, 1),
    /// Area over the area of its convex hull.
    SOLIDITY(false, 100),
    /// 4π area over perimeter squared, holes filled.
    ROUNDNESS(false, 1),
    /// Share of the filled outline that is not itself part of it.
    HOLLOW(false, 100),
    /// log of junctions of the skeleton per radius of length, plus one.
    JUNCTIONS(true, 1),
    /// log of free ends per radius of length, plus one.
    ENDS(true, 1),
    /// Straight distance between the farthest ends over skeleton length.
    STRAIGHTNESS(false, 100),
    /// Share of its pixels in a few rings about the centre of the glass.
    CONCENTRIC(false, 100),
    /// Mean |cos| between lines and the way from its own middle: 1 radiating, 0 circling.
    RADIATING(false, 1),
    /// Mean |sin| between lines and the way from the centre of the glass: 1 circling the axis.
    CIRCLING(false, 1),
    /// Length of the mean double-angle vector of its lines: 1 all parallel.
    PARALLEL(false, 1),
    /// log of mean departure over clean glass.
    CONTRAST(true, 1),
    /// Peak over mean departure, log.
    PEAK(true, 1),
    /// Share of the departure of the sign that faults have in this lighting, less the rest.
    POLARITY(false, 1),
    /// Gradient across its outline over its contrast, per hundredth of a radius.
    CRISP(false, 1),
    /// Departure just inside the outline over departure of the inside, log.
    BEADED(true, 1),
    /// Scatter of the departure inside over its mean.
    MOTTLED(false, 100),
    /// Departure of colour from the glass around it, log ratio units.
    TINT(false, 100),
    /// Scatter of the colour inside it.
    RAINBOW(false, 1),
    /// log of patches nearby plus one.
    NEIGHBOURS(true, 1),
    /// log of patches in the photo plus one.
    CROWD(true, 1),
    /// log of slender patches in the photo plus one.
    LINES(true, 1),
    /// Share of clipped pixels.
    CLIPPED(false, 100),
    /// Share covered by fine lines.
    LINED(false, 100),
    /// log of mean light of the whole glass over the reference.
    VEIL(true, 100),
    /// Light at the edge over light in the middle, log.
    BOWL(true, 1),
    /// Light inside over light around the lens, log.
    AROUND(true, 1),
    /// Scatter of the light over its mean, log.
    GRAIN(true, 1),
    /// Largest step of the radial profile inside the rim, over the mean.
    RING_STEP(false, 1),
    /// log of the departure in its middle over its mean departure: a ring is empty there, a disc is not.
    HEART(true, 1),
    /// Share of its pixels inside a region that stands out as a whole.
    COVERED(false, 100),
    /// Share of the glass behind which there are blades; of a patch before a card the share that has no light behind it.
    BLADES(false, 100),
    /// log of what else in the photo looks like dust, by probability and size, plus one; the same for every kind below. See [Company].
    ALSO_DUST(true, 1),
    ALSO_FUNGUS(true, 1),
    ALSO_HAZE(true, 1),
    ALSO_OIL(true, 1),
    ALSO_SCRATCH(true, 1),
    ALSO_CLEANING_MARKS(true, 1),
    ALSO_SEPARATION(true, 1),
    ALSO_BUBBLE(true, 1),
    ALSO_EDGE_PAINT(true, 1),
    ALSO_CHIP(true, 1),
    ALSO_COATING(true, 1),
    /// log of the chance that it is dust, by the look of the glass about it; the same for every kind below, the last for nothing at all. See [stillglass.look.glance].
    GLANCE_DUST(true, 100),
    GLANCE_FUNGUS(true, 100),
    GLANCE_HAZE(true, 100),
    GLANCE_OIL(true, 100),
    GLANCE_SCRATCH(true, 100),
    GLANCE_CLEANING_MARKS(true, 100),
    GLANCE_SEPARATION(true, 100),
    GLANCE_BUBBLE(true, 100),
    GLANCE_EDGE_PAINT(true, 100),
    GLANCE_CHIP(true, 100),
    GLANCE_COATING(true, 100),
    GLANCE_NOTHING(true, 100),
    /// log of the chance that it is dust, by its look close by; the same for every kind below, the last for nothing at all. See [stillglass.look.closeup].
    CLOSE_DUST(true, 100),
    CLOSE_FUNGUS(true, 100),
    CLOSE_HAZE(true, 100),
    CLOSE_OIL(true, 100),
    CLOSE_SCRATCH(true, 100),
    CLOSE_CLEANING_MARKS(true, 100),
    CLOSE_SEPARATION(true, 100),
    CLOSE_BUBBLE(true, 100),
    CLOSE_EDGE_PAINT(true, 100),
    CLOSE_CHIP(true, 100),
    CLOSE_COATING(true, 100),
    CLOSE_NOTHING(true, 100);

    private final boolean log;
    private final double times;

    Feature(boolean log, double times) {
        this.log = log;
        this.times = times;
    }

    /// The value in words.
    public Said said(double value) {
        double plain = log ? Math.pow(10, value) : value;
        double told = times * (counted() ? Math.max(0, plain - 1) : plain);
        for (String family : List.of("also", "glance", "close")) {
            String kind = word().substring(Math.min(word().length(), family.length() + 1)).replace('-', ' ');
            if (word().startsWith(family + "-") && !kind.equals("nothing")) {
                return Said.of("feature." + family, "kind", kind, "value", told);
            }
        }
        return Said.of("feature." + word(), "value", told);
    }

    /// How much something looks like a kind at a glance; `UNKNOWN` stands for nothing at all.
    public static Feature glance(FindingKind kind) {
        return values()[GLANCE_DUST.ordinal() + kind.ordinal()];
    }

    /// How much it looks like a kind close by; `UNKNOWN` stands for nothing at all.
    public static Feature closeUp(FindingKind kind) {
        return values()[CLOSE_DUST.ordinal() + kind.ordinal()];
    }

    /// Whether it was measured and not told by a look.
    boolean measured() {
        return ordinal() < GLANCE_DUST.ordinal();
    }

    /// Whether it says how much something looks like a kind.
    boolean looks(FindingKind kind) {
        return this == glance(kind) || this == closeUp(kind);
    }

    private boolean counted() {
        return company() || this == JUNCTIONS || this == ENDS || this == NEIGHBOURS || this == CROWD || this == LINES;
    }

    /// Whether it says what else is in the photo: known only when all candidates have been looked at once.
    public boolean company() {
        return ordinal() >= ALSO_DUST.ordinal() && ordinal() <= ALSO_COATING.ordinal();
    }

    /// As written in files: `reaches-out`.
    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}

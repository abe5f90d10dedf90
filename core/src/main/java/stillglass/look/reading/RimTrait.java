package stillglass.look.reading;

import java.util.Locale;

/// What is measured on a ring that may be the rim. Light is its natural logarithm; lengths are radii of the ring.
enum RimTrait {
    /// Light just outside less light just inside.
    STEP,
    /// Share of directions whose step has that sign.
    AGREE,
    /// Share of directions whose steepest place lies on the ring.
    SHARP,
    /// Light just outside over the darkest ring about.
    DARK,
    /// Share of directions inside the photo.
    SEEN,
    /// Radius over the smaller side of the photo.
    SIZE,
    /// Distance of its own centre from that of its family.
    ASIDE,
    /// How well the edges that share its centre stand, over the best family's.
    FAMILY,
    /// log of the next edge's radius further out over its own, 1 where there is none.
    NEXT_OUT,
    /// log of its own radius over that of the next edge further in, 1 where there is none.
    NEXT_IN,
    /// Edges further out.
    OUTSIDE,
    /// Edges further in.
    INSIDE,
    /// Scatter of light along the ring just inside: a mount has marks, glass has few.
    MARKS_IN,
    /// The same just outside.
    MARKS_OUT,
    /// Light of the darkest ring within 8 % outside over the darkest about.
    GAP,
    /// Light of the brightest ring between 2 and 25 % outside over the light just outside.
    RISE,
    /// Light between 0.6 and 0.95 over the light just outside.
    GLASS,
    /// Whether the rule of the blackened edge takes it.
    RULE,
    /// Its radius over that of the ring which the rule takes, log; 1 where there is none.
    RULE_RATIO,
    /// Strength of its edge over that of the strongest of the family.
    STRONG;

    String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}

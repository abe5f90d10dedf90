package stillglass.look.rim;

/// What is told of every ring about a centre. Light is its natural logarithm; changes are of what lies further out less what lies further in.
enum RingTrait {
    /// Middle of the light along the ring over that of the middle ring.
    LIGHT(true),
    /// Lower quarter over the middle.
    LOWER(true),
    /// Upper quarter over the middle.
    UPPER(true),
    /// Middle of the light, as it is.
    EXPOSURE(true),
    /// Share of directions inside the photo.
    SEEN(false),
    /// Middle of the change over one row on either side.
    FINE_STEP(true),
    /// The same over two rows.
    STEP(true),
    /// How many directions more change up than down over two rows, small changes counting less.
    AGREEMENT(false),
    /// Mean size of the change over two rows, whatever its sign.
    SIZE(true),
    /// How much that change goes up and down once round: an edge about another centre does.
    ASIDE(true),
    /// Middle of the change over up to nine rows.
    WIDE_STEP(true),
    WIDE_AGREEMENT(false),
    /// Middle of the change over eight to thirty rows.
    FAR_STEP(true),
    /// Middle of the difference between neighbouring directions: threads, knurls and characters have one.
    MARKS(true),
    /// How much the light goes up and down once round.
    ONCE(true),
    /// Twice round.
    TWICE(true),
    /// Logarithm of the radius over the smaller side of the photo.
    RADIUS(false),
    /// 1 where too little of it lies inside the photo to be told, and nothing else is known.
    UNSEEN(false);

    /// Whether contrast changes it.
    final boolean light;

    RingTrait(boolean light) {
        this.light = light;
    }
}

package stillglass.fault;

import java.util.Locale;

/// What anybody sees of a closed lens without measuring: each is either as it should be or not.
public enum Sign {
    /// The middle of the picture is sharp where it is sharpest.
    MIDDLE("middle sharp", 3),
    /// The edges are sharp where the middle is.
    EDGES("edges sharp", 3),
    /// All four corners are alike.
    CORNERS("corners alike", 4),
    /// The picture is as large as the engraved focal length gives.
    SIZE("picture size", 4),
    /// Nothing moves or clicks when it is tilted.
    QUIET("nothing rattles", 0.5);

    private final String function;
    private final double minutes;

    Sign(String function, double minutes) {
        this.function = function;
        this.minutes = minutes;
    }

    /// What it is called among the functions that are tried.
    public String function() {
        return function;
    }

    /// What looking takes.
    public double minutes() {
        return minutes;
    }

    /// As it is written in keys.
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}

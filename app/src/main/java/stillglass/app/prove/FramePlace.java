package stillglass.app.prove;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/// A place of the frame, as the picture lies.
enum FramePlace {
    CENTRE(0, 0),
    TOP_LEFT(-1, -1),
    TOP_RIGHT(1, -1),
    BOTTOM_LEFT(-1, 1),
    BOTTOM_RIGHT(1, 1);

    private final int x;
    private final int y;

    FramePlace(int x, int y) {
        this.x = x;
        this.y = y;
    }

    /// -1 left, 0 in the middle, 1 right.
    int x() {
        return x;
    }

    /// -1 at the top.
    int y() {
        return y;
    }

    String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    /// @param x from the middle
    /// @param y from the middle, downwards
    static FramePlace corner(double x, double y) {
        return y < 0 ? x < 0 ? TOP_LEFT : TOP_RIGHT : x < 0 ? BOTTOM_LEFT : BOTTOM_RIGHT;
    }

    /// What a place of a figure names: `top left f/2.8`.
    static Optional<FramePlace> of(String at) {
        String text = at.toLowerCase(Locale.ROOT).strip();
        return Arrays.stream(values()).filter(p -> text.equals(p.word()) || text.startsWith(p.word() + " ")).findFirst();
    }
}

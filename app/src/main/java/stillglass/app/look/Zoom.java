package stillglass.app.look;

/// How large a photo is looked at, and which point of it lies in the middle of the pane.
///
/// @param times over the size at which the whole photo fits
/// @param midX point in the middle, as a share of the photo's width
/// @param midY as a share of its height, downwards
record Zoom(double times, double midX, double midY) {
    /// All of it.
    static final Zoom FIT = new Zoom(1, 0.5, 0.5);
    /// Screen pixels a stored pixel may take at most.
    private static final double MOST_PER_PIXEL = 40;

    Zoom {
        midX = Math.clamp(midX, 0, 1);
        midY = Math.clamp(midY, 0, 1);
    }

    boolean fits() {
        return times <= 1;
    }

    /// So many times as large, with the point of the photo that lies under a place of the screen staying there.
    /// @param shown how it lies now
    /// @param x place from the left of a pane of that width and height
    Zoom larger(double by, PhotoCache.Loaded photo, Shown shown, double x, double y, double width, double height) {
        double fit = shown.factor() / times;
        double now = Math.clamp(times * by, 1, Math.max(1, MOST_PER_PIXEL / fit));
        if (now <= 1) {
            return FIT;
        }
        double factor = fit * now;
        return new Zoom(now, (shown.photoX(x) + (width / 2 - x) / factor) / photo.storedWidth(), (shown.photoY(y) + (height / 2 - y) / factor) / photo.storedHeight());
    }

    /// Moved by so many screen pixels, as a hand takes it along.
    Zoom moved(double dx, double dy, PhotoCache.Loaded photo, Shown shown) {
        return fits() ? this : new Zoom(times, midX - dx / shown.factor() / photo.storedWidth(), midY - dy / shown.factor() / photo.storedHeight());
    }
}

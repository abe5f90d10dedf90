package stillglass.app.look;

import stillglass.look.Aperture;

/// A photo fitted into a rectangle of the window: the way from aperture units to the screen and back.
///
/// @param left of the picture on the screen
/// @param top of it
/// @param factor screen pixels per stored pixel
record Shown(Aperture aperture, double left, double top, double factor) implements FaultDrawing.Plane {

    /// All of it, as large as it fits.
    static Shown fitted(PhotoCache.Loaded photo, Aperture aperture, double width, double height) {
        return in(photo, aperture, width, height, Zoom.FIT);
    }

    /// @param zoom how large it is looked at
    static Shown in(PhotoCache.Loaded photo, Aperture aperture, double width, double height, Zoom zoom) {
        double factor = widthIn(photo, width, height) / photo.storedWidth() * zoom.times();
        return new Shown(aperture, width / 2 - zoom.midX() * photo.storedWidth() * factor, height / 2 - zoom.midY() * photo.storedHeight() * factor, factor);
    }

    /// Width on the screen of a photo that fits into a rectangle.
    static double widthIn(PhotoCache.Loaded photo, double width, double height) {
        return Math.min(width, height * photo.image().getWidth() / photo.image().getHeight());
    }

    @Override
    public double x(double ux, double uy) {
        return left + factor * aperture.pixelX(ux, uy);
    }

    @Override
    public double y(double ux, double uy) {
        return top + factor * aperture.pixelY(ux, uy);
    }

    double photoX(double x) {
        return (x - left) / factor;
    }

    double photoY(double y) {
        return (y - top) / factor;
    }

    double unitX(double x, double y) {
        return aperture.unitX(photoX(x), photoY(y));
    }

    double unitY(double x, double y) {
        return aperture.unitY(photoX(x), photoY(y));
    }

    /// Distance of the screen from the rim, screen pixels.
    double toRim(double x, double y) {
        return Math.abs(aperture.unitRadius(photoX(x), photoY(y)) - 1) * aperture.meanRadius() * factor;
    }

    double toMiddle(double x, double y) {
        return aperture.unitRadius(photoX(x), photoY(y)) * aperture.meanRadius() * factor;
    }

    Shown around(Aperture other) {
        return new Shown(other, left, top, factor);
    }
}

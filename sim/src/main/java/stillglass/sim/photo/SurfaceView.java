package stillglass.sim.photo;

import stillglass.look.Aperture;
import stillglass.look.ApertureMap;
import stillglass.optics.LensSection;
import stillglass.optics.Paraxial;

/// How one surface of the lens appears in the picture: through the glass in front of it magnified and at its apparent depth, by
/// perspective smaller the deeper it lies, and by the camera's tilt shifted against the rim.
///
/// @param aperture the outer rim in pixels
/// @param map its way between pixels and units
/// @param scale clear radius of the surface over the outer rim, as seen
/// @param shiftX of its centre, aperture units, right
/// @param shiftY up
/// @param mirror -1 when seen from the rear: right and left change places
/// @param blurPx radius of the circle of confusion, pixels
record SurfaceView(Aperture aperture, ApertureMap map, double scale, double shiftX, double shiftY, double mirror, double blurPx) {

    static SurfaceView of(LensSection lens, int surface, Pose pose, Aperture aperture) {
        int outer = pose.fromRear() ? lens.surfaces().size() - 1 : 0;
        double rimMm = lens.surfaces().get(outer).semiDiameterMm();
        Paraxial.Apparent seen = pose.fromRear() ? Paraxial.of(lens).apparentFromRear(surface) : Paraxial.of(lens).apparentFromFront(surface);
        double away = pose.cameraMm() / Math.max(20, pose.cameraMm() + seen.depthMm());
        double scale = Math.abs(lens.surfaces().get(surface).semiDiameterMm() * seen.magnification() / rimMm) * away;
        double shift = seen.depthMm() * Math.tan(pose.tiltRad()) / rimMm * away;
        double pxPerMm = aperture.meanRadius() / rimMm;
        double confusion = pose.pupilMm() * Math.abs(seen.depthMm() - pose.focusDepthMm()) / (pose.cameraMm() + pose.focusDepthMm());
        return new SurfaceView(aperture, aperture.map(), scale, shift * Math.cos(pose.tiltTowardsRad()), -shift * Math.sin(pose.tiltTowardsRad()),
                pose.fromRear() ? -1 : 1, Math.min(24, confusion / 2 * pxPerMm));
    }

    /// Pixels per clear radius of the surface.
    double pxPerUnit() {
        return aperture.meanRadius() * scale;
    }

    double pixelX(double sx, double sy) {
        return map.pixelX(mirror * sx * scale + shiftX, sy * scale + shiftY);
    }

    double pixelY(double sx, double sy) {
        return map.pixelY(mirror * sx * scale + shiftX, sy * scale + shiftY);
    }

    double surfaceX(double px, double py) {
        return mirror * (map.unitX(px, py) - shiftX) / scale;
    }

    double surfaceY(double px, double py) {
        return (map.unitY(px, py) - shiftY) / scale;
    }
}

package stillglass.sim.photo;

import stillglass.look.Lighting;

/// Where camera, lamp and focus stand, and how the camera was set.
///
/// @param width picture width in pixels
/// @param height picture height in pixels
/// @param centreX lens centre, share of the width
/// @param centreY lens centre, share of the height
/// @param radius radius of the outer glass, share of the height
/// @param focusDepthMm sharp plane behind the outer vertex
/// @param fromRear the camera looks in from the film side
/// @param tiltRad angle between the axes of camera and lens
/// @param tiltTowardsRad direction of that tilt in the picture
/// @param cameraMm distance of the camera from the outer vertex
/// @param pupilMm entrance pupil of the camera, which sets its depth of field
/// @param lampTowardsRad direction of the lamp in the picture
/// @param lampStrength lamp over the usual lamp
/// @param lampUnevenness how unevenly it lights the glass, 0 to 1
/// @param irisOpen iris over the stop's clear radius, 1 is wide open
/// @param ev exposure beside the usual one, in stops
/// @param seed of everything accidental: noise, ghosts, backdrop
/// @param mount seed of what the mount looks like: its width, threads and engraving
public record Pose(
        int width,
        int height,
        double centreX,
        double centreY,
        double radius,
        double focusDepthMm,
        Lighting lighting,
        boolean fromRear,
        double tiltRad,
        double tiltTowardsRad,
        double cameraMm,
        double pupilMm,
        double lampTowardsRad,
        double lampStrength,
        double lampUnevenness,
        double irisOpen,
        double ev,
        long seed,
        long mount) {
    public Pose {
        if (width < 64 || height < 64 || !(radius > 0) || !(cameraMm > 0) || !(irisOpen > 0 && irisOpen <= 1)) {
            throw new IllegalArgumentException("a pose of " + width + " x " + height + " pixels, radius " + radius + ", distance " + cameraMm
                    + " mm and iris " + irisOpen + " cannot be photographed");
        }
    }

    /// Square to the lens from the front, everything as usual.
    public Pose(int width, int height, double centreX, double centreY, double radius, double focusDepthMm, Lighting lighting, long seed) {
        this(width, height, centreX, centreY, radius, focusDepthMm, lighting, false, 0.12, 0.3 + seed % 7, 220, 3.2, seed % 63 / 10.0, 1, 0.35, 1, 0, seed, seed);
    }

    /// A tidy inspection photo against the light.
    public static Pose usual(long seed) {
        return new Pose(1500, 1125, 0.5, 0.5, 0.43, 6, Lighting.AGAINST, seed);
    }

    /// The same stance focused elsewhere.
    public Pose focusedAt(double depthMm) {
        return new Pose(width, height, centreX, centreY, radius, depthMm, lighting, fromRear, tiltRad, tiltTowardsRad, cameraMm, pupilMm,
                lampTowardsRad, lampStrength, lampUnevenness, irisOpen, ev, seed, mount);
    }

    /// The same settings looking in from the film side.
    public Pose lookingFromRear() {
        return new Pose(width, height, centreX, centreY, radius, focusDepthMm, lighting, true, tiltRad, tiltTowardsRad, cameraMm, pupilMm,
                lampTowardsRad, lampStrength, lampUnevenness, irisOpen, ev, seed, mount);
    }

    /// The same stance with another tilt of the camera.
    public Pose tilted(double radians, double towardsRad) {
        return new Pose(width, height, centreX, centreY, radius, focusDepthMm, lighting, fromRear, radians, towardsRad, cameraMm, pupilMm,
                lampTowardsRad, lampStrength, lampUnevenness, irisOpen, ev, seed, mount);
    }

    /// The same stance with other accidents: another moment.
    public Pose again(long otherSeed) {
        return new Pose(width, height, centreX, centreY, radius, focusDepthMm, lighting, fromRear, tiltRad, tiltTowardsRad, cameraMm, pupilMm,
                lampTowardsRad, lampStrength, lampUnevenness, irisOpen, ev, otherSeed, mount);
    }

    /// The same stance and light with the iris closed down.
    public Pose withIris(double open) {
        return new Pose(width, height, centreX, centreY, radius, focusDepthMm, lighting, fromRear, tiltRad, tiltTowardsRad, cameraMm, pupilMm,
                lampTowardsRad, lampStrength, lampUnevenness, open, ev, seed, mount);
    }

    /// The same stance exposed otherwise.
    public Pose exposed(double stops) {
        return new Pose(width, height, centreX, centreY, radius, focusDepthMm, lighting, fromRear, tiltRad, tiltTowardsRad, cameraMm, pupilMm,
                lampTowardsRad, lampStrength, lampUnevenness, irisOpen, stops, seed, mount);
    }

    /// The same stance before a lens with a certain mount.
    public Pose mounted(long seedOfMount) {
        return new Pose(width, height, centreX, centreY, radius, focusDepthMm, lighting, fromRear, tiltRad, tiltTowardsRad, cameraMm, pupilMm,
                lampTowardsRad, lampStrength, lampUnevenness, irisOpen, ev, seed, seedOfMount);
    }
}

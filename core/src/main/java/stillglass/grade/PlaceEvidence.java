package stillglass.grade;

import stillglass.optics.LensSection;

/// What photos of one fault from several sides or settings say of where it lies.
public sealed interface PlaceEvidence permits BothSides, ZoomPlaces {
    /// How badly one place explains all photos: sum of squared departures over their scatter.
    /// @param behindMm depth in the glass behind the surface, 0 on the surface itself
    /// @return 0 when there is nothing to compare
    double misfit(LensSection lens, int surface, double behindMm);

    /// Natural logarithm of how likely the photos are if it lies there, but for a part all places share.
    double logDensity(LensSection lens, int surface, double behindMm);
}

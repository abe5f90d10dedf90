package stillglass.grade;

import java.util.List;
import java.util.Optional;
import stillglass.look.FindingKind;
import stillglass.look.ZoomWalk;
import stillglass.optics.LensSection;

/// One fault in photos from one side at several zoom settings of a lens whose section says how its gaps change.
///
/// Laid back onto the surface it really lies on, through the lens as it stood, it has one place at every setting; on any other surface the places part, the more the farther out it lies and the more the group was moved.
///
/// p(places) = 1/(π R²) ∫ dA Π N(place), all places of the clear disc alike; with the scatter of each place taken as even about it the integral is a product of normals.
///
/// @param fromRear whether the photos look in from behind
public record ZoomPlaces(List<ZoomWalk.Sight> sights, boolean fromRear) implements PlaceEvidence {
    public ZoomPlaces {
        sights = List.copyOf(sights);
    }

    /// @param kind of the fault: what covers the glass has no place
    /// @return nothing unless the lens was photographed at two settings at least that its section knows
    public static Optional<ZoomPlaces> of(LensSection lens, FindingKind kind, List<ZoomWalk.Sight> sights, boolean fromRear) {
        List<ZoomWalk.Sight> known = sights.stream().filter(s -> lens.positions().zoomedTo(lens, s.zoomMm()).isPresent()).toList();
        boolean everywhere = kind == FindingKind.DUST || kind == FindingKind.HAZE;
        return everywhere || known.stream().mapToDouble(ZoomWalk.Sight::zoomMm).distinct().count() < 2 ? Optional.empty() : Optional.of(new ZoomPlaces(known, fromRear));
    }

    @Override
    public double misfit(LensSection lens, int surface, double behindMm) {
        return new Together(lens, surface, behindMm).misfit;
    }

    @Override
    public double logDensity(LensSection lens, int surface, double behindMm) {
        Together t = new Together(lens, surface, behindMm);
        double clear = lens.surfaces().get(surface).semiDiameterMm();
        return t.logScale - Math.log(t.weights) - 2 * Math.log(clear) - t.misfit / 2;
    }

    /// The places on one surface and their weighted mean.
    private final class Together {
        private double weights;
        /// Of what a square of each photo is on the surface, over the variance of its place.
        private double logScale;
        private final double misfit;

        Together(LensSection lens, int surface, double behindMm) {
            double x = 0;
            double y = 0;
            double squares = 0;
            double beyond = 0;
            for (ZoomWalk.Sight s : sights) {
                Laid at = Laid.on(lens.positions().zoomedTo(lens, s.zoomMm()).orElseThrow(), surface, behindMm, fromRear, s.x(), s.y());
                double weight = 1 / (at.sigma() * at.sigma());
                weights += weight;
                x += weight * at.x();
                y += weight * at.y();
                squares += weight * (at.x() * at.x() + at.y() * at.y());
                logScale += Math.log(Math.max(1e-12, at.widening()) * weight);
                beyond = Math.max(beyond, at.outside(lens.surfaces().get(surface).semiDiameterMm()));
            }
            misfit = Math.max(0, squares - (x * x + y * y) / weights) + beyond;
        }
    }
}

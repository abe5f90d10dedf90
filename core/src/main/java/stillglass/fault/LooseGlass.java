package stillglass.fault;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import stillglass.optics.measured.MeasuredGlass;

/// A loose glass or cemented group as it was measured, its first face forward.
///
/// @param id what it is called on the bench
/// @param faces vertex radii, mm, positive when the centre lies behind; infinite for a plane
/// @param thicknessMm between neighbouring faces, one fewer
/// @param index at the d line between them
/// @param diameterMm of the rim
public record LooseGlass(String id, List<Double> faces, List<Double> thicknessMm, List<Double> index, double diameterMm) {
    private static final double LEAST_INDEX = 1.35;
    private static final double MOST_INDEX = 2.2;

    public LooseGlass {
        faces = List.copyOf(faces);
        thicknessMm = List.copyOf(thicknessMm);
        index = List.copyOf(index);
        if (faces.size() < 2 || thicknessMm.size() != faces.size() - 1 || index.size() != thicknessMm.size()) {
            throw new IllegalArgumentException(id + ": a glass has two faces and more, with a thickness and an index between each");
        }
        if (faces.stream().anyMatch(r -> r.isNaN() || r == 0) || thicknessMm.stream().anyMatch(t -> !(t > 0 && t < 1e4)) || index.stream().anyMatch(n -> !(n > LEAST_INDEX && n < MOST_INDEX)) || !(diameterMm > 0 && diameterMm < 1e4)) {
            throw new IllegalArgumentException(id + ": radii are not 0, thickness and diameter above 0 mm, an index between 1.35 and 2.2");
        }
    }

    /// A single glass whose index is not known, from its own focal length.
    /// @throws IllegalArgumentException when no glass of these faces has it
    public static LooseGlass ofFocalLength(String id, double r1Mm, double r2Mm, double thicknessMm, double diameterMm, double focalMm) {
        double nd = new MeasuredGlass(id, r1Mm, r2Mm, thicknessMm, diameterMm, OptionalDouble.empty(), OptionalDouble.of(focalMm), 0).indexFromFocalLength()
                .orElseThrow(() -> new IllegalArgumentException(id + ": no glass with these faces has a focal length of " + focalMm + " mm: measure it again, or look which way its faces bend"));
        return new LooseGlass(id, List.of(r1Mm, r2Mm), List.of(thicknessMm), List.of(nd), diameterMm);
    }

    LooseGlass reversed() {
        List<Double> r = new ArrayList<>(faces.stream().map(v -> -v).toList());
        List<Double> t = new ArrayList<>(thicknessMm);
        List<Double> n = new ArrayList<>(index);
        Collections.reverse(r);
        Collections.reverse(t);
        Collections.reverse(n);
        return new LooseGlass(id, r, t, n, diameterMm);
    }

    /// Whether turning it round changes nothing.
    boolean symmetric() {
        LooseGlass other = reversed();
        return other.thicknessMm.equals(thicknessMm) && other.index.equals(index) && IntStream.range(0, faces.size()).allMatch(i -> Math.abs(1 / faces.get(i) - 1 / other.faces.get(i)) < 1e-9);
    }

    /// Sag of the first or last face at the rim.
    double sagMm(boolean first) {
        double c = 1 / (first ? faces.getFirst() : faces.getLast());
        double h = diameterMm / 2;
        return c * h * h / (1 + Math.sqrt(Math.max(0, 1 - c * c * h * h)));
    }
}

package stillglass.care;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/// A grease as far as torque goes: density, and apparent viscosity at temperatures.
///
/// Between and beyond them viscosity follows log log(ν + 0.7) = A − B·log T (ASTM D341, T in kelvin, ν in mm²/s), through two points exactly and through more by least squares. That form was made for oils; a grease yields and thins when sheared, so that its apparent viscosity is that of a slow turn by hand and of nothing else.
///
/// @param densityMgPerMm3 about 0.9
/// @param points by rising temperature
public record Grease(String name, double densityMgPerMm3, List<Point> points) {
    private static final double ZERO_K = 273.15;
    private static final double ASTM = 0.7;
    /// Kinematic from dynamic: Pa·s over mg/mm³ (that is g/cm³) in mm²/s.
    private static final double MM2 = 1e3;

    /// @param viscosityPaS apparent viscosity at the speed of a hand
    public record Point(double celsius, double viscosityPaS) {
        public Point {
            if (!(celsius > -60 && celsius < 200) || !(viscosityPaS >= 1e-3 && viscosityPaS <= 1e6)) {
                throw new IllegalArgumentException("a viscosity of " + viscosityPaS + " Pa·s at " + celsius + " °C is out of range: give 0.001 to 1000000 Pa·s between -60 and 200 °C");
            }
        }
    }

    public Grease {
        if (name.isBlank() || !(densityMgPerMm3 > 0.5 && densityMgPerMm3 < 3)) {
            throw new IllegalArgumentException("a grease has a name and a density between 0.5 and 3 mg/mm³, not “" + name + "” with " + densityMgPerMm3);
        }
        List<Point> sorted = new ArrayList<>(points);
        sorted.sort(Comparator.comparingDouble(Point::celsius));
        points = List.copyOf(sorted);
        if (points.isEmpty()) {
            throw new IllegalArgumentException("grease “" + name + "” has no viscosity");
        }
        for (int i = 1; i < points.size(); i++) {
            if (!(points.get(i).celsius > points.get(i - 1).celsius) || points.get(i).viscosityPaS > points.get(i - 1).viscosityPaS) {
                throw new IllegalArgumentException("grease “" + name + "” is " + points.get(i).viscosityPaS + " Pa·s at " + points.get(i).celsius + " °C after " + points.get(i - 1).viscosityPaS + " at " + points.get(i - 1).celsius + ": it gets thinner as it gets warmer");
            }
        }
    }

    /// @return nothing where one point alone tells of no other temperature
    public Optional<Double> viscosityPaS(double celsius) {
        if (points.size() == 1) {
            return Math.abs(points.getFirst().celsius - celsius) < 1e-9 ? Optional.of(points.getFirst().viscosityPaS) : Optional.empty();
        }
        double n = points.size();
        double x = 0;
        double y = 0;
        double xx = 0;
        double xy = 0;
        for (Point p : points) {
            double t = Math.log10(p.celsius + ZERO_K);
            double w = twice(p.viscosityPaS);
            x += t / n;
            y += w / n;
            xx += t * t / n;
            xy += t * w / n;
        }
        double slope = (xy - x * y) / (xx - x * x);
        double w = y + slope * (Math.log10(celsius + ZERO_K) - x);
        return Optional.of((Math.pow(10, Math.pow(10, w)) - ASTM) * densityMgPerMm3 / MM2);
    }

    private double twice(double viscosityPaS) {
        return Math.log10(Math.log10(viscosityPaS * MM2 / densityMgPerMm3 + ASTM));
    }
}

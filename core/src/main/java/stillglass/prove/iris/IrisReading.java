package stillglass.prove.iris;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import stillglass.prove.edge.LightPlane;
import stillglass.say.Said;

/// An iris over its stops: how much light each lets through against the widest, and what its blades do.
///
/// All photos are taken from the same place: areas are compared with each other. The widest stop of the series is the measure of all others; that it is what it says is not tested here.
///
/// @param stops in order of the scale, widest first
/// @param hysteresisEv of the stops photographed twice: the largest difference, EV; empty when none was
public record IrisReading(List<Stop> stops, OptionalDouble hysteresisEv, List<Said> diagnostics) {
    private static final double LN2 = Math.log(2);
    /// How far an edge may be off all round, by blur and a tone that is not quite sRGB, pixels.
    private static final double EDGE_PX = 0.055;
    /// A blade that stands off by this much of the radius, and by this many standard deviations.
    private static final double BLADE_SHARE = 0.06;
    private static final double BLADE_SIGMAS = 5;
    /// A side as far out as this is not there.
    private static final double MISSING_SHARE = 0.3;
    /// Bows of less than this share of the distance are as good as straight.
    private static final double BOW_SHARE = 0.008;
    private static final double UNEVEN_EV = 0.25;
    private static final double HYSTERESIS_EV = 0.15;

    /// A photo at a stop.
    /// @param fNumber what the scale says
    public record Taken(String name, double fNumber, LightPlane photo) {}

    /// @param areaPx area of the opening, pixels
    /// @param ev light against the widest stop of the series
    /// @param errorEv against what the scale says, positive for too wide
    /// @param sigmaEv one standard deviation of either
    /// @param blades sides that could be told; 0 for an opening that is as good as round
    /// @param departures of each side from the mean of all, as a share of the radius, in the order of [#towardsDeg]
    /// @param towardsDeg direction of each side, degrees clockwise from 12 as the photo lies
    public record Stop(String photo, double fNumber, double areaPx, double ev, double errorEv, double sigmaEv, int blades, List<Double> departures, List<Double> towardsDeg) {
        public Stop {
            departures = List.copyOf(departures);
            towardsDeg = List.copyOf(towardsDeg);
        }
    }

    /// What is said when no opening is seen whole.
    public static final Said NO_OPENING = Said.of("iris.no-opening");

    public IrisReading {
        stops = List.copyOf(stops);
        diagnostics = List.copyOf(diagnostics);
    }

    /// @param taken one photo for each stop, or several
    public static IrisReading of(List<Taken> taken) {
        record Seen(Taken taken, Opening opening, Optional<Polygon> polygon) {}
        List<Said> notes = new ArrayList<>();
        List<Seen> seen = new ArrayList<>();
        for (Taken t : taken.stream().sorted(Comparator.comparingDouble(Taken::fNumber)).toList()) {
            Optional<Opening> o = Opening.in(t.photo);
            if (o.isEmpty()) {
                notes.add(Said.of("iris.none", "photo", t.name));
            }
            o.ifPresent(x -> seen.add(new Seen(t, x, Polygon.of(x))));
        }
        if (seen.isEmpty()) {
            return new IrisReading(List.of(), OptionalDouble.empty(), notes);
        }
        Seen widest = seen.getFirst();
        double reference = seen.stream().filter(s -> s.taken.fNumber == widest.taken.fNumber).mapToDouble(s -> s.opening.area()).average().orElseThrow();
        double ownSigma = sigma(widest.opening);
        List<Stop> stops = new ArrayList<>();
        for (Seen s : seen) {
            double ev = Math.log(s.opening.area() / reference) / LN2;
            double should = -2 * Math.log(s.taken.fNumber / widest.taken.fNumber) / LN2;
            List<Double> departures = new ArrayList<>();
            List<Double> towards = new ArrayList<>();
            s.polygon.ifPresent(p -> blades(p, s.taken.name, departures, towards, notes));
            boolean first = s.taken.fNumber == widest.taken.fNumber;
            stops.add(new Stop(s.taken.name, s.taken.fNumber, s.opening.area(), ev, ev - should, first ? 0 : Math.hypot(sigma(s.opening), ownSigma), s.polygon.map(Polygon::blades).orElse(0), departures, towards));
            if (s.opening.saturated()) {
                notes.add(Said.of("iris.white", "photo", s.taken.name));
            }
        }
        OptionalDouble hysteresis = hysteresis(stops);
        if (hysteresis.orElse(0) > HYSTERESIS_EV) {
            notes.add(Said.of("iris.hysteresis", "ev", hysteresis.getAsDouble()));
        }
        stops.stream().filter(s -> Math.abs(s.errorEv) > UNEVEN_EV && Math.abs(s.errorEv) > 2 * s.sigmaEv)
                .forEach(s -> notes.add(Said.of(s.errorEv > 0 ? "iris.wide" : "iris.narrow", "stop", s.fNumber, "ev", Math.abs(s.errorEv))));
        return new IrisReading(stops, hysteresis, notes);
    }

    /// One standard deviation of an area in EV: the edge all round may be off by the twentieth of a pixel.
    static double sigma(Opening o) {
        return 2 * EDGE_PX / o.meanRadius() / LN2;
    }

    private static void blades(Polygon p, String photo, List<Double> departures, List<Double> towards, List<Said> notes) {
        double[] off = p.departures();
        double[] sorted = p.bow().clone();
        Arrays.sort(sorted);
        double usual = sorted[sorted.length / 2];
        for (int i = 0; i < p.blades(); i++) {
            double share = off[i];
            departures.add(share);
            towards.add(p.towardsDeg()[i]);
            // The edge of a blade is an arc: laid in upside down it bows the other way. A straight one looks the same from both sides.
            double bow = p.bow()[i];
            if (bow * usual < 0 && Math.min(Math.abs(bow), Math.abs(usual)) > Math.max(BOW_SHARE * p.usual(), BLADE_SIGMAS * p.sigma())) {
                notes.add(Said.of("iris.reversed", "photo", photo, "clock", hour(p.towardsDeg()[i])));
            }
            if (Math.abs(share) > BLADE_SHARE && Math.abs(share) > BLADE_SIGMAS * p.sigma() / p.usual()) {
                notes.add(Said.of(share > MISSING_SHARE ? "iris.missing" : share > 0 ? "iris.blade.out" : "iris.blade.in", "photo", photo, "clock", hour(p.towardsDeg()[i]), "percent", 100 * Math.abs(share)));
            }
        }
    }

    private static int hour(double deg) {
        int hour = (int) Math.round(deg / 30) % 12;
        return hour == 0 ? 12 : hour;
    }

    private static OptionalDouble hysteresis(List<Stop> stops) {
        OptionalDouble most = OptionalDouble.empty();
        for (Stop a : stops) {
            for (Stop b : stops) {
                if (a != b && a.fNumber == b.fNumber) {
                    most = OptionalDouble.of(Math.max(most.orElse(0), Math.abs(a.ev - b.ev)));
                }
            }
        }
        return most;
    }
}

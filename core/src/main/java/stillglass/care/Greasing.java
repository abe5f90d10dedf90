package stillglass.care;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import stillglass.say.Said;

/// Which grease a thread wants, how much of it, and how it will turn.
///
/// The film fills the clearance: play s along the axis leaves s·cos(flank)/2 on each flank. The torque of a film sheared between two threads is Petroff's, T = μ·A·v/c·r with the developed area A, that is 2π·μ·ω·r³·L/c times the developed length of the profile over its pitch. It is proportional to speed; it says nothing of the yield of a grease at rest, of dry friction or of a bent thread.
///
/// @param areaMm2 developed area of one thread
/// @param filmMm on each flank
/// @param measured whether the film follows from a measured slop; else the usual one was taken
/// @param greases each with its dose and torque, in the order they were given
/// @param take the one to take; empty where no target was given, or none has a viscosity at the temperature
/// @param why that one, or what is missing, in a sentence
public record Greasing(double areaMm2, double filmMm, boolean measured, List<Fitted> greases, Optional<Fitted> take, Said why) {
    /// A hand focuses about a third of a turn in two seconds, rad/s.
    public static final double USUAL_SPEED = 1;
    /// Torques within this factor of the wanted one feel alike.
    private static final double ALIKE = 1.4;
    /// Temperatures at which torque is told, °C.
    private static final List<Double> TOLD = List.of(-10.0, 0.0, 10.0, 20.0, 30.0, 40.0);

    /// What is asked.
    /// @param engagedMm length over which both threads meet
    /// @param slopMm play along the axis, dry; empty where nobody measured it
    /// @param celsius at which it is to turn as wanted
    /// @param targetNmm torque wanted, N·mm
    /// @param speed of turning, rad/s
    public record Asked(double diameterMm, double engagedMm, GreaseDose.Profile profile, Optional<Double> slopMm, double celsius, Optional<Double> targetNmm, double speed, List<Grease> greases) {
        public Asked {
            greases = List.copyOf(greases);
            if (!(diameterMm >= 2 && diameterMm <= 500) || !(engagedMm > 0 && engagedMm <= 500)) {
                throw new IllegalArgumentException("a thread of " + diameterMm + " mm engaged over " + engagedMm + " mm is out of range: give 2 to 500 mm across and up to 500 mm engaged");
            }
            if (slopMm.filter(s -> !(s >= 0.005 && s <= 1)).isPresent()) {
                throw new IllegalArgumentException("a slop of " + slopMm.orElse(0.0) + " mm is out of range: give 0.005 to 1 mm");
            }
            if (!(celsius >= -40 && celsius <= 80) || targetNmm.filter(t -> !(t > 0 && t < 1e6)).isPresent() || !(speed > 0 && speed < 100)) {
                throw new IllegalArgumentException("a torque of " + targetNmm.orElse(0.0) + " N·mm at " + celsius + " °C and " + speed + " rad/s is out of range");
            }
        }
    }

    /// A grease in this thread.
    /// @param atNmm torque at the wanted temperature; empty where its viscosity there is not known
    public record Fitted(Grease grease, double massMg, Optional<Double> atNmm, List<Torque> torques) {}

    /// Torque at a temperature.
    public record Torque(double celsius, double nmm) {}

    public Greasing {
        greases = List.copyOf(greases);
    }

    /// @param beadDiameterMm bore of the needle
    /// @return length of a bead for the whole dose
    public double beadMm(double beadDiameterMm) {
        return areaMm2 * filmMm / (Math.PI * beadDiameterMm * beadDiameterMm / 4);
    }

    /// Of which each of the two threads gets half.
    public double volumeMm3() {
        return areaMm2 * filmMm;
    }

    public static Greasing of(Asked a) {
        double area = a.profile.developed() * Math.PI * a.diameterMm * a.engagedMm;
        double film = a.slopMm.map(s -> s * Math.cos(a.profile.flankRad()) / 2).orElse(GreaseDose.USUAL_FILM_MM);
        List<Fitted> all = new ArrayList<>();
        for (Grease g : a.greases) {
            List<Torque> torques = TOLD.stream().flatMap(t -> g.viscosityPaS(t).map(v -> new Torque(t, torque(v, area, film, a))).stream()).toList();
            all.add(new Fitted(g, area * film * g.densityMgPerMm3(), g.viscosityPaS(a.celsius).map(v -> torque(v, area, film, a)), torques));
        }
        Optional<Fitted> take = a.targetNmm.flatMap(wanted -> all.stream().filter(f -> f.atNmm.isPresent()).min(Comparator.comparingDouble((Fitted f) -> off(f, wanted)).thenComparingDouble(Greasing::spread)));
        return new Greasing(area, film, a.slopMm.isPresent(), all, take, why(a, all, take));
    }

    /// N·mm: Pa·s is N·s/mm² over a million.
    private static double torque(double viscosityPaS, double areaMm2, double filmMm, Asked a) {
        double r = a.diameterMm / 2;
        return viscosityPaS * 1e-6 * areaMm2 * a.speed * r * r / filmMm;
    }

    /// How far off the wanted torque, greases that feel alike counting as equal.
    private static double off(Fitted f, double wanted) {
        double factor = Math.abs(Math.log(f.atNmm.orElseThrow() / wanted)) / Math.log(ALIKE);
        return factor < 1 ? 0 : factor;
    }

    /// How much it stiffens in the cold; what tells of one temperature only comes last.
    private static double spread(Fitted f) {
        return f.torques.size() < 2 ? Double.MAX_VALUE : f.torques.getFirst().nmm / f.torques.getLast().nmm;
    }

    private static Said why(Asked a, List<Fitted> all, Optional<Fitted> take) {
        if (a.targetNmm.isEmpty()) {
            return Said.of("grease.why.no-target");
        }
        if (take.isEmpty()) {
            return Said.of("grease.why.none", "celsius", a.celsius);
        }
        double wanted = a.targetNmm.get();
        double at = take.get().atNmm.orElseThrow();
        long alike = all.stream().filter(f -> f.atNmm.isPresent() && off(f, wanted) == 0).count();
        String key = at > wanted * ALIKE ? "grease.why.heavy" : at < wanted / ALIKE ? "grease.why.light" : alike > 1 ? "grease.why.flat" : "grease.why.near";
        return Said.of(key, "name", take.get().grease.name(), "nmm", at, "wanted", wanted, "celsius", a.celsius);
    }
}

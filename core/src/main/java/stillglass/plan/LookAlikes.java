package stillglass.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;

/// Screws that the eye takes for one another, and what happens when they change places.
public final class LookAlikes {
    /// Lengths closer than this are not told apart without a caliper.
    public static final double EYE_MM = 0.8;

    private LookAlikes() {}

    /// Two homes whose screws look the same and are not.
    /// @param bottomsByMm how far the longer screw would reach beyond the end of the shorter one's hole;
    ///     zero when it merely fits badly
    public record Pair(Joint joint, Joint.ScrewHole hole, Joint other, Joint.ScrewHole otherHole, double bottomsByMm) {}

    /// All pairs among the given joints, worst consequence first.
    public static List<Pair> among(Instrument instrument, List<Joint> joints) {
        List<Pair> pairs = new ArrayList<>();
        for (int i = 0; i < joints.size(); i++) {
            for (int k = i; k < joints.size(); k++) {
                if (joints.get(i).hold() instanceof Hold.Screws a
                        && joints.get(k).hold() instanceof Hold.Screws b
                        && a.drive().equals(b.drive())
                        && Math.abs(a.diameterMm() - b.diameterMm()) < 0.15) {
                    compare(joints.get(i), a, joints.get(k), b, pairs);
                }
            }
        }
        pairs.sort(Comparator.comparingDouble(Pair::bottomsByMm).reversed());
        return pairs;
    }

    private static void compare(
            Joint one, Hold.Screws a, Joint other, Hold.Screws b, List<Pair> into) {
        for (Joint.ScrewHole p : a.holes()) {
            for (Joint.ScrewHole q : b.holes()) {
                double apart = Math.abs(p.lengthMm() - q.lengthMm());
                boolean onceOnly = one != other || p.cell().compareTo(q.cell()) < 0;
                if (onceOnly && apart > 0.05 && apart < EYE_MM) {
                    double longer = Math.max(p.lengthMm(), q.lengthMm());
                    double shallow = p.lengthMm() < q.lengthMm() ? p.holeDepthMm() : q.holeDepthMm();
                    into.add(new Pair(one, p, other, q, Math.max(0, longer - shallow)));
                }
            }
        }
    }

    /// Homes for a screw of a measured length, nearest first.
    public static List<Joint.ScrewHole> homes(List<Joint> joints, String drive, double lengthMm, double toleranceMm) {
        return joints.stream()
                .filter(j -> j.hold() instanceof Hold.Screws s && s.drive().equals(drive))
                .flatMap(j -> ((Hold.Screws) j.hold()).holes().stream())
                .filter(h -> Math.abs(h.lengthMm() - lengthMm) <= toleranceMm)
                .sorted(Comparator.comparingDouble(h -> Math.abs(h.lengthMm() - lengthMm)))
                .toList();
    }
}

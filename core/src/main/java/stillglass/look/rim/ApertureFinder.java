package stillglass.look.rim;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import stillglass.look.Aperture;
import stillglass.look.LinearPhoto;

/// Finds the clear aperture: the centres on which edges agree, the rings about each, and among them the rim of the glass.
///
/// Barrel, filter thread and retaining ring often stand out more than the rim, and so do an iris closed down or an inner glass full of haze. A network that has seen many mounts from the middle to the barrel's outside says how likely each ring is to be the rim ([RimNet], [RimRanking]).
public final class ApertureFinder {
    private static final int MOST_TOLD = 10;
    /// Rings that differ by less are one for whoever goes on to the next.
    private static final double ANOTHER = 0.015;
    /// How far a rim may have moved between two photos from one place, of its radius: a hand, and what focusing does to the scale.
    private static final double MOVED = 0.04;
    /// How far a ring out of focus may be told off its edge, of its radius.
    private static final double SHIFTED = 0.025;
    /// Of an edge out of focus at the place of a rim, in all directions nearly the same.
    private static final double STILL_THERE = 0.9;
    private static final double LEAST_STEP = 0.08;
    /// Chance from which a ring at the place of a rim is one though no edge goes all round.
    private static final double LEAST_HELD = 0.02;
    /// How far a ring may move when it is fitted to the edge it lies on, of its radius.
    private static final double SETTLES = 0.006;

    private ApertureFinder() {}

    /// A ring that may be the rim.
    /// @param ring in working pixels
    /// @param chance that it is, 0 to 1
    public record Ring(Aperture ring, double chance) {}

    /// The ring that is taken for the rim.
    /// @param lens how likely any ring of the photo is the rim of a lens, told by mounts as they usually are; 1 where the rim of the photo before lies there
    public record Found(Ring rim, double lens) {}

    /// @param before the rim in a photo taken from that side before, in working pixels: a ring that lies there, in focus or not, is taken and is sure
    /// @return the likeliest ring otherwise, or nothing when no round edge stands out
    public static Optional<Found> find(LinearPhoto photo, Optional<Aperture> before) {
        return find(EdgePhoto.of(photo), before);
    }

    /// Rings that may be the rim, the likeliest first, no two of them nearly the same; none when no round edge stands out.
    public static List<Ring> candidates(LinearPhoto photo) {
        return candidates(EdgePhoto.of(photo));
    }

    static Optional<Found> find(EdgePhoto photo, Optional<Aperture> before) {
        List<RingProfile> profiles = profiles(photo);
        List<Ring> rings = candidates(photo, profiles, RimNet.shipped());
        return before.flatMap(b -> where(photo, rings, b)).map(a -> new Found(new Ring(a, 1), 1))
                .or(() -> rings.stream().findFirst().map(r -> new Found(r, candidates(photo, profiles, RimNet.ofRooms()).stream().findFirst().map(Ring::chance).orElse(0.0))));
    }

    /// The ring that lies nearest to where the rim was, or nothing: the camera was elsewhere.
    private static Optional<Aperture> where(EdgePhoto photo, List<Ring> rings, Aperture before) {
        return rings.stream().filter(r -> r.chance >= LEAST_HELD || edges(photo, r.ring).findAny().isPresent()).map(Ring::ring).filter(c -> near(c, before, MOVED)).min(Comparator.comparingDouble(c -> apart(c, before)))
                .map(c -> edges(photo, c).filter(e -> near(e.ring(), c, SHIFTED)).min(Comparator.comparingDouble(e -> Math.abs(e.ring().meanRadius() - c.meanRadius()))).map(RingEdge::ring).orElse(c))
                .or(() -> edges(photo, before).max(Comparator.comparingDouble(e -> Math.abs(e.step()))).map(RingEdge::ring));
    }

    /// What changes across a ring or close by in all directions, sharp or not.
    private static Stream<RingEdge> edges(EdgePhoto photo, Aperture about) {
        return Stream.of(-1.0, 1.0).flatMap(sign -> Stream.of(RingEdge.measure(photo, RingEdge.refine(photo, about, sign, 0.6, 0.05, 0.03)))
                .filter(r -> near(r.ring(), about, MOVED) && r.agree() > STILL_THERE && sign * r.step() > LEAST_STEP));
    }

    static List<Ring> candidates(EdgePhoto photo) {
        return candidates(photo, profiles(photo), RimNet.shipped());
    }

    private static List<Ring> candidates(EdgePhoto photo, List<RingProfile> profiles, RimNet net) {
        List<Ring> all = joined(RimRanking.of(net, profiles).stream().map(r -> new Ring(settled(photo, r.ring()), r.chance())).toList());
        return different(all.stream().sorted(Comparator.comparingDouble(Ring::chance).reversed()).toList());
    }

    /// One ring of the mount is seen about several centres: each adds what it says for it.
    static List<Ring> joined(List<Ring> rings) {
        List<Ring> out = new ArrayList<>();
        for (Ring r : rings) {
            int same = IntStream.range(0, out.size()).filter(i -> near(r.ring, out.get(i).ring, ANOTHER / 2)).findFirst().orElse(out.size());
            if (same < out.size()) {
                out.set(same, new Ring(out.get(same).ring, out.get(same).chance + r.chance));
            } else {
                out.add(r);
            }
        }
        return out;
    }

    /// The rings about every centre on which edges agree.
    static List<RingProfile> profiles(EdgePhoto photo) {
        return RingFamilies.of(photo).parallelStream().map(f -> RingProfile.of(photo, f)).toList();
    }

    private static boolean near(Aperture a, Aperture b, double share) {
        return apart(a, b) < share;
    }

    /// Distance of the centres or of the radii, whichever is larger, of the radius of `b`.
    private static double apart(Aperture a, Aperture b) {
        return Math.max(Math.hypot(a.cx() - b.cx(), a.cy() - b.cy()), Math.abs(a.meanRadius() - b.meanRadius())) / b.meanRadius();
    }

    /// The first few, without those that are nearly one that comes before.
    static List<Ring> different(List<Ring> rings) {
        List<Ring> told = new ArrayList<>();
        for (Ring r : rings) {
            if (told.size() < MOST_TOLD && told.stream().noneMatch(t -> near(r.ring, t.ring, ANOTHER))) {
                told.add(r);
            }
        }
        return told;
    }

    /// The ring fitted to the edge it lies on, unless that strays.
    private static Aperture settled(EdgePhoto photo, Aperture ring) {
        Aperture fitted = RingEdge.refine(photo, ring, RingEdge.step(photo, ring).step(), 0.5, 0.012, 0.008);
        return near(fitted, ring, SETTLES) && fitted.ry() > 0.8 * fitted.rx() ? fitted : ring;
    }
}

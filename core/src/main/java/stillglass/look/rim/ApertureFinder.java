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
    /// How far a ring may move when it is fitted to the edge it lies on, of its radius.
    private static final double SETTLES = 0.006;

    private ApertureFinder() {}

    /// A ring that may be the rim.
    /// @param ring in working pixels
    /// @param chance that it is, 0 to 1
    public record Ring(Aperture ring, double chance) {}

    /// @return the likeliest ring, or nothing when no round edge stands out
    public static Optional<Ring> find(LinearPhoto photo) {
        return find(EdgePhoto.of(photo));
    }

    /// The ring that lies where the rim was in another photo, in focus or not.
    /// @param before in working pixels
    /// @return nothing where no edge lies there: the camera was elsewhere
    public static Optional<Aperture> where(LinearPhoto photo, Aperture before) {
        return where(EdgePhoto.of(photo), before);
    }

    /// Rings that may be the rim, the likeliest first, no two of them nearly the same; none when no round edge stands out.
    public static List<Ring> candidates(LinearPhoto photo) {
        return candidates(EdgePhoto.of(photo));
    }

    static Optional<Ring> find(EdgePhoto photo) {
        return candidates(photo).stream().findFirst();
    }

    static Optional<Aperture> where(EdgePhoto photo, Aperture before) {
        return candidates(photo).stream().map(Ring::ring).filter(c -> near(c, before, MOVED)).findFirst()
                .map(c -> edges(photo, c).filter(e -> near(e.ring(), c, SHIFTED)).min(Comparator.comparingDouble(e -> Math.abs(e.ring().meanRadius() - c.meanRadius()))).map(RingEdge::ring).orElse(c))
                .or(() -> edges(photo, before).max(Comparator.comparingDouble(e -> Math.abs(e.step()))).map(RingEdge::ring));
    }

    /// What changes across a ring or close by in all directions, sharp or not.
    private static Stream<RingEdge> edges(EdgePhoto photo, Aperture about) {
        return Stream.of(-1.0, 1.0).flatMap(sign -> Stream.of(RingEdge.measure(photo, RingEdge.refine(photo, about, sign, 0.6, 0.05, 0.03)))
                .filter(r -> near(r.ring(), about, MOVED) && r.agree() > STILL_THERE && sign * r.step() > LEAST_STEP));
    }

    static List<Ring> candidates(EdgePhoto photo) {
        return candidates(photo, RimNet.shipped());
    }

    static List<Ring> candidates(EdgePhoto photo, RimNet net) {
        List<Ring> all = new ArrayList<>();
        for (RimRanking.Ranked r : RimRanking.of(net, profiles(photo))) {
            Aperture ring = settled(photo, r.ring());
            // One ring of the mount is seen about several centres: each adds what it says for it.
            int same = IntStream.range(0, all.size()).filter(i -> near(ring, all.get(i).ring, ANOTHER / 2)).findFirst().orElse(all.size());
            if (same < all.size()) {
                all.set(same, new Ring(all.get(same).ring, all.get(same).chance + r.chance()));
            } else {
                all.add(new Ring(ring, r.chance()));
            }
        }
        all.sort(Comparator.comparingDouble(Ring::chance).reversed());
        return different(all);
    }

    /// The rings about every centre on which edges agree.
    static List<RingProfile> profiles(EdgePhoto photo) {
        return RingFamilies.of(photo).parallelStream().map(f -> RingProfile.of(photo, f)).toList();
    }

    private static boolean near(Aperture a, Aperture b, double share) {
        return Math.hypot(a.cx() - b.cx(), a.cy() - b.cy()) < share * b.meanRadius() && Math.abs(a.meanRadius() / b.meanRadius() - 1) < share;
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

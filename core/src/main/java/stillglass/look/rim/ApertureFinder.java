package stillglass.look.rim;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import stillglass.look.Aperture;
import stillglass.look.Both;
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
    /// An edge is offered before a place without one, of whose chance it has this share at least.
    private static final double EDGE = 0.5;
    /// Of the likeliest rings those whose centre is asked about.
    private static final int LOOSE = 3;
    /// How well a ring follows an edge whose centre is its own.
    private static final double FOLLOWS = 0.8;
    /// Centres closer than this share of the radius are one.
    private static final double SAME_CENTRE = 0.004;

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
        RimRanking.Asked asked = recentred(photo, profiles(photo));
        Both<List<Ring>, List<Ring>> rings = Both.of(() -> candidates(photo, asked), () -> candidates(photo, RimRanking.Asked.of(RimNet.ofRooms(), asked.profiles())));
        return before.flatMap(b -> where(photo, rings.one(), b)).map(a -> new Found(new Ring(a, 1), 1))
                .or(() -> rings.one().stream().findFirst().map(r -> new Found(r, rings.other().stream().findFirst().map(Ring::chance).orElse(0.0))));
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
        return candidates(photo, recentred(photo, profiles(photo)));
    }

    private static List<Ring> candidates(EdgePhoto photo, RimRanking.Asked asked) {
        RimRanking.Said said = asked.said();
        List<Ring> all = joined(said.told().stream().map(r -> new Ring(settled(photo, r.ring()), r.chance())).toList());
        return offered(all.stream().sorted(Comparator.comparingDouble(Ring::chance).reversed()).toList(), said.rows().stream().map(r -> new Ring(r.ring(), r.chance())).toList());
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

    /// With the rings about the centres of the edges that lie by the likeliest rings, where those follow no edge well: their centre is another's, or lies between two.
    static RimRanking.Asked recentred(EdgePhoto photo, List<RingProfile> profiles) {
        RimRanking.Asked asked = RimRanking.Asked.of(RimNet.shipped(), profiles);
        List<Aperture> families = new ArrayList<>(profiles.stream().map(p -> p.family).toList());
        for (Aperture f : asked.said().told().stream().limit(LOOSE).flatMap(r -> beside(photo, RingEdge.step(photo, r.ring()))).toList()) {
            if (families.stream().noneMatch(k -> centres(k, f) < SAME_CENTRE * f.meanRadius())) {
                families.add(f);
            }
        }
        return asked.and(families.stream().skip(profiles.size()).toList().parallelStream().map(f -> RingProfile.of(photo, f)).toList());
    }

    /// Rings fitted to the edges that lie by one that follows none, where they follow one better.
    private static Stream<Aperture> beside(EdgePhoto photo, RingEdge loose) {
        return loose.follows() >= FOLLOWS ? Stream.empty() : Stream.of(-1.0, 1.0).map(sign -> RingEdge.step(photo, RingEdge.refine(photo, loose.ring(), sign, 0.5, 0.035, 0.02, 0.012, 0.008)))
                .filter(f -> f.follows() > loose.follows() && near(f.ring(), loose.ring(), MOVED)).map(RingEdge::ring);
    }

    private static double centres(Aperture a, Aperture b) {
        return Math.hypot(a.cx() - b.cx(), a.cy() - b.cy());
    }

    private static boolean near(Aperture a, Aperture b, double share) {
        return apart(a, b) < share;
    }

    /// Distance of the centres or of the radii, whichever is larger, of the radius of `b`.
    private static double apart(Aperture a, Aperture b) {
        return Math.max(Math.hypot(a.cx() - b.cx(), a.cy() - b.cy()), Math.abs(a.meanRadius() - b.meanRadius())) / b.meanRadius();
    }

    /// The likeliest, then each time the one about which most is said that lies near none before it: an edge, or where more is said of a place without one, that place. So the rim is among the first few as often as may be.
    /// @param edges the likeliest first
    /// @param rows what is said of each place
    static List<Ring> offered(List<Ring> edges, List<Ring> rows) {
        List<Ring> out = new ArrayList<>(edges.stream().limit(1).toList());
        List<Ring> left = rows;
        Optional<Ring> next = edges.stream().findFirst();
        while (next.isPresent() && out.size() < MOST_TOLD) {
            Ring last = next.get();
            left = left.stream().filter(r -> !near(r.ring, last.ring, ANOTHER)).toList();
            List<Ring> open = left;
            Optional<Ring> edge = edges.stream().filter(r -> isAnother(r, out)).findFirst();
            Optional<Ring> place = open.stream().filter(r -> isAnother(r, out)).map(r -> new Ring(r.ring, about(r, open))).max(Comparator.comparingDouble(Ring::chance));
            next = edge.filter(e -> place.isEmpty() || e.chance >= EDGE * place.get().chance).or(() -> place);
            next.ifPresent(out::add);
        }
        return out;
    }

    private static boolean isAnother(Ring r, List<Ring> told) {
        return told.stream().noneMatch(t -> near(r.ring, t.ring, ANOTHER));
    }

    /// What is said of all places near a ring.
    private static double about(Ring ring, List<Ring> rows) {
        return rows.stream().filter(r -> near(r.ring, ring.ring, ANOTHER)).mapToDouble(Ring::chance).sum();
    }

    /// The ring fitted to the edge it lies on, unless that strays.
    private static Aperture settled(EdgePhoto photo, Aperture ring) {
        Aperture fitted = RingEdge.refine(photo, ring, RingEdge.step(photo, ring).step(), 0.5, 0.012, 0.008);
        return near(fitted, ring, SETTLES) && fitted.ry() > 0.8 * fitted.rx() ? fitted : ring;
    }
}

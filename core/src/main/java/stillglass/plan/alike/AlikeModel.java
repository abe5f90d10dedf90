package stillglass.plan.alike;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.assembly.Point;
import stillglass.assembly.Side;
import stillglass.optics.Element;
import stillglass.optics.LensSection;
import stillglass.optics.Paraxial;
import stillglass.say.Said;

/// A known model built like one that is on no map, and what differs.
///
/// @param known its map
/// @param likeness of the two rows of glasses, 0 to 1
/// @param differences each in a sentence
/// @param glasses names in the known lens with their counterparts in the other
public record AlikeModel(Known known, double likeness, List<Said> differences, Map<String, String> glasses) {
    /// Below this a map would mislead more than it helps.
    public static final double LEAST_LIKENESS = 0.7;
    /// Nobody has opened it: every joint is riskier than on the model it was taken from, and slower.
    private static final double MORE_RISK = 1.5;
    private static final double MORE_MINUTES = 1.25;
    private static final double SEAT_MINUTES = 2;
    private static final double SEAT_RISK = 0.02;
    /// Sizes that differ by less are the same to a spanner.
    private static final double SAME_SIZE = 0.04;

    /// A model on the shelf.
    public record Known(Instrument map, LensSection section) {}

    public AlikeModel {
        differences = List.copyOf(differences);
        glasses = Map.copyOf(glasses);
    }

    /// The known model most alike, when one is alike enough.
    public static Optional<AlikeModel> best(LensSection lens, List<Known> shelf) {
        return shelf.stream().filter(k -> k.map.sort() != Instrument.Sort.BODY && !k.map.joints().isEmpty()).map(k -> of(lens, k))
                .filter(a -> a.likeness >= LEAST_LIKENESS).max(Comparator.comparingDouble(AlikeModel::likeness));
    }

    /// How alike one known model is.
    public static AlikeModel of(LensSection lens, Known known) {
        GlassMatch match = GlassMatch.of(known.section, lens);
        return new AlikeModel(known, match.likeness(), differences(lens, known.section, match), match.pairs());
    }

    private static List<Said> differences(LensSection lens, LensSection known, GlassMatch match) {
        List<Said> out = new ArrayList<>();
        if (lens.elements().size() != known.elements().size()) {
            out.add(Said.of("alike.count", "count", lens.elements().size(), "known", known.elements().size()));
        }
        known.elements().stream().map(Element::name).filter(n -> !match.pairs().containsKey(n)).forEach(n -> out.add(Said.of("alike.gone", "glass", n)));
        lens.elements().stream().map(Element::name).filter(n -> !match.pairs().containsValue(n)).forEach(n -> out.add(Said.of("alike.new", "glass", n)));
        match.pairs().entrySet().stream().sorted(Map.Entry.comparingByKey()).forEach(p -> known.element(p.getKey()).ifPresent(a -> lens.element(p.getValue()).ifPresent(b -> {
            if (a.cementedWith().size() != b.cementedWith().size()) {
                out.add(Said.of(b.cementedWith().isEmpty() ? "alike.single" : "alike.cemented", "glass", b.name()));
            }
        })));
        double ratio = size(lens) / size(known);
        if (Math.abs(ratio - 1) > SAME_SIZE) {
            out.add(Said.of(ratio > 1 ? "alike.larger" : "alike.smaller", "percent", 100 * Math.abs(ratio - 1)));
        }
        double efl = Paraxial.of(lens).eflMm();
        double knownEfl = Paraxial.of(known).eflMm();
        if (Math.abs(efl / knownEfl - 1) > SAME_SIZE) {
            out.add(Said.of("alike.focal", "mm", efl, "known", knownEfl));
        }
        return out;
    }

    private static double size(LensSection lens) {
        return lens.elements().stream().mapToDouble(Element::diameterMm).average().orElse(1);
    }

    /// The known map fitted to the other lens: glasses under their new names, joints of what is not there left out and the waiting of others passed on, glass
    /// that is new seated behind its neighbour's joints, sizes in proportion, everything slower and riskier than where it was seen.
    /// @param bare the other model as it was, its glasses without a map
    /// @param lens its section
    public Instrument carriedOver(Instrument bare, LensSection lens) {
        double ratio = size(lens) / size(known.section);
        Set<String> gone = new LinkedHashSet<>();
        Map<String, String> carriers = carriers(lens);
        List<Part> parts = new ArrayList<>(bare.parts().stream().filter(p -> p.element().isPresent()).map(p -> placed(p, carriers)).toList());
        for (Part p : known.map.parts()) {
            if (p.element().isPresent()) {
                Optional<String> counterpart = p.element().map(glasses::get);
                if (counterpart.filter(c -> !carriers.containsKey(c)).isEmpty()) {
                    gone.add(p.id());
                }
            } else {
                parts.add(new Part(p.id(), renamed(p.name()), p.kind(), p.materials(), List.of(), Optional.empty(), p.within().map(this::partId), p.facingMatters(), p.fragile()));
            }
        }
        List<Joint> kept = new ArrayList<>();
        Map<String, Joint> dropped = new HashMap<>();
        for (Joint j : known.map.joints()) {
            boolean forNothing = !j.frees().isEmpty() && gone.containsAll(j.frees());
            if (forNothing) {
                dropped.put(j.id(), j);
            } else {
                kept.add(j);
            }
        }
        List<Joint> joints = new ArrayList<>();
        for (Joint j : kept) {
            joints.add(new Joint(j.id(), renamed(j.name()), scaled(j.hold(), ratio), j.side(), j.tool(), Math.min(599, MORE_MINUTES * j.minutes()), Math.min(0.95, MORE_RISK * j.risk()),
                    passedOn(j.behind(), dropped), j.frees().stream().filter(p -> !gone.contains(p)).map(this::partId).toList(), exposed(j, lens), j.loses(), j.hazards(), close(j.close(), dropped)));
        }
        List<Joint> whole = new ArrayList<>(joints);
        lens.elements().stream().filter(e -> !carriers.containsKey(e.name()) && joints.stream().noneMatch(j -> j.frees().contains(e.name())))
                .forEach(e -> whole.add(seat(e, lens, joints)));
        return new Instrument(bare.id(), bare.maker(), bare.name(), bare.sort(), bare.sectionId(), bare.flangeFocalMm(), known.map.maxExtensionMm(), parts, whole,
                known.map.references(), Optional.empty(), known.map.infinityShims().filter(i -> parts.stream().anyMatch(p -> p.id().equals(i))));
    }

    /// Glasses that leave with another they are cemented to: of every group the one whose counterpart has a joint of its own carries the others.
    private Map<String, String> carriers(LensSection lens) {
        Map<String, String> out = new HashMap<>();
        for (Element e : lens.elements()) {
            List<Element> group = lens.elements().stream().filter(o -> o.group().equals(e.group())).toList();
            Element carrier = group.stream().filter(o -> counterpart(o.name()).flatMap(p -> known.map.freedBy(p.id())).isPresent()).findFirst().orElse(group.getFirst());
            if (!e.name().equals(carrier.name())) {
                out.put(e.name(), carrier.name());
            }
        }
        return out;
    }

    private Optional<Part> counterpart(String glass) {
        return known.map.parts().stream().filter(p -> p.element().map(glasses::get).filter(glass::equals).isPresent()).findFirst();
    }

    /// A glass of the other lens, in the cell its counterpart lies in, or in the glass it is cemented to.
    private Part placed(Part glass, Map<String, String> carriers) {
        Optional<String> within = Optional.ofNullable(carriers.get(glass.id())).or(() -> {
            Optional<Part> around = counterpart(glass.id()).flatMap(Part::within).flatMap(known.map::part);
            // A counterpart that was cemented lies where its partner does.
            return around.flatMap(a -> a.element().isPresent() ? a.within() : Optional.of(a.id()));
        });
        return new Part(glass.id(), glass.name(), glass.kind(), glass.materials(), glass.profile(), glass.element(), within, glass.facingMatters(), glass.fragile());
    }

    /// Id of a known part in the other model: glasses have new names.
    private String partId(String id) {
        return known.map.part(id).flatMap(Part::element).map(e -> glasses.getOrDefault(e, e)).orElse(id);
    }

    /// "retainer of E1" with the glass's new name.
    private String renamed(String name) {
        StringBuilder out = new StringBuilder();
        for (String word : name.split("(?<=[^A-Za-z0-9])|(?=[^A-Za-z0-9])")) {
            out.append(glasses.getOrDefault(word, word));
        }
        return out.toString();
    }

    private static Hold scaled(Hold h, double by) {
        return switch (h) {
            case Hold.Thread t -> new Hold.Thread(t.leadMm(), t.starts(), t.turns(), t.diameterMm() * by, t.engagedMm());
            case Hold.RetainingRing r -> new Hold.RetainingRing(r.diameterMm() * by, r.turns(), r.proudMm());
            default -> h;
        };
    }

    /// Whoever waited for a joint that is not there waits for what that waited for.
    private static Joint.Behind passedOn(Joint.Behind behind, Map<String, Joint> dropped) {
        Set<String> all = resolved(behind.all(), dropped, new HashSet<>());
        List<Set<String>> oneOf = behind.oneOf().stream().filter(s -> s.stream().noneMatch(dropped::containsKey)).toList();
        return behind.waiting(all, oneOf);
    }

    private static Set<String> resolved(Set<String> ids, Map<String, Joint> dropped, Set<String> seen) {
        Set<String> out = new LinkedHashSet<>();
        for (String id : ids) {
            Joint j = dropped.get(id);
            if (j == null) {
                out.add(id);
            } else if (seen.add(id)) {
                out.addAll(resolved(j.behind().all(), dropped, seen));
            }
        }
        return out;
    }

    private static Joint.Closing close(Joint.Closing c, Map<String, Joint> dropped) {
        Set<String> before = new HashSet<>(c.before());
        before.removeAll(dropped.keySet());
        Optional<Joint.Test> test = c.test().map(t -> new Joint.Test(t.what(), t.needs().stream().filter(id -> !dropped.containsKey(id)).collect(Collectors.toSet())));
        return new Joint.Closing(c.setFirst(), c.looseUntil().filter(id -> !dropped.containsKey(id)), test, c.greased(), before,
                c.refit().filter(id -> !dropped.containsKey(id)), c.zeroLast(), c.points().stream().map(Point::elsewhere).toList());
    }

    /// Surfaces of the counterparts of the glass that it bares.
    private Set<Integer> exposed(Joint j, LensSection lens) {
        Set<Integer> out = new HashSet<>();
        for (int s : j.exposes()) {
            for (Element e : known.section.elementsAt(s)) {
                Optional.ofNullable(glasses.get(e.name())).flatMap(lens::element).ifPresent(n -> out.add(s == e.firstSurface() ? n.firstSurface() : n.lastSurface()));
            }
        }
        return out;
    }

    /// How a glass that is new may be held: seated, reached when its neighbour in front, or else behind, is out.
    private Joint seat(Element e, LensSection lens, List<Joint> joints) {
        int at = lens.elements().indexOf(e);
        for (int far = 1; far < lens.elements().size(); far++) {
            for (int other : new int[] {at - far, at + far}) {
                Optional<Joint> door = other < 0 || other >= lens.elements().size() ? Optional.empty()
                        : joints.stream().filter(j -> j.frees().contains(lens.elements().get(other).name())).findFirst();
                if (door.isPresent()) {
                    return seat(e, Set.of(door.get().id()), door.get().side());
                }
            }
        }
        return seat(e, Set.of(), Side.FRONT);
    }

    private static Joint seat(Element e, Set<String> after, Side side) {
        return new Joint("seat-" + e.name().toLowerCase(Locale.ROOT), e.name() + ", held in a way not seen yet", new Hold.Seat(), side, "to be seen", SEAT_MINUTES, SEAT_RISK,
                Joint.Behind.of(after), List.of(e.name()), Set.of(e.firstSurface(), e.lastSurface()), Set.of(), Set.of(Joint.Hazard.GLASS_DROPS), Joint.Closing.PLAIN);
    }
}

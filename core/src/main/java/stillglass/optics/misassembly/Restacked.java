package stillglass.optics.misassembly;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import stillglass.optics.Element;
import stillglass.optics.LensSection;
import stillglass.optics.Medium;
import stillglass.optics.Surface;
import stillglass.optics.Tilt;

/// Takes a lens apart into blocks of glass (single elements or cemented groups) and stacks them again.
///
/// Rim seating: a block touches its neighbours on the ring of its own rim diameter, and the axial distance from
/// rim to rim is what barrel and spacers fix. Turning a block with front sag `a` and rear sag `b` at its rim
/// therefore lengthens the gap before it by `a + b` and shortens the gap after it by the same. A block of another edge thickness than the one that belongs there takes along what rests on it ([Places]).
final class Restacked {
    private Restacked() {}

    private record Block(int first, int last, double seatRadiusMm) {
        static Block of(LensSection lens, List<String> names) {
            List<Element> glasses = names.stream()
                    .map(n -> lens.element(n.strip())
                            .orElseThrow(() -> new IllegalArgumentException(
                                    "there is no " + n + " in " + lens.name() + ": it has "
                                            + lens.elements().getFirst().name() + " to "
                                            + lens.elements().getLast().name())))
                    .toList();
            for (Element e : glasses) {
                for (String partner : e.cementedWith()) {
                    if (!names.contains(partner)) {
                        throw new IllegalArgumentException(
                                e.name() + " is cemented to " + partner + ": name the whole group, "
                                        + String.join("+", lens.elements().stream()
                                                .filter(o -> o.group().equals(e.group()))
                                                .map(Element::name)
                                                .toList()));
                    }
                }
            }
            if (glasses.stream().map(Element::group).distinct().count() != 1) {
                throw new IllegalArgumentException(String.join("+", names) + " is not one cemented group");
            }
            int first = glasses.stream().mapToInt(Element::firstSurface).min().orElseThrow();
            int last = glasses.stream().mapToInt(Element::lastSurface).max().orElseThrow();
            return new Block(first, last, glasses.getFirst().diameterMm() / 2);
        }
    }

    /// One block as it stands: its surfaces with inner thicknesses, and its glasses with indices relative to it.
    private record Stack(List<Surface> surfaces, List<Element> elements, double seatRadiusMm) {
        static Stack of(LensSection lens, Block b) {
            List<Element> inside = lens.elements().stream()
                    .filter(e -> e.firstSurface() >= b.first && e.lastSurface() <= b.last)
                    .map(e -> moved(e, -b.first))
                    .toList();
            return new Stack(lens.surfaces().subList(b.first, b.last + 1), inside, b.seatRadiusMm);
        }

        Stack reversed() {
            int n = surfaces.size();
            List<Surface> turned = new ArrayList<>();
            for (int i = n - 1; i >= 0; i--) {
                Medium nowAfter = i > 0 ? surfaces.get(i - 1).after() : new Medium.Air();
                double thickness = i > 0 ? surfaces.get(i - 1).thicknessMm() : 0;
                turned.add(surfaces.get(i).reversed(nowAfter).withThickness(thickness));
            }
            List<Element> glasses = new ArrayList<>();
            for (Element e : elements) {
                glasses.add(new Element(
                        e.name(),
                        n - 1 - e.lastSurface(),
                        n - 1 - e.firstSurface(),
                        e.diameterMm(),
                        e.group(),
                        e.centreThicknessMm(),
                        e.edgeThicknessMm(),
                        e.cementedWith()));
            }
            Collections.reverse(glasses);
            return new Stack(turned, glasses, seatRadiusMm);
        }

        double frontSagMm() {
            return surfaces.getFirst().sagMm(seatRadiusMm);
        }

        /// From rim to rim.
        double edgeMm() {
            return surfaces.subList(0, surfaces.size() - 1).stream().mapToDouble(Surface::thicknessMm).sum() + rearSagMm() - frontSagMm();
        }

        double rearSagMm() {
            return surfaces.getLast().sagMm(seatRadiusMm);
        }
    }

    private static Element moved(Element e, int by) {
        return new Element(
                e.name(),
                e.firstSurface() + by,
                e.lastSurface() + by,
                e.diameterMm(),
                e.group(),
                e.centreThicknessMm(),
                e.edgeThicknessMm(),
                e.cementedWith());
    }

    static LensSection reverse(LensSection lens, List<String> names, LensFault.Seating seating) {
        Block place = Block.of(lens, names);
        return replace(lens, place, Stack.of(lens, place).reversed(), seating);
    }

    static LensSection swap(LensSection lens, List<String> one, List<String> other, LensFault.Seating seating) {
        Block a = Block.of(lens, one);
        Block b = Block.of(lens, other);
        if (a.first == b.first) {
            throw new IllegalArgumentException(String.join("+", one) + " cannot be swapped with itself");
        }
        Block front = a.first < b.first ? a : b;
        Block rear = a.first < b.first ? b : a;
        Stack fromFront = Stack.of(lens, front);
        Stack fromRear = Stack.of(lens, rear);
        // The rear place first, so that the indices of the front place still hold.
        LensSection half = replace(lens, rear, fromFront, seating);
        return replace(half, front, fromRear, seating);
    }

    static LensSection lift(LensSection lens, List<String> names, double liftMm, double tiltRad, double towardsRad) {
        Block block = Block.of(lens, names);
        return Spacing.lifted(lens, block.first, block.last, liftMm, tiltRad, towardsRad);
    }

    static LensSection decentre(LensSection lens, List<String> names, double mm, double towardsRad) {
        Block block = Block.of(lens, names);
        return Spacing.leaning(lens, new Tilt(block.first, block.last, 0, towardsRad, mm));
    }

    /// Puts `stack` where `place` was, adjusting the gaps on both sides by the seating rule.
    private static LensSection replace(LensSection lens, Block place, Stack stack, LensFault.Seating seating) {
        Stack old = Stack.of(lens, place);
        double before = 0;
        double after = 0;
        if (seating == LensFault.Seating.RIM) {
            before = old.frontSagMm() - stack.frontSagMm();
            after = stack.rearSagMm() - old.rearSagMm();
        }
        List<Surface> surfaces = new ArrayList<>(lens.surfaces().subList(0, place.first));
        if (place.first > 0) {
            Surface s = surfaces.removeLast();
            surfaces.add(s.withThickness(s.thicknessMm() + before));
        }
        double gapBehind = lens.surfaces().get(place.last).thicknessMm() + after;
        surfaces.addAll(stack.surfaces);
        surfaces.add(surfaces.removeLast().withThickness(gapBehind).withAfter(new Medium.Air()));
        surfaces.addAll(lens.surfaces().subList(place.last + 1, lens.surfaces().size()));
        int grown = stack.surfaces.size() - (place.last - place.first + 1);
        List<Element> elements = new ArrayList<>();
        lens.elements().stream().filter(e -> e.lastSurface() < place.first).forEach(elements::add);
        stack.elements.forEach(e -> elements.add(moved(e, place.first)));
        lens.elements().stream()
                .filter(e -> e.firstSurface() > place.last)
                .forEach(e -> elements.add(moved(e, grown)));
        List<Tilt> tilts = new ArrayList<>();
        for (Tilt t : lens.tilts()) {
            boolean behind = t.firstSurface() > place.last;
            if (behind || t.lastSurface() < place.first) {
                tilts.add(t.moved(behind ? grown : 0));
            }
        }
        LensSection restacked = lens.withTilts(List.of()).withSurfaces(surfaces, elements).withTilts(tilts);
        return seating == LensFault.Seating.RIM ? new Places(restacked).settled(place.first, stack.edgeMm() - old.edgeMm()) : restacked;
    }
}

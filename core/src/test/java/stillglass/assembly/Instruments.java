package stillglass.assembly;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/// Small instruments for tests.
public final class Instruments {
    private Instruments() {}

    /// Ring over a glass over a spacer, a six-start helicoid behind, and two look-alike screws.
    public static Instrument small() {
        List<Part> parts = List.of(
                part("ring", Part.Kind.RING, Set.of(Material.ALUMINIUM, Material.ENGRAVED_PAINT), Optional.empty(), Optional.empty(), false),
                part("E1", Part.Kind.GLASS, Set.of(Material.COATED_GLASS, Material.EDGE_PAINT), Optional.of("E1"), Optional.of("cell"), true),
                part("spacer", Part.Kind.SPACER, Set.of(Material.BRASS), Optional.empty(), Optional.of("cell"), true),
                part("cell", Part.Kind.CELL, Set.of(Material.ALUMINIUM), Optional.empty(), Optional.empty(), false),
                part("helicoid", Part.Kind.HELICOID, Set.of(Material.BRASS), Optional.empty(), Optional.empty(), false),
                part("shims", Part.Kind.SHIM, Set.of(Material.BRASS), Optional.empty(), Optional.empty(), false),
                part("E2", Part.Kind.GLASS, Set.of(Material.COATED_GLASS, Material.BALSAM), Optional.of("E2"), Optional.empty(), true),
                part("E3", Part.Kind.GLASS, Set.of(Material.COATED_GLASS, Material.BALSAM), Optional.of("E3"), Optional.of("E2"), false));
        List<Joint> joints = List.of(
                joint("ring-thread", new Hold.Thread(0.75, 1, 3.5, 40, 2), Side.FRONT, "cup", 2, 0.01, Set.of(), List.of("ring"), Set.of(), Set.of()),
                joint("e1-seat", new Hold.Seat(), Side.FRONT, "suction cup", 1, 0.01, Set.of("ring-thread"), List.of("E1"), Set.of(0, 1), Set.of()),
                joint("spacer-seat", new Hold.Seat(), Side.FRONT, "tweezers", 1, 0.002, Set.of("e1-seat"), List.of("spacer"), Set.of(), Set.of()),
                joint("mount-screws", new Hold.Screws("cross", 2, List.of(
                                new Joint.ScrewHole("M1", 4.2, 4.6, ClockPosition.of(2)),
                                new Joint.ScrewHole("M2", 4.8, 5.4, ClockPosition.of(8)))),
                        Side.REAR, "cross driver", 3, 0.01, Set.of(), List.of("shims"), Set.of(), Set.of("mount-clock")),
                new Joint("helicoid-thread", "helicoid", new Hold.Thread(9, 6, 0.8, 46, 15), Side.FRONT, "fingers", 4, 0.02,
                        Joint.Behind.of(Set.of("mount-screws", "ring-thread")), List.of("helicoid"), Set.of(), Set.of("entry"), Set.of(),
                        Joint.Closing.PLAIN.withSetFirst("Set infinity").withTest("Focus runs freely").withGrease()),
                new Joint("ring-set", "ring set screws", new Hold.SetScrews("slot", 3, 1), Side.AROUND, "slot driver", 1, 0.005,
                        Joint.Behind.NOTHING, List.of(), Set.of(), Set.of("infinity"), Set.of(Joint.Hazard.SPRING),
                        Joint.Closing.PLAIN.withLooseUntil("mount-screws")),
                joint("e2-seat", new Hold.Seat(), Side.REAR, "suction cup", 1, 0.01, Set.of("mount-screws"), List.of("E2"), Set.of(3, 5), Set.of()));
        return of(parts, joints, List.of(
                new Instrument.Reference("mount-clock", "mount clocking", "Mark mount and barrel", Instrument.Kind.RING_CLOCK),
                new Instrument.Reference("entry", "helicoid entry", "Mark where it lets go", Instrument.Kind.HELICOID_ENTRY),
                new Instrument.Reference("infinity", "infinity of the ring", "Ink on tape", Instrument.Kind.INFINITY)));
    }

    private static Instrument of(List<Part> parts, List<Joint> joints, List<Instrument.Reference> references) {
        return new Instrument("small", "Pellam", "Pellam test", Instrument.Sort.LENS, Optional.of("triplet"), Optional.of(44.0), Optional.of(6.0), parts, joints, references,
                Optional.empty(), Optional.of("shims"));
    }

    /// The small one as a body or shutter is drawn.
    public static Instrument unfolded(Net net) {
        Instrument i = small();
        return new Instrument(i.id(), i.maker(), i.name(), i.sort(), i.sectionId(), i.flangeFocalMm(), i.maxExtensionMm(), i.parts(), i.joints(), i.references(),
                Optional.of(net), i.infinityShims());
    }

    public static Part part(
            String id, Part.Kind kind, Set<Material> materials, Optional<String> element, Optional<String> within, boolean facing) {
        return new Part(id, id, kind, materials, List.of(), element, within, facing, Optional.empty());
    }

    public static Joint joint(
            String id, Hold hold, Side side, String tool, double minutes, double risk, Set<String> after, List<String> frees,
            Set<Integer> exposes, Set<String> loses) {
        return new Joint(id, id.replace('-', ' '), hold, side, tool, minutes, risk, Joint.Behind.of(after), frees, exposes, loses, Set.of(), Joint.Closing.PLAIN);
    }

    /// The small one with other joints.
    public static Instrument with(List<Joint> joints) {
        return small().with(small().parts(), joints);
    }

    /// The small one with one joint more.
    public static Instrument and(Joint more) {
        List<Joint> all = new ArrayList<>(small().joints());
        all.add(more);
        return with(all);
    }
}

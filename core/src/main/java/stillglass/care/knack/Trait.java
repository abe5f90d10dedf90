package stillglass.care.knack;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import stillglass.assembly.Hold;
import stillglass.assembly.Joint;
import stillglass.assembly.Material;
import stillglass.assembly.Part;

/// What there is about the thing in hand that a habit goes by: told by what it is called, what sort of part it is, how it holds, what it is made of, where it lies.
/// A word in a name is enough, so that it works on an instrument nobody has mapped.
public enum Trait {
    GLASS("\\be\\d{1,2}\\b|\\bglass(es)?\\b|\\belement\\b|\\bdoublet\\b"),
    CELL("\\bcells?\\b|\\bgroups?\\b|\\bblock\\b"),
    WINDOW("\\bwindow\\b|\\beyepiece\\b|\\bfinder\\b"),
    MIRROR("\\bmirror\\b|\\bsplitter\\b"),
    THREAD("helicoid|focus(ing)? thread"),
    RETAINER("retain(er|ing)"),
    RING("\\bring\\b|\\bdial\\b|\\bcollar\\b"),
    TRIM("\\bname ring\\b|\\btrim\\b|\\bnameplate\\b"),
    KNOB("\\bknob\\b|\\bcrank\\b"),
    SCREWS("\\bscrews?\\b"),
    SET_SCREWS("\\bset screws?\\b|\\bgrub screws?\\b"),
    SPRING("\\bsprings?\\b"),
    BALL("\\bballs?\\b|\\bdetent\\b"),
    PIN("\\bpins?\\b|\\bposts?\\b"),
    KEY("\\bkeys?\\b"),
    WASHER("\\bwashers?\\b|\\bshims?\\b"),
    LEVER("\\blevers?\\b|\\bforks?\\b|\\bcoupling\\b"),
    CAM("\\bcam\\b"),
    GEAR("\\bgears?\\b|\\bescapement\\b|\\btimer\\b|\\btrain\\b"),
    BLADES("\\bblades?\\b|\\biris\\b|\\bleaves\\b"),
    BARREL("\\bbarrel\\b|\\btube\\b|\\bhousing\\b"),
    MOUNT("\\bmount\\b|\\bbayonet\\b"),
    COVER("\\bcover\\b|\\bplate\\b|\\bpanel\\b|\\bhousing\\b|\\bhood\\b"),
    LEATHER("\\bleather(ette)?\\b|\\bcovering\\b"),
    BELLOWS("\\bbellows\\b"),
    RIBBON("\\bribbon\\b|\\bflex\\b|\\bconnector\\b|\\bplug\\b"),
    BOARD("\\bboards?\\b|\\bcircuits?\\b"),
    FOAM("\\bfoam\\b|\\bseals?\\b"),
    /// Held by glue or lacquer.
    GLUED("\\bglued?\\b|\\blacquer\\b|\\bcement\\b"),
    /// Turned by hand or by friction: no slots for a spanner.
    SLOTLESS(""),
    /// Bared, and still where it sits.
    IN_PLACE(""),
    /// Off, and in the hand.
    LOOSE(""),
    DUSTY(""),
    GREASY(""),
    GROWTH(""),
    GRITTY(""),
    RUSTY("\\brust(ed|y)?\\b|\\bseized\\b|\\bfused\\b");

    private static final Map<Part.Kind, Trait> BY_KIND = Map.ofEntries(Map.entry(Part.Kind.GLASS, GLASS), Map.entry(Part.Kind.CELL, CELL), Map.entry(Part.Kind.RING, RING), Map.entry(Part.Kind.BARREL, BARREL),
            Map.entry(Part.Kind.HELICOID, THREAD), Map.entry(Part.Kind.SHIM, WASHER), Map.entry(Part.Kind.MOUNT, MOUNT), Map.entry(Part.Kind.BLADES, BLADES), Map.entry(Part.Kind.KEY, KEY), Map.entry(Part.Kind.COVER, COVER),
            Map.entry(Part.Kind.COVERING, LEATHER), Map.entry(Part.Kind.PLATE, COVER), Map.entry(Part.Kind.LEVER, LEVER), Map.entry(Part.Kind.SPRING, SPRING), Map.entry(Part.Kind.GEAR, GEAR),
            Map.entry(Part.Kind.MIRROR, MIRROR), Map.entry(Part.Kind.RIBBON, RIBBON));

    private static final Map<Material, Trait> BY_MATERIAL = Map.of(Material.COATED_GLASS, GLASS, Material.SILVERED_MIRROR, MIRROR, Material.LEATHER, LEATHER, Material.CIRCUIT_BOARD, BOARD);

    /// Soils of the care table by what they ask of the hand.
    private static final Map<String, Set<Trait>> BY_SOIL = Map.ofEntries(Map.entry("dust", Set.of(DUSTY)), Map.entry("old-grease", Set.of(GREASY)), Map.entry("waxy-grease", Set.of(GREASY)), Map.entry("oil", Set.of(GREASY)),
            Map.entry("finger-grease", Set.of(GREASY)), Map.entry("fungus", Set.of(GROWTH)), Map.entry("haze", Set.of(GROWTH)), Map.entry("silt", Set.of(GRITTY)), Map.entry("salt", Set.of(GRITTY)), Map.entry("rust", Set.of(RUSTY)));

    private final Optional<Pattern> words;

    Trait(String words) {
        this.words = words.isEmpty() ? Optional.empty() : Optional.of(Pattern.compile(words, Pattern.CASE_INSENSITIVE));
    }

    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public static Optional<Trait> ofWord(String word) {
        return Arrays.stream(values()).filter(t -> t.word().equals(word)).findFirst();
    }

    /// What a name or a few words say.
    public static Set<Trait> of(String words) {
        Set<Trait> all = EnumSet.noneOf(Trait.class);
        for (Trait t : values()) {
            if (t.words.filter(p -> p.matcher(words.strip()).find()).isPresent()) {
                all.add(t);
            }
        }
        // Set screws stay in: nothing that is meant for screws that come out is meant for them.
        if (all.contains(SET_SCREWS)) {
            all.remove(SCREWS);
        }
        return all;
    }

    /// What there is about a part, its name, its sort and what it is known to be made of.
    public static Set<Trait> of(Part part) {
        Set<Trait> all = of(part.name());
        Optional.ofNullable(BY_KIND.get(part.kind())).ifPresent(all::add);
        part.materials().forEach(m -> Optional.ofNullable(BY_MATERIAL.get(m)).ifPresent(all::add));
        return all;
    }

    /// What there is about a joint: its name, how it holds, with what it is opened, what may jump out, and the parts that come with it.
    public static Set<Trait> of(Joint joint, Iterable<Part> frees) {
        Set<Trait> all = of(joint.name());
        frees.forEach(p -> all.addAll(of(p)));
        all.addAll(hold(joint));
        joint.hazards().forEach(h -> {
            switch (h) {
                case CLICK_BALL -> all.add(BALL);
                case SPRING -> all.add(SPRING);
                case GLASS_DROPS -> all.add(GLASS);
                case MIRROR -> all.add(MIRROR);
                case LOOSE_WASHER -> all.add(WASHER);
                case RIBBON -> all.add(RIBBON);
                case STOP_PIN -> all.add(PIN);
                case SOLVENT, FLASH_CAPACITOR, CELL -> {
                    // Their cautions stand by themselves.
                }
            }
        });
        if (all.contains(SET_SCREWS)) {
            // They are called after what they hold, which stays where it is.
            all.retainAll(EnumSet.of(SET_SCREWS, RING, GLUED, RUSTY));
        }
        return all;
    }

    private static Set<Trait> hold(Joint j) {
        boolean hand = j.tool().contains("finger") || j.tool().contains("hand") || j.tool().contains("friction") || j.tool().contains("rubber");
        return switch (j.hold()) {
            case Hold.Thread t -> hand ? EnumSet.of(SLOTLESS) : EnumSet.noneOf(Trait.class);
            case Hold.Screws s -> EnumSet.of(SCREWS);
            case Hold.SetScrews s -> EnumSet.of(SET_SCREWS);
            case Hold.RetainingRing r -> EnumSet.of(RETAINER);
            case Hold.Hook h -> EnumSet.of(SPRING);
            case Hold.Glue g -> EnumSet.of(GLUED);
            case Hold.Bayonet b -> EnumSet.of(MOUNT);
            case Hold.Connector c -> EnumSet.of(RIBBON);
            case Hold.Noted n -> {
                Set<Trait> said = of(n.word());
                if (hand && n.word().contains("thread")) {
                    said.add(SLOTLESS);
                }
                yield said;
            }
            case Hold.Press p -> EnumSet.noneOf(Trait.class);
            case Hold.Seat s -> EnumSet.noneOf(Trait.class);
            case Hold.Snap s -> EnumSet.noneOf(Trait.class);
            case Hold.Cement c -> EnumSet.noneOf(Trait.class);
            case Hold.Solder s -> EnumSet.noneOf(Trait.class);
        };
    }

    /// What a soil of the care table asks of the hand.
    public static Set<Trait> ofSoil(String soil) {
        return BY_SOIL.getOrDefault(soil, Set.of());
    }
}

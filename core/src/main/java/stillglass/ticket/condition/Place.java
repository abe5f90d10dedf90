package stillglass.ticket.condition;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import stillglass.assembly.Instrument;
import stillglass.assembly.Instrument.Sort;
import stillglass.assembly.Part;
import stillglass.plan.Goal;
import stillglass.say.Said;

/// Where to look on an instrument for what is not a fault of glass.
public enum Place {
    IRIS(List.of(Flaw.WET, Flaw.DIRTY, Flaw.RUST, Flaw.BENT, Flaw.LOOSE, Flaw.WORN, Flaw.MISSING), EnumSet.complementOf(EnumSet.of(Sort.BODY, Sort.FINDER)), Set.of(Part.Kind.BLADES), "iris|diaphragm",
            "iris blades", "iris", "diaphragm", "aperture blades"),
    SHUTTER(List.of(Flaw.WET, Flaw.DIRTY, Flaw.RUST, Flaw.BENT, Flaw.LOOSE, Flaw.TORN, Flaw.MISSING), EnumSet.of(Sort.CAMERA, Sort.SHUTTER, Sort.PAIR, Sort.PART), Set.of(Part.Kind.SHUTTER), "shutter blade",
            "shutter blades", "shutter leaves", "sectors"),
    CURTAINS(List.of(Flaw.DIRTY, Flaw.TORN, Flaw.PERISHED, Flaw.LOOSE, Flaw.BENT), EnumSet.of(Sort.BODY), Set.of(), "curtain", "curtains", "curtain"),
    ESCAPEMENT(List.of(Flaw.DIRTY, Flaw.WET, Flaw.GRIT, Flaw.RUST, Flaw.BENT, Flaw.WORN, Flaw.LOOSE, Flaw.MISSING), EnumSet.of(Sort.CAMERA, Sort.SHUTTER, Sort.PAIR, Sort.BODY, Sort.PART), Set.of(), "escapement|retard|slow train|gear train",
            "escapement", "retard", "slow train", "gear train"),
    SELF_TIMER(List.of(Flaw.DIRTY, Flaw.WET, Flaw.GRIT, Flaw.RUST, Flaw.BENT, Flaw.WORN, Flaw.LOOSE, Flaw.MISSING), EnumSet.of(Sort.CAMERA, Sort.SHUTTER, Sort.PAIR, Sort.BODY), Set.of(), "self[- ]?timer|delayed? action",
            "self-timer", "self timer", "timer", "delay"),
    BARREL(List.of(Flaw.FLAKED, Flaw.SCRAPED, Flaw.GRIT, Flaw.CORRODED, Flaw.DENTED), EnumSet.of(Sort.LENS, Sort.ZOOM, Sort.CAMERA, Sort.PAIR, Sort.FINDER), Set.of(), "", "barrel", "inside of the barrel", "baffles"),
    THREAD(List.of(Flaw.DIRTY, Flaw.GRIT, Flaw.WORN, Flaw.CORRODED, Flaw.LOOSE), EnumSet.of(Sort.LENS, Sort.ZOOM, Sort.CAMERA), Set.of(Part.Kind.HELICOID), "helicoid|focus", "focusing thread", "helicoid", "thread"),
    SLOTS(List.of(Flaw.TOOL_MARKS, Flaw.WORN), EnumSet.complementOf(EnumSet.of(Sort.BODY)), Set.of(), "", "ring slots", "slots", "spanner slots"),
    SCREWS(List.of(Flaw.TOOL_MARKS, Flaw.RUST, Flaw.LOOSE, Flaw.MISSING), EnumSet.allOf(Sort.class), Set.of(), "", "screws", "screw heads"),
    SPRINGS(List.of(Flaw.RUST, Flaw.BENT, Flaw.MISSING), EnumSet.of(Sort.CAMERA, Sort.SHUTTER, Sort.PAIR, Sort.BODY, Sort.PART), Set.of(), "", "springs", "spring"),
    FRONT_RIM(List.of(Flaw.DENTED, Flaw.WORN, Flaw.SCRAPED), EnumSet.of(Sort.LENS, Sort.ZOOM, Sort.CAMERA, Sort.PAIR), Set.of(), "filter ring|front ring", "front rim", "filter ring", "filter thread"),
    MOUNT(List.of(Flaw.WORN, Flaw.LOOSE, Flaw.DENTED, Flaw.GRIT, Flaw.CORRODED), EnumSet.of(Sort.LENS, Sort.ZOOM, Sort.BODY), Set.of(), "mount", "mount", "bayonet"),
    CONTACTS(List.of(Flaw.CORRODED, Flaw.DIRTY, Flaw.BENT, Flaw.MISSING), EnumSet.of(Sort.CAMERA, Sort.BODY, Sort.SHUTTER), Set.of(), "contact|battery", "contacts", "battery contacts", "battery box"),
    SEALS(List.of(Flaw.PERISHED, Flaw.MISSING, Flaw.LOOSE), EnumSet.of(Sort.BODY, Sort.CAMERA), Set.of(), "seal|foam", "light seals", "seals", "foam"),
    MIRROR(List.of(Flaw.DIRTY, Flaw.SCRAPED, Flaw.FLAKED, Flaw.LOOSE), EnumSet.of(Sort.BODY, Sort.FINDER), Set.of(Part.Kind.MIRROR), "mirror", "mirror", "mirrors"),
    BELLOWS(List.of(Flaw.TORN, Flaw.PERISHED, Flaw.LOOSE), EnumSet.of(Sort.CAMERA), Set.of(), "bellows", "bellows"),
    COVERING(List.of(Flaw.LIFTED, Flaw.TORN, Flaw.PERISHED, Flaw.MISSING), EnumSet.of(Sort.BODY, Sort.CAMERA), Set.of(), "leather|cover", "covering", "leather", "leatherette");

    private final List<Flaw> flaws;
    private final Set<Sort> sorts;
    private final Set<Part.Kind> kinds;
    private final Optional<Pattern> names;
    private final List<String> words;

    /// @param kinds of parts that must be reached for it
    /// @param names words in the names of such parts; empty where nothing tells
    Place(List<Flaw> flaws, Set<Sort> sorts, Set<Part.Kind> kinds, String names, String... words) {
        this.flaws = flaws;
        this.sorts = sorts;
        this.kinds = kinds;
        this.names = names.isEmpty() ? Optional.empty() : Optional.of(Pattern.compile("\\b(?:" + names + ")", Pattern.CASE_INSENSITIVE));
        this.words = List.of(words);
    }

    /// Where one looks on an instrument of a sort, in the order of looking.
    public static List<Place> of(Sort sort) {
        return Arrays.stream(values()).filter(p -> p.sorts.contains(sort)).toList();
    }

    /// Whether it is a train of wheels: freed by drops at its pivots and judged by how it runs, not by whether oil shows.
    public boolean train() {
        return this == ESCAPEMENT || this == SELF_TIMER;
    }

    /// What is looked for there, the commonest first.
    public List<Flaw> flaws() {
        return flaws;
    }

    public boolean has(Flaw flaw) {
        return flaws.contains(flaw);
    }

    public List<String> words() {
        return words;
    }

    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public Said said() {
        return Said.of("place." + word());
    }

    /// What to beware of there before anything is touched.
    public Optional<Said> caution() {
        return switch (this) {
            case IRIS, SHUTTER, CURTAINS, ESCAPEMENT, SELF_TIMER, SPRINGS, CONTACTS, MIRROR, SEALS -> Optional.of(Said.of("place." + word() + ".caution"));
            case BARREL, THREAD, SLOTS, SCREWS, FRONT_RIM, MOUNT, BELLOWS, COVERING -> Optional.empty();
        };
    }

    /// Which parts of an instrument must be reached for it; empty where no map tells.
    public List<String> goals(Instrument instrument) {
        return Goal.partsOf(instrument, kinds, names);
    }
}

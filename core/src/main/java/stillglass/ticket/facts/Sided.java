package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import stillglass.assembly.ClockPosition;
import stillglass.assembly.Hold;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// Which way a feature of something pointed that goes in more than one way: the ridge of a ring, the long pin of a blade, the sticky side of a foam.
///
/// @param item what has the feature, in the words it was named with; may be empty where the joint has only one such thing
/// @param feature as it was named
/// @param towards a direction, or what it lay against: `inward`, `into the housing`
/// @param at where on the dial it stood, where that was said
public record Sided(String item, String feature, String towards, Optional<ClockPosition> at) implements Fact {
    /// Positions closer than this agree: ten degrees, which is what an eye tells on a small ring.
    private static final double TOLERANCE_HOURS = 0.34;

    @Override
    public String about() {
        return "side of " + (item.isEmpty() ? "" : item + " ") + feature;
    }

    @Override
    public Said said() {
        Said what = what();
        return at.map(c -> towards.isEmpty() ? Said.of("fact.sided.at", "what", what, "at", c.toString()) : Said.of("fact.sided.both", "what", what, "towards", towards, "at", c.toString()))
                .orElseGet(() -> Said.of("fact.sided", "what", what, "towards", towards));
    }

    private Said what() {
        return item.isEmpty() ? Said.text(feature) : Said.of("fact.sided.of", "item", item, "feature", feature);
    }

    @Override
    public Said question() {
        return Said.of("fact.sided.question", "what", what());
    }

    @Override
    public Optional<ClockPosition> stands() {
        return at;
    }

    @Override
    public Verdict against(Fact recorded, Scene scene) {
        if (!(recorded instanceof Sided then)) {
            return Verdict.agrees(this);
        }
        if (!then.towards.isEmpty() && towards.isEmpty() || then.at.isPresent() && at.isEmpty()) {
            return new Verdict.Lacks(Said.of("fact.sided.lacks", "what", what()));
        }
        boolean same = then.towards.equals(towards) || then.towards.isEmpty();
        boolean there = then.at.flatMap(a -> at.map(b -> a.apartHours(b) <= TOLERANCE_HOURS)).orElse(true);
        return same && there ? Verdict.agrees(this) : Verdict.differs(Said.of("fact.sided.wrong", "then", then.said()), Said.of("fact.sided.does." + Sort.of(feature).word()));
    }

    /// What a feature is for, which says what it does on the wrong side.
    private enum Sort {
        /// Gives a seat its height.
        LEDGE,
        /// Goes into a hole or slot of something else.
        PIN,
        /// Sticks.
        ADHESIVE,
        /// Bears a coat that is looked at or through.
        COAT,
        /// Hooks or catches.
        END,
        /// Clears something beside it.
        FLAT,
        /// Is read by somebody.
        WRITING;

        private static final Map<String, Sort> BY_WORD = Map.ofEntries(
                Map.entry("ridge", LEDGE), Map.entry("bevel", LEDGE), Map.entry("ledge", LEDGE), Map.entry("lip", LEDGE), Map.entry("step", LEDGE), Map.entry("shoulder", LEDGE),
                Map.entry("chamfer", LEDGE), Map.entry("rim", LEDGE), Map.entry("recess", LEDGE), Map.entry("groove", LEDGE), Map.entry("head", LEDGE), Map.entry("boss", LEDGE),
                Map.entry("pin", PIN), Map.entry("stud", PIN), Map.entry("tab", PIN), Map.entry("lug", PIN), Map.entry("fork", PIN), Map.entry("notch", PIN), Map.entry("slot", PIN), Map.entry("tooth", PIN),
                Map.entry("adhesive", ADHESIVE), Map.entry("glue", ADHESIVE), Map.entry("sticky", ADHESIVE),
                Map.entry("silver", COAT), Map.entry("silvered", COAT), Map.entry("mirror", COAT), Map.entry("coated", COAT), Map.entry("painted", COAT), Map.entry("matt", COAT), Map.entry("rough", COAT),
                Map.entry("smooth", COAT), Map.entry("shiny", COAT), Map.entry("polished", COAT), Map.entry("convex", COAT), Map.entry("concave", COAT), Map.entry("black", COAT),
                Map.entry("end", END), Map.entry("hook", END), Map.entry("coil", END), Map.entry("leg", END),
                Map.entry("flat", FLAT), Map.entry("edge", FLAT), Map.entry("cut", FLAT), Map.entry("curve", FLAT), Map.entry("bend", FLAT),
                Map.entry("writing", WRITING), Map.entry("number", WRITING), Map.entry("engraving", WRITING), Map.entry("dot", WRITING), Map.entry("mark", WRITING), Map.entry("scratch", WRITING));

        static Sort of(String feature) {
            return List.of(feature.split(" ")).stream().map(BY_WORD::get).filter(s -> s != null).findFirst().orElse(LEDGE);
        }

        String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /// `ridge inward`, `blade 3 long pin into the housing`, `washer ledge down`, `adhesive to the floor`, `button flat edge out`, `ring notch at 2:30`.
    @AutoService(FactKind.class)
    public static final class Kind implements FactKind {
        private static final List<String> ITEMS = List.of("ring", "retaining ring", "washer", "spring", "blade", "spacer", "shim", "button", "pin", "lever", "cell", "cover", "plate", "disc", "cap", "seal",
                "foam", "clip", "gear", "wheel", "bush", "roller", "spindle", "pawl", "screen", "mirror", "prism", "felt", "leather", "collar", "nut", "tube", "sleeve");
        private static final List<String> QUALITIES = List.of("long", "short", "wide", "narrow", "thick", "thin", "open", "closed", "large", "small", "inner", "outer", "flat", "round", "square", "bent", "hooked",
                "upper", "lower", "deep", "high", "low");
        private static final Map<String, String> DIRECTIONS = directions();
        /// Several words for one direction, so that none of them objects to another.
        private static final Map<String, String> TOWARDS = Map.ofEntries(Map.entry("to", "to"), Map.entry("towards", "to"), Map.entry("toward", "to"), Map.entry("onto", "to"), Map.entry("on", "to"),
                Map.entry("against", "to"), Map.entry("facing", "to"), Map.entry("into", "into"), Map.entry("in", "into"), Map.entry("over", "over"), Map.entry("above", "over"), Map.entry("under", "under"),
                Map.entry("below", "under"), Map.entry("beside", "beside"), Map.entry("behind", "behind"), Map.entry("before", "before"));

        private static Map<String, String> directions() {
            Map<String, List<String>> all = Map.of("inward", List.of("inward", "inwards", "in", "facing in", "facing inward"), "outward", List.of("outward", "outwards", "out", "facing out", "facing outward"),
                    "up", List.of("up", "upward", "upwards", "facing up", "on top"), "down", List.of("down", "downward", "downwards", "facing down", "underneath"),
                    "forward", List.of("forward", "forwards", "to the front", "facing front", "facing forward", "front"), "back", List.of("back", "backward", "backwards", "rearward", "to the rear", "to the back", "facing back", "facing rear", "rear"),
                    "left", List.of("left", "to the left"), "right", List.of("right", "to the right"), "clockwise", List.of("clockwise"), "anticlockwise", List.of("anticlockwise", "counterclockwise"));
            Map<String, String> by = new HashMap<>();
            all.forEach((to, words) -> words.forEach(w -> by.put(w, to)));
            return Map.copyOf(by);
        }

        @Override
        public String name() {
            return "sided";
        }

        @Override
        public Class<Sided> type() {
            return Sided.class;
        }

        @Override
        public List<Fact> hear(Cursor line, Hearing in) {
            int start = line.mark();
            Optional<Fact> heard = whole(line, item(line, in)).or(() -> {
                // "Pin" and "collar" are things and features both.
                line.reset(start);
                return whole(line, "");
            });
            if (heard.isEmpty()) {
                line.reset(start);
            }
            return heard.map(List::of).orElse(List.of());
        }

        /// What has the feature: something of the tray, numbered or not, or a part of the instrument.
        private static String item(Cursor line, Hearing in) {
            int start = line.mark();
            Optional<String> thing = line.takeOne(ITEMS);
            if (thing.isPresent()) {
                int after = line.mark();
                Optional<Double> number = line.number().filter(n -> n == Math.rint(n) && n < 100);
                if (number.isEmpty()) {
                    line.reset(after);
                }
                return number.map(n -> thing.get() + " " + n.intValue()).orElse(thing.get());
            }
            line.reset(start);
            return PartNames.take(line, in.parts()).map(Part::name).orElse("");
        }

        private static Optional<Fact> whole(Cursor line, String item) {
            Optional<String> quality = line.takeOne(QUALITIES);
            Optional<String> noun = line.takeOne(List.copyOf(Sort.BY_WORD.keySet()));
            if (noun.isEmpty() && quality.filter(Sort.BY_WORD::containsKey).isEmpty()) {
                return Optional.empty();
            }
            String feature = quality.map(q -> noun.map(n -> q + " " + n).orElse(q)).orElseGet(noun::get);
            line.takeOne(List.of("side", "face"));
            int before = line.mark();
            line.take("at");
            Optional<ClockPosition> at = line.position();
            if (at.isPresent()) {
                return Optional.of(new Sided(item, feature, "", at));
            }
            line.reset(before);
            Optional<String> direction = line.takeOne(List.copyOf(DIRECTIONS.keySet()));
            if (direction.isPresent() && (line.clauseEnds() || line.next("at"))) {
                Optional<ClockPosition> stands = line.take("at") ? line.position() : Optional.empty();
                return Optional.of(new Sided(item, feature, DIRECTIONS.getOrDefault(direction.get(), direction.get()), stands));
            }
            line.reset(before);
            Optional<String> to = line.takeOne(List.copyOf(TOWARDS.keySet()));
            line.takeOne(List.of("the", "a", "an"));
            Optional<String> what = to.isPresent() ? line.clause() : Optional.empty();
            return what.map(w -> new Sided(item, feature, TOWARDS.getOrDefault(to.get(), "to") + " " + w.toLowerCase(Locale.ROOT), Optional.empty()));
        }

        @Override
        public List<String> examples(Joint joint) {
            return switch (joint.hold()) {
                case Hold.RetainingRing r -> List.of("ridge inward");
                case Hold.Glue g -> List.of("adhesive to the floor");
                case Hold.Seat s -> List.of("bevel down");
                case Hold.Noted n -> List.of("ridge inward");
                default -> List.of();
            };
        }
    }
}

package stillglass.plan;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.optics.LensSection;
import stillglass.say.Said;
import stillglass.say.Wording;

/// What must be reached.
public sealed interface Goal {
    /// Parts that words ask to be reached.
    int MOST_ALIKE = 3;

    /// Both faces of the whole part, in the hand.
    record ReachPart(String partId) implements Goal {}

    /// One face of a glass, to be cleaned where it is.
    /// @param surface index from 0
    record ReachSurface(int surface) implements Goal {}

    /// A joint open, for what lies behind it or for a test that needs it open.
    record OpenJoint(String jointId) implements Goal {}

    /// What a text says is to be reached.
    sealed interface Read {
        record Known(Goal goal) implements Read {}

        /// @param why nothing of the instrument is called so
        record Unknown(Said why) implements Read {}
    }

    /// Reads a part id, an element name (`E2`), a surface counted from 1 (`S4`), a joint id, or a function that is to be tried again (`test iris`): the joint
    /// after whose closing it is tried.
    static Read read(String text, Instrument instrument, Optional<LensSection> section) {
        String wanted = text.strip();
        if (Pattern.matches("[sS]\\d{1,3}", wanted)) {
            int surface = Integer.parseInt(wanted.substring(1)) - 1;
            return surface < 0 || section.filter(s -> surface >= s.surfaces().size()).isPresent()
                    ? new Read.Unknown(Said.of("goal.surface", "surface", wanted, "last", section.map(s -> s.surfaces().size()).orElse(0)))
                    : new Read.Known(new ReachSurface(surface));
        }
        if (wanted.toLowerCase(Locale.ROOT).startsWith("test ")) {
            String function = wanted.substring(5).strip().toLowerCase(Locale.ROOT);
            return instrument.joints().stream().filter(j -> j.close().test().filter(t -> t.what().toLowerCase(Locale.ROOT).contains(function)).isPresent()).findFirst()
                    .<Read>map(j -> new Read.Known(new OpenJoint(j.id())))
                    .orElseGet(() -> new Read.Unknown(Said.of("goal.test", "instrument", instrument.name(), "function", function, "all",
                            instrument.joints().stream().flatMap(j -> j.close().test().stream()).map(Joint.Test::what).distinct().toList())));
        }
        return instrument
                .part(wanted)
                .or(() -> instrument.partOfElement(wanted))
                .map(p -> (Goal) new ReachPart(p.id()))
                .or(() -> instrument.joint(wanted).map(j -> new OpenJoint(j.id())))
                .<Read>map(Read.Known::new)
                .orElseGet(() -> new Read.Unknown(instrument.parts().isEmpty() ? Said.of("goal.nothing", "goal", wanted, "instrument", instrument.name())
                        : Said.of("goal.unknown", "goal", wanted, "instrument", instrument.name(), "part", instrument.parts().getFirst().id())));
    }

    /// Parts that can be reached, by their kind or by words in their names; no more than a few, since such words are wide.
    static List<String> partsOf(Instrument instrument, Set<Part.Kind> kinds, Optional<Pattern> names) {
        return instrument.parts().stream().filter(p -> kinds.contains(p.kind()) || names.filter(n -> n.matcher(p.name()).find()).isPresent())
                .filter(p -> !new ReachPart(p.id()).doors(instrument).isEmpty()).limit(MOST_ALIKE).map(Part::id).toList();
    }

    /// The same of a text that was read before.
    /// @throws IllegalArgumentException when the instrument has no such thing
    static Goal parse(String text, Instrument instrument, Optional<LensSection> section) {
        return switch (read(text, instrument, section)) {
            case Read.Known k -> k.goal();
            case Read.Unknown u -> throw new IllegalArgumentException(Wording.core().say(u.why()));
        };
    }

    /// The joints that each on its own would reach the goal. A part that no joint frees by itself leaves with what carries it, see [Leaves].
    default List<Joint> doors(Instrument instrument) {
        return switch (this) {
            case ReachPart p -> {
                String out = instrument.part(p.partId()).flatMap(part -> Leaves.of(instrument, part)).map(l -> l.with().id()).orElse(p.partId());
                yield instrument.joints().stream().filter(j -> j.frees().contains(out)).toList();
            }
            case ReachSurface s -> instrument.joints().stream()
                    .filter(j -> j.exposes().contains(s.surface()))
                    .toList();
            case OpenJoint o -> instrument.joint(o.jointId()).stream().toList();
        };
    }
}

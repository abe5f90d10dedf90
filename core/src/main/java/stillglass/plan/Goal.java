package stillglass.plan;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.optics.LensSection;

/// What must be reached.
public sealed interface Goal {
    /// Both faces of the whole part, in the hand.
    record ReachPart(String partId) implements Goal {}

    /// One face of a glass, to be cleaned where it is.
    /// @param surface index from 0
    record ReachSurface(int surface) implements Goal {}

    /// A joint open, for what lies behind it or for a test that needs it open.
    record OpenJoint(String jointId) implements Goal {}

    /// Reads a part id, an element name (`E2`), a surface counted from 1 (`S4`), a joint id, or a function that is to be tried again (`test iris`): the joint
    /// after whose closing it is tested.
    /// @throws IllegalArgumentException when the instrument has no such thing
    static Goal parse(String text, Instrument instrument, Optional<LensSection> section) {
        String wanted = text.strip();
        if (Pattern.matches("[sS]\\d{1,3}", wanted)) {
            int surface = Integer.parseInt(wanted.substring(1)) - 1;
            if (surface < 0 || section.map(s -> surface >= s.surfaces().size()).orElse(false)) {
                throw new IllegalArgumentException("there is no surface " + wanted + ": they run from S1 to S"
                        + section.map(s -> s.surfaces().size()).orElse(0));
            }
            return new ReachSurface(surface);
        }
        if (wanted.toLowerCase(Locale.ROOT).startsWith("test ")) {
            String function = wanted.substring(5).strip().toLowerCase(Locale.ROOT);
            return instrument.joints().stream().filter(j -> j.close().test().filter(t -> t.toLowerCase(Locale.ROOT).contains(function)).isPresent()).findFirst()
                    .map(j -> new OpenJoint(j.id()))
                    .orElseThrow(() -> new IllegalArgumentException("no function of " + instrument.name() + " is tested as \"" + function + "\"; there are: "
                            + String.join("; ", instrument.joints().stream().flatMap(j -> j.close().test().stream()).distinct().toList())));
        }
        return instrument
                .part(wanted)
                .or(() -> instrument.partOfElement(wanted))
                .map(p -> (Goal) new ReachPart(p.id()))
                .or(() -> instrument.joint(wanted).map(j -> new OpenJoint(j.id())))
                .orElseThrow(() -> new IllegalArgumentException("\"" + wanted + "\" is neither a part of "
                        + instrument.name() + " nor a surface such as S4; a part is for instance "
                        + instrument.parts().getFirst().id()));
    }

    /// The joints that each on its own would reach the goal.
    default java.util.List<Joint> doors(Instrument instrument) {
        return switch (this) {
            case ReachPart p -> instrument.joints().stream()
                    .filter(j -> j.frees().contains(p.partId()))
                    .toList();
            case ReachSurface s -> instrument.joints().stream()
                    .filter(j -> j.exposes().contains(s.surface()))
                    .toList();
            case OpenJoint o -> instrument.joint(o.jointId()).stream().toList();
        };
    }
}

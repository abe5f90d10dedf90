package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import stillglass.assembly.Joint;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// A small part that came loose and lies on the tray by itself: a washer, a pin, a roller. What nobody measured is not known.
/// @param name what it is
/// @param qualities as they were said: paper, brass, thin …
/// @param mm thickness of a washer, length of a pin
public record SmallItem(String name, List<String> qualities, Optional<Double> mm) implements Fact.Thing {
    /// Caliper readings closer than this agree.
    private static final double TOLERANCE_MM = 0.08;

    public SmallItem {
        qualities = List.copyOf(qualities);
        mm.ifPresent(v -> Limits.positive(v, name + " in mm"));
    }

    @Override
    public String about() {
        return "item " + name;
    }

    @Override
    public Said said() {
        List<Object> all = new ArrayList<>(qualities);
        mm.ifPresent(v -> all.add(Said.of("fact.mm", "mm", v)));
        return all.isEmpty() ? Said.text(name) : Said.of("fact.item", "name", name, "features", Said.commas(all));
    }

    @Override
    public Said question() {
        return Said.of("fact.item.question", "name", name);
    }

    @Override
    public Verdict against(Fact recorded, Scene scene) {
        if (!(recorded instanceof SmallItem then)) {
            return Verdict.agrees(this);
        }
        if (then.mm.isPresent() && mm.isEmpty() || qualities.isEmpty() && !then.qualities.isEmpty()) {
            return new Verdict.Lacks(Said.of("fact.item.lacks", "name", name));
        }
        boolean size = then.mm.flatMap(a -> mm.map(b -> Limits.close(a, b, TOLERANCE_MM))).orElse(true);
        boolean sort = then.qualities.isEmpty() || then.qualities.stream().allMatch(qualities::contains);
        return size && sort ? Verdict.agrees(this) : Verdict.differs(Said.of("fact.item.wrong", "then", then.said()), Said.of(size ? "fact.item.wrong.sort" : "fact.item.wrong.size"));
    }

    /// `washer 0.3 mm paper`, `2 washers`, `pin 5.2 mm brass`, `roller`.
    @AutoService(FactKind.class)
    public static final class Kind implements FactKind {
        private static final int MOST = 60;
        private static final List<String> NAMES = List.of("washer", "pin", "roller", "clip", "circlip", "snap ring", "key", "bush", "sleeve", "pawl", "stud", "nut", "spindle", "insulator", "contact");
        private static final List<String> QUALITIES = List.of("paper", "fibre", "brass", "steel", "nylon", "plastic", "felt", "rubber", "thin", "thick", "wide", "narrow", "long", "short", "bent", "wavy", "dished", "split", "black", "copper");

        @Override
        public String name() {
            return "item";
        }

        @Override
        public Class<SmallItem> type() {
            return SmallItem.class;
        }

        @Override
        public List<Fact> hear(Cursor line, Hearing in) {
            int start = line.mark();
            int count = line.count().filter(n -> n > 0 && n <= MOST).orElse(1);
            List<String> qualities = new ArrayList<>();
            line.takeOne(QUALITIES).ifPresent(qualities::add);
            Optional<String> name = NAMES.stream().filter(n -> line.take(plural(n)) || line.take(n)).findFirst();
            if (name.isEmpty()) {
                line.reset(start);
                return List.of();
            }
            Optional<Double> mm = Optional.empty();
            boolean more = true;
            while (more) {
                Optional<String> quality = line.takeOne(QUALITIES);
                quality.ifPresent(qualities::add);
                Optional<Double> measured = mm.isEmpty() ? line.lengthMm().filter(v -> Limits.checked(line, v, name.get())) : Optional.empty();
                mm = mm.or(() -> measured);
                more = quality.isPresent() || measured.isPresent();
            }
            return Collections.nCopies(count, new SmallItem(name.get(), qualities, mm));
        }

        private static String plural(String name) {
            return name.endsWith("h") ? name + "es" : name + "s";
        }

        @Override
        public List<String> examples(Joint joint) {
            return List.of();
        }
    }
}

package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import stillglass.assembly.Hold;
import stillglass.assembly.Joint;
import stillglass.assembly.Side;
import stillglass.plan.LookAlikes;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// A screw and its home. What nobody measured or looked at is not known, never the usual.
/// @param cell hole and tray cell
/// @param drive what turns it: slot, cross, hex, two-hole …
/// @param lengthMm under the head
/// @param diameterMm of the thread
/// @param head its shape: pan, countersunk, cheese …
/// @param finish what it is made of or how it looks: brass, steel, black …
public record Screw(String cell, Optional<String> drive, Optional<Double> lengthMm, Optional<Double> diameterMm, Optional<String> head, Optional<String> finish) implements Fact {
    /// Caliper readings of lengths closer than this agree.
    public static final double LENGTH_TOLERANCE_MM = 0.15;
    /// Caliper readings of diameters closer than this agree: less than the step between small metric threads.
    public static final double DIAMETER_TOLERANCE_MM = 0.08;

    public Screw {
        lengthMm.ifPresent(mm -> Limits.positive(mm, "screw length in mm"));
        diameterMm.ifPresent(mm -> Limits.positive(mm, "screw diameter in mm"));
    }

    /// One of which drive and length are known.
    public Screw(String cell, String drive, double lengthMm) {
        this(cell, Optional.of(drive), Optional.of(lengthMm), Optional.empty(), Optional.empty(), Optional.empty());
    }

    Screw in(String otherCell) {
        return new Screw(otherCell, drive, lengthMm, diameterMm, head, finish);
    }

    @Override
    public String about() {
        return "screw " + cell;
    }

    @Override
    public Said said() {
        return said(List.of(cell));
    }

    private Said said(List<String> cells) {
        List<Said> features = features();
        return features.isEmpty() ? Said.of("fact.screw.bare", "cells", cells, "count", cells.size())
                : Said.of("fact.screw", "cells", cells, "count", cells.size(), "features", features);
    }

    private List<Said> features() {
        List<Said> all = new ArrayList<>();
        drive.ifPresent(d -> all.add(Said.text(d)));
        head.ifPresent(h -> all.add(Said.text(h)));
        finish.ifPresent(f -> all.add(Said.text(f)));
        lengthMm.ifPresent(l -> all.add(diameterMm.isPresent() ? Said.of("fact.screw.thread", "diameter", diameterMm.get(), "mm", l) : Said.of("fact.mm", "mm", l)));
        if (lengthMm.isEmpty()) {
            diameterMm.ifPresent(d -> all.add(Said.of("fact.screw.diameter", "diameter", d)));
        }
        return all;
    }

    @Override
    public Said question() {
        return Said.of("fact.screw.question", "cell", cell);
    }

    /// Whether nothing that both say of it differs.
    boolean fits(Screw other) {
        return same(drive, other.drive) && same(head, other.head) && same(finish, other.finish)
                && within(lengthMm, other.lengthMm, LENGTH_TOLERANCE_MM) && within(diameterMm, other.diameterMm, DIAMETER_TOLERANCE_MM);
    }

    private static boolean same(Optional<String> a, Optional<String> b) {
        return a.isEmpty() || b.isEmpty() || a.get().equalsIgnoreCase(b.get());
    }

    private static boolean within(Optional<Double> a, Optional<Double> b, double tolerance) {
        return a.isEmpty() || b.isEmpty() || Limits.close(a.get(), b.get(), tolerance);
    }

    @Override
    public Verdict against(Fact recorded, Scene scene) {
        if (!(recorded instanceof Screw then)) {
            return Verdict.agrees(this);
        }
        if (then.lengthMm.isPresent() && lengthMm.isEmpty()) {
            return new Verdict.Lacks(Said.of("fact.screw.lacks.length", "cell", cell));
        }
        if (fits(then)) {
            return Verdict.agrees(this);
        }
        boolean length = !within(lengthMm, then.lengthMm, LENGTH_TOLERANCE_MM);
        return Verdict.differs(Said.of("fact.screw.wrong", "cell", cell, "then", then.features(), "home", home(scene)),
                length ? wrongLength(then, scene) : Said.of("fact.screw.wrong.kind"));
    }

    /// What the longer or shorter one does in this hole.
    private Said wrongLength(Screw then, Scene scene) {
        double mm = lengthMm.orElse(0.0);
        double depth = scene.joint().hold() instanceof Hold.Screws s
                ? s.holes().stream().filter(h -> h.cell().equals(cell)).mapToDouble(Joint.ScrewHole::holeDepthMm).findFirst().orElse(Double.MAX_VALUE) : Double.MAX_VALUE;
        return mm > depth ? Said.of("fact.screw.bottoms", "mm", mm - depth)
                : Said.of(mm > then.lengthMm.orElse(0.0) ? "fact.screw.longer" : "fact.screw.shorter");
    }

    private Said home(Scene scene) {
        return scene.record().stream().filter(f -> f instanceof Screw s && !s.cell.equals(cell) && s.lengthMm.isPresent() && fits(s)).map(f -> ((Screw) f).cell).findFirst()
                .or(() -> lengthMm.flatMap(mm -> LookAlikes.homes(scene.instrument().joints(), drive.orElse(""), mm, LENGTH_TOLERANCE_MM).stream()
                        .map(Joint.ScrewHole::cell).filter(c -> !c.equals(cell)).findFirst()))
                .map(c -> Said.of("fact.screw.home", "cell", c)).orElse(Said.of("fact.screw.nohome"));
    }

    /// `3 screws rear, slot, 4.2 mm`, `screw A1, cross, M1.7 x 4.2`, `2 screws pan black`.
    @AutoService(FactKind.class)
    public static final class Kind implements FactKind {
        private static final int MOST = 60;
        private static final List<String> DRIVES = List.of("slot", "slotted", "cross", "hex", "two hole", "square", "pin");
        private static final List<String> HEADS = List.of("pan", "countersunk", "cheese", "round head", "flat head", "headless", "fillister");
        private static final List<String> FINISHES = List.of("brass", "steel", "black", "blackened", "nickel", "chrome", "blued", "silver");
        private static final String CELL = "[a-z]{1,2}\\d{1,3}";

        @Override
        public String name() {
            return "screw";
        }

        @Override
        public Class<Screw> type() {
            return Screw.class;
        }

        @Override
        public List<Fact> hear(Cursor line, Hearing in) {
            int start = line.mark();
            Optional<Integer> count = line.count();
            if (!line.take("screws") && !line.take("screw")) {
                line.reset(start);
                return List.of();
            }
            if (count.filter(n -> n < 1 || n > MOST).isPresent()) {
                line.object(Said.of("fact.screw.count", "count", count.get(), "most", MOST));
                line.reset(start);
                return List.of();
            }
            List<String> named = cells(line);
            Screw alike = features(line, in);
            List<Fact> all = new ArrayList<>();
            for (String cell : named.isEmpty() ? free(count.orElse(1), alike, in) : named) {
                all.add(alike.in(cell));
            }
            if (count.filter(n -> n != all.size()).isPresent()) {
                line.object(Said.of(named.isEmpty() ? "fact.screw.more" : "fact.screw.named", "count", count.get(), "cells", all.size()));
                line.reset(start);
                return List.of();
            }
            return all;
        }

        private static List<String> cells(Cursor line) {
            List<String> cells = new ArrayList<>();
            int before = line.mark();
            Optional<String> word = line.thread().isPresent() ? Optional.empty() : line.word();
            while (word.filter(w -> w.matches(CELL)).isPresent()) {
                cells.add(word.get().toUpperCase(Locale.ROOT));
                before = line.mark();
                line.separators();
                word = line.thread().isPresent() ? Optional.empty() : line.word();
            }
            line.reset(before);
            return cells;
        }

        /// Features in any order, commas between or not, until something else comes.
        private static Screw features(Cursor line, Hearing in) {
            Screw s = new Screw("", Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());
            int before = line.mark();
            line.separators();
            Optional<Screw> more = feature(line, s, in);
            while (more.isPresent()) {
                s = more.get();
                before = line.mark();
                line.separators();
                more = feature(line, s, in);
            }
            line.reset(before);
            return s;
        }

        private static Optional<Screw> feature(Cursor line, Screw s, Hearing in) {
            Optional<String> drive = s.drive.isPresent() ? Optional.empty() : line.takeOne(DRIVES).map(d -> d.equals("slotted") ? "slot" : d.equals("two hole") ? "two-hole" : d);
            if (drive.isPresent()) {
                return Optional.of(new Screw("", drive, s.lengthMm, s.diameterMm, s.head, s.finish));
            }
            Optional<String> head = s.head.isPresent() ? Optional.empty() : line.takeOne(HEADS);
            if (head.isPresent()) {
                return Optional.of(new Screw("", s.drive, s.lengthMm, s.diameterMm, head, s.finish));
            }
            Optional<String> finish = s.finish.isPresent() ? Optional.empty() : line.takeOne(FINISHES);
            if (finish.isPresent()) {
                return Optional.of(new Screw("", s.drive, s.lengthMm, s.diameterMm, s.head, finish));
            }
            return side(line, in) ? Optional.of(s) : measures(line, s);
        }

        private static Optional<Screw> measures(Cursor line, Screw s) {
            int start = line.mark();
            Optional<Double> diameter = s.diameterMm.isPresent() ? Optional.empty() : line.thread();
            if (diameter.isPresent()) {
                Optional<Double> mm = line.take("x") || line.take("×") ? line.lengthMm() : Optional.empty();
                return Optional.of(new Screw("", s.drive, mm.or(() -> s.lengthMm), diameter, s.head, s.finish));
            }
            Optional<Double> first = s.lengthMm.isPresent() ? Optional.empty() : line.lengthMm();
            if (first.filter(v -> Limits.checked(line, v, "screw length")).isEmpty()) {
                line.reset(start);
                return Optional.empty();
            }
            if (line.take("x") || line.take("×")) {
                Optional<Double> mm = line.lengthMm().filter(v -> Limits.checked(line, v, "screw length"));
                return mm.map(v -> new Screw("", s.drive, mm, first, s.head, s.finish));
            }
            line.take("long");
            return Optional.of(new Screw("", s.drive, first, s.diameterMm, s.head, s.finish));
        }

        /// The side they are on, where the joint is known to be reached from there.
        private static boolean side(Cursor line, Hearing in) {
            int start = line.mark();
            Optional<String> word = line.takeOne(Arrays.stream(Side.values()).map(Side::word).toList());
            Optional<Joint> joint = in.joint();
            if (word.isEmpty() || joint.isEmpty() || joint.get().side() == Side.UNKNOWN || joint.get().side().word().equals(word.get())) {
                return word.isPresent();
            }
            line.object(Said.of("fact.screw.side", "joint", joint.get().name(), "side", joint.get().side().word(), "said", word.get()));
            line.reset(start);
            return false;
        }

        /// Cells for screws that named none: while opening those of the map that are not on record, then new ones; while closing those still
        /// waited for, the ones that fit first.
        private static List<String> free(int count, Screw alike, Hearing in) {
            if (in.closing()) {
                List<Screw> waiting = in.waiting().stream().filter(Screw.class::isInstance).map(Screw.class::cast).toList();
                List<String> cells = new ArrayList<>(waiting.stream().filter(alike::fits).map(Screw::cell).toList());
                waiting.stream().map(Screw::cell).filter(c -> !cells.contains(c)).forEach(cells::add);
                return cells.stream().limit(count).toList();
            }
            Set<String> taken = in.noted().stream().filter(Screw.class::isInstance).map(f -> ((Screw) f).cell).collect(Collectors.toSet());
            List<String> cells = new ArrayList<>(in.joint().map(Joint::hold).filter(Hold.Screws.class::isInstance)
                    .map(h -> ((Hold.Screws) h).holes().stream().map(Joint.ScrewHole::cell).filter(c -> !taken.contains(c)).toList()).orElse(List.of()));
            for (int i = 1; cells.size() < count; i++) {
                if (!taken.contains("X" + i)) {
                    cells.add("X" + i);
                }
            }
            return cells.subList(0, count);
        }

        @Override
        public List<String> examples(Joint joint) {
            return switch (joint.hold()) {
                case Hold.Screws s -> s.holes().stream().limit(3).map(h -> "screw " + h.cell() + ", " + s.drive() + ", ").toList();
                case Hold.Noted n -> List.of("3 screws, slot, 4.2 mm");
                default -> List.of();
            };
        }

        @Override
        public Said together(List<Fact> facts) {
            List<List<Screw>> groups = new ArrayList<>();
            for (Fact f : facts) {
                Screw s = (Screw) f;
                groups.stream().filter(g -> g.getFirst().in("").equals(s.in(""))).findFirst().ifPresentOrElse(g -> g.add(s), () -> groups.add(new ArrayList<>(List.of(s))));
            }
            List<Said> all = groups.stream().map(g -> g.getFirst().said(g.stream().map(Screw::cell).toList())).toList();
            return all.size() == 1 ? all.getFirst() : Said.dots(all);
        }
    }
}

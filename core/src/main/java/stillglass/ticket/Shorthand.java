package stillglass.ticket;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import stillglass.assembly.ClockPosition;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.assembly.Side;
import stillglass.optics.LensSection;

/// Reads bench shorthand: `3 screws rear, slot, 4.2 mm`, `E2 out, front up, 1 o'clock`, `ball 1.0`,
/// `shim .05 .10`, `turns 3.25`, `retainer anyway`, `lets go 4`, `proud 0.3`, `mark infinity 12`, `stuck, naphtha, wait 10m`, `done`.
///
/// The same line notes facts while opening and states them while closing. Lengths are mm; `in` converts.
public final class Shorthand {
    private static final Pattern STUCK = Pattern.compile("stuck\\s*,\\s*([^,]+?)\\s*,\\s*wait\\s+" + FactWords.NUMBER + "\\s*(m|min|h)?.*");
    private static final Pattern TROUBLE = Pattern.compile("(dropped|broken|stripped|not as drawn|mended|found it)(?:[\\s,]+(.*))?");
    private static final Pattern MARK = Pattern.compile("mark\\s+(.+?)(?:\\s+(\\d{1,2})(?::(\\d\\d))?)?");

    private final Instrument instrument;
    private final Optional<Joint> current;
    private final boolean closing;
    private final Instant now;
    private final Optional<GlassWords> glass;
    private final FactWords words;

    /// @param current the joint in hand, if any
    /// @param closing whether lines are statements to compare rather than facts to note
    /// @param now for timers
    public Shorthand(Instrument instrument, Optional<Joint> current, boolean closing, Instant now) {
        this(instrument, current, closing, now, Optional.empty());
    }

    private Shorthand(Instrument instrument, Optional<Joint> current, boolean closing, Instant now, Optional<GlassWords> glass) {
        this.instrument = instrument;
        this.current = current;
        this.closing = closing;
        this.now = now;
        this.glass = glass;
        words = new FactWords(instrument, current);
    }

    /// The same, understanding also what is said about the glass.
    /// @param finding the finding in hand, if any
    public Shorthand with(LensSection lens, Optional<String> finding) {
        return new Shorthand(instrument, current, closing, now, Optional.of(new GlassWords(lens, finding)));
    }

    public Reading read(String typed) {
        String line = typed.strip().toLowerCase(Locale.ROOT).replace('’', '\'');
        if (line.isEmpty()) {
            return new Reading.NotYet("type what you see or do", examples());
        }
        try {
            return command(typed.strip(), line);
        } catch (IllegalArgumentException e) {
            return new Reading.NotYet(String.valueOf(e.getMessage()), List.of());
        }
    }

    /// What would be typed of the joint in hand.
    private List<String> examples() {
        return current.map(Shorthand::examples).orElse(List.of("3 screws rear, slot, 4.2 mm", "E1 out, front up, 12 o'clock", "turns 3.5", "done"));
    }

    private static List<String> examples(Joint j) {
        return switch (j.hold()) {
            case Hold.Screws s -> Stream.concat(s.holes().stream().limit(3).map(h -> "screw " + h.cell() + ", " + s.drive() + ", "), Stream.of("done")).toList();
            case Hold.Thread t -> List.of("turns 3.5", "lets go 4 o'clock", "back 15", "done");
            case Hold.RetainingRing r -> List.of("turns 3.5", "proud 0.3", "stuck, naphtha, wait 10m", "done");
            case Hold.Bayonet b -> List.of("lets go 4 o'clock", "done");
            case Hold.Hook h -> List.of("spring ", "preload 1.5 turns", "done");
            case Hold.Seat s -> List.of("front up", "collar 75°", "move cam to 4 o'clock", "done");
            case Hold.SetScrews s -> List.of("done", "note ");
            case Hold.Press p -> List.of("done", "note ");
            case Hold.Glue g -> List.of("done", "earlier ");
            case Hold.Snap s -> List.of("done", "damaged ");
            case Hold.Cement c -> List.of("done", "note ");
            case Hold.Solder s -> List.of("done", "note ");
            case Hold.Connector c -> List.of("done", "note ");
            case Hold.Noted n -> List.of("done", "note ");
        };
    }

    /// A line that ends in "anyway" records what is off already, whatever should have come first.
    private Reading command(String typed, String line) {
        if (line.endsWith(" anyway")) {
            String rest = typed.strip().substring(0, typed.strip().length() - " anyway".length()).stripTrailing();
            String said = rest.endsWith(",") ? rest.substring(0, rest.length() - 1) : rest;
            return command(said, said.toLowerCase(Locale.ROOT)) instanceof Reading.Understood u
                    ? new Reading.Understood(u.intents().stream().map(Shorthand::anyway).toList(), u.say() + ", whatever should have come first")
                    : new Reading.NotYet("name the joint that is off, then \"anyway\"", List.of());
        }
        if (line.startsWith("note ")) {
            String text = typed.substring(5).strip();
            return current.map(j -> facts(j, List.of(new Fact.Note(text))))
                    .orElseGet(() -> new Reading.Understood(
                            List.of(new Intent.Keep(new TicketEvent.LineKept(text))), "note: " + text));
        }
        Optional<Reading> aboutGlass = glass.flatMap(g -> g.read(line));
        if (aboutGlass.isPresent()) {
            return aboutGlass.get();
        }
        Matcher mark = MARK.matcher(line);
        if (mark.matches()) {
            return mark(mark);
        }
        Matcher stuck = STUCK.matcher(line);
        if (stuck.matches()) {
            return stuck(stuck);
        }
        if (line.startsWith("off ") && !closing) {
            return off(typed.strip().substring(4).strip());
        }
        if (line.startsWith("reach ")) {
            return reach(line.substring(6));
        }
        Matcher trouble = TROUBLE.matcher(line);
        if (trouble.matches()) {
            return onJoint(j -> trouble(j, trouble.group(1), trouble.group(2) == null ? "" : typed.substring(typed.length() - trouble.group(2).length())));
        }
        if (closing && (line.equals("set") || line.equals("it is set"))) {
            return onJoint(j -> new Reading.Understood(List.of(new Intent.SetControls(j.id())), j.close().setFirst().orElse("nothing to set")));
        }
        if (line.equals("done") || line.equals("off") || line.equals("closed")) {
            return onJoint(j -> closing
                    ? new Reading.Understood(
                            List.of(new Intent.CloseJoint(j.id(), false, Optional.empty())), j.name() + ": close it")
                    : new Reading.Understood(List.of(new Intent.OpenJoint(j.id(), false)), j.name() + ": open it"));
        }
        List<Fact> facts = words.read(line);
        Optional<Part> out = partOut(line);
        if (out.isPresent()) {
            return partOut(out.get(), line, facts);
        }
        if (!facts.isEmpty()) {
            return onJoint(j -> facts(j, facts));
        }
        Optional<Joint> named = named(line);
        if (named.isPresent() && !closing) {
            Joint j = named.get();
            int comma = typed.indexOf(',');
            List<Intent> intents = new ArrayList<>();
            if (comma > 0 && comma + 1 < typed.length()) {
                intents.add(new Intent.NoteFacts(j.id(), List.of(new Fact.Note(typed.substring(comma + 1).strip()))));
            }
            intents.add(new Intent.OpenJoint(j.id(), false));
            return new Reading.Understood(intents, j.name() + " is open");
        }
        return new Reading.NotYet("not understood yet; try one of these", completions(line));
    }

    private static Intent anyway(Intent intent) {
        return intent instanceof Intent.OpenJoint o ? new Intent.OpenJoint(o.joint(), true) : intent;
    }

    private Reading onJoint(java.util.function.Function<Joint, Reading> then) {
        return current.map(then)
                .orElseGet(() -> new Reading.NotYet("no joint is in hand: name one, or choose a goal in Decide", List.of()));
    }

    /// Something that came off: a joint of the map by its name, or one that is on no map yet: `off name ring, thread, front, friction cup`.
    private Reading off(String said) {
        String[] pieces = said.split("\\s*,\\s*");
        Optional<Joint> known = instrument.joints().stream().filter(j -> j.name().equalsIgnoreCase(pieces[0]) || j.id().equalsIgnoreCase(pieces[0])).findFirst();
        if (known.isPresent()) {
            return new Reading.Understood(List.of(new Intent.OpenJoint(known.get().id(), false)), known.get().name() + " is open");
        }
        Side side = Side.FRONT;
        List<String> words = new ArrayList<>();
        for (int i = 1; i < pieces.length; i++) {
            String piece = pieces[i];
            Optional<Side> named = java.util.Arrays.stream(Side.values()).filter(s -> s.word().equalsIgnoreCase(piece)).findFirst();
            if (named.isPresent()) {
                side = named.get();
            } else {
                words.add(piece);
            }
        }
        String hold = words.isEmpty() ? "seat" : words.getFirst();
        String tool = words.size() > 1 ? words.get(1) : "fingers";
        return new Reading.Understood(List.of(new Intent.FindJoint(pieces[0], hold, side, tool)),
                pieces[0] + " came off: " + hold + ", from the " + side.word() + ", " + tool + "; new on the map");
    }

    /// Goals by id, element, surface or name.
    private Reading reach(String wanted) {
        List<String> goals = new ArrayList<>();
        List<String> names = new ArrayList<>();
        for (String one : wanted.split("\\s*,\\s*")) {
            Optional<Part> part = instrument.parts().stream()
                    .filter(p -> p.id().equalsIgnoreCase(one) || p.name().equalsIgnoreCase(one) || p.element().filter(one::equalsIgnoreCase).isPresent()).findFirst();
            goals.add(part.map(Part::id).orElse(one));
            names.add(part.map(Part::name).orElse(one.toUpperCase(Locale.ROOT)));
        }
        return new Reading.Understood(List.of(new Intent.ChooseGoals(goals)), "reach " + String.join(" and ", names));
    }

    private static Reading trouble(Joint j, String what, String note) {
        return switch (what) {
            case "mended", "found it" -> new Reading.Understood(List.of(new Intent.Mend(j.id())), j.name() + ": mended");
            case "dropped" -> report(j, Trouble.DROPPED, note);
            case "not as drawn" -> report(j, Trouble.NOT_AS_DRAWN, note);
            default -> report(j, Trouble.BROKEN, note);
        };
    }

    private static Reading report(Joint j, Trouble kind, String note) {
        return new Reading.Understood(List.of(new Intent.Report(j.id(), kind, note)), j.name() + ": " + kind.word() + (note.isEmpty() ? "" : ", " + note));
    }

    private Reading facts(Joint joint, List<Fact> facts) {
        String say = joint.name() + ": " + String.join(" · ", facts.stream().map(Fact::say).toList());
        if (!closing) {
            return new Reading.Understood(List.of(new Intent.NoteFacts(joint.id(), facts)), say);
        }
        return new Reading.Understood(
                facts.stream().map(f -> (Intent) new Intent.StateFact(joint.id(), f)).toList(), "I see " + say);
    }

    private Optional<Part> partOut(String line) {
        return line.matches(".*\\bout\\b.*") ? words.part(line) : Optional.empty();
    }

    private Reading partOut(Part part, String line, List<Fact> facts) {
        Optional<Joint> frees = instrument.freedBy(part.within().orElse(part.id())).or(() -> instrument.freedBy(part.id()));
        Optional<Joint> direct = instrument.freedBy(part.id());
        Optional<Joint> joint = direct.or(() -> frees);
        if (joint.isEmpty() || closing) {
            return new Reading.NotYet(closing ? "we are closing: say what you see" : "no joint frees " + part.name(), List.of());
        }
        if (part.facingMatters() && facts.stream().noneMatch(Fact.Facing.class::isInstance)) {
            return new Reading.NotYet("which way round? Add \"front up\" or \"rear up\"", List.of(line + ", front up", line + ", rear up"));
        }
        List<Intent> intents = new ArrayList<>();
        if (!facts.isEmpty()) {
            intents.add(new Intent.NoteFacts(joint.get().id(), facts));
        }
        intents.add(new Intent.OpenJoint(joint.get().id(), false));
        return new Reading.Understood(intents, part.name() + " is out"
                + (facts.isEmpty() ? "" : ": " + String.join(" · ", facts.stream().map(Fact::say).toList())));
    }

    private Reading mark(Matcher m) {
        String wanted = m.group(1).strip();
        Optional<Instrument.Reference> reference = instrument.references().stream()
                .filter(r -> r.id().equalsIgnoreCase(wanted) || r.name().toLowerCase(Locale.ROOT).contains(wanted))
                .findFirst();
        if (reference.isEmpty()) {
            return new Reading.NotYet("which reference? ", instrument.references().stream()
                    .map(r -> "mark " + r.id() + " 12")
                    .toList());
        }
        ClockPosition at = m.group(2) == null ? ClockPosition.of(12) : FactWords.clock(m.group(2), m.group(3));
        return new Reading.Understood(
                List.of(new Intent.KeepReference(reference.get().id(), "marked", at)),
                reference.get().name() + ": marked at " + at + " o'clock");
    }

    private Reading stuck(Matcher m) {
        double minutes = FactWords.number(m.group(2)) * ("h".equals(m.group(3)) ? 60 : 1);
        Fact fact = new Fact.Stuck(m.group(1), minutes);
        return onJoint(j -> new Reading.Understood(
                List.of(new Intent.NoteFacts(j.id(), List.of(fact)),
                        new Intent.Keep(new TicketEvent.TimerSet("soak-" + j.id(), m.group(1) + " on " + j.name(),
                                now.plusSeconds(Math.round(minutes * 60))))),
                j.name() + " is stuck: " + m.group(1) + ", " + Fact.trim(minutes) + " min on the clock"));
    }

    private Optional<Joint> named(String line) {
        String[] words = line.split(",")[0].split("\\s+");
        String[] all = line.split("[\\s,]+");
        return instrument.joints().stream()
                .filter(j -> j.name().toLowerCase(Locale.ROOT).equals(line.split(",")[0].strip()))
                .findFirst()
                .or(() -> instrument.joints().stream()
                        .filter(j -> all.length >= 2 && words.length <= 2
                                && List.of(j.name().toLowerCase(Locale.ROOT).split("\\s+")).containsAll(List.of(all[0], all[1])))
                        .findFirst());
    }

    private List<String> completions(String line) {
        List<String> all = new ArrayList<>(examples());
        instrument.joints().forEach(j -> all.add(j.name()));
        instrument.references().forEach(r -> all.add("mark " + r.id() + " 12"));
        all.addAll(List.of("ball 1.0", "shim .05 .10", "proud 0.3", "lets go 4 o'clock", "stuck, naphtha, wait 10m", "note ", "collar 2:30", "collar 75°", "back 15",
                "preload 1.5 turns", "move cam to 4 o'clock", "spring ", "damaged ", "earlier ", "dropped, ", "broken, ", "not as drawn, ", "found it", "mended"));
        all.addAll(closing ? List.of("set") : List.of("off name ring, thread, front", "anyway"));
        instrument.parts().forEach(p -> all.add("reach " + p.id()));
        instrument.joints().stream().flatMap(j -> j.close().test().stream()).forEach(t -> all.add("reach test " + t.toLowerCase(Locale.ROOT)));
        if (glass.isPresent()) {
            all.addAll(List.of("E2 reversed", "E1 and E2 swapped", "gap 4 +0.3", "as designed", "focus 12.4 ±0.3", "parallax 10° 1.8 ±0.1"));
        }
        List<String> starting = all.stream().filter(s -> s.toLowerCase(Locale.ROOT).startsWith(line)).limit(4).toList();
        return starting.isEmpty() ? examples() : starting;
    }
}

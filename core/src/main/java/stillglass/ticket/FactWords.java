package stillglass.ticket;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import stillglass.assembly.ClockPosition;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;

/// Reads what is seen or measured of a joint from bench shorthand: screws, turns, clock positions, shims, facings. Lengths are mm; `in` converts.
final class FactWords {
    static final String NUMBER = "(\\d+(?:[.,]\\d+)?|[.,]\\d+)";
    private static final Pattern SCREWS =
            Pattern.compile("(\\d+)?\\s*screws?\\b(?:\\s+([a-z]{1,2}\\d+))?(.*)");
    private static final Pattern LENGTH = Pattern.compile(NUMBER + "\\s*(mm|in\\b|\")?");
    private static final Pattern CLOCK = Pattern.compile("(\\d{1,2})(?::(\\d\\d))?\\s*(?:o'?\\s?clock|h\\b)");
    private static final Pattern LETS_GO = Pattern.compile("lets?\\s+go(?:\\s+at)?\\s+(\\d{1,2})(?::(\\d\\d))?.*");
    private static final Pattern TURNS = Pattern.compile("(?:turns?\\s+" + NUMBER + "|" + NUMBER + "\\s+turns?)");
    private static final Pattern PROUD = Pattern.compile("(proud|below)\\s+" + NUMBER + "|" + NUMBER + "\\s*(?:mm\\s+)?(proud|below)");
    private static final Pattern BALL = Pattern.compile("ball\\s+" + NUMBER + ".*");
    private static final Pattern SHIM = Pattern.compile("shims?\\s+(.+)");
    private static final Pattern COLLAR = Pattern.compile("(?:eccentric\\s+)?collar\\s+(?:at\\s+)?(\\d{1,2})(?::(\\d\\d))?.*");
    private static final Pattern COLLAR_DEGREES = Pattern.compile("(?:eccentric\\s+)?collar\\s+(?:at\\s+)?" + NUMBER + "\\s*(?:°|deg.*)");
    private static final Pattern BACK = Pattern.compile("(?:turn(?:ed)?\\s+)?back\\s+" + NUMBER + "\\s*(?:°|deg.*)?");
    private static final Pattern PRELOAD = Pattern.compile("preload\\s+" + NUMBER + "(?:\\s+turns?)?");
    private static final Pattern MOVE = Pattern.compile("(?:move|turn)\\s+(.+?)\\s+to\\s+(\\d{1,2})(?::(\\d\\d))?(?:\\s*o'?\\s?clock)?");
    private static final Pattern DRIVE = Pattern.compile("\\b(slot|cross|hex|two-hole)\\b");
    private static final double MM_PER_INCH = 25.4;

    private final Instrument instrument;
    private final Optional<Joint> current;

    /// @param current the joint in hand, if any
    FactWords(Instrument instrument, Optional<Joint> current) {
        this.instrument = instrument;
        this.current = current;
    }

    List<Fact> read(String line) {
        List<Fact> facts = new ArrayList<>();
        Matcher screws = SCREWS.matcher(line);
        Matcher ball = BALL.matcher(line);
        Matcher shim = SHIM.matcher(line);
        Matcher letsGo = LETS_GO.matcher(line);
        Matcher turns = TURNS.matcher(line);
        Matcher proud = PROUD.matcher(line);
        if (screws.matches()) {
            screws(screws, facts);
        } else if (ball.matches()) {
            facts.add(new Fact.Ball(number(ball.group(1))));
        } else if (shim.matches()) {
            facts.add(shims(shim.group(1)));
        } else if (COLLAR_DEGREES.matcher(line) instanceof Matcher m && m.matches()) {
            facts.add(new Fact.Collar(ClockPosition.of(number(m.group(1)) % 360 / 30)));
        } else if (COLLAR.matcher(line) instanceof Matcher m && m.matches()) {
            facts.add(new Fact.Collar(clock(m.group(1), m.group(2))));
        } else if (BACK.matcher(line) instanceof Matcher m && m.matches()) {
            facts.add(new Fact.BackedOff(number(m.group(1))));
        } else if (PRELOAD.matcher(line) instanceof Matcher m && m.matches()) {
            facts.add(new Fact.Preload(number(m.group(1))));
        } else if (MOVE.matcher(line) instanceof Matcher m && m.matches()) {
            facts.add(new Fact.Moved(m.group(1), clock(m.group(2), m.group(3))));
        } else if (line.startsWith("damaged ")) {
            facts.add(new Fact.Damaged(line.substring(8).strip()));
        } else if (line.startsWith("earlier ")) {
            facts.add(new Fact.Earlier(line.substring(8).strip()));
        } else if (line.startsWith("spring")) {
            facts.add(new Fact.Spring(line.substring(6).replaceFirst("^[\\s,]+", "")));
        } else if (letsGo.matches()) {
            facts.add(new Fact.LetGo(clock(letsGo.group(1), letsGo.group(2))));
        } else {
            if (turns.find()) {
                facts.add(new Fact.Turns(number(turns.group(1) != null ? turns.group(1) : turns.group(2))));
            }
            if (proud.find()) {
                boolean below = line.contains("below");
                double mm = number(proud.group(2) != null ? proud.group(2) : proud.group(3));
                facts.add(new Fact.Proud(below ? -mm : mm));
            }
            Matcher clock = CLOCK.matcher(line);
            if (clock.find()) {
                facts.add(new Fact.LetGo(clock(clock.group(1), clock.group(2))));
            }
            facing(line).ifPresent(facts::add);
        }
        return facts;
    }

    private Optional<Fact> facing(String line) {
        boolean front = line.contains("front up");
        boolean rear = line.contains("rear up") || line.contains("back up");
        if (!front && !rear) {
            return Optional.empty();
        }
        return part(line)
                .or(() -> current.flatMap(j -> j.frees().stream().map(p -> instrument.part(p).orElseThrow()).findFirst()))
                .map(p -> new Fact.Facing(p.element().orElse(p.id()), front));
    }

    private void screws(Matcher m, List<Fact> into) {
        String rest = m.group(3);
        Matcher length = LENGTH.matcher(rest);
        if (!length.find()) {
            throw new IllegalArgumentException("how long are they? Add the length, as in \"3 screws, slot, 4.2 mm\"");
        }
        double mm = number(length.group(1)) * (length.group(2) != null && !length.group(2).equals("mm") ? MM_PER_INCH : 1);
        Matcher driven = DRIVE.matcher(rest);
        String drive = driven.find() ? driven.group(1) : "slot";
        int count = m.group(1) == null ? 1 : Integer.parseInt(m.group(1));
        if (count > 60) {
            throw new IllegalArgumentException(count + " screws at once cannot be right");
        }
        if (m.group(2) != null) {
            into.add(new Fact.Screw(m.group(2).toUpperCase(Locale.ROOT), drive, mm));
            return;
        }
        List<String> cells = current.filter(j -> j.hold() instanceof Hold.Screws)
                .map(j -> ((Hold.Screws) j.hold()).holes().stream().map(Joint.ScrewHole::cell).toList())
                .orElse(List.of());
        for (int i = 0; i < count; i++) {
            into.add(new Fact.Screw(i < cells.size() ? cells.get(i) : "X" + (i + 1), drive, mm));
        }
    }

    private static Fact shims(String text) {
        List<Double> pieces = new ArrayList<>();
        for (String s : text.split("[\\s+]+")) {
            if (!s.isBlank() && !s.equals("mm")) {
                pieces.add(number(s));
            }
        }
        return new Fact.Shims(pieces);
    }

    static double number(String s) {
        try {
            return Double.parseDouble(s.replace(',', '.'));
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException("\"" + s + "\" is not a number", e);
        }
    }

    static ClockPosition clock(String hour, @org.jspecify.annotations.Nullable String minute) {
        int h = Integer.parseInt(hour);
        if (h > 12) {
            throw new IllegalArgumentException("there is no " + h + " o'clock on the dial");
        }
        return ClockPosition.of(h + (minute == null ? 0 : Integer.parseInt(minute) / 60.0));
    }

    Optional<Part> part(String line) {
        return instrument.parts().stream()
                .filter(p -> line.matches(".*\\b" + Pattern.quote(p.id().toLowerCase(Locale.ROOT)) + "\\b.*")
                        || p.element().filter(e -> line.matches(".*\\b" + e.toLowerCase(Locale.ROOT) + "\\b.*")).isPresent())
                .findFirst();
    }
}

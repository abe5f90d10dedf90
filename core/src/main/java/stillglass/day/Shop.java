package stillglass.day;

import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeFormatterBuilder;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;

/// Who is there when, and what there is to work with. Written down as plain lines, one for each thing and weekday: `hands 1`, `tin 2`, `monday 9:00-13:00 14:00-18:00`.
///
/// @param hands people at the bench
/// @param things how many there are of tanks, tins, lamps, cabinets
/// @param hourCosts what an hour at the bench costs, in whatever the shop counts in; empty where nobody said
/// @param week hours of each weekday in order, none where the shop is shut
public record Shop(int hands, Map<String, Integer> things, Map<DayOfWeek, List<Hours>> week, Optional<Double> hourCosts) {
    public static final String TANK = "tank";
    public static final String TIN = "tin";
    public static final String LAMP = "lamp";
    public static final String CABINET = "cabinet";
    /// Things a task may need, in the order they are shown.
    public static final List<String> THINGS = List.of(LAMP, TIN, TANK, CABINET);
    private static final String HANDS = "hands";
    private static final String HOUR = "hour";
    private static final double DEAREST = 1e5;
    private static final int MOST = 20;
    private static final long FARTHEST = Integer.MAX_VALUE / 4;
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("H:mm", Locale.ROOT);
    private static final DateTimeFormatter TYPED = new DateTimeFormatterBuilder().appendPattern("H").optionalStart().appendPattern("[:][.]mm").optionalEnd().parseDefaulting(java.time.temporal.ChronoField.MINUTE_OF_HOUR, 0).toFormatter(Locale.ROOT);

    /// What is taken for a shop that has said nothing yet.
    public static final Shop USUAL = usual();

    /// @param to after the beginning; midnight is the end of the day
    public record Hours(LocalTime from, LocalTime to) {
        public Hours {
            if (!to.isAfter(from) && !to.equals(LocalTime.MIDNIGHT)) {
                throw new IllegalArgumentException("hours " + CLOCK.format(from) + "-" + CLOCK.format(to) + " end before they begin");
            }
        }

        @Override
        public String toString() {
            return CLOCK.format(from) + "-" + CLOCK.format(to);
        }
    }

    public Shop {
        things = Map.copyOf(things);
        if (hands < 1 || hands > MOST) {
            throw new IllegalArgumentException(hands + " people at the bench: give 1 to " + MOST);
        }
        if (hourCosts.filter(h -> !(h > 0 && h < DEAREST)).isPresent()) {
            throw new IllegalArgumentException("an hour at " + hourCosts.orElse(0.0) + ": give more than 0, or nothing");
        }
        things.forEach((thing, count) -> {
            if (!THINGS.contains(thing) || count < 0 || count > MOST) {
                throw new IllegalArgumentException(count + " of “" + thing + "”: give 0 to " + MOST + " of " + String.join(", ", THINGS));
            }
        });
        EnumMap<DayOfWeek, List<Hours>> kept = new EnumMap<>(DayOfWeek.class);
        week.forEach((day, hours) -> {
            for (int i = 1; i < hours.size(); i++) {
                if (!hours.get(i).from.isAfter(hours.get(i - 1).to) || hours.get(i - 1).to.equals(LocalTime.MIDNIGHT)) {
                    throw new IllegalArgumentException("hours of " + word(day) + ": " + hours.get(i) + " begin before " + hours.get(i - 1) + " have ended");
                }
            }
            if (!hours.isEmpty()) {
                kept.put(day, List.copyOf(hours));
            }
        });
        if (kept.isEmpty()) {
            throw new IllegalArgumentException("nobody is ever there: give hours on some day");
        }
        week = kept;
    }

    private static Shop usual() {
        List<Hours> day = List.of(new Hours(LocalTime.of(9, 0), LocalTime.of(13, 0)), new Hours(LocalTime.of(14, 0), LocalTime.of(18, 0)));
        EnumMap<DayOfWeek, List<Hours>> week = new EnumMap<>(DayOfWeek.class);
        for (DayOfWeek d : DayOfWeek.values()) {
            if (d.compareTo(DayOfWeek.SATURDAY) < 0) {
                week.put(d, day);
            }
        }
        return new Shop(1, Map.of(TANK, 1, TIN, 2, LAMP, 1, CABINET, 3), week, Optional.empty());
    }

    /// Whether there is any of a thing.
    public boolean has(String thing) {
        return things.getOrDefault(thing, 0) > 0;
    }

    /// Hours as somebody types them: `9-13, 14:00-18:30`; nothing where it is shut.
    /// @throws IllegalArgumentException for what is no hours, in words
    public static List<Hours> hours(String typed) {
        List<Hours> all = new ArrayList<>();
        for (String part : typed.strip().replaceAll("\\s*[-–—]\\s*", "-").split("[,;\\s]+")) {
            if (part.isEmpty()) {
                continue;
            }
            String[] ends = part.split("-", -1);
            try {
                if (ends.length != 2) {
                    throw new DateTimeException(part);
                }
                all.add(new Hours(LocalTime.parse(ends[0], TYPED), ends[1].equals("24") || ends[1].equals("24:00") ? LocalTime.MIDNIGHT : LocalTime.parse(ends[1], TYPED)));
            } catch (DateTimeException e) {
                throw new IllegalArgumentException("“" + part + "” is no hours: write 9:00-13:00", e);
            }
        }
        return all;
    }

    /// Hours of a weekday, as they are typed.
    public String hours(DayOfWeek day) {
        return week.getOrDefault(day, List.of()).stream().map(Hours::toString).collect(Collectors.joining(", "));
    }

    /// @throws IllegalArgumentException for lines that say nothing of a shop, in words
    public static Shop parse(String text) {
        int hands = 1;
        Optional<Double> hour = Optional.empty();
        Map<String, Integer> things = new TreeMap<>();
        EnumMap<DayOfWeek, List<Hours>> week = new EnumMap<>(DayOfWeek.class);
        for (String line : text.lines().map(String::strip).filter(l -> !l.isEmpty()).toList()) {
            String[] said = line.split("\\s+", 2);
            String first = said[0].toLowerCase(Locale.ROOT);
            String rest = said.length > 1 ? said[1] : "";
            if (first.equals(HANDS)) {
                hands = count(line, rest);
            } else if (first.equals(HOUR)) {
                hour = rest.isEmpty() ? hour : Optional.of(money(line, rest));
            } else if (THINGS.contains(first)) {
                things.put(first, count(line, rest));
            } else {
                week.put(weekday(first, line), hours(rest));
            }
        }
        return new Shop(hands, things, week, hour);
    }

    private static int count(String line, String number) {
        try {
            return Integer.parseInt(number);
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException("“" + line + "”: give a whole number", e);
        }
    }

    private static double money(String line, String number) {
        try {
            return Double.parseDouble(number.replace(',', '.'));
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException("“" + line + "”: give what an hour costs as a number", e);
        }
    }

    private static DayOfWeek weekday(String first, String line) {
        for (DayOfWeek d : DayOfWeek.values()) {
            if (word(d).equals(first)) {
                return d;
            }
        }
        throw new IllegalArgumentException("“" + line + "” is nothing of a shop: begin with hands, hour, " + String.join(", ", THINGS) + " or a weekday");
    }

    private static String word(DayOfWeek day) {
        return day.name().toLowerCase(Locale.ROOT);
    }

    /// As lines that [#parse] reads.
    public String text() {
        StringBuilder out = new StringBuilder(HANDS + " " + hands + "\n");
        hourCosts.ifPresent(h -> out.append(HOUR).append(' ').append(h).append('\n'));
        THINGS.stream().filter(things::containsKey).forEach(t -> out.append(t).append(' ').append(things.get(t)).append('\n'));
        week.forEach((day, hours) -> out.append(word(day)).append(' ').append(hours(day).replace(",", "")).append('\n'));
        return out.toString();
    }

    /// When somebody is there from a moment on, in whole minutes from it.
    /// @param days how many days ahead
    public List<Day.Span> spans(Instant now, ZoneId zone, int days) {
        List<Day.Span> all = new ArrayList<>();
        LocalDate today = now.atZone(zone).toLocalDate();
        for (LocalDate d = today; d.isBefore(today.plusDays(days)); d = d.plusDays(1)) {
            LocalDate on = d;
            for (Hours h : week.getOrDefault(d.getDayOfWeek(), List.of())) {
                int from = Math.max(0, minutes(now, on.atTime(h.from).atZone(zone).toInstant()));
                int to = minutes(now, (h.to.equals(LocalTime.MIDNIGHT) ? on.plusDays(1) : on).atTime(h.to).atZone(zone).toInstant());
                if (to > from) {
                    boolean touches = !all.isEmpty() && all.getLast().to() >= from;
                    all.add(touches ? new Day.Span(all.removeLast().from(), to) : new Day.Span(from, to));
                }
            }
        }
        return all;
    }

    /// When the last is over on a day, in minutes from a moment; the end of the day where nobody comes on it.
    public int closing(Instant now, ZoneId zone, LocalDate day) {
        List<Hours> hours = week.getOrDefault(day.getDayOfWeek(), List.of());
        boolean night = hours.isEmpty() || hours.getLast().to.equals(LocalTime.MIDNIGHT);
        return minutes(now, (night ? day.plusDays(1).atStartOfDay() : day.atTime(hours.getLast().to)).atZone(zone).toInstant());
    }

    private static int minutes(Instant from, Instant to) {
        // A day some thousand years away is as far as any.
        return (int) Math.clamp(ChronoUnit.MINUTES.between(from.truncatedTo(ChronoUnit.MINUTES), to), -FARTHEST, FARTHEST);
    }
}

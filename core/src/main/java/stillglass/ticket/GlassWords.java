package stillglass.ticket;

import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import stillglass.grade.DepthReading;
import stillglass.optics.Element;
import stillglass.optics.LensSection;
import stillglass.optics.misassembly.LensFault;

/// Bench shorthand about the glass itself: how it was found assembled (`E2 reversed`, `E1 and E3 swapped`, `gap 4 +0.3`,
/// `E1 not seated 0.1, 0.5°`, `as designed`) and how deep a finding seems to lie (`focus 12.4 ±0.3`,
/// `parallax 10° 1.8 ±0.1 rear`, `photo 2 sharp at 6.5`).
final class GlassWords {
    private static final String NUMBER = "([+-]?(?:\\d+(?:[.,]\\d+)?|[.,]\\d+))";
    private static final String GLASS = "(e\\d+(?:\\s*\\+\\s*e\\d+)*)";
    private static final Pattern REVERSED = Pattern.compile(GLASS + "\\s+(?:is\\s+)?(?:reversed|turned round|wrong way round)");
    private static final Pattern SWAPPED = Pattern.compile(GLASS + "\\s*(?:,|and)\\s*" + GLASS + "\\s+(?:are\\s+)?swapped");
    private static final Pattern GAP = Pattern.compile("gap\\s+(\\d+)\\s+" + NUMBER + "(?:\\s*mm)?");
    private static final Pattern UNSEATED = Pattern.compile(
            GLASS + "\\s+(?:is\\s+)?not seated(?:\\s+" + NUMBER + "(?:\\s*mm)?)?(?:\\s*,?\\s*" + NUMBER + "\\s*°)?(?:\\s*,?\\s*" + NUMBER + "\\s*o'?\\s?clock)?");
    private static final Pattern FOCUS = Pattern.compile("focus\\s+" + NUMBER + "(?:\\s*mm)?" + "(?:\\s*(?:±|\\+-|\\+/-)\\s*" + NUMBER + ")?(?:\\s*mm)?(.*)");
    private static final Pattern PARALLAX = Pattern.compile(
            "parallax\\s+" + NUMBER + "\\s*(?:°|deg)\\s+" + NUMBER + "(?:\\s*mm)?(?:\\s*(?:±|\\+-|\\+/-)\\s*" + NUMBER + ")?(?:\\s*mm)?(.*)");
    private static final Pattern SHARP = Pattern.compile("photo\\s+(\\d{1,3})\\s+(?:is\\s+)?(?:sharp|focused)\\s+(?:at\\s+)?" + NUMBER + "(?:\\s*mm)?");
    /// Scatter of a rack read to a tenth, and of a shift read off a photo, where nothing is stated.
    private static final double USUAL_FOCUS_ERROR_MM = 0.3;
    private static final double USUAL_SHIFT_ERROR_MM = 0.15;

    private final LensSection lens;
    private final Optional<String> finding;

    /// @param finding the finding in hand, if any
    GlassWords(LensSection lens, Optional<String> finding) {
        this.lens = lens;
        this.finding = finding;
    }

    /// @param line in lower case
    /// @return nothing when the line is about something else
    Optional<Reading> read(String line) {
        if (line.equals("as designed")) {
            return Optional.of(new Reading.Understood(List.of(new Intent.AssembledRight()), "every glass is in its place"));
        }
        Matcher reversed = REVERSED.matcher(line);
        if (reversed.matches()) {
            return Optional.of(found(new LensFault.Reversed(glasses(reversed.group(1)))));
        }
        Matcher swapped = SWAPPED.matcher(line);
        if (swapped.matches()) {
            return Optional.of(found(new LensFault.Swapped(glasses(swapped.group(1)), glasses(swapped.group(2)))));
        }
        Matcher gap = GAP.matcher(line);
        if (gap.matches()) {
            return Optional.of(found(new LensFault.GapChanged(Integer.parseInt(gap.group(1)), number(gap.group(2)))));
        }
        Matcher unseated = UNSEATED.matcher(line);
        if (unseated.matches()) {
            return Optional.of(found(new LensFault.Unseated(glasses(unseated.group(1)), or(unseated.group(2), 0.1), or(unseated.group(3), 0),
                    or(unseated.group(4), 12))));
        }
        if (line.startsWith("fault ")) {
            return Optional.of(found(LensFault.parse(line.substring(6).strip().replaceAll("\\be(?=\\d)", "E"))));
        }
        Matcher sharp = SHARP.matcher(line);
        if (sharp.matches()) {
            int photo = Integer.parseInt(sharp.group(1));
            double mm = number(sharp.group(2));
            return Optional.of(new Reading.Understood(List.of(new Intent.FocusPhoto(photo, mm)),
                    String.format(java.util.Locale.ROOT, "photo %d is sharp %.1f mm behind the rim", photo, mm)));
        }
        return depth(line);
    }

    private Optional<Reading> depth(String line) {
        Matcher focus = FOCUS.matcher(line);
        if (focus.matches()) {
            return Optional.of(about(DepthReading.focus(rear(focus.group(3)), number(focus.group(1)), or(focus.group(2), USUAL_FOCUS_ERROR_MM))));
        }
        Matcher parallax = PARALLAX.matcher(line);
        if (parallax.matches()) {
            return Optional.of(about(DepthReading.parallax(rear(parallax.group(4)), number(parallax.group(1)), number(parallax.group(2)),
                    or(parallax.group(3), USUAL_SHIFT_ERROR_MM))));
        }
        return Optional.empty();
    }

    private Reading about(DepthReading reading) {
        return finding
                .<Reading>map(id -> new Reading.Understood(List.of(new Intent.ReadDepth(id, reading)), "finding in hand: " + reading.say()))
                .orElseGet(() -> new Reading.NotYet("which finding? Choose one in Look first", List.of()));
    }

    private Reading found(LensFault fault) {
        LensFault.apply(lens, List.of(fault), LensFault.Seating.RIM);
        return new Reading.Understood(List.of(new Intent.FindAssembled(fault.shortForm())), "as found: " + fault);
    }

    private List<String> glasses(String joined) {
        List<String> named = List.of(joined.toUpperCase(java.util.Locale.ROOT).split("\\s*\\+\\s*"));
        // One glass of a cemented group stands for the group.
        return named.size() == 1
                ? lens.element(named.getFirst())
                        .map(e -> lens.elements().stream().filter(o -> o.group().equals(e.group())).map(Element::name).toList())
                        .filter(all -> !all.isEmpty())
                        .orElse(named)
                : named;
    }

    private static boolean rear(String rest) {
        return rest.contains("rear") || rest.contains("behind");
    }

    private static double or(@org.jspecify.annotations.Nullable String text, double usual) {
        return text == null ? usual : number(text);
    }

    private static double number(String s) {
        return Double.parseDouble(s.replace(',', '.'));
    }
}

package stillglass.grade;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import stillglass.optics.Footprints;
import stillglass.optics.LensSection;
import stillglass.say.Said;

/// What an owner does with a lens, as far as it tells what harms his pictures: stops, nearest distance, frame, and how strict he is.
///
/// Read from what was typed: `portraits wide open`, `landscapes f/8 to f/16`, `repro at 0.4 m, strict`, `56x56`, `shelf piece, lenient`. A length is a distance only behind *at*, *from* or *near*, or before *away*: owners speak of films and lenses in
/// millimetres, too. A frame is in millimetres; `6x9` and `4x5` are names in other units and are not guessed at. What is not understood changes nothing.
///
/// @param widest smallest f-number used; none when he did not say
/// @param narrowest largest f-number used; none when he did not say
/// @param wideOpen only the widest stop or the next
/// @param objectMm where things are that he photographs; none when he did not say
/// @param frameMm width and height of the film; none when he did not say
/// @param strict thresholds are times this
public record OwnersUse(OptionalDouble widest, OptionalDouble narrowest, boolean wideOpen, OptionalDouble objectMm, Optional<List<Double>> frameMm, double strict) {
    /// Nobody was asked: every stop, distant things, the usual frame.
    public static final OwnersUse ANY = new OwnersUse(OptionalDouble.empty(), OptionalDouble.empty(), false, OptionalDouble.empty(), Optional.empty(), 1);

    private static final String NUMBER = "(\\d{1,4}(?:\\.\\d{1,3})?)";
    private static final Pattern STOPS = Pattern.compile("\\bf\\s*/?\\s*" + NUMBER + "\\s*(?:to|–|-|until)\\s*(?:f\\s*/?\\s*)?" + NUMBER);
    private static final Pattern FROM = Pattern.compile("\\b(?:from|stopped down to|down from)\\s*f\\s*/?\\s*" + NUMBER);
    private static final Pattern ONE_STOP = Pattern.compile("\\b(?:at|always|only)\\s*f\\s*/?\\s*" + NUMBER);
    private static final Pattern WIDE = Pattern.compile("wide open|fully open|open aperture");
    private static final Pattern DISTANCE = Pattern.compile("\\b(?:at|from|near|down to)\\s+" + NUMBER + "\\s*(mm|cm|m)\\b(?!\\s*[x×])|(?<![x×\\d.])" + NUMBER + "\\s*(mm|cm|m)\\s+away\\b");
    private static final Pattern FRAME = Pattern.compile("(?<![\\d.])" + NUMBER + "\\s*(?:mm)?\\s*[x×]\\s*" + NUMBER + "(?![\\d.])(\\s*mm\\b)?");
    private static final Pattern STRICT = Pattern.compile("\\bstrict\\b|\\bcritical\\b|\\bexhibition\\b");
    private static final Pattern LENIENT = Pattern.compile("\\blenient\\b|\\bdisplay\\b|\\bshelf\\b|\\bsnapshots?\\b");
    private static final double HARDER = 0.5;
    private static final double SOFTER = 2;
    private static final double LEAST_FRAME_MM = 4;
    /// A side below this is no length in millimetres unless it says so.
    private static final double NAMED_OTHERWISE = 14;
    private static final double MOST_FRAME_MM = 600;
    /// Engraved stops are rounded: f/2.8 is 2.83.
    private static final double ROUNDED = 1.06;
    private static final double NEXT_STOP = 1.5;

    /// What can be understood of it.
    public static OwnersUse of(String text) {
        String t = text.toLowerCase(java.util.Locale.ROOT);
        OptionalDouble widest = OptionalDouble.empty();
        OptionalDouble narrowest = OptionalDouble.empty();
        Matcher stops = STOPS.matcher(t);
        Matcher from = FROM.matcher(t);
        Matcher one = ONE_STOP.matcher(t);
        if (stops.find()) {
            double a = Double.parseDouble(stops.group(1));
            double b = Double.parseDouble(stops.group(2));
            widest = OptionalDouble.of(Math.min(a, b));
            narrowest = OptionalDouble.of(Math.max(a, b));
        } else if (from.find()) {
            widest = OptionalDouble.of(Double.parseDouble(from.group(1)));
        } else if (one.find()) {
            widest = OptionalDouble.of(Double.parseDouble(one.group(1)));
            narrowest = widest;
        }
        Optional<List<Double>> frame = Optional.empty();
        Matcher f = FRAME.matcher(t);
        if (f.find()) {
            double w = Double.parseDouble(f.group(1));
            double h = Double.parseDouble(f.group(2));
            if (Math.min(w, h) >= (f.group(3) == null ? NAMED_OTHERWISE : LEAST_FRAME_MM) && Math.max(w, h) <= MOST_FRAME_MM) {
                frame = Optional.of(List.of(w, h));
            }
        }
        OptionalDouble distance = OptionalDouble.empty();
        Matcher d = DISTANCE.matcher(frame.isPresent() ? t.replace(f.group(), " ") : t);
        while (d.find() && distance.isEmpty()) {
            boolean behind = d.group(1) != null;
            double mm = Double.parseDouble(behind ? d.group(1) : d.group(3)) * switch (behind ? d.group(2) : d.group(4)) {
                case "m" -> 1000;
                case "cm" -> 10;
                default -> 1;
            };
            distance = mm > 0 ? OptionalDouble.of(mm) : distance;
        }
        double strict = STRICT.matcher(t).find() ? HARDER : LENIENT.matcher(t).find() ? SOFTER : 1;
        return new OwnersUse(widest, narrowest, WIDE.matcher(t).find() && widest.isEmpty(), distance, frame, strict);
    }

    /// What is photographed on what; distant things where nothing nearer is thrown a picture of.
    public Footprints.Picture picture(LensSection lens) {
        Footprints.Picture usual = Footprints.Picture.distant(lens);
        Footprints.Picture framed = frameMm.map(f -> new Footprints.Picture(Double.POSITIVE_INFINITY, f.get(0), f.get(1))).filter(p -> p.halfDiagonalMm() <= 1.05 * lens.imageCircleMm() / 2).orElse(usual);
        return objectMm.isPresent() && Footprints.reaches(lens, objectMm.getAsDouble()) ? framed.at(objectMm.getAsDouble()) : framed;
    }

    /// The effects at the stops that are used; all of them where none of the lens' stops is.
    public ShowThrough.Shown seen(ShowThrough.Shown shown) {
        double open = shown.effects().getFirst().stop();
        List<ShowThrough.Effect> used = shown.effects().stream().filter(e -> counts(e.stop(), open)).toList();
        return used.isEmpty() ? shown : new ShowThrough.Shown(shown.kind(), shown.surface(), used, shown.shades(), shown.streaks());
    }

    private boolean counts(double stop, double open) {
        return wideOpen ? stop <= open * NEXT_STOP : stop * ROUNDED >= widest.orElse(0) && stop <= narrowest.orElse(Double.POSITIVE_INFINITY) * ROUNDED;
    }

    /// Thresholds as strict as he is.
    public GradeRules rules(GradeRules usual) {
        return strict == 1 ? usual : usual.stricter(strict);
    }

    /// What of it changes how findings are graded; nothing when nobody said anything that does.
    public Optional<Said> said() {
        if (equals(ANY)) {
            return Optional.empty();
        }
        Said stops = wideOpen ? Said.of("use.open") : widest.isPresent() && narrowest.isPresent() ? Said.of("use.stops", "from", Grader.stop(widest.getAsDouble()), "to", Grader.stop(narrowest.getAsDouble()))
                : widest.isPresent() ? Said.of("use.from", "from", Grader.stop(widest.getAsDouble())) : Said.of("use.every");
        Said far = objectMm.isPresent() ? Said.of("use.near", "metres", objectMm.getAsDouble() / 1000) : Said.of("use.far");
        Said frame = frameMm.map(f -> Said.of("use.frame", "width", f.get(0), "height", f.get(1))).orElse(Said.of("use.noframe"));
        return Optional.of(Said.of("use.graded", "stops", stops, "far", far, "frame", frame, "strict", Said.of(strict < 1 ? "use.strict" : strict > 1 ? "use.lenient" : "use.usual")));
    }
}

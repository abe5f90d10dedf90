package stillglass.ticket.words;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Supplier;
import stillglass.assembly.ClockPosition;
import stillglass.grade.DepthReading;
import stillglass.optics.Element;
import stillglass.optics.LensSection;
import stillglass.optics.misassembly.LensFault;
import stillglass.say.Said;
import stillglass.ticket.condition.Extent;
import stillglass.ticket.glass.GlassEvent;
import stillglass.ticket.glass.GlassIntent;
import stillglass.ticket.glass.Known;
import stillglass.ticket.line.Cursor;
import stillglass.ticket.story.Stage;

/// What is said of the glass itself: how it was found assembled (`E2 reversed`, `E1 and E3 swapped`, `gap 4 +0.3`, `E1 not seated 0.1, 0.5°`, `as designed`) and
/// how deep a finding seems to lie (`focus 12.4 ±0.3`, `parallax 10° 1.8 ±0.1 rear`, `photo 2 sharp at 6.5`, `photos 2 to 8 sweep`, `photo 6 sharp at blades`), where the controls stood (`photo at zoom 80, f/8, near`), and how severe one is (`severity marked`).
final class GlassWords implements Grammar {
    /// Scatter of a rack read to a tenth, and of a shift read off a photo, where nothing is stated.
    private static final double USUAL_FOCUS_ERROR_MM = 0.3;
    private static final double USUAL_SHIFT_ERROR_MM = 0.15;
    /// Lift of a glass off its seat where nothing is stated, mm.
    private static final double USUAL_LIFT_MM = 0.1;

    @Override
    public Optional<Reading> read(Cursor line, Setting in) {
        int start = line.mark();
        if (line.take("as designed")) {
            return Optional.of(Reading.understood(Said.of("say.reads.designed"), new GlassIntent.AssembledRight()));
        }
        Optional<Reading> severe = severity(line, in);
        if (severe.isPresent()) {
            return severe;
        }
        line.reset(start);
        Optional<Reading> reading = depth(line, in).or(() -> in.world().section().flatMap(lens -> assembled(line, lens)));
        if (reading.isEmpty()) {
            line.reset(start);
        }
        return reading;
    }

    private static Optional<Reading> depth(Cursor line, Setting in) {
        int start = line.mark();
        Optional<Double> mm = line.take("focus") ? line.signedMm() : Optional.empty();
        if (mm.isPresent()) {
            double sigma = line.plusMinus().orElse(USUAL_FOCUS_ERROR_MM);
            line.take("mm");
            return Optional.of(about(() -> DepthReading.focus(rear(line), mm.get(), sigma), in));
        }
        line.reset(start);
        Optional<Double> tilt = line.take("parallax") ? line.degrees() : Optional.empty();
        Optional<Double> shift = tilt.flatMap(t -> line.signedMm());
        if (shift.isPresent()) {
            double sigma = line.plusMinus().orElse(USUAL_SHIFT_ERROR_MM);
            line.take("mm");
            return Optional.of(about(() -> DepthReading.parallax(rear(line), tilt.get(), shift.get(), sigma), in));
        }
        line.reset(start);
        Optional<Reading> set = settings(line).or(() -> {
            line.reset(start);
            return dated(line);
        });
        if (set.isPresent()) {
            return set;
        }
        line.reset(start);
        Optional<Reading> sweep = sweep(line);
        if (sweep.isPresent()) {
            return sweep;
        }
        line.reset(start);
        Optional<Integer> photo = line.take("photo") ? line.count() : Optional.empty();
        if (line.take("lamp moved") || line.take("with the lamp moved")) {
            return Optional.of(Reading.understood(photo.map(n -> Said.of("say.reads.lamp.of", "number", n)).orElse(Said.of("say.reads.lamp")), new GlassIntent.MoveLamp(photo)));
        }
        line.take("is");
        if (photo.isPresent() && (line.take("sharp") || line.take("focused"))) {
            line.take("at");
            line.take("the");
            if (line.takeOne(List.of("blades", "iris blades", "iris")).isPresent()) {
                return Optional.of(Reading.understood(Said.of("say.reads.sharp.blades", "photo", photo.get()), new GlassIntent.SharpBlades(photo.get())));
            }
            if (line.take("rim")) {
                return Optional.of(Reading.understood(Said.of("say.reads.sharp", "photo", photo.get(), "mm", 0.0), new GlassIntent.FocusPhoto(photo.get(), 0)));
            }
            return Optional.of(line.signedMm().map(at -> Reading.understood(Said.of("say.reads.sharp", "photo", photo.get(), "mm", at), new GlassIntent.FocusPhoto(photo.get(), at)))
                    .orElse(Reading.unclear("say.sharp")));
        }
        line.reset(start);
        return Optional.empty();
    }

    /// `photos 2 to 8 sweep`: taken one after another from one place while the camera's focus went evenly one way.
    private static Optional<Reading> sweep(Cursor line) {
        Optional<Integer> first = line.take("photos") ? line.count() : Optional.empty();
        if (first.isEmpty() || line.takeOne(List.of("to", "-", "–")).isEmpty()) {
            return Optional.empty();
        }
        Optional<Integer> last = line.count();
        return last.isPresent() && line.takeOne(List.of("sweep", "are a sweep")).isPresent()
                ? Optional.of(Reading.understood(Said.of("say.reads.sweep", "first", first.get(), "last", last.get()), new GlassIntent.Sweep(first.get(), last.get())))
                : Optional.of(Reading.unclear("say.sweep"));
    }

    /// How severe a finding is: `severity marked` of the one in hand, `finding 2 severity slight` of any.
    private static Optional<Reading> severity(Cursor line, Setting in) {
        Optional<Integer> number = line.take("finding") ? line.count() : Optional.empty();
        if (!line.take("severity")) {
            return Optional.empty();
        }
        line.take("is");
        Optional<Extent> extent = Arrays.stream(Extent.values()).filter(e -> line.takeOne(e.words()).isPresent()).findFirst()
                .or(() -> line.take("nothing to speak of") ? Optional.of(Extent.NONE) : Optional.empty());
        List<Known> all = in.state().glass().findings();
        Optional<String> of = number.isPresent() ? number.filter(n -> n >= 1 && n <= all.size()).map(n -> all.get(n - 1).id()) : in.finding();
        if (extent.isEmpty()) {
            return Optional.of(Reading.unclear("say.severity", "severities", Arrays.stream(Extent.values()).map(Extent::ofGlass).toList()));
        }
        if (of.isEmpty()) {
            return Optional.of(number.isPresent() ? Reading.unclear("say.finding.number", "number", number.get(), "count", all.size()) : Reading.unclear("say.finding"));
        }
        return Optional.of(Reading.understood(Said.of("say.reads.severity", "extent", extent.get().ofGlass()), new GlassIntent.Severe(of.get(), extent.get().ordinal())));
    }

    /// Where the controls stood when a photo was taken: `photo at zoom 80, f/8, near`, `photo 2 at 35 mm, infinity`.
    private static Optional<Reading> settings(Cursor line) {
        Optional<Integer> number = line.take("photo") ? line.count() : Optional.empty();
        if (!line.take("taken at") && !line.take("at")) {
            return Optional.empty();
        }
        Optional<Double> zoom = Optional.empty();
        Optional<Double> stop = Optional.empty();
        Optional<String> focus = Optional.empty();
        while (!line.end()) {
            line.separators();
            boolean f = line.take("f /") || line.take("f");
            boolean named = !f && line.take("zoom");
            Optional<Double> value = f || named || zoom.isEmpty() ? line.number().filter(v -> v > 0) : Optional.empty();
            line.take("mm");
            if (f && value.isPresent() && stop.isEmpty()) {
                stop = value;
            } else if (!f && value.isPresent() && zoom.isEmpty()) {
                zoom = value;
            } else {
                line.take("focus");
                Optional<String> where = f || named || value.isPresent() || focus.isPresent() ? Optional.empty() : line.clause();
                if (where.isEmpty()) {
                    return Optional.of(Reading.unclear("say.photo.set"));
                }
                focus = where;
            }
        }
        GlassEvent.PhotoSet said = new GlassEvent.PhotoSet("", zoom, stop, focus);
        return Optional.of(zoom.isEmpty() && stop.isEmpty() && focus.isEmpty() ? Reading.unclear("say.photo.set")
                : Reading.understood(number.map(n -> Said.of("say.reads.photo.set.of", "number", n, "set", said.said())).orElseGet(() -> Said.of("say.reads.photo.set", "set", said.said())),
                        new GlassIntent.SetPhoto(number, zoom, stop, focus)));
    }

    /// Of which day a photo is: `photo 2 of 2025-03-01`.
    private static Optional<Reading> dated(Cursor line) {
        Optional<Integer> number = line.take("photo") ? line.count() : Optional.empty();
        if (!line.take("of") && !line.take("from the")) {
            return Optional.empty();
        }
        String day = line.rest().orElse("");
        try {
            LocalDate date = LocalDate.parse(day.strip());
            return Optional.of(Reading.understood(number.map(n -> Said.of("say.reads.photo.dated.of", "number", n, "day", date.toString())).orElseGet(() -> Said.of("say.reads.photo.dated", "day", date.toString())), new GlassIntent.DatePhoto(number, date)));
        } catch (DateTimeException noDay) {
            return Optional.of(Reading.unclear("say.photo.day", "day", day));
        }
    }

    private static boolean rear(Cursor line) {
        line.separators();
        if (line.takeOne(List.of("from the rear", "rear", "from behind", "behind")).isPresent()) {
            return true;
        }
        line.takeOne(List.of("from the front", "front"));
        return false;
    }

    /// A reading out of range is refused with its own words.
    private static Reading about(Supplier<DepthReading> read, Setting in) {
        if (in.finding().isEmpty()) {
            return Reading.unclear("say.finding");
        }
        try {
            DepthReading reading = read.get();
            return Reading.understood(Said.of("say.reads.depth", "reading", reading.said()), new GlassIntent.ReadDepth(in.finding().get(), reading));
        } catch (IllegalArgumentException e) {
            return Reading.unclear("say.cannot", "why", String.valueOf(e.getMessage()));
        }
    }

    private static Optional<Reading> assembled(Cursor line, LensSection lens) {
        int start = line.mark();
        if (line.take("fault")) {
            return line.rest().map(t -> found(() -> LensFault.parse(t.strip().replaceAll("\\be(?=\\d)", "E")), lens));
        }
        Optional<Integer> gap = line.take("gap") ? line.count() : Optional.empty();
        if (gap.isPresent()) {
            return Optional.of(line.signedMm().map(mm -> found(() -> new LensFault.GapChanged(gap.get(), mm), lens)).orElse(Reading.unclear("say.gap")));
        }
        line.reset(start);
        List<String> glasses = glasses(line, lens);
        if (glasses.isEmpty()) {
            line.reset(start);
            return Optional.empty();
        }
        Optional<Reading> one = one(line, glasses, lens);
        if (one.isPresent()) {
            return one;
        }
        if (line.take("and") || line.take(",")) {
            List<String> others = glasses(line, lens);
            line.take("are");
            if (!others.isEmpty() && line.take("swapped")) {
                return Optional.of(found(() -> new LensFault.Swapped(glasses, others), lens));
            }
        }
        line.reset(start);
        return Optional.empty();
    }

    private static Optional<Reading> one(Cursor line, List<String> glasses, LensSection lens) {
        int start = line.mark();
        line.take("is");
        if (line.takeOne(List.of("reversed", "turned round", "wrong way round")).isPresent()) {
            return Optional.of(found(() -> new LensFault.Reversed(glasses), lens));
        }
        if (line.take("not seated")) {
            int after = line.mark();
            boolean angle = line.degrees().isPresent();
            line.reset(after);
            double lift = angle ? USUAL_LIFT_MM : line.lengthMm().orElse(USUAL_LIFT_MM);
            line.separators();
            double tilt = line.degrees().orElse(0.0);
            line.separators();
            double towards = line.clock().map(ClockPosition::hours).orElse(0.0);
            return Optional.of(found(() -> new LensFault.Unseated(glasses, lift, tilt, towards == 0 ? 12 : towards), lens));
        }
        line.reset(start);
        return Optional.empty();
    }

    private static Reading found(Supplier<LensFault> said, LensSection lens) {
        try {
            LensFault fault = said.get();
            LensFault.apply(lens, List.of(fault), LensFault.Seating.RIM);
            return Reading.understood(Said.of("say.reads.assembled", "fault", fault.toString()), new GlassIntent.FindAssembled(fault.shortForm()));
        } catch (IllegalArgumentException e) {
            return Reading.unclear("say.cannot", "why", String.valueOf(e.getMessage()));
        }
    }

    /// Glasses by name, with plus signs between; one of a cemented group stands for the group.
    private static List<String> glasses(Cursor line, LensSection lens) {
        List<String> named = new ArrayList<>();
        int before = line.mark();
        Optional<String> word = line.word();
        while (word.filter(w -> w.matches("e\\d{1,2}")).isPresent()) {
            named.add(word.get().toUpperCase(Locale.ROOT));
            before = line.mark();
            word = line.take("+") ? line.word() : Optional.empty();
        }
        line.reset(before);
        return named.size() == 1
                ? lens.element(named.getFirst()).map(e -> lens.elements().stream().filter(o -> o.group().equals(e.group())).map(Element::name).toList())
                        .filter(all -> !all.isEmpty()).orElse(named)
                : named;
    }

    @Override
    public List<String> examples(Setting in) {
        if (in.stage() == Stage.LOOK && in.world().section().isEmpty()) {
            return List.of("photo at zoom 80, f/8, near", "photos 1 to 7 sweep", "severity marked");
        }
        return in.world().section().isPresent() && (in.stage() == Stage.LOOK || in.stage() == Stage.ARRIVE)
                ? List.of("focus 12.4 ±0.3", "parallax 10° 1.8 ±0.1", "E2 reversed", "E1 and E2 swapped", "gap 4 +0.3", "as designed", "photo at zoom 80, f/8, near", "photos 1 to 7 sweep", "photo 1 of 2025-03-01", "severity marked") : List.of();
    }
}

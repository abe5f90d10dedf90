package stillglass.ticket.words;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import stillglass.assembly.Part;
import stillglass.device.Source;
import stillglass.say.Said;
import stillglass.ticket.facts.PartNames;
import stillglass.ticket.facts.Shims;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.line.Cursor;
import stillglass.ticket.readings.Functions;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Stage;

/// What was measured and tried on the whole: `infinity +0.12 ± 0.01`, `check iris, slow and oily`, `fitted shims .05 .10 under mount`.
final class ReadingWords implements Grammar {
    /// Scatter of a reading of infinity where nothing is stated, mm.
    private static final double USUAL_ERROR_MM = 0.02;

    private static final Pattern GLINTS = Pattern.compile("\\s*(?:lamp\\s+)?(0*[1-9]\\d{0,3}(?:\\.\\d+)?)(?:\\s*mm)?\\s+aside\\s+(0*[1-9]\\d{0,3}(?:\\.\\d+)?)(?:\\s*mm)?\\s+(?:eye|camera)\\s+(0*[1-9]\\d{0,3}(?:\\.\\d+)?)(?:\\s*mm)?\\s*:\\s*(.+)");

    @Override
    public Optional<Reading> read(Cursor line, Setting in) {
        int start = line.mark();
        if (line.take("infinity")) {
            Optional<Double> mm = line.signedMm();
            if (mm.isPresent()) {
                return Optional.of(infinity(mm.get(), line, in.phase()));
            }
            line.reset(start);
        }
        if (line.take("collars")) {
            return Optional.of(collars(line, in));
        }
        if (line.takeOne(List.of("glints", "reflections")).isPresent()) {
            return Optional.of(glints(line, in));
        }
        if (line.take("check") || line.take("tried")) {
            return check(line, in);
        }
        if (line.takeOne(List.of("fitted shims", "fit shims")).isPresent() || in.stage() == Stage.PROVE && (line.take("shims") || line.take("shim"))) {
            return Optional.of(fit(line, in));
        }
        if (line.take("infinity shims under") || line.take("infinity shims")) {
            return place(line, in).map(p -> Reading.understood(Said.of("say.reads.infinity-shims", "place", p.replace('_', ' ')), new JointIntent.NameInfinityShims(p)));
        }
        line.reset(start);
        return Optional.empty();
    }

    /// `collars 0 90: 34 38 30 36`: angles from their marks, then the corners from top left clockwise.
    private static Reading collars(Cursor line, Setting in) {
        String[] halves = line.rest().orElse("").split(":", 2);
        List<Double> deg = numbers(halves[0]);
        List<Double> corners = halves.length > 1 ? numbers(halves[1]) : List.of();
        return ReadingEvent.CollarsTried.possible(deg, corners)
                ? Reading.understood(Said.of("say.reads.collars", "deg", halves[0].strip().replace("°", ""), "corners", halves[1].strip()), ReadingEvent.CollarsTried.of(in.phase(), deg, corners))
                : Reading.unclear("say.collars");
    }

    /// `glints lamp 300 aside 30 eye 250: 0.12 -0.30 0.45`.
    private static Reading glints(Cursor line, Setting in) {
        Matcher m = GLINTS.matcher(line.rest().orElse(""));
        List<Double> shares = m.matches() ? numbers(m.group(4)) : List.of();
        if (shares.isEmpty() || shares.stream().anyMatch(x -> !(Math.abs(x) <= 1))) {
            return Reading.unclear("say.glints");
        }
        return Reading.understood(Said.of("say.reads.glints", "count", shares.size(), "lamp", Double.parseDouble(m.group(1)), "aside", Double.parseDouble(m.group(2))),
                new ReadingEvent.GlintsSeen(in.phase(), Double.parseDouble(m.group(1)), Double.parseDouble(m.group(2)), Double.parseDouble(m.group(3)), shares));
    }

    /// What is no number is one that nothing takes.
    private static List<Double> numbers(String text) {
        return Arrays.stream(text.replace("°", " ").strip().split("[\\s;/]+|,(?!\\d)")).filter(t -> !t.isEmpty()).map(t -> {
            try {
                return Double.parseDouble(t.replace(',', '.'));
            } catch (NumberFormatException e) {
                return Double.NaN;
            }
        }).toList();
    }

    private static Reading infinity(double mm, Cursor line, Phase phase) {
        Optional<Double> stated = line.plusMinus();
        line.take("mm");
        double sigma = stated.orElse(USUAL_ERROR_MM);
        return ReadingEvent.InfinityMeasured.possible(mm, sigma)
                ? Reading.understood(Said.of(stated.isPresent() ? "say.reads.infinity" : "say.reads.infinity.usual", "mm", mm, "sigma", sigma, "phase", phase.name()), new ReadingEvent.InfinityMeasured(phase, mm, sigma, Source.TYPED))
                : Reading.unclear("say.infinity", "mm", mm, "sigma", sigma);
    }

    private static Optional<Reading> check(Cursor line, Setting in) {
        Optional<String> what = line.until(":");
        if (!line.take(":")) {
            line.separators();
        }
        Optional<String> found = line.rest();
        return Optional.of(what.isEmpty() || found.isEmpty() ? Reading.unclear("say.check")
                : Reading.understood(Said.of("say.reads.check", "check", what.get(), "found", found.get()), new ReadingEvent.FunctionChecked(in.phase(), named(what.get(), in), found.get())));
    }

    /// As the list of functions calls it, so that it is tried once and not twice.
    private static String named(String what, Setting in) {
        return Functions.of(in.world().instrument().sort()).stream().filter(f -> f.equalsIgnoreCase(what)).findFirst().orElse(what.toLowerCase(Locale.ROOT));
    }

    private static Reading fit(Cursor line, Setting in) {
        List<Double> pieces = new ArrayList<>();
        Optional<Double> piece = line.lengthMm();
        while (piece.isPresent()) {
            pieces.add(piece.get());
            if (!line.take("+")) {
                line.take("and");
            }
            piece = line.lengthMm();
        }
        boolean none = pieces.isEmpty() && line.take("none");
        if (pieces.isEmpty() && !none) {
            return Reading.unclear("fact.shims.how");
        }
        Optional<String> place = line.take("under") ? place(line, in) : Optional.empty();
        Said stack = none ? Said.of("fact.shims.none") : Shims.pieces(pieces);
        return Reading.understood(place.map(p -> Said.of("say.reads.fitted.under", "shims", stack, "place", p.replace('_', ' '))).orElse(Said.of("say.reads.fitted", "shims", stack)),
                new JointIntent.FitShims(place, pieces));
    }

    private static Optional<String> place(Cursor line, Setting in) {
        line.take("the");
        return PartNames.take(line, in.words().parts()).map(Part::id).or(line::clause);
    }

    @Override
    public List<String> examples(Setting in) {
        return switch (in.stage()) {
            case ARRIVE -> List.of("infinity +0.12 ± 0.01", "check iris, ", "check feel, ");
            case PROVE -> List.of("infinity 0.00 ± 0.01", "check iris, ", "check feel, ", "fitted shims ");
            case LOOK, DECIDE, OPEN, CLEAN, CLOSE -> List.of();
        };
    }
}

package stillglass.cli;

import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import stillglass.book.BadInput;
import stillglass.prove.edge.FocusField;
import stillglass.prove.edge.SharpnessReading;
import stillglass.say.Wording;

/// Photos over focus, by stop where stops are told: best focus over the frame and between stops.
final class FocusSeries {
    private final List<Double> positions;
    private final List<Double> stops;
    private final Map<Double, List<FocusField.Step>> steps = new TreeMap<>();
    private final List<Double> told = new ArrayList<>();
    private final List<FocusField> fields = new ArrayList<>();
    private int width;
    private int height;
    private int next;

    private FocusSeries(List<Double> positions, List<Double> stops) {
        this.positions = positions;
        this.stops = stops;
    }

    /// @param positions as typed; null for no series
    static FocusSeries of(@Nullable String positions, @Nullable String stops, int photos) {
        if (positions == null) {
            if (stops != null) {
                throw new BadInput("command line", "--stops", "tells nothing without --at: give the focus position of each photo");
            }
            return new FocusSeries(List.of(), List.of());
        }
        List<Double> at = new ArrayList<>();
        for (String word : positions.split(",")) {
            try {
                double z = Double.parseDouble(word.strip());
                if (!Double.isFinite(z)) {
                    throw new NumberFormatException();
                }
                at.add(z);
            } catch (NumberFormatException e) {
                throw new BadInput("command line", "--at", "\"" + word.strip() + "\" is no number: give the focus position of each photo, as 0,0.1,0.2", e);
            }
        }
        if (at.size() != photos) {
            throw new BadInput("command line", "--at", "names " + at.size() + " positions for " + photos + " photos: give one for each");
        }
        return new FocusSeries(at, stops == null ? List.of() : StopPhotos.numbers(stops, photos));
    }

    void add(int wide, int high, SharpnessReading r) {
        if (positions.isEmpty()) {
            return;
        }
        if (next > 0 && (wide != width || high != height)) {
            throw new BadInput("photos", "size", "differs within the series: take all from one place with one camera");
        }
        width = wide;
        height = high;
        steps.computeIfAbsent(stops.isEmpty() ? 0.0 : stops.get(next), k -> new ArrayList<>()).add(new FocusField.Step(positions.get(next), r));
        next++;
    }

    /// Puts what was found into an answer.
    void answer(Answer answer, List<String> notes) {
        if (positions.isEmpty()) {
            return;
        }
        List<Map<String, Object>> all = new ArrayList<>();
        steps.forEach((stop, of) -> {
            Optional<FocusField> field = FocusField.of(of, width, height);
            if (field.isEmpty()) {
                notes.add(Wording.core().say(FocusField.TOO_FEW));
            }
            field.ifPresent(f -> {
                told.add(stop);
                fields.add(f);
                Answer a = new Answer();
                if (!stops.isEmpty()) {
                    a.number("f_number", stop);
                }
                all.add(a.put("edges", f.points().size()).number("middle", f.middle().value()).number("middle_sigma", f.middle().sigma()).number("bowl", f.bowl().value()).number("bowl_sigma", f.bowl().sigma())
                        .number("tangential", f.radial().map(FocusField.Value::value).orElse(Double.NaN)).number("sagittal", f.around().map(FocusField.Value::value).orElse(Double.NaN))
                        .number("slope", f.slope().value()).number("slope_sigma", f.slope().sigma()).number("towards_deg", f.towardsDeg()).fields());
                f.diagnostics().forEach(d -> notes.add(Wording.core().say(d)));
            });
        });
        answer.put("fields", all);
        if (fields.size() > 1) {
            FocusField.Value shift = shift();
            answer.put("focus_shift", new Answer().number("from", told.getFirst()).number("to", told.getLast()).number("by", shift.value()).number("sigma", shift.sigma()));
        }
    }

    private FocusField.Value shift() {
        return fields.getFirst().shiftTo(fields.getLast());
    }

    void print(PrintWriter out) {
        for (int i = 0; i < fields.size(); i++) {
            FocusField f = fields.get(i);
            double stop = told.get(i);
            out.printf(Locale.ROOT, "%sbest focus in the middle at %.4g ± %.2g, corners beyond it by %.3g ± %.2g, slope %.3g towards %.0f° (%d edges)%n", stop > 0 ? String.format(Locale.ROOT, "f/%.1f: ", stop) : "",
                f.middle().value(), 2 * f.middle().sigma(), f.bowl().value(), 2 * f.bowl().sigma(), f.slope().value(), f.towardsDeg(), f.points().size());
        }
        if (fields.size() > 1) {
            out.printf(Locale.ROOT, "focus shift from f/%.1f to f/%.1f: %.3g ± %.2g%n", told.getFirst(), told.getLast(), shift().value(), 2 * shift().sigma());
        }
    }
}

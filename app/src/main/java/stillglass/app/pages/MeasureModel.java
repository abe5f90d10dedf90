package stillglass.app.pages;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import stillglass.app.theme.Words;
import stillglass.optics.LensSection;
import stillglass.optics.Paraxial;
import stillglass.optics.measured.FormGuess;
import stillglass.optics.measured.MeasuredGlass;
import stillglass.optics.measured.MeasuredSection;
import stillglass.optics.measured.Spherometer;
import stillglass.optics.measured.TwoPlane;

/// A section in the making: what was typed, read into a lens or into what is still missing.
///
/// @param section the lens, once enough is typed
/// @param figures what follows from it
/// @param remarks what was assumed
/// @param shapes the glasses typed so far, front to rear, as far as each can be drawn
/// @param missing the first thing that is missing or wrong, empty when the section stands
public record MeasureModel(Optional<LensSection> section, List<String> figures, List<String> remarks,
        List<Optional<Shape>> shapes, String missing) {

    /// A glass to be drawn: radii positive when their centre lies to the right, thickness 0 while it is not measured.
    public record Shape(double frontMm, double rearMm, double thicknessMm, double diameterMm) {}

    /// How a section comes about without a design.
    public enum Way {
        GLASSES,
        FORM,
        RIMS
    }

    /// Columns of a glass, as they are typed.
    public static final List<String> COLUMNS = List.of("front", "rear", "thick", "diameter", "index", "focal", "gap");
    /// Glasses a sheet has room for.
    public static final int MOST_GLASSES = 9;

    public MeasureModel {
        figures = List.copyOf(figures);
        remarks = List.copyOf(remarks);
        shapes = List.copyOf(shapes);
    }

    /// Something that is missing or no number; its message is shown.
    private static final class Missing extends IllegalArgumentException {
        private static final long serialVersionUID = 1;

        Missing(String message) {
            super(message);
        }
    }

    /// Reads what was typed.
    /// @param fields by name: `name focal f circle`, and by way `E1.front …`, `ring ball`, `iris-behind iris-after`,
    ///     `rim-front iris-looks rim-rear back-focus rims-apart`, and `iris-from-rear` where somebody looked
    /// @param byReading faces are typed as spherometer readings, not as radii
    /// @param form the lens whose form it shares
    public static MeasureModel of(Way way, Map<String, String> fields, boolean byReading, Optional<LensSection> form) {
        List<Optional<Shape>> shapes = way == Way.GLASSES ? shapes(fields, byReading) : List.of();
        try {
            List<String> remarks = new ArrayList<>();
            LensSection made = switch (way) {
                case GLASSES -> {
                    MeasuredSection m = glasses(fields, byReading, remarks);
                    remarks.addAll(0, m.remarks().stream().map(Words::say).toList());
                    yield m.section();
                }
                case FORM -> {
                    remarks.add(Words.of("measure.guess.remark"));
                    yield FormGuess.of(form.orElseThrow(() -> new Missing(Words.of("measure.choose"))), name(fields),
                            number(fields, "focal"), number(fields, "f"), number(fields, "circle"));
                }
                case RIMS -> {
                    remarks.add(Words.of("measure.rims.remark"));
                    yield TwoPlane.of(name(fields), number(fields, "focal"), number(fields, "f"), number(fields, "circle"),
                            new TwoPlane.Outside(number(fields, "rim-front"), number(fields, "iris-looks"), number(fields, "rim-rear"), number(fields, "back-focus"), number(fields, "rims-apart"), optional(fields, "iris-from-rear")));
                }
            };
            return new MeasureModel(Optional.of(made), figures(made), remarks, shapes, "");
        } catch (Missing m) {
            return new MeasureModel(Optional.empty(), List.of(), List.of(), shapes, String.valueOf(m.getMessage()));
        } catch (IllegalArgumentException e) {
            return new MeasureModel(Optional.empty(), List.of(), List.of(), shapes, Words.capital(String.valueOf(e.getMessage())) + ".");
        }
    }

    private static MeasuredSection glasses(Map<String, String> fields, boolean byReading, List<String> remarks) {
        Optional<Spherometer> feet = byReading ? Optional.of(new Spherometer(number(fields, "ring"), number(fields, "ball"))) : Optional.empty();
        int count = count(fields);
        if (count == 0) {
            throw new Missing(Words.of("measure.first"));
        }
        List<MeasuredGlass> glasses = new ArrayList<>();
        for (int i = 1; i <= count; i++) {
            String e = "E" + i;
            // A bulging face is positive as it is read; the rear of a glass bulges away from the light.
            double front = face(fields, e + ".front", feet, e, remarks);
            double rear = -face(fields, e + ".rear", feet, e, remarks);
            glasses.add(new MeasuredGlass(e, front, rear, number(fields, e + ".thick"), number(fields, e + ".diameter"),
                    optional(fields, e + ".index"), optional(fields, e + ".focal"), i == count ? 0 : number(fields, e + ".gap")));
        }
        return MeasuredSection.of(new MeasuredSection.Whole(name(fields), number(fields, "focal"), number(fields, "f"), number(fields, "circle"),
                whole(fields, "iris-behind"), number(fields, "iris-after")), glasses);
    }

    /// How many glasses something was typed for.
    static int count(Map<String, String> fields) {
        int count = 0;
        for (int i = 1; i <= MOST_GLASSES; i++) {
            int glass = i;
            if (COLUMNS.stream().anyMatch(c -> !text(fields, "E" + glass + "." + c).isEmpty())) {
                count = i;
            }
        }
        return count;
    }

    /// Every glass that has at least a face and a diameter.
    private static List<Optional<Shape>> shapes(Map<String, String> fields, boolean byReading) {
        List<Optional<Shape>> all = new ArrayList<>();
        for (int i = 1; i <= count(fields); i++) {
            all.add(shape(fields, "E" + i, byReading));
        }
        return all;
    }

    private static Optional<Shape> shape(Map<String, String> fields, String glass, boolean byReading) {
        try {
            Optional<Spherometer> feet = byReading ? Optional.of(new Spherometer(number(fields, "ring"), number(fields, "ball"))) : Optional.empty();
            double diameter = number(fields, glass + ".diameter");
            double thick = text(fields, glass + ".thick").isEmpty() ? 0 : number(fields, glass + ".thick");
            return diameter > 0 && thick >= 0
                    ? Optional.of(new Shape(face(fields, glass + ".front", feet, glass, new ArrayList<>()),
                            -face(fields, glass + ".rear", feet, glass, new ArrayList<>()), thick, diameter))
                    : Optional.empty();
        } catch (IllegalArgumentException notYet) {
            // Half-typed measures are no error while they are being typed; the sheet says what is missing.
            return Optional.empty();
        }
    }

    /// Radius of a face as it was typed, whatever was read of it.
    static double face(Map<String, String> fields, String key, boolean byReading, String glass) {
        return face(fields, key, byReading ? Optional.of(new Spherometer(number(fields, "ring"), number(fields, "ball"))) : Optional.empty(), glass, new ArrayList<>());
    }

    /// Radius of a face, positive where it bulges; a field left empty is a plane.
    private static double face(Map<String, String> fields, String key, Optional<Spherometer> feet, String glass, List<String> remarks) {
        if (text(fields, key).isEmpty()) {
            return Double.POSITIVE_INFINITY;
        }
        double typed = number(fields, key);
        if (feet.isEmpty()) {
            return typed == 0 ? Double.POSITIVE_INFINITY : typed;
        }
        Spherometer.Radius r = feet.get().radius(typed, READING_ERROR_MM);
        remarks.add(r.plane()
                ? Words.of("measure.plane", glass)
                : Words.of("measure.radius", glass, r.radiusMm(), r.sigmaMm()));
        return r.radiusMm();
    }

    /// A dial gauge reads to two micrometres.
    private static final double READING_ERROR_MM = 0.002;

    private static List<String> figures(LensSection s) {
        Paraxial p = Paraxial.of(s);
        return List.of(Words.of("axis.fact.efl", p.eflMm()), Words.of("axis.fact.bfd", p.bfdMm()), Words.of("axis.fact.pupil", p.entrancePupil().diameterMm()),
                Words.of("measure.length", s.lengthMm()));
    }

    static String text(Map<String, String> fields, String key) {
        return fields.getOrDefault(key, "").strip();
    }

    private static String name(Map<String, String> fields) {
        String name = text(fields, "name");
        return name.isEmpty() ? Words.of("measure.unnamed") : name;
    }

    static OptionalDouble optional(Map<String, String> fields, String key) {
        return text(fields, key).isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(number(fields, key));
    }

    private static int whole(Map<String, String> fields, String key) {
        double value = number(fields, key);
        if (value != Math.rint(value)) {
            throw new Missing(Words.of("measure.nonumber", text(fields, key), label(key)));
        }
        return (int) value;
    }

    /// @throws IllegalArgumentException saying which measure is missing or no number
    static double number(Map<String, String> fields, String key) {
        String typed = text(fields, key);
        String label = label(key);
        if (typed.isEmpty()) {
            throw new Missing(Words.of("measure.missing", label));
        }
        try {
            double factor = typed.toLowerCase(Locale.ROOT).endsWith("in") || typed.endsWith("\"") ? 25.4 : 1;
            return factor * Double.parseDouble(typed.replace(',', '.').replaceAll("(?i)\\s*(mm|in|\")$", ""));
        } catch (NumberFormatException e) {
            throw new Missing(Words.of("measure.nonumber", typed, label));
        }
    }

    /// A field in words: "thickness of E2".
    static String label(String key) {
        if (key.matches("E\\d+\\..*")) {
            String[] parts = key.split("\\.", 2);
            return Words.of("measure.of", Words.of("measure.column." + parts[1]), parts[0]);
        }
        return Words.of("measure.field." + key);
    }
}

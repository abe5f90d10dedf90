package stillglass.app.pages;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import stillglass.app.theme.Words;
import stillglass.fault.LooseGlass;
import stillglass.fault.OrderFinder;
import stillglass.optics.measured.MeasuredGlass;

/// Glasses as they were typed, whose order is not known: gaps belong to places, rows to glasses.
///
/// @param glasses in the order of the rows, cemented ones as one
/// @param rows of each of them
/// @param assumed glasses whose index was taken as that of most, for neither it nor a focal length was typed
record LooseSheet(List<LooseGlass> glasses, GlassRows rows, List<String> assumed, OrderFinder.Wanted wanted) {
    private static final double EFL_SHARE = 0.015;
    private static final double BACK_MM = 0.4;

    LooseSheet {
        glasses = List.copyOf(glasses);
        assumed = List.copyOf(assumed);
    }

    /// @throws IllegalArgumentException saying what is still missing or wrong
    static LooseSheet of(Map<String, String> fields, boolean byReading) {
        int count = MeasureModel.count(fields);
        GlassRows rows = GlassRows.of(fields);
        List<Double> between = rows.rows().subList(0, Math.max(0, rows.rows().size() - 1)).stream().map(r -> MeasureModel.number(fields, "E" + r.getLast() + ".gap")).toList();
        if (rows.rows().size() < 2) {
            throw new IllegalArgumentException(Words.of("measure.sort.two"));
        }
        List<LooseGlass> glasses = IntStream.range(0, rows.rows().size()).mapToObj(i -> glass(rows.names().get(i), fields, byReading, rows.rows().get(i))).toList();
        double efl = MeasureModel.number(fields, "focal");
        List<String> assumed = IntStream.rangeClosed(1, count).filter(i -> MeasureModel.text(fields, "E" + i + ".index").isEmpty() && MeasureModel.text(fields, "E" + i + ".focal").isEmpty()).mapToObj(i -> GlassRows.called(fields, i)).toList();
        return new LooseSheet(glasses, rows, assumed, new OrderFinder.Wanted(between, false, efl, EFL_SHARE * efl, MeasureModel.optional(fields, "back"), BACK_MM, MeasureModel.number(fields, "f"), List.of()));
    }

    private static LooseGlass glass(String id, Map<String, String> fields, boolean byReading, List<Integer> rows) {
        List<Double> faces = new ArrayList<>();
        List<Double> thick = new ArrayList<>();
        List<Double> index = new ArrayList<>();
        double diameter = MeasureModel.number(fields, "E" + rows.getFirst() + ".diameter");
        for (int i : rows) {
            String e = "E" + i;
            double front = MeasureModel.face(fields, e + ".front", byReading, e);
            double rear = -MeasureModel.face(fields, e + ".rear", byReading, e);
            double t = MeasureModel.number(fields, e + ".thick");
            OptionalDouble nd = MeasureModel.optional(fields, e + ".index");
            OptionalDouble focal = MeasureModel.optional(fields, e + ".focal");
            if (faces.isEmpty()) {
                faces.add(front);
            }
            faces.add(rear);
            thick.add(t);
            index.add(nd.isPresent() || focal.isEmpty() ? nd.orElse(MeasuredGlass.USUAL_INDEX) : LooseGlass.ofFocalLength(e, front, rear, t, diameter, focal.getAsDouble()).index().getFirst());
        }
        return new LooseGlass(id, faces, thick, index, diameter);
    }

    /// The fields of all rows as an arrangement has them.
    Map<String, String> arranged(Map<String, String> fields, OrderFinder.Arrangement a) {
        return rows.arranged(fields, a.places().stream().map(rows.names()::indexOf).toList(), a.turned());
    }

    /// An arrangement in a line: `E2, E1 turned, E3`.
    static String said(OrderFinder.Arrangement a) {
        return IntStream.range(0, a.places().size()).mapToObj(i -> a.turned().get(i) ? Words.of("measure.sort.turned", a.places().get(i)) : a.places().get(i)).collect(Collectors.joining(", "));
    }
}

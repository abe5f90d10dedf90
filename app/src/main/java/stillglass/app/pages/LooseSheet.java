package stillglass.app.pages;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
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
/// @param gaps behind each place, as typed
/// @param assumed glasses whose index was taken as that of most, for neither it nor a focal length was typed
record LooseSheet(List<LooseGlass> glasses, List<List<Integer>> rows, List<String> gaps, List<String> assumed, OrderFinder.Wanted wanted) {
    private static final double EFL_SHARE = 0.015;
    private static final double BACK_MM = 0.4;

    LooseSheet {
        glasses = List.copyOf(glasses);
        rows = rows.stream().map(List::copyOf).toList();
        gaps = List.copyOf(gaps);
        assumed = List.copyOf(assumed);
    }

    /// @throws IllegalArgumentException saying what is still missing or wrong
    static LooseSheet of(Map<String, String> fields, boolean byReading) {
        int count = MeasureModel.count(fields);
        List<List<Integer>> rows = new ArrayList<>();
        List<String> gaps = new ArrayList<>();
        List<Double> between = new ArrayList<>();
        List<Integer> group = new ArrayList<>();
        for (int i = 1; i <= count; i++) {
            group.add(i);
            double gap = i == count ? 1 : MeasureModel.number(fields, "E" + i + ".gap");
            if (gap > 0) {
                rows.add(group);
                group = new ArrayList<>();
                if (i < count) {
                    between.add(gap);
                    gaps.add(MeasureModel.text(fields, "E" + i + ".gap"));
                }
            }
        }
        if (rows.size() < 2) {
            throw new IllegalArgumentException(Words.of("measure.sort.two"));
        }
        List<LooseGlass> glasses = rows.stream().map(r -> glass(fields, byReading, r)).toList();
        double efl = MeasureModel.number(fields, "focal");
        List<String> assumed = IntStream.rangeClosed(1, count).mapToObj(i -> "E" + i).filter(e -> MeasureModel.text(fields, e + ".index").isEmpty() && MeasureModel.text(fields, e + ".focal").isEmpty()).toList();
        return new LooseSheet(glasses, rows, gaps, assumed, new OrderFinder.Wanted(between, false, efl, EFL_SHARE * efl, MeasureModel.optional(fields, "back"), BACK_MM, MeasureModel.number(fields, "f"), List.of()));
    }

    private static LooseGlass glass(Map<String, String> fields, boolean byReading, List<Integer> rows) {
        List<Double> faces = new ArrayList<>();
        List<Double> thick = new ArrayList<>();
        List<Double> index = new ArrayList<>();
        String id = rows.stream().map(i -> "E" + i).collect(Collectors.joining("+"));
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

    /// The fields of all rows as an arrangement has them. A glass that is turned shows its faces the other way round.
    Map<String, String> arranged(Map<String, String> fields, OrderFinder.Arrangement a) {
        Map<String, String> out = new LinkedHashMap<>();
        int row = 1;
        for (int place = 0; place < a.places().size(); place++) {
            String id = a.places().get(place);
            int which = IntStream.range(0, glasses.size()).filter(i -> glasses.get(i).id().equals(id)).findFirst().orElseThrow();
            List<Integer> from = new ArrayList<>(rows.get(which));
            boolean turned = a.turned().get(place);
            if (turned) {
                Collections.reverse(from);
            }
            for (int k = 0; k < from.size(); k++) {
                String was = "E" + from.get(k) + ".";
                String now = "E" + row++ + ".";
                out.put(now + "front", fields.getOrDefault(was + (turned ? "rear" : "front"), ""));
                out.put(now + "rear", fields.getOrDefault(was + (turned ? "front" : "rear"), ""));
                for (String column : List.of("thick", "diameter", "index", "focal")) {
                    out.put(now + column, fields.getOrDefault(was + column, ""));
                }
                boolean last = k == from.size() - 1;
                out.put(now + "gap", last ? place < gaps.size() ? gaps.get(place) : "" : "0");
            }
        }
        return out;
    }

    /// An arrangement in a line: `E2, E1 turned, E3`.
    static String said(OrderFinder.Arrangement a) {
        return IntStream.range(0, a.places().size()).mapToObj(i -> a.turned().get(i) ? Words.of("measure.sort.turned", a.places().get(i)) : a.places().get(i)).collect(Collectors.joining(", "));
    }
}

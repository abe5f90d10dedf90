package stillglass.app.pages;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/// Rows of the sheet as single glasses and cemented groups: what belongs to a glass goes with it, gaps belong to places.
///
/// @param rows of each glass or group, front to rear, counted from 1; those with a gap of 0 between them are cemented
/// @param names what each is called
/// @param gaps behind each place but the last, as typed
record GlassRows(List<List<Integer>> rows, List<String> names, List<String> gaps) {
    private static final List<String> OWN = List.of("thick", "diameter", "index", "focal", "called");

    GlassRows {
        rows = rows.stream().map(List::copyOf).toList();
        names = List.copyOf(names);
        gaps = List.copyOf(gaps);
    }

    static GlassRows of(Map<String, String> fields) {
        int count = MeasureModel.count(fields);
        List<List<Integer>> rows = new ArrayList<>();
        List<String> gaps = new ArrayList<>();
        List<Integer> group = new ArrayList<>();
        for (int i = 1; i <= count; i++) {
            group.add(i);
            String gap = MeasureModel.text(fields, "E" + i + ".gap");
            boolean cement = gap.matches("[+-]?0*[.,]?0+") && i < count;
            if (!cement) {
                rows.add(group);
                group = new ArrayList<>();
                if (i < count) {
                    gaps.add(gap);
                }
            }
        }
        return new GlassRows(rows, rows.stream().map(r -> r.stream().map(i -> called(fields, i)).collect(Collectors.joining("+"))).toList(), gaps);
    }

    /// What a row is called: as on the tray it came from, else by its place.
    static String called(Map<String, String> fields, int row) {
        String own = fields.getOrDefault("E" + row + ".called", "");
        return own.isEmpty() ? "E" + row : own;
    }

    /// Fields of all rows with the glasses in another order. One that is turned shows its faces the other way round.
    /// @param order which glass lies in each place, counted from 0
    /// @param turned for each place
    Map<String, String> arranged(Map<String, String> fields, List<Integer> order, List<Boolean> turned) {
        Map<String, String> out = new LinkedHashMap<>();
        int row = 1;
        for (int place = 0; place < order.size(); place++) {
            List<Integer> from = new ArrayList<>(rows.get(order.get(place)));
            boolean round = turned.get(place);
            if (round) {
                Collections.reverse(from);
            }
            for (int k = 0; k < from.size(); k++) {
                String was = "E" + from.get(k) + ".";
                String now = "E" + row++ + ".";
                out.put(now + "front", fields.getOrDefault(was + (round ? "rear" : "front"), ""));
                out.put(now + "rear", fields.getOrDefault(was + (round ? "front" : "rear"), ""));
                for (String column : OWN) {
                    out.put(now + column, fields.getOrDefault(was + column, ""));
                }
                boolean last = k == from.size() - 1;
                out.put(now + "gap", last ? place < gaps.size() ? gaps.get(place) : "" : "0");
            }
        }
        return out;
    }

    /// One glass put into another's place, those between closing up.
    Map<String, String> moved(Map<String, String> fields, int from, int to) {
        List<Integer> order = new ArrayList<>(IntStream.range(0, rows.size()).boxed().toList());
        order.add(to, order.remove(from));
        return arranged(fields, order, Collections.nCopies(rows.size(), false));
    }

    /// One glass turned round where it lies.
    Map<String, String> turned(Map<String, String> fields, int which) {
        return arranged(fields, IntStream.range(0, rows.size()).boxed().toList(), IntStream.range(0, rows.size()).mapToObj(i -> i == which).toList());
    }
}

package stillglass.book.log;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import stillglass.look.FindingKind;
import stillglass.look.ShopTeaching;
import stillglass.ticket.Agreement;
import stillglass.ticket.TicketState;

/// What technicians made of what was computed, as rows that can be added up over all tickets.
final class Judgements {
    private static final String KIND = "kind";
    private static final String SEVERITY = "severity";
    private static final String COUNT = "count";
    private static final String MISSED = "missed";
    private static final String OVERRULED = "overruled";

    private Judgements() {}

    static Map<Logbook.Judged, Integer> of(TicketState s) {
        Map<Logbook.Judged, Integer> rows = new LinkedHashMap<>();
        ShopTeaching taught = Agreement.teaching(s);
        taught.judged().forEach(j -> rows.merge(new Logbook.Judged(KIND, j.taken().setup().orElse(""), j.read().name(), j.truth().name()), j.times(), Integer::sum));
        taught.severities().forEach(j -> rows.merge(new Logbook.Judged(SEVERITY, j.taken().setup().orElse(""), j.kind().name() + " " + j.read(), Integer.toString(j.said())), j.times(), Integer::sum));
        count(rows, MISSED, Agreement.missed(s));
        count(rows, OVERRULED, Agreement.overruled(s));
        return rows;
    }

    private static void count(Map<Logbook.Judged, Integer> rows, String what, int n) {
        if (n > 0) {
            rows.put(new Logbook.Judged(COUNT, "", "", what), n);
        }
    }

    static Agreement agreement(Map<Logbook.Judged, Integer> all) {
        return Agreement.of(teaching(all), all.getOrDefault(new Logbook.Judged(COUNT, "", "", MISSED), 0), all.getOrDefault(new Logbook.Judged(COUNT, "", "", OVERRULED), 0));
    }

    static ShopTeaching teaching(Map<Logbook.Judged, Integer> all) {
        List<ShopTeaching.Judged> kinds = new ArrayList<>();
        List<ShopTeaching.Severe> severities = new ArrayList<>();
        all.forEach((row, n) -> {
            ShopTeaching.Taken taken = new ShopTeaching.Taken(Optional.of(row.setup()).filter(s -> !s.isEmpty()));
            if (row.asked().equals(KIND)) {
                kinds.add(new ShopTeaching.Judged(taken, FindingKind.valueOf(row.computed()), FindingKind.valueOf(row.technician()), n));
            } else if (row.asked().equals(SEVERITY)) {
                String[] read = row.computed().split(" ", 2);
                severities.add(new ShopTeaching.Severe(taken, FindingKind.valueOf(read[0]), Integer.parseInt(read[1]), Integer.parseInt(row.technician()), n));
            }
        });
        return new ShopTeaching(kinds, severities);
    }
}

package stillglass.ticket.proof;

import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import stillglass.fault.CollarTrim;
import stillglass.prove.measure.Quantity;
import stillglass.say.Said;
import stillglass.ticket.facts.Collar;
import stillglass.ticket.joints.Joints;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.readings.Readings;
import stillglass.ticket.story.Phase;

/// Eccentric collars set from the sharpness of the corners on a ticket: what is still to be tried, or where they should stand.
public final class CollarSetting {
    /// A frequency read on a chart is rarely surer.
    private static final double SHARE = 0.03;
    private static final double UNEVEN = 0.15;
    /// Where more than this is left, the collars are not what is wrong.
    private static final double LITTLE = 0.6;

    private CollarSetting() {}

    /// @return nothing for a lens without collars whose corners are alike
    public static List<Said> of(Readings readings, Joints joints) {
        List<ReadingEvent.CollarsTried> tried = readings.collars().stream().filter(c -> c.seq() > joints.lastOpened()).map(Readings.Collars::tried).toList();
        if (tried.isEmpty()) {
            boolean collars = joints.order().stream().flatMap(id -> joints.facts(id).stream()).anyMatch(Collar.class::isInstance);
            return collars || uneven(readings, joints) ? List.of(Said.of("collars.begin")) : List.of();
        }
        int count = tried.getLast().collarsDeg().size();
        List<CollarTrim.Setting> settings = tried.stream().filter(t -> t.collarsDeg().size() == count).map(t -> new CollarTrim.Setting(t.collarsDeg(), t.cornersLpMm())).toList();
        if (settings.size() <= count) {
            return List.of(Said.of("collars.more", "tried", settings.size(), "wanted", count + 1, "next", next(settings.getLast().collarsDeg(), settings.size() - 1)));
        }
        try {
            CollarTrim t = CollarTrim.of(settings, SHARE);
            List<Said> each = IntStream.range(0, count).mapToObj(k -> Said.of(count == 1 ? "collars.stand.one" : "collars.stand", "number", k + 1, "deg", t.deg().get(k), "sigma", t.sigmaDeg().get(k))).toList();
            return List.of(Said.of(t.left() > LITTLE ? "collars.little" : "collars.set", "each", Said.and(each), "percent", 100 * t.left(), "count", settings.size()));
        } catch (IllegalArgumentException doesNotTell) {
            return List.of(Said.of("collars.unclear", "next", next(settings.getLast().collarsDeg(), settings.size() % count)));
        }
    }

    /// The last setting with one collar a quarter further, as it is typed.
    private static String next(List<Double> last, int which) {
        return String.join(" ", IntStream.range(0, last.size()).mapToObj(k -> String.format(Locale.ROOT, "%.0f", (last.get(k) + (k == which ? 90 : 0)) % 360)).toList());
    }

    /// Whether corners that were measured now at one stop differ by more than they are read to.
    private static boolean uneven(Readings readings, Joints joints) {
        Map<String, List<Double>> byStop = readings.all().stream().filter(m -> m.seq() > joints.lastOpened() && m.read().phase() != Phase.BEFORE && m.read().quantity() == Quantity.SHARPNESS && corner(m.read().at()))
                .collect(Collectors.groupingBy(m -> m.read().at().replaceFirst("^\\D+?(?=f/|$)", ""), Collectors.mapping(m -> m.read().value(), Collectors.toList())));
        return byStop.values().stream().anyMatch(corners -> Collections.min(corners) < (1 - UNEVEN) * Collections.max(corners));
    }

    private static boolean corner(String at) {
        String place = at.toLowerCase(Locale.ROOT);
        return place.startsWith("top") || place.startsWith("bottom");
    }
}

package stillglass.optics.misassembly;

import java.util.List;

/// Reads faults from the short form of the command line and the bench.
final class FaultWords {
    private static final String EXPECTED =
            "write reverse:E3, reverse:E4+E5, swap:E1,E6, gap:4:-0.5, spacer-missing:4, spacer-reversed:4:16:14, "
                    + "spacers-swapped:2,4, shim-missing:11:0.05, shim-doubled:11:0.05, unseated:E1:0.1:0.3:12, decentred:E3:0.2:6, plate:2:1.52 or entry:-1:9:6";

    private FaultWords() {}

    static LensFault parse(String text) {
        String[] parts = text.split(":", -1);
        try {
            LensFault read = read(parts);
            if (read != null) {
                return read;
            }
        } catch (NumberFormatException notANumber) {
            throw new IllegalArgumentException("\"" + text + "\" is not a fault: " + EXPECTED, notANumber);
        }
        throw new IllegalArgumentException("\"" + text + "\" is not a fault: " + EXPECTED);
    }

    private static @org.jspecify.annotations.Nullable LensFault read(String[] p) {
        int n = p.length;
        return switch (p[0]) {
            case "reverse" -> n == 2 && !p[1].isBlank() ? new LensFault.Reversed(glasses(p[1])) : null;
            case "swap" -> {
                String[] two = n == 2 ? p[1].split(",") : new String[0];
                yield two.length == 2 ? new LensFault.Swapped(glasses(two[0]), glasses(two[1])) : null;
            }
            case "gap" -> n == 3 ? new LensFault.GapChanged(whole(p[1]), number(p[2])) : null;
            case "spacer-missing" -> n == 2 ? new LensFault.SpacerMissing(whole(p[1])) : null;
            case "spacer-reversed" -> n == 4
                    ? new LensFault.SpacerReversed(whole(p[1]), number(p[2]), number(p[3])) : null;
            case "spacers-swapped" -> {
                String[] two = n == 2 ? p[1].split(",") : new String[0];
                yield two.length == 2 ? new LensFault.SpacersSwapped(whole(two[0]), whole(two[1])) : null;
            }
            case "shim-missing" -> n == 3 ? new LensFault.ShimMissing(whole(p[1]), number(p[2])) : null;
            case "shim-doubled" -> n == 3 ? new LensFault.ShimDoubled(whole(p[1]), number(p[2])) : null;
            case "unseated" -> n == 4 || n == 5
                    ? new LensFault.Unseated(glasses(p[1]), number(p[2]), number(p[3]), n == 5 ? number(p[4]) : 12) : null;
            case "decentred" -> n == 3 || n == 4 ? new LensFault.Decentred(glasses(p[1]), number(p[2]), n == 4 ? number(p[3]) : 12) : null;
            case "plate" -> n == 3 ? new LensFault.PlateBehind(number(p[1]), number(p[2])) : null;
            case "entry" -> n == 4 ? new LensFault.FrontCellEntry(whole(p[1]), number(p[2]), whole(p[3])) : null;
            default -> null;
        };
    }

    private static List<String> glasses(String joined) {
        return List.of(joined.split("\\+"));
    }

    private static int whole(String text) {
        return Integer.parseInt(text.strip());
    }

    private static double number(String text) {
        double value = Double.parseDouble(text.strip());
        if (!Double.isFinite(value)) {
            throw new NumberFormatException(text);
        }
        return value;
    }
}

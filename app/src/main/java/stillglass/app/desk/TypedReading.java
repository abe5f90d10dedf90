package stillglass.app.desk;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import stillglass.app.theme.Words;
import stillglass.device.Source;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.story.Phase;

/// A reading typed into a field, kept as typed.
public final class TypedReading {
    /// Scatter of a reading by eye on a screen or scale, where none is said.
    private static final double USUAL_SIGMA_MM = 0.02;
    private static final Pattern LENGTH = Pattern.compile("([+−-]?\\d*[.,]?\\d+)\\s*(?:mm)?\\s*(?:(?:±|\\+/?-)\\s*(\\d*[.,]?\\d+))?\\s*(?:mm)?");

    private TypedReading() {}

    /// Reads `+0.12`, `0,12 mm`, `−0.05 ± 0.01`, and keeps it on the ticket that is shown.
    /// @return whether it was a length; if not, that was said
    public static boolean infinity(Desk desk, Phase phase, String text) {
        Matcher m = LENGTH.matcher(text.strip());
        if (!m.matches()) {
            desk.complain(Words.of("arrive.infinity.nonumber", text));
            return false;
        }
        double mm = number(m.group(1));
        double sigma = Optional.ofNullable(m.group(2)).map(TypedReading::number).orElse(USUAL_SIGMA_MM);
        if (!ReadingEvent.InfinityMeasured.possible(mm, sigma)) {
            desk.complain(Words.of("arrive.infinity.range", text));
            return false;
        }
        desk.submit(new ReadingEvent.InfinityMeasured(phase, mm, sigma, Source.TYPED));
        return true;
    }

    private static double number(String s) {
        return Double.parseDouble(s.replace(',', '.').replace('−', '-'));
    }
}

package stillglass.app.desk;

import stillglass.app.theme.Words;
import stillglass.ticket.glass.GlassEvent;
import stillglass.ticket.readings.ReadingEvent;

/// Readings and pictures with where they came from, as they are shown.
public final class Sourced {
    private Sourced() {}

    /// An error of infinity with its uncertainty and source.
    public static String error(ReadingEvent.InfinityMeasured m) {
        String value = Words.of("mm.error", m.errorMm(), m.uncertaintyMm());
        return m.source().map(s -> Words.of("sourced", value, s.said())).orElse(value);
    }

    /// The caption of a picture with its source.
    public static String caption(GlassEvent.PhotoKept p) {
        return p.source().map(s -> Words.of("sourced", p.caption(), s.said())).orElse(p.caption());
    }
}

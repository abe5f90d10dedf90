package stillglass.app.desk;

import stillglass.app.theme.Words;
import stillglass.ticket.glass.Photo;
import stillglass.ticket.readings.ReadingEvent;

/// Readings and pictures with where they came from, as they are shown.
public final class Sourced {
    private Sourced() {}

    /// An error of infinity with its uncertainty and source.
    public static String error(ReadingEvent.InfinityMeasured m) {
        String value = Words.of("mm.error", m.errorMm(), m.uncertaintyMm());
        return m.source().map(s -> Words.of("sourced", value, s.said())).orElse(value);
    }

    /// The caption of a picture with where the controls stood and its source.
    public static String caption(Photo p) {
        String caption = p.set().map(s -> Words.of("photo.set", p.kept().caption(), s.said())).orElse(p.kept().caption());
        return p.kept().source().map(s -> Words.of("sourced", caption, s.said())).orElse(caption);
    }
}

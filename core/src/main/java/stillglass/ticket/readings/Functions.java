package stillglass.ticket.readings;

import java.util.List;
import stillglass.assembly.Instrument;

/// What is tried on an instrument of a sort when it arrives, after every sub-assembly and at the end, where no map says more. Names are what a technician calls them.
public final class Functions {
    private static final List<String> SHUTTER = List.of("cocking", "release", "slow speeds", "fast speeds", "B", "self-timer", "flash contact", "iris");

    private Functions() {}

    /// In the order they are best tried.
    public static List<String> of(Instrument.Sort sort) {
        return switch (sort) {
            case LENS -> List.of("feel", "iris", "iris clicks", "stop-down lever", "mount", "filter thread");
            case ZOOM -> List.of("feel", "zoom ring", "iris", "iris clicks", "stop-down lever", "mount", "filter thread");
            case CAMERA -> List.of("feel", "cocking", "release", "slow speeds", "fast speeds", "B", "self-timer", "flash contact", "iris", "wind", "counter", "double-exposure lock", "bellows", "finder", "door catch");
            case SHUTTER -> SHUTTER;
            case PAIR -> List.of("cocking", "release", "slow speeds", "fast speeds", "B", "T", "flash contact", "iris", "front cell", "rear cell", "board seat");
            case BODY -> List.of("wind", "release", "slow speeds", "fast speeds", "B", "self-timer", "mirror", "curtains", "counter", "rewind", "door catch", "light seals", "meter", "finder", "flash contact", "mount");
            case FINDER -> List.of("image", "frame lines", "range-finder patch", "range-finder height", "focus coupling");
            case PART -> List.of("movement");
        };
    }
}

package stillglass.optics;

import java.util.Locale;
import java.util.Optional;

/// What holds a single glass or cemented group, hence which of its neighbours move along when it does.
///
/// @param rests what it lies against
/// @param cell the cell it sits in with others, which comes out and is shimmed as one
public record Seat(Rests rests, Optional<String> cell) {
    /// What a glass lies against.
    public enum Rests {
        /// A shoulder of the barrel or cell at its front rim; a ring or spring presses from behind.
        FRONT,
        /// A shoulder at its rear rim; the ring is in front of it.
        REAR,
        /// The glass or spacer before it.
        ON_BEFORE,
        /// The glass or spacer behind it.
        ON_BEHIND;

        /// As it is written in files.
        public String word() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    public Seat {
        if (cell.filter(String::isBlank).isPresent()) {
            throw new IllegalArgumentException("a cell without a name: name it, or leave it out");
        }
    }
}

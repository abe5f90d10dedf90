package stillglass.ticket.arrival;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;
import stillglass.care.Water;
import stillglass.say.Said;
import stillglass.ticket.story.Event;
import stillglass.ticket.story.Named;

/// What was said of a ticket as a whole. Kinds that are kept as they come are intents, too.
public sealed interface ArrivalEvent extends Event {
    @Named(value = "ticket-begun", version = 2)
    record Begun(Tag tag) implements ArrivalEvent {}

    /// @param text what is complained of
    @Named("symptom-noted")
    record SymptomNoted(String text) implements ArrivalEvent, ArrivalIntent {}

    /// @param text what the instrument is used for
    @Named("use-noted")
    record UseNoted(String text) implements ArrivalEvent, ArrivalIntent {}

    @Named("owner-named")
    record OwnerNamed(String owner) implements ArrivalEvent, ArrivalIntent {}

    @Named("due-set")
    record DueSet(LocalDate due) implements ArrivalEvent, ArrivalIntent {}

    /// It came with another one, by the same accident or from the same owner.
    /// @param ticket its number
    @Named("came-with")
    record CameWith(String ticket) implements ArrivalEvent, ArrivalIntent {}

    /// Its optical section is known from now on: measured, guessed or read from a file.
    @Named("section-known")
    record SectionKnown(String sectionId) implements ArrivalEvent, ArrivalIntent {}

    /// It fell into water, or something was spilled over it.
    /// @param minutesUnder how long it was under; empty where nobody knows
    /// @param at when; empty where nobody knows
    /// @param on whether it was switched on; empty where nobody knows
    @Named("got-wet")
    record GotWet(Water water, Optional<Double> minutesUnder, Optional<Instant> at, Optional<Boolean> on) implements ArrivalEvent, ArrivalIntent {
        private static final double MOST_MINUTES = 1e6;

        public GotWet {
            if (!possible(minutesUnder)) {
                throw new IllegalArgumentException(minutesUnder.orElse(0.0) + " minutes under water are out of range: give 0 to " + MOST_MINUTES);
            }
        }

        /// Whether it can have been under so long.
        public static boolean possible(Optional<Double> minutes) {
            return minutes.filter(m -> !(m >= 0 && m <= MOST_MINUTES)).isEmpty();
        }

        public Said said() {
            Said wet = Said.of("wet.got", "water", water.said());
            Said under = minutesUnder.map(m -> Said.of("wet.under", "wet", wet, "minutes", m)).orElse(wet);
            return on.map(o -> Said.of(o ? "wet.on" : "wet.off", "wet", under)).orElse(Said.of("wet.on.unknown", "wet", under));
        }
    }

    /// A note about the whole.
    @Named("line-kept")
    record LineKept(String text) implements ArrivalEvent, ArrivalIntent {}
}

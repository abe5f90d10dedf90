package stillglass.ticket.care;

import java.time.Instant;
import stillglass.say.Said;
import stillglass.ticket.story.Event;
import stillglass.ticket.story.Named;

/// What was done to parts off the instrument, and clocks that run for it. Kinds that are kept as they come are intents, too.
public sealed interface CareEvent extends Event {
    /// @param gone whether the soil is gone
    @Named("part-cleaned")
    record PartCleaned(String part, String soil, String agent, boolean gone) implements CareEvent, CareIntent {}

    /// @param timer its name; one of that name is set anew
    /// @param label what is waited for
    @Named(value = "timer-set", version = 2)
    record TimerSet(String timer, Said label, Instant ends) implements CareEvent, CareIntent {}

    @Named("timer-cleared")
    record TimerCleared(String timer) implements CareEvent, CareIntent {}
}

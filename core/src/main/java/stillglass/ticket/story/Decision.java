package stillglass.ticket.story;

import java.util.List;
import stillglass.say.Said;

/// What became of an intent.
public sealed interface Decision {
    /// It holds; these events follow.
    record Accepted(List<Event> events) implements Decision {
        public Accepted {
            events = List.copyOf(events);
        }
    }

    /// It does not, and nothing is recorded.
    /// @param why what stands against it and what to do instead
    record Refused(Said why) implements Decision {}

    static Decision accepted(Event... events) {
        return new Accepted(List.of(events));
    }

    /// @param with names and values in turn, see [Said#of]
    static Decision refused(String key, Object... with) {
        return new Refused(Said.of(key, with));
    }
}

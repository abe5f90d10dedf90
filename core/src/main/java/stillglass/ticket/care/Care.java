package stillglass.ticket.care;

import java.util.List;
import java.util.Map;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Grown;
import stillglass.ticket.story.World;

/// What was cleaned, and the clocks that run. Immutable.
///
/// @param cleaned in order
/// @param timers by their names
public record Care(List<CareEvent.PartCleaned> cleaned, Map<String, CareEvent.TimerSet> timers) {
    /// Nothing was cleaned, nothing is waited for.
    public static final Care NONE = new Care(List.of(), Map.of());

    public Care {
        cleaned = List.copyOf(cleaned);
        timers = Grown.kept(timers);
    }

    /// The state after one more event.
    public Care after(CareEvent happened) {
        return switch (happened) {
            case CareEvent.PartCleaned e -> new Care(Grown.by(cleaned, e), timers);
            case CareEvent.TimerSet e -> new Care(cleaned, Grown.by(timers, e.timer(), e));
            case CareEvent.TimerCleared e -> new Care(cleaned, Grown.less(timers, e.timer()));
        };
    }

    /// Decides an intent: an event, or a refusal that says what to do instead.
    public Decision decide(CareIntent intent, World world) {
        return switch (intent) {
            case CareEvent.PartCleaned c -> clean(c, world);
            case CareEvent.TimerSet t -> t.timer().isBlank() ? Decision.refused("timer.what") : Decision.accepted(t);
            case CareEvent.TimerCleared t -> timers.containsKey(t.timer()) ? Decision.accepted(t) : Decision.refused("timer.none");
        };
    }

    private static Decision clean(CareEvent.PartCleaned c, World world) {
        if (world.instrument().part(c.part()).isEmpty()) {
            return Decision.refused("part.none", "part", c.part());
        }
        if (world.care().agent(c.agent()).isEmpty()) {
            return Decision.refused("agent.none", "agent", c.agent(), "agents", world.care().agents().stream().map(a -> a.name()).toList());
        }
        return world.care().soil(c.soil()).isEmpty() ? Decision.refused("soil.none", "soil", c.soil(), "soils", world.care().soils().stream().map(s -> s.name()).toList())
                : Decision.accepted(c);
    }
}

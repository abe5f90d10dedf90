package stillglass.ticket.story;

import java.util.List;

/// What is done at once: everything of it or nothing, and taken back at once.
public record Act(List<Intent> intents) {
    public Act {
        intents = List.copyOf(intents);
    }

    public static Act of(Intent... intents) {
        return new Act(List.of(intents));
    }
}

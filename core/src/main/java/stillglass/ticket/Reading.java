package stillglass.ticket;

import java.util.List;

/// How a typed line was understood, shown before it is accepted.
public sealed interface Reading {
    /// @param intents what Enter will do, in order
    /// @param say the line read back in full words
    record Understood(List<Intent> intents, String say) implements Reading {
        public Understood {
            intents = List.copyOf(intents);
        }
    }

    /// @param hint what is missing or could follow
    /// @param completions lines that would be understood, best first
    record NotYet(String hint, List<String> completions) implements Reading {
        public NotYet {
            completions = List.copyOf(completions);
        }
    }
}

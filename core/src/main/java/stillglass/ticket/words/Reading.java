package stillglass.ticket.words;

import java.util.List;
import java.util.Optional;
import stillglass.assembly.Instrument;
import stillglass.say.Said;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Intent;
import stillglass.ticket.story.Stage;

/// How a typed line was understood, shown before it is accepted.
public sealed interface Reading {
    /// Something is to be done.
    /// @param reads the line read back in full words
    record Understood(Act act, Said reads) implements Reading {}

    /// A ticket is to be begun.
    /// @param sort what it is as a whole; empty for a model of the shelf
    /// @param name what it is called
    /// @param complaints what is wrong with it
    record Begins(Optional<Instrument.Sort> sort, String name, List<String> complaints) implements Reading {
        public Begins {
            complaints = List.copyOf(complaints);
        }
    }

    /// Another stage is to be shown.
    record Goes(Stage stage) implements Reading {}

    /// Something is to be said.
    record Asks(Question question) implements Reading {}

    /// What can be asked.
    enum Question {
        LEDGER,
        NEXT
    }

    /// Not understood whole; nothing is done.
    /// @param why words that were not used, or what is missing
    /// @param completions lines that would be understood, best first
    record Unclear(Said why, List<String> completions) implements Reading {
        public Unclear {
            completions = List.copyOf(completions);
        }
    }

    static Reading understood(Said reads, Intent... intents) {
        return new Understood(Act.of(intents), reads);
    }

    /// @param with names and values in turn, see [Said#of]
    static Reading unclear(String key, Object... with) {
        return new Unclear(Said.of(key, with), List.of());
    }
}

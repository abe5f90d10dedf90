package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Optional;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// Anything else, in the technician's words.
public record Note(String text) implements Fact.Recalled {
    @Override
    public String about() {
        return "note";
    }

    @Override
    public boolean single() {
        return false;
    }

    @Override
    public Said said() {
        return Said.text(text);
    }

    /// `note red to the lug`: everything to the end of the line.
    @AutoService(FactKind.class)
    public static final class Kind implements FactKind {
        @Override
        public String name() {
            return "note";
        }

        @Override
        public Class<Note> type() {
            return Note.class;
        }

        @Override
        public List<Fact> hear(Cursor line, Hearing in) {
            int start = line.mark();
            if (!line.take("note")) {
                return List.of();
            }
            line.take(":");
            Optional<String> text = line.rest();
            if (text.isEmpty()) {
                line.reset(start);
            }
            return text.map(t -> List.<Fact>of(new Note(t))).orElse(List.of());
        }

        @Override
        public Said together(List<Fact> facts) {
            return Said.dots(facts.stream().map(Fact::said).toList());
        }
    }
}

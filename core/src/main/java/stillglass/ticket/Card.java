package stillglass.ticket;

import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import stillglass.look.FindingKind;
import stillglass.ticket.arrival.Tag;
import stillglass.ticket.glass.Known;
import stillglass.ticket.story.Stage;

/// A ticket as the Book lists it.
///
/// @param stage where the work stands: the last stage begun
/// @param done stages called done
/// @param faults kinds that were found in the glass, each once
/// @param symptoms what is complained of
/// @param notes everything else that was typed about it, for searching
/// @param signed whether a signature stands
public record Card(Tag tag, Stage stage, List<Stage> done, List<FindingKind> faults, List<String> symptoms, List<String> notes, boolean signed, Instant changed) {
    public Card {
        done = List.copyOf(done);
        faults = List.copyOf(faults);
        symptoms = List.copyOf(symptoms);
        notes = List.copyOf(notes);
    }

    public static Card of(TicketState s) {
        Stage stage = Stage.ARRIVE;
        for (Stage each : Stage.values()) {
            stage = s.begun(each) ? each : stage;
        }
        return new Card(s.tag(), stage, Arrays.stream(Stage.values()).filter(s::done).toList(), s.glass().findings().stream().filter(k -> !k.doubtful()).map(Known::mayBe).distinct().toList(),
                s.arrival().symptoms(), s.arrival().notes(), s.proof().signed(s.joints()).isPresent(), s.history().lastChange());
    }

    public String number() {
        return tag.number();
    }

    /// What is wrong with it in a few words: what was found, or what is complained of first.
    public Optional<String> wrong() {
        return faults.isEmpty() ? symptoms.stream().findFirst() : Optional.of(String.join(", ", faults.stream().map(k -> k.word().replace('-', ' ')).toList()));
    }
}

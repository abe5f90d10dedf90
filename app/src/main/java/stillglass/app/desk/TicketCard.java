package stillglass.app.desk;

import java.time.LocalDate;
import java.util.List;
import stillglass.ticket.Stage;
import stillglass.ticket.TicketState;

/// A ticket as the Book lists it.
///
/// @param stage where the work stands: the last stage begun
/// @param done stages called done
/// @param line what was found, or the first symptom
public record TicketCard(
        String number,
        String title,
        String owner,
        String sectionId,
        LocalDate due,
        Stage stage,
        List<Stage> done,
        String line,
        boolean signed) {

    public TicketCard {
        done = List.copyOf(done);
    }

    static TicketCard of(TicketState s) {
        Stage stage = Stage.ARRIVE;
        for (Stage each : Stage.values()) {
            stage = s.begun(each) ? each : stage;
        }
        String line = s.findings().isEmpty()
                ? s.symptoms().stream().findFirst().orElse("")
                : String.join(", ", s.findings().stream()
                        .map(k -> k.finding().kind().word().replace('-', ' '))
                        .distinct()
                        .toList());
        return new TicketCard(
                s.tag().number(), s.tag().title(), s.tag().owner(), s.tag().sectionId(), s.tag().due(), stage,
                java.util.Arrays.stream(Stage.values()).filter(s::done).toList(), line, s.signed().isPresent());
    }
}

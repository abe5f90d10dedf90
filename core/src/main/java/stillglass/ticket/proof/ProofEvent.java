package stillglass.ticket.proof;

import java.time.Instant;
import stillglass.ticket.story.Event;
import stillglass.ticket.story.Named;

/// That a job was proved.
public sealed interface ProofEvent extends Event {
    @Named("report-signed")
    record Signed(String by, Instant at) implements ProofEvent {}
}

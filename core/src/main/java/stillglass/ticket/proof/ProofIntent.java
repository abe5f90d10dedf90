package stillglass.ticket.proof;

import java.time.Instant;
import java.util.Optional;
import stillglass.ticket.story.Intent;

/// What is to be proved.
public sealed interface ProofIntent extends Intent {
    /// @param despite reason for signing although a proof is missing
    record Sign(String by, Instant at, Optional<String> despite) implements ProofIntent {}
}

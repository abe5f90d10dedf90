package stillglass.ticket.joints;

import java.util.Locale;

/// What can go wrong at a joint, apart from its being stuck, which is a fact and has its ladder.
public enum Trouble {
    /// Something fell or flew and is not found yet.
    DROPPED,
    /// It gave way or stripped; it cannot be opened or closed as it is.
    BROKEN,
    /// The map shows something that is not there.
    NOT_AS_DRAWN;

    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    /// Whether ways through this joint are out of the question.
    public boolean bars() {
        return this != DROPPED;
    }
}

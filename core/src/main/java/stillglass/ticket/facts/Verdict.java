package stillglass.ticket.facts;

import stillglass.say.Said;

/// A statement held against the record.
public sealed interface Verdict {
    record Agrees(Said said) implements Verdict {}

    /// @param mistake what is probably wrong
    /// @param wouldDo what it would do
    record Differs(Said mistake, Said wouldDo) implements Verdict {}

    /// It leaves out something the record has.
    /// @param what is to be said, too
    record Lacks(Said what) implements Verdict {}

    /// It is as recorded.
    static Verdict agrees(Fact stated) {
        return new Agrees(Said.of("fact.as-recorded", "fact", stated.said()));
    }

    static Verdict differs(Said mistake, Said wouldDo) {
        return new Differs(mistake, wouldDo);
    }
}

package stillglass.ticket.words;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import stillglass.assembly.Joint;
import stillglass.say.Said;
import stillglass.ticket.joints.Closings;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.line.Cursor;
import stillglass.ticket.line.Names;
import stillglass.ticket.proof.ProofIntent;
import stillglass.ticket.story.Stage;

/// What was tried and who signs: `test passed iris`, `test failed focus: grates near the end`, `sign M. Rook`.
final class ProofWords implements Grammar {
    @Override
    public Optional<Reading> read(Cursor line, Setting in) {
        if (line.take("test passed")) {
            return Optional.of(test(line, in, true));
        }
        if (line.take("test failed")) {
            return Optional.of(test(line, in, false));
        }
        if (line.take("sign")) {
            Optional<String> by = line.until("anyway");
            Optional<String> despite = Anyway.take(line);
            return Optional.of(by.map(b -> Reading.understood(Said.of("say.reads.sign", "by", b), new ProofIntent.Sign(b, in.now(), despite))).orElse(Reading.unclear("sign.name")));
        }
        return Optional.empty();
    }

    private static Reading test(Cursor line, Setting in, boolean passed) {
        Optional<Joint> named = joint(line, in);
        if (named.filter(j -> j.close().test().isEmpty()).isPresent()) {
            return Reading.unclear("say.no-test", "joint", named.get().name());
        }
        Optional<String> words = named.isPresent() ? Optional.empty() : line.until(":");
        Optional<Joint> meant = named.or(() -> words.map(w -> byWords(w, in)).orElseGet(() -> Closings.due(in.state().joints(), in.world().instrument()).stream().findFirst()));
        String function = meant.flatMap(j -> j.close().test()).map(Joint.Test::what).or(() -> words).orElse("");
        if (function.isEmpty()) {
            return Reading.unclear("test.which");
        }
        Optional<String> what = line.take(":") || line.take(",") ? line.rest() : Optional.empty();
        if (!passed && what.isEmpty()) {
            return Reading.unclear("test.how-failed");
        }
        return Reading.understood(passed ? Said.of("say.reads.passed", "test", function) : Said.of("say.reads.failed", "test", function, "what", what.orElse("")),
                new JointIntent.Test(meant.map(Joint::id), function, passed, what.orElse("")));
    }

    /// A joint that is named whole: the clause ends behind it, or a colon follows.
    private static Optional<Joint> joint(Cursor line, Setting in) {
        int start = line.mark();
        Names.Match<Joint> match = in.words().joints().take(line);
        if (match.plain() && (line.clauseEnds() || line.next(":"))) {
            return Optional.of(match.things().getFirst());
        }
        line.reset(start);
        return Optional.empty();
    }

    /// The joint whose function has all the words, when there is one such.
    private static Optional<Joint> byWords(String typed, Setting in) {
        List<String> words = List.of(typed.toLowerCase(Locale.ROOT).strip().split("\\s+"));
        List<Joint> fits = in.world().instrument().joints().stream()
                .filter(j -> j.close().test().filter(t -> List.of(t.what().toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{N}]+")).containsAll(words)).isPresent()).toList();
        List<Joint> due = Closings.due(in.state().joints(), in.world().instrument());
        return fits.size() == 1 ? Optional.of(fits.getFirst()) : fits.stream().filter(due::contains).findFirst();
    }

    @Override
    public List<String> examples(Setting in) {
        return in.stage() == Stage.CLOSE || in.stage() == Stage.PROVE ? List.of("test passed ", "test failed ", "sign ") : List.of();
    }
}

package stillglass.ticket.words;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import stillglass.care.Bump;
import stillglass.care.Covering;
import stillglass.say.Said;
import stillglass.ticket.condition.ConditionEvent;
import stillglass.ticket.condition.Place;
import stillglass.ticket.line.Cursor;
import stillglass.ticket.story.Stage;

/// How a covering is, and what stands up under it: `covering front: leather, dry, trapped under the right lug`, `bump front grip 0.6 x 8 mm`, `bump front grip 0.8 x 8 mm, through`, `bump front grip gone`.
final class CoveringWords implements Grammar {
    @Override
    public Optional<Reading> read(Cursor line, Setting in) {
        int start = line.mark();
        if (line.take("bump")) {
            return Optional.of(bump(line, in));
        }
        if (line.take("covering") || line.take("leather")) {
            Optional<Reading> covering = covering(line, in);
            if (covering.isPresent()) {
                return covering;
            }
        }
        line.reset(start);
        return Optional.empty();
    }

    private static Reading bump(Cursor line, Setting in) {
        line.takeOne(List.of("at the", "on the", "at", "on", "the"));
        int start = line.mark();
        while (!line.end() && !number(line) && !line.next("gone")) {
            line.skip();
        }
        String where = line.typed(start, line.mark()).replace(",", "").strip();
        if (!where.isEmpty() && line.take("gone")) {
            return Reading.understood(Said.of("say.reads.bump.gone", "where", where), new ConditionEvent.BumpGone(in.phase(), where));
        }
        Optional<Double> height = line.lengthMm();
        line.take("high");
        line.separators();
        line.takeOne(List.of("x", "×", "by"));
        Optional<Double> across = line.lengthMm();
        line.takeOne(List.of("across", "wide"));
        line.separators();
        boolean through = line.takeOne(List.of("through", "broken through", "green shows")).isPresent();
        if (where.isEmpty() || height.isEmpty() || across.isEmpty() || !Bump.Seen.possible(height.get(), across.get())) {
            return Reading.unclear("say.bump");
        }
        Bump.Seen seen = new Bump.Seen(height.get(), across.get(), through, in.now());
        return Reading.understood(seen.said(where), new ConditionEvent.BumpSeen(in.phase(), where, seen));
    }

    private static boolean number(Cursor line) {
        int at = line.mark();
        boolean number = line.number().isPresent();
        line.reset(at);
        return number;
    }

    /// Which face, then what is known of it; where nothing of that follows it was no line about a covering.
    private static Optional<Reading> covering(Cursor line, Setting in) {
        line.takeOne(List.of("of the", "on the", "of", "on"));
        int start = line.mark();
        while (!line.clauseEnds() && !line.next(":") && !line.next("is")) {
            line.skip();
        }
        String where = line.typed(start, line.mark()).strip();
        boolean told = line.take(":") || line.take("is");
        if (where.isEmpty() || !told) {
            return Optional.empty();
        }
        Optional<Covering.Stuff> stuff = Optional.empty();
        Optional<Covering.State> state = Optional.empty();
        Optional<String> trapped = Optional.empty();
        while (!line.end()) {
            line.separators();
            Optional<Covering.Stuff> of = stuff.isEmpty() ? Arrays.stream(Covering.Stuff.values()).filter(s -> line.takeOne(s.words()).isPresent()).findFirst() : Optional.empty();
            Optional<Covering.State> how = of.isEmpty() && state.isEmpty() ? Arrays.stream(Covering.State.values()).filter(s -> line.takeOne(s.words()).isPresent()).findFirst() : Optional.empty();
            Optional<String> under = of.isEmpty() && how.isEmpty() && trapped.isEmpty() && line.take("trapped") ? line.clause() : Optional.empty();
            if (of.isEmpty() && how.isEmpty() && under.isEmpty()) {
                return Optional.of(Reading.unclear("say.covering"));
            }
            stuff = stuff.or(() -> of);
            state = state.or(() -> how);
            trapped = trapped.or(() -> under);
        }
        Covering covering = new Covering(stuff, state, trapped);
        return Optional.of(Reading.understood(Said.of("say.reads.covering", "where", where, "covering", covering.said()), new ConditionEvent.CoveringSeen(in.phase(), where, covering)));
    }

    @Override
    public List<String> examples(Setting in) {
        return in.stage() == Stage.LOOK && Place.of(in.world().instrument().sort()).contains(Place.COVERING) ? List.of("covering front: leather, dry", "bump front 0.6 x 8 mm") : List.of();
    }
}

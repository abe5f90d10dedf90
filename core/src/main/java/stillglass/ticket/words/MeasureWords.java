package stillglass.ticket.words;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import stillglass.prove.measure.Quantity;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Stage;

/// Figures that were measured: `speed 1/125 8.4 ms ± 0.1`, `opening f/5.6 -0.3 EV`, `torque focus 45 ± 5`, `scale 1 m 1.04`, `sharpness centre f/2.8 42`. With `measured` before, at any stage.
final class MeasureWords implements Grammar {
    @Override
    public Optional<Reading> read(Cursor line, Setting in) {
        int start = line.mark();
        boolean said = line.take("measured");
        Optional<Quantity> quantity = Arrays.stream(Quantity.values()).filter(q -> q != Quantity.INFINITY).filter(q -> line.take(q.word())).findFirst();
        if (quantity.isEmpty() || !said && in.stage() != Stage.ARRIVE && in.stage() != Stage.PROVE && quantity.get() != Quantity.SPEED) {
            line.reset(start);
            return Optional.empty();
        }
        int here = line.mark();
        Optional<Reading> reading = line.rest().flatMap(text -> FigureText.read(quantity.get(), text)).map(f -> measured(f, in.phase()));
        if (reading.isEmpty() && !said && !placed(quantity.get(), line, here)) {
            line.reset(start);
            return Optional.empty();
        }
        if (reading.isEmpty()) {
            line.reset(here);
        }
        return Optional.of(reading.orElse(Reading.unclear("say.measured." + quantity.get().where().name().toLowerCase(Locale.ROOT), "what", quantity.get().said(), "word", quantity.get().word())));
    }

    /// Whether the line goes on with a speed, a stop or a distance: then a figure was meant.
    private static boolean placed(Quantity q, Cursor line, int here) {
        line.reset(here);
        Optional<String> first = line.rest().map(text -> text.strip().split("\\s+")[0]);
        return q.where() != Quantity.Where.PLACE && first.flatMap(q::at).isPresent();
    }

    private static Reading measured(FigureText f, Phase phase) {
        Quantity q = f.quantity();
        if (!f.possible()) {
            return Reading.unclear("say.measured.range", "what", q.said(), "value", q.figure(f.value()));
        }
        return Reading.understood(Said.of(f.stated() ? "say.reads.measured" : "say.reads.measured.usual", "what", q.said(), "at", f.at(), "value", q.figure(f.value()), "sigma", q.figureOfError(f.sigma()),
                "phase", phase.name()), f.kept(phase));
    }

    @Override
    public List<String> examples(Setting in) {
        Stream<Quantity> likely = switch (in.world().instrument().sort()) {
            case LENS, ZOOM -> Stream.of(Quantity.OPENING, Quantity.TORQUE, Quantity.SCALE, Quantity.SHARPNESS);
            case CAMERA, SHUTTER, PAIR -> Stream.of(Quantity.SPEED, Quantity.OPENING, Quantity.TORQUE);
            case BODY -> Stream.of(Quantity.SPEED, Quantity.EVENNESS, Quantity.FLANGE);
            case FINDER -> Stream.of(Quantity.FINDER);
            case PART -> Stream.of(Quantity.TORQUE, Quantity.PLAY);
        };
        return in.stage() == Stage.ARRIVE || in.stage() == Stage.PROVE ? likely.map(q -> q.word() + " ").toList() : List.of();
    }
}

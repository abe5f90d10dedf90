package stillglass.ticket.words;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import stillglass.assembly.Instrument;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;
import stillglass.ticket.story.Redo;
import stillglass.ticket.story.Stage;
import stillglass.ticket.story.Undo;

/// What moves between tickets and stages, and takes back: `begin lens, Brook 35 mm f/2.8`, `stage open`, `undo`, `ledger`, `next`.
final class SessionWords implements Grammar {
    @Override
    public Optional<Reading> read(Cursor line, Setting in) {
        if (line.take("begin")) {
            return Optional.of(begin(line));
        }
        int start = line.mark();
        if (line.take("stage") || line.take("go to")) {
            Optional<String> stage = line.takeOne(Arrays.stream(Stage.values()).map(s -> s.name().toLowerCase(Locale.ROOT)).toList());
            if (stage.isEmpty()) {
                return Optional.of(Reading.unclear("say.stage", "stages", Arrays.stream(Stage.values()).map(Stage::word).toList()));
            }
            return stage.map(s -> new Reading.Goes(Stage.valueOf(s.toUpperCase(Locale.ROOT))));
        }
        line.reset(start);
        return alone(line, "undo").map(u -> Reading.understood(Said.of("say.reads.undo"), new Undo()))
                .or(() -> alone(line, "redo").map(u -> Reading.understood(Said.of("say.reads.redo"), new Redo())))
                .or(() -> alone(line, "ledger").map(u -> new Reading.Asks(Reading.Question.LEDGER)))
                .or(() -> alone(line, "next").map(u -> new Reading.Asks(Reading.Question.NEXT)));
    }

    /// A word that is the whole line.
    private static Optional<String> alone(Cursor line, String word) {
        int start = line.mark();
        if (line.take(word) && line.end()) {
            return Optional.of(word);
        }
        line.reset(start);
        return Optional.empty();
    }

    /// What instruments are called, and of which sort they are.
    private static final Map<String, Instrument.Sort> SORTS = sorts();

    private static Map<String, Instrument.Sort> sorts() {
        Map<String, Instrument.Sort> all = new HashMap<>();
        Arrays.stream(Instrument.Sort.values()).forEach(s -> all.put(s.word(), s));
        List.of("prime", "prime lens", "enlarging lens", "process lens").forEach(w -> all.put(w, Instrument.Sort.LENS));
        all.put("zoom lens", Instrument.Sort.ZOOM);
        List.of("folding camera", "viewfinder camera", "compact camera", "compact", "box camera", "twin lens reflex").forEach(w -> all.put(w, Instrument.Sort.CAMERA));
        all.put("leaf shutter", Instrument.Sort.SHUTTER);
        List.of("large format pair", "large format lens", "lens in shutter").forEach(w -> all.put(w, Instrument.Sort.PAIR));
        List.of("reflex body", "finder body", "digital body", "rangefinder body", "camera body").forEach(w -> all.put(w, Instrument.Sort.BODY));
        List.of("viewfinder", "range finder", "rangefinder").forEach(w -> all.put(w, Instrument.Sort.FINDER));
        List.of("self timer", "escapement", "mount", "only a part").forEach(w -> all.put(w, Instrument.Sort.PART));
        return Map.copyOf(all);
    }

    private static Reading begin(Cursor line) {
        int start = line.mark();
        Optional<Instrument.Sort> sort = line.takeOne(List.copyOf(SORTS.keySet())).map(SORTS::get);
        if (sort.isPresent() && !line.take(",") && !line.take(":")) {
            // "Begin zoom thing" names a model.
            line.reset(start);
            sort = Optional.empty();
        }
        Optional<String> name = line.clause();
        if (name.isEmpty()) {
            return Reading.unclear("say.begin", "sorts", Arrays.stream(Instrument.Sort.values()).map(Instrument.Sort::word).toList());
        }
        List<String> complaints = new ArrayList<>();
        while (!line.end()) {
            line.separators();
            line.clause().ifPresent(complaints::add);
        }
        return new Reading.Begins(sort, name.get(), complaints);
    }

    @Override
    public List<String> examples(Setting in) {
        return in.state().tag().begun() ? List.of("undo", "redo", "ledger", "next", "stage open", "stage close") : List.of("begin lens, ", "begin camera, ", "begin body, ", "begin shutter, ");
    }
}

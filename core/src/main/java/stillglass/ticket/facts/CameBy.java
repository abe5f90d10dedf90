package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import stillglass.assembly.Joint;
import stillglass.assembly.Side;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// By what it really came off, where somebody said so: tool or grip, which way it was turned, from which side.
/// @param anticlockwise which way it was turned, seen from the side it is reached from
public record CameBy(Optional<String> tool, Optional<Boolean> anticlockwise, Optional<Side> side) implements Fact.Logged {
    @Override
    public String about() {
        return "came by";
    }

    @Override
    public boolean single() {
        return false;
    }

    @Override
    public Said said() {
        List<Said> all = new ArrayList<>();
        tool.ifPresent(t -> all.add(Said.of("fact.came-by.tool", "tool", t)));
        anticlockwise.ifPresent(a -> all.add(Said.of(a ? "fact.came-by.anticlockwise" : "fact.came-by.clockwise")));
        side.ifPresent(s -> all.add(Said.of("fact.came-by.side", "side", s.word())));
        return Said.commas(all);
    }

    /// `with rubber glove`, `friction, left`, `by hand, anticlockwise`, `from the rear`.
    @AutoService(FactKind.class)
    public static final class Kind implements FactKind {
        private static final List<String> GRIPS = List.of("friction", "friction cup", "rubber sheet", "rubber glove", "fingers", "by hand", "spanner", "suction cup", "tweezers");

        @Override
        public String name() {
            return "came-by";
        }

        @Override
        public Class<CameBy> type() {
            return CameBy.class;
        }

        @Override
        public List<Fact> hear(Cursor line, Hearing in) {
            int start = line.mark();
            if (Control.heard(line).isPresent()) {
                // "With the focus at nearest" is no tool.
                line.reset(start);
                return List.of();
            }
            Optional<String> tool = line.take("with") ? line.clause() : line.takeOne(tools(in));
            if (tool.isPresent()) {
                return List.of(new CameBy(tool, Optional.empty(), Optional.empty()));
            }
            line.reset(start);
            Optional<String> turned = line.takeOne(List.of("anticlockwise", "counterclockwise", "to the left", "turned left", "left", "clockwise", "to the right", "turned right", "right"));
            if (turned.isPresent()) {
                return List.of(new CameBy(Optional.empty(), Optional.of(!turned.get().equals("clockwise") && !turned.get().endsWith("right")), Optional.empty()));
            }
            boolean from = line.take("from the") || line.take("from");
            Optional<Side> side = Arrays.stream(Side.values()).filter(s -> s != Side.UNKNOWN && from && line.take(s.word())).findFirst();
            if (side.isEmpty()) {
                line.reset(start);
            }
            return side.map(s -> List.<Fact>of(new CameBy(Optional.empty(), Optional.empty(), side))).orElse(List.of());
        }

        private static List<String> tools(Hearing in) {
            List<String> all = new ArrayList<>(GRIPS);
            in.instrument().joints().stream().map(Joint::tool).filter(t -> !t.isBlank()).distinct().forEach(all::add);
            return all;
        }
    }
}

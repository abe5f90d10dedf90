package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// The stack of shims found at a place. No pieces says that there were none; a place nobody spoke of is not known.
/// @param place under which part or in which gap: a part id, or the words that were typed; empty where the joint itself says it
public record Shims(Optional<String> place, List<Double> piecesMm) implements Fact {
    /// Totals closer than this agree, mm.
    private static final double TOLERANCE_MM = 0.004;

    public Shims {
        piecesMm = List.copyOf(piecesMm);
        piecesMm.forEach(t -> Limits.positive(t, "shim thickness in mm"));
    }

    /// A stack where the joint is.
    public Shims(List<Double> piecesMm) {
        this(Optional.empty(), piecesMm);
    }

    public double totalMm() {
        return piecesMm.stream().mapToDouble(Double::doubleValue).sum();
    }

    @Override
    public String about() {
        return "shims" + place.map(p -> " " + p).orElse("");
    }

    @Override
    public Said said() {
        Said stack = piecesMm.isEmpty() ? Said.of("fact.shims.none") : piecesMm.size() == 1 ? Said.of("fact.shims.one", "mm", totalMm())
                : Said.of("fact.shims", "pieces", pieces(piecesMm), "mm", totalMm());
        return place.map(p -> Said.of("fact.shims.under", "shims", stack, "place", p.replace('_', ' '))).orElse(stack);
    }

    /// Pieces with plus signs between.
    public static Said pieces(List<Double> piecesMm) {
        Said sum = Said.of("fact.number", "number", piecesMm.getFirst());
        for (double piece : piecesMm.subList(1, piecesMm.size())) {
            sum = Said.of("fact.shims.plus", "before", sum, "piece", piece);
        }
        return sum;
    }

    @Override
    public Said question() {
        return place.map(p -> Said.of("fact.shims.question.under", "place", p.replace('_', ' '))).orElse(Said.of("fact.shims.question"));
    }

    @Override
    public Verdict against(Fact recorded, Scene scene) {
        if (!(recorded instanceof Shims then) || Limits.close(then.totalMm(), totalMm(), TOLERANCE_MM)) {
            return Verdict.agrees(this);
        }
        double more = totalMm() - then.totalMm();
        boolean infinity = scene.instrument().movesInfinity(place.or(() -> scene.joint().frees().stream().findFirst()).orElse(""));
        return Verdict.differs(Said.of("fact.shims.wrong", "then", then.said()), Said.of(infinity ? "fact.shims.infinity" : "fact.shims.lies", "mm", more));
    }

    /// `shim .05 .10`, `shims .05 + .10 under mount`, `no shims`.
    @AutoService(FactKind.class)
    public static final class Kind implements FactKind {
        @Override
        public String name() {
            return "shims";
        }

        @Override
        public Class<Shims> type() {
            return Shims.class;
        }

        @Override
        public List<Fact> hear(Cursor line, Hearing in) {
            int start = line.mark();
            boolean none = line.take("no shims") || line.take("no shim");
            if (!none && !line.take("shims") && !line.take("shim")) {
                return List.of();
            }
            List<Double> pieces = new ArrayList<>();
            if (!none) {
                int before = line.mark();
                Optional<Double> piece = line.lengthMm();
                while (piece.filter(p -> Limits.checked(line, p, "shim thickness")).isPresent()) {
                    pieces.add(piece.get());
                    before = line.mark();
                    boolean comma = line.take(",");
                    if (!comma && !line.take("+")) {
                        line.take("and");
                    }
                    piece = line.lengthMm();
                    // After a comma a number may begin something else: "shims .05, 3.5 turns".
                    if (piece.isEmpty() || comma && !line.clauseEnds() && !line.next("under")) {
                        line.reset(before);
                        piece = Optional.empty();
                    }
                }
                if (pieces.isEmpty()) {
                    if (line.objection().isEmpty()) {
                        line.object(Said.of("fact.shims.how"));
                    }
                    line.reset(start);
                    return List.of();
                }
            }
            return List.of(new Shims(place(line, in), pieces));
        }

        private static Optional<String> place(Cursor line, Hearing in) {
            int start = line.mark();
            if (!line.take("under") && !line.take("behind") && !line.take("at")) {
                return Optional.empty();
            }
            line.take("the");
            Optional<String> part = PartNames.take(line, in.parts()).map(Part::id);
            Optional<String> place = part.isPresent() ? part : line.clause().map(String::strip);
            if (place.isEmpty()) {
                line.reset(start);
            }
            return place;
        }

        @Override
        public List<String> examples(Joint joint) {
            return joint.frees().stream().anyMatch(p -> p.contains("shim")) ? List.of("shim .05 .10", "no shims") : List.of();
        }
    }
}

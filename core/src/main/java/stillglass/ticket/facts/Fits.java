package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Optional;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// In how many ways something can be put on, as it was tried: what marks must tell apart.
/// @param ways 1 when it goes on in one way only; 0 when it turns freely and stands anywhere
public record Fits(int ways) implements Fact.Logged {
    private static final int MOST = 360;

    public Fits {
        if (ways < 0 || ways > MOST) {
            throw new IllegalArgumentException("it fits " + ways + " ways: give 1 to " + MOST + ", or 0 for any way");
        }
    }

    @Override
    public String about() {
        return "fits";
    }

    @Override
    public Said said() {
        return ways == 0 ? Said.of("fact.fits.any") : Said.of("fact.fits", "ways", ways);
    }

    /// `fits 5 ways`, `fits one way`, `fits any way`.
    @AutoService(FactKind.class)
    public static final class Kind implements FactKind {
        @Override
        public String name() {
            return "fits";
        }

        @Override
        public Class<Fits> type() {
            return Fits.class;
        }

        @Override
        public List<Fact> hear(Cursor line, Hearing in) {
            int start = line.mark();
            if (line.take("fits")) {
                Optional<Integer> ways = line.take("any") ? Optional.of(0) : line.count().filter(n -> n >= 1 && n <= MOST);
                if (ways.isPresent() && line.takeOne(List.of("ways", "way")).isPresent()) {
                    return List.of(new Fits(ways.get()));
                }
            }
            line.reset(start);
            return List.of();
        }
    }
}

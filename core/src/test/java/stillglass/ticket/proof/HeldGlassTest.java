package stillglass.ticket.proof;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import stillglass.assembly.Instrument;
import stillglass.optics.LensSection;
import stillglass.optics.Lenses;
import stillglass.optics.Seat;
import stillglass.ticket.Job;

/// A lens on no map, whose glasses came out one after the other.
class HeldGlassTest {
    private static final LensSection LENS = Lenses.triplet();

    private static LensSection of(LensSection lens, String... lines) {
        Job job = Job.on(Instrument.unknown("own-brook-35", "Brook 35 mm f/2.8", Instrument.Sort.LENS), Optional.of(lens));
        for (String line : lines) {
            job = job.say(line);
        }
        return HeldGlass.of(job.world().instrument(), lens);
    }

    @Test
    void aRingTakenFromTheFrontTellsOfAShoulderBehind() {
        LensSection held = of(LENS, "off E1, ring, front", "off E2, ring, rear");
        assertThat(held.seats()).extracting(s -> s.map(Seat::rests)).containsExactly(Optional.of(Seat.Rests.REAR), Optional.of(Seat.Rests.FRONT));
    }

    @Test
    void whatNobodyTookOutOrDroppedOutOfAnythingStaysUnknown() {
        assertThat(of(LENS).seats()).isEmpty();
        assertThat(of(LENS, "off E1, seat, front").seats()).isEmpty();
        assertThat(of(LENS, "off E1, ring, front").seats()).extracting(Optional::isPresent).containsExactly(true, false);
    }

    @Test
    void whatTheFileSaysStands() {
        Seat filed = new Seat(Seat.Rests.ON_BEHIND, Optional.of("front cell"));
        assertThat(of(LENS.withSeats(List.of(Optional.of(filed), Optional.empty())), "off E1, ring, front", "off E2, ring, rear").seats())
                .containsExactly(Optional.of(filed), Optional.of(new Seat(Seat.Rests.FRONT, Optional.empty())));
    }
}

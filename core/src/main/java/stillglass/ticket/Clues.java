package stillglass.ticket;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import stillglass.assembly.Instrument;
import stillglass.look.FindingKind;
import stillglass.optics.LensSection;
import stillglass.say.Said;
import stillglass.ticket.condition.ConditionEvent;
import stillglass.ticket.condition.Flaw;
import stillglass.ticket.condition.Place;
import stillglass.ticket.glass.Known;
import stillglass.ticket.readings.Behaves;
import stillglass.ticket.story.Phase;

/// What several things that were found say together of what it went through, and what that means for the work and for its owner. Rules of the trade: each names what it is taken from, and none is more than likely.
final class Clues {
    private static final Set<Behaves> DRY = EnumSet.of(Behaves.DRY, Behaves.STIFF, Behaves.GRITTY);
    private static final Set<FindingKind> LINES = EnumSet.of(FindingKind.SCRATCH, FindingKind.CLEANING_MARKS);
    /// From here on fungus has usually eaten into what it grows on.
    private static final int LONG_THERE = 3;

    private final TicketState state;
    private final List<ConditionEvent.FlawFound> flaws;

    private Clues(TicketState state) {
        this.state = state;
        flaws = state.condition().all(Phase.BEFORE);
    }

    static List<Said> of(TicketState state, Instrument instrument, Optional<LensSection> section) {
        Clues c = new Clues(state);
        List<Said> all = new ArrayList<>();
        c.damp().ifPresent(all::add);
        c.warmth().ifPresent(all::add);
        section.flatMap(c::outside).ifPresent(all::add);
        c.hands().ifPresent(all::add);
        if (c.has(FindingKind.FUNGUS).filter(k -> k.finding().severity() >= LONG_THERE).isPresent()) {
            all.add(Said.of("clue.etched"));
        }
        if (c.has(FindingKind.SEPARATION).isPresent()) {
            all.add(Said.of("clue.parted"));
        }
        if (instrument.sort() == Instrument.Sort.ZOOM && c.has(FindingKind.DUST).isPresent()) {
            all.add(Said.of("clue.breathes"));
        }
        return all;
    }

    /// What is likelier nothing than any fault tells nothing.
    private Stream<Known> found(Set<FindingKind> kinds) {
        return state.glass().findings().stream().filter(k -> kinds.contains(k.finding().kind()) && !k.doubtful());
    }

    private Optional<Known> has(FindingKind kind) {
        return found(EnumSet.of(kind)).findFirst();
    }

    private List<Said> where(Set<Flaw> what) {
        return flaws.stream().filter(f -> what.contains(f.flaw())).map(ConditionEvent.FlawFound::saidWhere).toList();
    }

    /// Fungus says damp by itself; rust and salts beside it, or haze, make it surer.
    private Optional<Said> damp() {
        List<Said> rust = where(EnumSet.of(Flaw.RUST, Flaw.CORRODED));
        boolean fungus = has(FindingKind.FUNGUS).isPresent();
        if (state.arrival().wet().isPresent() || !fungus && rust.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(fungus && !rust.isEmpty() ? Said.of("clue.damp.both", "rust", Said.commas(rust)) : fungus ? Said.of("clue.damp.fungus") : Said.of("clue.damp.rust", "rust", Said.commas(rust)));
    }

    /// Oil where none belongs, and a thread that has lost its own.
    private Optional<Said> warmth() {
        boolean oil = flaws.stream().anyMatch(f -> f.flaw() == Flaw.WET && (f.place() == Place.IRIS || f.place() == Place.SHUTTER)) || has(FindingKind.OIL).isPresent();
        boolean dry = state.readings().checks().entrySet().stream().anyMatch(e -> e.getKey().phase() == Phase.BEFORE && (e.getKey().check().equals("feel") || e.getKey().check().equals("focus")) && e.getValue().how().filter(DRY::contains).isPresent());
        return oil && dry ? Optional.of(Said.of("clue.warmth")) : Optional.empty();
    }

    /// Lines on an outer face come from outside.
    private Optional<Said> outside(LensSection lens) {
        int last = lens.surfaces().size() - 1;
        return found(LINES).filter(k -> k.surface().filter(s -> s == 0 || s == last).isPresent()).findFirst()
                .map(k -> Said.of("clue.outside", "kind", k.finding().kind().word().replace('-', ' '), "surface", lens.surfaceName(k.surface().orElseThrow())));
    }

    /// Slots, scraped paint and what was said of earlier work.
    private Optional<Said> hands() {
        List<Said> marks = where(EnumSet.of(Flaw.TOOL_MARKS, Flaw.SCRAPED));
        return marks.isEmpty() ? Optional.empty() : Optional.of(Said.of("clue.hands", "marks", Said.commas(marks)));
    }
}

package stillglass.app.open;

import java.util.ArrayList;
import java.util.List;
import stillglass.app.theme.Words;
import stillglass.assembly.Joint;
import stillglass.ticket.Fact;

/// Joints in bench words: what to do, what to record, what to beware of.
public final class Doing {
    private Doing() {}

    /// One sentence: how it is opened.
    public static String open(Joint j) {
        return switch (j.hold()) {
            case Joint.Hold.Thread t -> t.starts() > 1
                    ? Words.of("doing.open.multistart", j.name())
                    : Words.of("doing.open.thread", j.name(), Fact.trim(t.turns()));
            case Joint.Hold.Screws s -> Words.of(s.holes().size() == 1 ? "doing.open.screw" : "doing.open.screws", s.holes().size(), j.name());
            case Joint.Hold.SetScrews s -> Words.of("doing.open.setscrews", j.name(), Fact.trim(s.looseTurns()));
            case Joint.Hold.RetainingRing r -> Words.of("doing.open.ring", j.name());
            case Joint.Hold.Press p -> Words.of("doing.open.press", j.name());
            case Joint.Hold.Seat s -> Words.of(j.hazards().contains(Joint.Hazard.GLASS_DROPS) ? "doing.open.glass" : "doing.open.seat", j.name());
            case Joint.Hold.Hook h -> Words.of("doing.open.hook", j.name());
            case Joint.Hold.Glue g -> Words.of("doing.open.glue", j.name(), g.softener(), Fact.trim(g.waitMinutes()));
        };
    }

    /// One sentence: how it is closed.
    public static String close(Joint j, boolean loose) {
        if (loose) {
            return Words.of("doing.close.loose", j.name());
        }
        return switch (j.hold()) {
            case Joint.Hold.Thread t -> t.starts() > 1 ? Words.of("doing.close.multistart", j.name()) : Words.of("doing.close.thread", j.name());
            case Joint.Hold.Screws s -> Words.of("doing.close.screws", j.name());
            case Joint.Hold.SetScrews s -> Words.of("doing.close.setscrews", j.name());
            case Joint.Hold.RetainingRing r -> Words.of("doing.close.ring", j.name());
            case Joint.Hold.Press p -> Words.of("doing.close.press", j.name());
            case Joint.Hold.Seat s -> Words.of("doing.close.seat", j.name());
            case Joint.Hold.Hook h -> Words.of("doing.close.hook", j.name());
            case Joint.Hold.Glue g -> Words.of("doing.close.glue", j.name());
        };
    }

    /// What is worth recording, with the shorthand that records it.
    public static String expects(Joint j) {
        return switch (j.hold()) {
            case Joint.Hold.Thread t -> Words.of("doing.expect.thread");
            case Joint.Hold.Screws s -> Words.of("doing.expect.screws", s.holes().size(), s.drive());
            case Joint.Hold.SetScrews s -> Words.of("doing.expect.none");
            case Joint.Hold.RetainingRing r -> Words.of("doing.expect.ring");
            case Joint.Hold.Press p -> Words.of("doing.expect.none");
            case Joint.Hold.Seat s -> j.hazards().contains(Joint.Hazard.CLICK_BALL) ? Words.of("doing.expect.ball")
                    : j.frees().isEmpty() ? Words.of("doing.expect.none") : Words.of("doing.expect.facing");
            case Joint.Hold.Hook h -> Words.of("doing.expect.spring");
            case Joint.Hold.Glue g -> Words.of("doing.expect.none");
        };
    }

    /// Cautions that belong to the act, from its hazards and its hold.
    public static List<String> cautions(Joint j) {
        List<String> lines = new ArrayList<>();
        j.hazards().stream().sorted().forEach(h -> lines.add(Words.of("hazard." + h.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-'))));
        if (j.hold() instanceof Joint.Hold.Glue) {
            lines.add(Words.of("hazard.solvent"));
        }
        return lines;
    }
}

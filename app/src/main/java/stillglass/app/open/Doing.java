package stillglass.app.open;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import stillglass.app.theme.Words;
import stillglass.assembly.Hold;
import stillglass.assembly.Joint;
import stillglass.assembly.Side;

/// Joints in bench words: what to do, what to record, what to beware of.
public final class Doing {
    private Doing() {}

    /// One sentence: how it is opened.
    public static String open(Joint j) {
        return switch (j.hold()) {
            case Hold.Thread t -> t.starts() > 1
                    ? Words.of("doing.open.multistart", j.name())
                    : Words.of("doing.open.thread", j.name(), t.turns());
            case Hold.Screws s -> Words.of(s.holes().size() == 1 ? "doing.open.screw" : "doing.open.screws", s.holes().size(), j.name());
            case Hold.SetScrews s -> Words.of("doing.open.setscrews", j.name(), s.looseTurns());
            case Hold.RetainingRing r -> Words.of("doing.open.ring", j.name());
            case Hold.Press p -> Words.of("doing.open.press", j.name());
            case Hold.Seat s -> Words.of(j.hazards().contains(Joint.Hazard.GLASS_DROPS) ? "doing.open.glass" : "doing.open.seat", j.name());
            case Hold.Hook h -> Words.of("doing.open.hook", j.name());
            case Hold.Noted n -> Words.of("doing.open.noted", j.name(), n.word());
            case Hold.Glue g -> Words.of("doing.open.glue", j.name(), g.softener(), Words.number(g.waitMinutes()));
            case Hold.Snap s -> Words.of("doing.open.snap", j.name(), s.tongues());
            case Hold.Cement c -> Words.of("doing.open.cement", j.name());
            case Hold.Bayonet b -> Words.of("doing.open.bayonet", j.name(), Words.number(b.degrees()));
            case Hold.Solder s -> Words.of("doing.open.solder", j.name(), s.places());
            case Hold.Connector c -> Words.of(c.ribbon() ? "doing.open.ribbon" : "doing.open.plug", j.name());
        };
    }

    /// With what it is opened, and from where, as far as that is known.
    public static String with(Joint j) {
        boolean side = j.side() != Side.UNKNOWN;
        if (j.tool().isEmpty()) {
            return side ? Words.of("open.tool.side", Words.of("side." + j.side().word())) : Words.of("open.tool.none");
        }
        return side ? Words.of("open.tool", j.tool(), Words.of("side." + j.side().word())) : Words.of("open.tool.only", j.tool());
    }

    /// One sentence: how it is closed.
    public static String close(Joint j, boolean loose) {
        if (loose) {
            return Words.of("doing.close.loose", j.name());
        }
        return switch (j.hold()) {
            case Hold.Thread t -> t.starts() > 1 ? Words.of("doing.close.multistart", j.name()) : Words.of("doing.close.thread", j.name());
            case Hold.Screws s -> Words.of("doing.close.screws", j.name());
            case Hold.SetScrews s -> Words.of("doing.close.setscrews", j.name());
            case Hold.RetainingRing r -> Words.of("doing.close.ring", j.name());
            case Hold.Press p -> Words.of("doing.close.press", j.name());
            case Hold.Seat s -> Words.of("doing.close.seat", j.name());
            case Hold.Hook h -> Words.of("doing.close.hook", j.name());
            case Hold.Noted n -> Words.of("doing.close.noted", j.name(), n.word());
            case Hold.Glue g -> Words.of("doing.close.glue", j.name());
            case Hold.Snap s -> Words.of("doing.close.snap", j.name());
            case Hold.Cement c -> Words.of("doing.close.cement", j.name());
            case Hold.Bayonet b -> Words.of("doing.close.bayonet", j.name(), Words.number(b.degrees()));
            case Hold.Solder s -> Words.of("doing.close.solder", j.name());
            case Hold.Connector c -> Words.of(c.ribbon() ? "doing.close.ribbon" : "doing.close.plug", j.name());
        };
    }

    /// What is worth recording, with the shorthand that records it.
    public static String expects(Joint j) {
        return switch (j.hold()) {
            case Hold.Thread t -> Words.of("doing.expect.thread");
            case Hold.Screws s -> Words.of("doing.expect.screws", s.holes().size(), s.drive());
            case Hold.SetScrews s -> Words.of("doing.expect.none");
            case Hold.RetainingRing r -> Words.of("doing.expect.ring");
            case Hold.Press p -> Words.of("doing.expect.none");
            case Hold.Seat s -> j.hazards().contains(Joint.Hazard.CLICK_BALL) ? Words.of("doing.expect.ball")
                    : j.frees().isEmpty() ? Words.of("doing.expect.none") : Words.of("doing.expect.facing");
            case Hold.Hook h -> Words.of("doing.expect.spring");
            case Hold.Noted n -> Words.of("doing.expect.noted");
            case Hold.Glue g -> Words.of("doing.expect.none");
            case Hold.Snap s -> Words.of("doing.expect.none");
            case Hold.Cement c -> Words.of("doing.expect.none");
            case Hold.Bayonet b -> Words.of("doing.expect.thread");
            case Hold.Solder s -> Words.of("doing.expect.solder");
            case Hold.Connector c -> Words.of("doing.expect.none");
        };
    }

    /// Cautions that belong to the act, from its hazards and its hold.
    public static List<String> cautions(Joint j) {
        List<String> lines = new ArrayList<>();
        j.hazards().stream().sorted().forEach(h -> lines.add(Words.of("hazard." + h.name().toLowerCase(Locale.ROOT).replace('_', '-'))));
        if (j.hold() instanceof Hold.Glue) {
            lines.add(Words.of("hazard.solvent"));
        }
        return lines;
    }
}

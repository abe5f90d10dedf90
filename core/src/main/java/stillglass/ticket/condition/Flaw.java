package stillglass.ticket.condition;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import stillglass.say.Said;

/// What can be wrong with a part that is not glass.
///
/// Each says from which extent it is worth opening for: what spreads (oil, rust, salts, crumbling foam) early, what only looks old late, and what has
/// happened for good (wear, marks of tools) never by itself. Rules of the trade, no measurement behind them.
public enum Flaw {
    WET(Extent.SLIGHT, "wet", "oily", "oil", "greasy"),
    DIRTY(Extent.MARKED, "dirty", "dusty", "sticky", "gummed"),
    RUST(Extent.SLIGHT, "rusted", "rust", "rusty"),
    /// Green or white salts, leaked cells.
    CORRODED(Extent.TRACE, "corroded", "corrosion", "verdigris", "leaked", "salts"),
    BENT(Extent.MARKED, "bent", "kinked"),
    DENTED(Extent.MARKED, "dented", "dent"),
    MISSING(Extent.TRACE, "missing", "lost", "gone missing"),
    LOOSE(Extent.SLIGHT, "loose", "off its stud"),
    WORN(null, "worn", "wear"),
    GRIT(Extent.SLIGHT, "gritty", "grit", "sand"),
    /// Bright lines, raised edges, slips beside a slot: somebody was here before.
    TOOL_MARKS(null, "tool marks", "tool-marked", "chewed", "slipped on"),
    /// Paint that came off by itself.
    FLAKED(Extent.MARKED, "flaked", "flaking", "paint lost", "blackening lost"),
    /// Paint that a tool took.
    SCRAPED(Extent.MARKED, "scraped", "scratched"),
    TORN(Extent.TRACE, "torn", "holes", "pinholes", "cracked"),
    PERISHED(Extent.SLIGHT, "perished", "crumbling", "gone to tar"),
    LIFTED(Extent.SLIGHT, "lifted", "lifting", "bumps");

    private final @Nullable Extent worth;
    private final List<String> words;

    Flaw(@Nullable Extent worth, String... words) {
        this.worth = worth;
        this.words = List.of(words);
    }

    /// What a technician may call it.
    public List<String> words() {
        return words;
    }

    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public Said said() {
        return Said.of("flaw." + word());
    }

    /// What an extent of it looks like.
    /// @param extent not [Extent#NONE]
    public Said at(Extent extent) {
        return Said.of("flaw." + word() + "." + extent.word());
    }

    /// What can be done about it, and what stays.
    public Said cure() {
        return Said.of("flaw." + word() + ".cure");
    }

    /// Whether it is counted in pieces instead of told by extent.
    public boolean counted() {
        return this == MISSING;
    }

    /// Whether it has gone far enough to be worth opening for. How far nobody said is not far enough: it wants a look first.
    public boolean worthOpening(Optional<Extent> extent) {
        return worth != null && (counted() || extent.filter(e -> e.compareTo(worth) >= 0).isPresent());
    }
}

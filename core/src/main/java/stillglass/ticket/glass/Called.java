package stillglass.ticket.glass;

import java.util.List;
import java.util.Optional;
import stillglass.grade.TellApart;
import stillglass.look.FindingKind;
import stillglass.optics.LensSection;
import stillglass.say.Said;

/// What a finding is called, the same wherever it is named: by its kind, or, while that is in doubt, by the two things it may be.
/// @param kind what it is or is likeliest to be; unknown where no kind is likely enough to be named
/// @param or a second kind it may well be
/// @param orNothing whether it may instead well be no fault at all
/// @param chance of `kind`, or of the likeliest where that is unknown, 0 to 1, all it may be counted, nothing included
/// @param other chance of what stands beside it; 0 where nothing does
public record Called(FindingKind kind, Optional<FindingKind> or, boolean orNothing, double chance, double other) {
    /// A second kind this likely makes the first doubtful.
    private static final double DOUBT = 0.2;
    /// From this chance on it is told that it may be nothing.
    public static final double TOLD_NOTHING = 0.25;

    /// @param lens rules out kinds that lie nowhere on it, where its section is known
    public static Called of(Known k, Optional<LensSection> lens) {
        return of(k, TellApart.of(k.finding(), k.surface(), lens, List.of(), List.of()));
    }

    /// @param told what is known of its kind with all that was answered
    public static Called of(Known k, TellApart told) {
        FindingKind own = k.finding().kind();
        List<FindingKind> ranked = told.ranked();
        if (k.computedKind().isPresent() || ranked.isEmpty()) {
            return new Called(own, Optional.empty(), false, chance(k, told, own), 0);
        }
        double second = ranked.size() > 1 ? chance(k, told, ranked.get(1)) : 0;
        boolean nothing = mayBeNothing(k) && k.nothing() >= second;
        boolean doubt = !nothing && second > DOUBT;
        FindingKind kind = nothing || doubt ? ranked.getFirst() : own;
        return new Called(kind, doubt ? Optional.of(ranked.get(1)) : Optional.empty(), nothing, chance(k, told, kind == FindingKind.UNKNOWN ? ranked.getFirst() : kind), doubt ? second : nothing ? k.nothing() : 0);
    }

    /// Chances of kinds add up to one by themselves; that it may be nothing at all takes from each alike.
    private static double chance(Known k, TellApart told, FindingKind kind) {
        return (1 - k.nothing()) * told.chances().getOrDefault(kind, 0.0);
    }

    /// Dust is counted, its specks are not each a doubt; what a technician has graded is there.
    private static boolean mayBeNothing(Known k) {
        return k.nothing() >= TOLD_NOTHING && k.finding().kind() != FindingKind.DUST && k.overruled().isEmpty() && k.computedSeverity().isEmpty();
    }

    /// "haze", "oil, or separation", "chip, or nothing".
    public Said said() {
        return orNothing ? Said.of("called.nothing", "kind", word(kind)) : fault();
    }

    /// What it is if it is a fault: "haze", "oil, or separation", "chip".
    public Said fault() {
        return or.map(o -> Said.of("called.or", "kind", word(kind), "or", word(o))).orElseGet(() -> Said.text(word(kind)));
    }

    private static String word(FindingKind kind) {
        return kind.word().replace('-', ' ');
    }
}

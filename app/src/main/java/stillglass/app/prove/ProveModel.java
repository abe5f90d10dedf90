package stillglass.app.prove;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import stillglass.app.checks.Causes;
import stillglass.app.desk.Say;
import stillglass.app.desk.Sourced;
import stillglass.app.desk.Work;
import stillglass.app.draw.ChartStrip;
import stillglass.app.theme.Words;
import stillglass.prove.InfinityShims;
import stillglass.prove.ScaleTurn;
import stillglass.prove.VeilChange;
import stillglass.ticket.TicketState;
import stillglass.ticket.Zeroing;
import stillglass.ticket.glass.Veils;
import stillglass.ticket.joints.ShimStack;
import stillglass.ticket.proof.Proof;
import stillglass.ticket.proof.ProofEvent;
import stillglass.ticket.proof.SilentSlips;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.readings.Readings;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Stage;

/// What Prove shows.
///
/// @param images whether it makes a picture of its own, so that infinity and veil can be shown
/// @param before infinity before the work
/// @param after infinity after it
/// @param hidden what the widest stop hides; empty where the optical section is not known
/// @param sum the shim arithmetic in words, line by line
/// @param cause the likeliest cause, where infinity is off by what shims are not for
/// @param charts what a chart would look like under the leading causes; none while nothing is wrong
/// @param place of the stack that moves infinity, where that is known
/// @param stack pieces to fit, empty when none come closer or nothing is measured
/// @param veil change in words, empty until both photos are graded
/// @param photoBefore the photos compared
/// @param open joints that are open
/// @param ledger what is still open, in words
/// @param withdrawn what was proved before something was opened again
/// @param wanted what is still to be shown before it can be signed for
public record ProveModel(
        boolean images,
        Optional<Reading> before,
        Optional<Reading> after,
        Optional<Hidden> hidden,
        List<String> sum,
        List<ChartStrip.Shown> charts,
        Optional<String> cause,
        Optional<String> place,
        List<Double> stack,
        Optional<String> veil,
        String veilMeaning,
        Optional<String> photoBefore,
        Optional<String> photoAfter,
        int open,
        boolean opened,
        String ledger,
        boolean ledgerZero,
        List<String> withdrawn,
        List<String> wanted,
        Optional<String> signed,
        boolean done) {

    /// What a stop hides, one side.
    public record Hidden(double mm, double fNumber) {}

    public record Reading(double errorMm, double sigmaMm, String text) {}

    /// Remaining error below which no other shim is worth fitting, mm: a third of the usual thinnest shim.
    private static final double TOLERANCE_MM = 0.01;
    private static final double MOST_SHIMS_MM = 1;
    private static final int MOST_SLIPS = 3;
    /// Where the distance scale is looked at, and the nearest a scale can be told from the film.
    private static final double SCALE_M = 2;
    private static final double LEAST_FOCALS = 4.2;

    public ProveModel {
        sum = List.copyOf(sum);
        charts = List.copyOf(charts);
        stack = List.copyOf(stack);
        withdrawn = List.copyOf(withdrawn);
        wanted = List.copyOf(wanted);
    }

    /// @param stock shims at hand, mm
    public static ProveModel of(Work work, List<Double> stock) {
        TicketState s = work.state();
        Optional<Reading> before = s.readings().infinity(Phase.BEFORE).map(Readings.Infinity::read).map(ProveModel::reading);
        Optional<Reading> after = Proof.infinity(s.readings(), s.joints()).map(Readings.Infinity::read).map(ProveModel::reading);
        Optional<Hidden> hidden = work.section().map(l -> new Hidden(InfinityShims.hiddenMm(l.fNumber(), InfinityShims.SMALL_FORMAT_CIRCLE_MM), l.fNumber()));
        Optional<ShimStack> stack = ShimStack.ofInfinity(s.joints(), work.instrument());
        List<String> sum = new ArrayList<>();
        List<Double> pieces = new ArrayList<>();
        after.or(() -> before).ifPresent(r -> arithmetic(r, stack, work, stock, sum, pieces));
        Causes.Told causes = Causes.told(s, work);
        // What shims would have to be thicker for than they ever are is not theirs to mend, nor is a wrong entry.
        boolean first = causes.entry() || after.or(() -> before).filter(r -> Math.abs(r.errorMm()) > MOST_SHIMS_MM).isPresent();
        sum.addAll(first ? 0 : sum.size(), causes.lines());
        Optional<VeilChange> veil = Veils.of(s.glass()).change();
        if (s.proof().signed(s.joints()).isEmpty()) {
            work.computed().slips().filter(x -> !x.silent().isEmpty()).ifPresent(x -> sum.addAll(slips(x)));
        }
        return new ProveModel(work.instrument().sort().images(), before, after, hidden, sum, work.computed().diagnosis().map(d -> Causes.pictured(d, work.computed().charts())).orElse(List.of()), first ? causes.leading() : Optional.empty(), stack.map(ShimStack::place), pieces,
                Veils.of(s.glass()).unequal() ? Optional.of(Words.of("prove.veil.unequal")) : veil.map(v -> Words.of("prove.veil", 100 * v.before(), 100 * v.after(), 100 * v.change(), 100 * v.halfWidth())),
                veil.map(v -> Words.of(v.clearer() ? "prove.veil.clearer" : v.change() - v.halfWidth() > 0 ? "prove.veil.worse" : "prove.veil.same")).orElse(""),
                s.glass().graded(Phase.BEFORE).map(p -> p.kept().photoId()), s.glass().graded(Phase.AFTER).map(p -> p.kept().photoId()),
                s.joints().openNow().size(), !s.joints().order().isEmpty(), Words.say(work.ledger().said()), work.ledger().zero(), withdrawn(s),
                Proof.wanted(s.readings(), s.joints(), work.world()).stream().map(Words::say).toList(),
                s.proof().signed(s.joints()).map(ProofEvent.Signed::by), s.done(Stage.PROVE));
    }

    /// Slips nobody would notice, and the tests that would show them.
    private static List<String> slips(SilentSlips s) {
        int more = s.silent().size() - MOST_SLIPS;
        String some = String.join("; ", s.silent().stream().limit(MOST_SLIPS).map(x -> Words.say(x.said())).toList()) + (more > 0 ? Words.of("prove.wanted.more", more) : "");
        List<String> out = new ArrayList<>(List.of(Words.of("prove.silent", some)));
        if (s.shown() > 0) {
            out.add(Words.of("prove.silent.tests", Words.capital(String.join(", ", s.tests())), s.shown(), s.silent().size()));
        }
        return out;
    }

    private static Reading reading(ReadingEvent.InfinityMeasured m) {
        return new Reading(m.errorMm(), m.uncertaintyMm(), Sourced.error(m));
    }

    /// What was proved and signed before something was opened again.
    private static List<String> withdrawn(TicketState s) {
        List<String> lines = new ArrayList<>(s.proof().withdrawn(s.joints()).stream().map(w -> Words.of("prove.withdrawn.signature", w.by())).toList());
        Proof.withdrawnInfinity(s.readings(), s.joints()).ifPresent(i -> lines.add(Words.of("prove.withdrawn.infinity", reading(i.read()).text())));
        return lines;
    }

    private static void arithmetic(Reading r, Optional<ShimStack> at, Work work, List<Double> stock, List<String> sum, List<Double> pieces) {
        Optional<Double> now = at.flatMap(ShimStack::totalNowMm);
        double fittedMm = now.orElse(0.0);
        boolean known = now.isPresent();
        if (at.isEmpty()) {
            List<ShimStack> all = ShimStack.of(work.state().joints(), work.instrument());
            sum.add(all.isEmpty() ? Words.of("prove.sum.nostack") : Words.of("prove.sum.whichstack", String.join(", ", all.stream().map(a -> a.place().replace('_', ' ')).toList())));
        }
        sum.add(String.join(" · ", known ? Words.of("prove.sum.fitted", fittedMm) : Words.of("prove.sum.unknown"), Words.of("prove.sum.error", r.errorMm()),
                Words.of(known ? "prove.sum.wanted" : "prove.sum.more", fittedMm + r.errorMm())));
        if (Math.abs(r.errorMm()) <= TOLERANCE_MM) {
            sum.add(Words.of("prove.sum.fine", 1000 * TOLERANCE_MM));
            return;
        }
        work.section().filter(l -> 1000 * SCALE_M > LEAST_FOCALS * l.nominalFocalLengthMm()).ifPresent(l -> {
            double extension = ScaleTurn.extension(SCALE_M, l.nominalFocalLengthMm()) - r.errorMm();
            sum.add(extension > 0 ? Words.of("prove.sum.scale", SCALE_M, ScaleTurn.distance(extension, l.nominalFocalLengthMm())) : Words.of("prove.sum.scale.nowhere", SCALE_M));
        });
        Optional<InfinityShims.Stack> stack = InfinityShims.choose(r.errorMm(), fittedMm, stock, TOLERANCE_MM);
        stack.ifPresent(found -> {
            pieces.addAll(found.pieces());
            sum.add(Words.of("prove.sum.stack",
                    found.pieces().isEmpty() ? "0" : String.join(" + ", found.pieces().stream().map(Words::number).toList()),
                    found.totalMm(), 1000 * found.leftMm()));
        });
        if (stack.isEmpty()) {
            sum.add(Words.of(fittedMm + r.errorMm() < 0 ? "prove.sum.negative" : "prove.sum.none", 1000 * TOLERANCE_MM));
        }
        if ((stack.isEmpty() || !known) && Math.abs(r.errorMm()) <= MOST_SHIMS_MM) {
            Zeroing.instead(r.errorMm(), r.sigmaMm(), work.state(), work.world()).ifPresent(said -> sum.add(Words.say(said)));
        }
    }

    public Say say() {
        if (open > 0) {
            return new Say(Words.of("prove.say.open", open), Words.of("keys.hint.close"));
        }
        if (images && after.isEmpty()) {
            return new Say(Words.of(opened ? "prove.say.infinity" : "prove.say.infinity.unopened"), Words.of("prove.keys.read"));
        }
        if (cause.isPresent()) {
            return new Say(Words.of("prove.say.cause", cause.get()), Words.of("keys.hint.open"));
        }
        if (!stack.isEmpty()) {
            return new Say(Words.of("prove.say.shims", String.join(" + ", stack.stream().map(Words::number).toList())), Words.of("prove.keys.fit"));
        }
        if (photoBefore.isPresent() && photoAfter.isEmpty()) {
            return new Say(Words.of("prove.say.photo"), Words.of("prove.keys.photo"));
        }
        if (signed.isEmpty()) {
            return new Say(wanted.isEmpty() ? Words.of("prove.say.sign") : Words.of("prove.say.wanted", wanted.getFirst()), Words.of("prove.keys.sign"));
        }
        return new Say(Words.of(done ? "prove.say.done" : "prove.say.finish"), Words.of("prove.keys.pdf"));
    }
}

package stillglass.app.prove;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import stillglass.app.desk.Say;
import stillglass.app.desk.Work;
import stillglass.app.theme.Words;
import stillglass.book.report.Report;
import stillglass.prove.InfinityShims;
import stillglass.prove.VeilChange;
import stillglass.ticket.Fact;
import stillglass.ticket.Phase;
import stillglass.ticket.Stage;
import stillglass.ticket.TicketEvent;
import stillglass.ticket.TicketState;

/// What Prove shows.
///
/// @param before infinity before the work
/// @param after infinity after it
/// @param hiddenMm what the widest stop hides, one side
/// @param sum the shim arithmetic in words, line by line
/// @param stack pieces to fit, empty when none come closer or nothing is measured
/// @param veil change in words, empty until both photos are graded
/// @param photoBefore the photos compared
/// @param ledger what is still open, in words
public record ProveModel(
        Optional<Reading> before,
        Optional<Reading> after,
        double hiddenMm,
        List<String> sum,
        List<Double> stack,
        Optional<String> veil,
        String veilMeaning,
        Optional<String> photoBefore,
        Optional<String> photoAfter,
        Optional<String> irisAfter,
        Optional<String> feelAfter,
        String ledger,
        boolean ledgerZero,
        Optional<String> signed,
        boolean done) {

    public record Reading(double errorMm, double sigmaMm, String text) {}

    /// Remaining error below which no other shim is worth fitting, mm: a third of the usual thinnest shim.
    private static final double TOLERANCE_MM = 0.01;

    public ProveModel {
        sum = List.copyOf(sum);
        stack = List.copyOf(stack);
    }

    /// @param stock shims at hand, mm
    public static ProveModel of(Work work, List<Double> stock) {
        TicketState s = work.state();
        Optional<Reading> before = s.infinity(Phase.BEFORE).map(ProveModel::reading);
        Optional<Reading> after = s.infinity(Phase.AFTER).map(ProveModel::reading);
        double hidden = InfinityShims.hiddenMm(work.section().fNumber(), InfinityShims.SMALL_FORMAT_CIRCLE_MM);
        List<String> sum = new ArrayList<>();
        List<Double> pieces = new ArrayList<>();
        after.or(() -> before).ifPresent(r -> arithmetic(r, s, stock, sum, pieces));
        Optional<VeilChange> veil = Report.veil(s);
        return new ProveModel(before, after, hidden, sum, pieces,
                veil.map(v -> Words.of("prove.veil", 100 * v.before(), 100 * v.after(), 100 * v.change(), 100 * v.halfWidth())),
                veil.map(v -> Words.of(v.clearer() ? "prove.veil.clearer" : v.change() - v.halfWidth() > 0 ? "prove.veil.worse" : "prove.veil.same")).orElse(""),
                s.gradedPhoto(Phase.BEFORE).map(p -> p.kept().photoId()), s.gradedPhoto(Phase.AFTER).map(p -> p.kept().photoId()),
                s.check(Phase.AFTER, "iris"), s.check(Phase.AFTER, "feel"),
                Words.capital(work.ledger().say()), work.ledger().zero(),
                s.signed().map(TicketEvent.ReportSigned::by), s.done(Stage.PROVE));
    }

    private static Reading reading(TicketEvent.InfinityMeasured m) {
        return new Reading(m.errorMm(), m.uncertaintyMm(), Words.of("mm.error", m.errorMm(), m.uncertaintyMm()));
    }

    private static void arithmetic(Reading r, TicketState s, List<Double> stock, List<String> sum, List<Double> pieces) {
        double fittedMm = s.shimsNowMm();
        boolean known = s.shimsRecorded() || !s.shims().isEmpty();
        sum.add(known ? Words.of("prove.sum.fitted", fittedMm) : Words.of("prove.sum.unknown"));
        sum.add(Words.of("prove.sum.error", r.errorMm()));
        sum.add(Words.of(known ? "prove.sum.wanted" : "prove.sum.more", fittedMm + r.errorMm()));
        if (Math.abs(r.errorMm()) <= TOLERANCE_MM) {
            sum.add(Words.of("prove.sum.fine", 1000 * TOLERANCE_MM));
            return;
        }
        Optional<InfinityShims.Stack> stack = InfinityShims.choose(r.errorMm(), fittedMm, stock, TOLERANCE_MM);
        stack.ifPresent(found -> {
            pieces.addAll(found.pieces());
            sum.add(Words.of("prove.sum.stack",
                    found.pieces().isEmpty() ? "0" : String.join(" + ", found.pieces().stream().map(Fact::trim).toList()),
                    found.totalMm(), 1000 * found.leftMm()));
        });
        if (stack.isEmpty()) {
            sum.add(Words.of(fittedMm + r.errorMm() < 0 ? "prove.sum.negative" : "prove.sum.none", 1000 * TOLERANCE_MM));
        }
    }

    public Say say() {
        if (after.isEmpty()) {
            return new Say(Words.of("prove.say.infinity"), Words.of("prove.keys.read"));
        }
        if (!stack.isEmpty()) {
            return new Say(Words.of("prove.say.shims", String.join(" + ", stack.stream().map(Fact::trim).toList())), Words.of("prove.keys.fit"));
        }
        if (photoAfter.isEmpty()) {
            return new Say(Words.of("prove.say.photo"), Words.of("prove.keys.photo"));
        }
        if (signed.isEmpty()) {
            return new Say(Words.of("prove.say.sign"), Words.of("prove.keys.sign"));
        }
        return new Say(Words.of(done ? "prove.say.done" : "prove.say.finish"), Words.of("prove.keys.pdf"));
    }
}

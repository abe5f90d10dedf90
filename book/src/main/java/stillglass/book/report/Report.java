package stillglass.book.report;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.book.data.Shelf;
import stillglass.look.Progress;
import stillglass.optics.LensSection;
import stillglass.optics.misassembly.LensFault;
import stillglass.optics.sharpness.AssemblyEffect;
import stillglass.prove.InfinityShims;
import stillglass.prove.VeilChange;
import stillglass.ticket.Known;
import stillglass.ticket.Assessment;
import stillglass.ticket.Ledger;
import stillglass.ticket.Phase;
import stillglass.ticket.Recommendation;
import stillglass.ticket.Stage;
import stillglass.ticket.TicketEvent;
import stillglass.ticket.TicketState;

/// What the owner reads, as plain lines; the writers only set it.
///
/// @param title instrument and ticket number
/// @param owner whose it is
/// @param due when it was promised
/// @param arrived what was wrong and what it is used for
/// @param findings one row each: kind, place, grade, what it does
/// @param advice why the work was done
/// @param measures before, after and their meaning
/// @param work what was opened, cleaned, greased and tested
/// @param overruled where the technician knew better than the calculation, with the reason
/// @param photos pictures to show
/// @param signature who proved it and when; empty while it is a draft
public record Report(
        String title,
        String owner,
        LocalDate due,
        List<String> arrived,
        List<Row> findings,
        List<String> advice,
        List<Measure> measures,
        List<String> work,
        List<String> overruled,
        List<Picture> photos,
        Optional<String> signature) {

    /// One finding.
    public record Row(String kind, String place, String grade, String effect) {}

    /// One thing measured twice.
    public record Measure(String what, String before, String after, String meaning) {}

    /// A photograph to be shown.
    public record Picture(String photoId, String caption) {}

    public Report {
        arrived = List.copyOf(arrived);
        findings = List.copyOf(findings);
        advice = List.copyOf(advice);
        measures = List.copyOf(measures);
        work = List.copyOf(work);
        overruled = List.copyOf(overruled);
        photos = List.copyOf(photos);
    }

    /// Gathers a ticket; traces its findings anew, which takes a moment.
    public static Report of(TicketState state, Shelf shelf) {
        LensSection section = shelf.section(state.tag().sectionId());
        Instrument instrument = shelf.instrument(state.tag().instrumentId());
        List<Assessment> assessments = state.findings().stream()
                .map(k -> Assessment.of(k, fromRear(state, k), shelf.footprints(state.tag().sectionId()), instrument, shelf.gradeRules(), Progress.SILENT))
                .toList();
        List<String> arrived = new ArrayList<>(state.symptoms());
        if (!state.use().isBlank()) {
            arrived.add("Use: " + state.use());
        }
        for (String fault : state.assemblyFound()) {
            arrived.add("Found assembled wrongly: " + LensFault.parse(fault) + (state.assembly().contains(fault) ? "." : "; put right."));
        }
        if (section.basis().estimate()) {
            arrived.add("The lens section is an estimate (" + section.basis().word() + "), and so are effects and grades.");
        }
        return new Report(
                state.tag().title() + ", ticket " + state.tag().number(),
                state.tag().owner(),
                state.tag().due(),
                arrived,
                assessments.stream().map(a -> row(a, section)).toList(),
                Recommendation.of(state, assessments, AssemblyEffect.found(section, state.assembly()), section, instrument).reasons(),
                measures(state, section),
                work(state, instrument),
                state.overruled().stream().map(o -> o.what() + ": " + o.why()).toList(),
                state.photos().stream()
                        .map(p -> new Picture(p.kept().photoId(), p.kept().caption()))
                        .toList(),
                state.signed().map(s -> s.by() + ", " + s.at().atZone(ZoneOffset.UTC).toLocalDate()));
    }

    private static boolean fromRear(TicketState state, Known known) {
        return state.photo(known.photoId()).map(p -> p.kept().fromRear()).orElse(false);
    }

    private static Row row(Assessment a, LensSection section) {
        String grade = a.known().overruled()
                .map(o -> o.grade() + " (computed " + a.grade().grade() + "; " + o.why() + ")")
                .orElseGet(() -> Integer.toString(a.grade().grade()));
        return new Row(a.known().finding().kind().word().replace('-', ' '),
                section.surfaceName(a.surface()) + (a.assumed() ? certainty(a) : "") + ", "
                        + a.known().finding().zone().word() + ", " + a.known().finding().clock() + " o'clock",
                grade, a.grade().sentence());
    }

    private static String certainty(Assessment a) {
        return a.where().map(w -> String.format(Locale.ROOT, " (by its depth, %.0f %%)", 100 * w.on(a.surface()))).orElse(" (assumed)");
    }

    private static List<Measure> measures(TicketState state, LensSection section) {
        List<Measure> rows = new ArrayList<>();
        Optional<TicketEvent.InfinityMeasured> before = state.infinity(Phase.BEFORE);
        Optional<TicketEvent.InfinityMeasured> after = state.infinity(Phase.AFTER);
        if (before.isPresent() || after.isPresent()) {
            double hidden = InfinityShims.hiddenMm(section.fNumber(), InfinityShims.SMALL_FORMAT_CIRCLE_MM);
            rows.add(new Measure("Infinity error", before.map(Report::infinity).orElse("not measured"),
                    after.map(Report::infinity).orElse("not measured"),
                    after.map(m -> Math.abs(m.errorMm()) <= hidden
                                    ? String.format(Locale.ROOT, "within the %.3f mm that f/%.1f hides", hidden, section.fNumber())
                                    : String.format(Locale.ROOT, "more than the %.3f mm that f/%.1f hides", hidden, section.fNumber()))
                            .orElse("")));
        }
        veil(state).ifPresent(v -> rows.add(new Measure("Veil", percent(v.before()), percent(v.after()),
                String.format(Locale.ROOT, "change %+.1f ± %.1f points (95 %%)", 100 * v.change(), 100 * v.halfWidth()))));
        for (String check : List.of("iris", "feel")) {
            Optional<String> was = state.check(Phase.BEFORE, check);
            Optional<String> is = state.check(Phase.AFTER, check);
            if (was.isPresent() || is.isPresent()) {
                rows.add(new Measure(check.equals("iris") ? "Iris" : "Focus feel", was.orElse("not tried"), is.orElse("not tried"), ""));
            }
        }
        return rows;
    }

    private static String infinity(TicketEvent.InfinityMeasured m) {
        return String.format(Locale.ROOT, "%+.3f ± %.3f mm", m.errorMm(), m.uncertaintyMm());
    }

    private static String percent(double share) {
        return String.format(Locale.ROOT, "%.1f %%", 100 * share);
    }

    /// The change of veil between the last graded photos before and after, where there are both.
    public static Optional<VeilChange> veil(TicketState state) {
        return state.gradedPhoto(Phase.BEFORE)
                .flatMap(b -> state.gradedPhoto(Phase.AFTER)
                        .map(a -> VeilChange.of(
                                b.graded().orElseThrow().sectorVeils(), a.graded().orElseThrow().sectorVeils())));
    }

    private static List<String> work(TicketState state, Instrument instrument) {
        List<String> lines = new ArrayList<>();
        if (!state.opened().isEmpty()) {
            lines.add(state.opened().size() + " joints opened: " + String.join(", ",
                    state.opened().stream().map(id -> name(instrument, id)).toList()) + ".");
            lines.add(state.references().size() + " references marked before they were lost.");
        }
        for (TicketEvent.PartCleaned c : state.cleaned()) {
            lines.add("Cleaned " + instrument.part(c.part()).map(p -> p.name()).orElse(c.part()) + " of " + c.soil() + " with "
                    + c.agent() + (c.gone() ? ": gone." : ": some is left."));
        }
        for (Joint j : instrument.joints()) {
            state.greased(j.id()).ifPresent(g -> lines.add(String.format(
                    Locale.ROOT, "Greased the %s: %.0f mg of %s.", j.name(), g.massMg(), g.grease())));
            j.close().test().filter(t -> state.tested(j.id())).ifPresent(t -> lines.add("Test passed: " + t + "."));
        }
        if (!state.shims().isEmpty()) {
            lines.add("Shims fitted: " + String.join(" + ",
                    state.shims().stream().map(s -> String.format(Locale.ROOT, "%.2f", s)).toList()) + " mm.");
        }
        lines.add("Parts ledger: " + Ledger.of(state, instrument).say() + (state.done(Stage.CLOSE) ? ", closed." : "."));
        return lines;
    }

    private static String name(Instrument instrument, String joint) {
        return instrument.joint(joint).map(Joint::name).orElse(joint);
    }
}

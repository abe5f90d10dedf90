package stillglass.app.bench;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import stillglass.app.axis.AxisModel;
import stillglass.app.close.CloseModel;
import stillglass.app.desk.Work;
import stillglass.app.open.GlassForm;
import stillglass.app.open.OpenModel;
import stillglass.app.theme.Words;
import stillglass.assembly.ClockPosition;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.assembly.ScrewLayout;
import stillglass.plan.StuckLadder;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.course.CourseIntent;
import stillglass.ticket.facts.Facing;
import stillglass.ticket.facts.LetGo;
import stillglass.ticket.facts.Mark;
import stillglass.ticket.facts.Screw;
import stillglass.ticket.facts.Stuck;
import stillglass.ticket.joints.JointEvent;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.joints.Trouble;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Intent;
import stillglass.ticket.story.Stage;

/// One step, huge.
///
/// @param head stage and step
/// @param sentence what to do
/// @param with tool and side
/// @param warning what must happen first, empty when nothing must
/// @param how the detail of the warning
/// @param place the instrument with the place of the step
/// @param picture the joint itself, where there is more to see of it
/// @param recall what the record says, for the picture's caption
/// @param tray what lies nearest on the mat
/// @param done intent of the first key, empty when there is nothing to do
/// @param mark intent of the third key
/// @param camera whether the third key takes a photo instead: of the step while opening, to compare while closing
/// @param troubles what can have gone wrong, for the fourth key
public record BenchModel(
        String head,
        String sentence,
        String with,
        String warning,
        String how,
        AxisModel place,
        Picture picture,
        String recall,
        List<String> tray,
        Optional<Intent> done,
        Optional<Intent> mark,
        boolean camera,
        List<WentWrong> troubles) {

    /// What is drawn: a ring that turns, screws at their holes, a glass as it lies, or just a part.
    public sealed interface Picture {
        /// @param anticlockwise which way it is turned
        /// @param at where it let go, if that is on record
        record Turn(boolean anticlockwise, Optional<ClockPosition> at) implements Picture {}

        /// @param at where they lie to one another
        /// @param lengths length at each hole
        record Screws(ScrewLayout at, List<String> lengths) implements Picture {
            public Screws {
                lengths = List.copyOf(lengths);
            }
        }

        /// @param front bulge of the face that was the front, share of the height
        /// @param known whether its facing is to be shown; while it is asked for, it is not
        record Glass(double front, double rear, boolean known) implements Picture {}

        /// A part that does not turn, with the position that was noted of it: of a collar, a lever, a mark.
        record Standing(ClockPosition at) implements Picture {}

        /// Nothing that the place does not show.
        record Plain() implements Picture {}
    }

    /// @param say what went wrong, in a word or two
    /// @param then what is done about it
    /// @param act what choosing it records
    public record WentWrong(String say, String then, Act act) {}

    public BenchModel {
        tray = List.copyOf(tray);
        troubles = List.copyOf(troubles);
    }

    /// @param now from which a wait is counted
    public static BenchModel of(Work work, Instant now) {
        return work.stage() == Stage.CLOSE ? close(work, now) : open(work, now);
    }

    private static BenchModel open(Work work, Instant now) {
        OpenModel m = OpenModel.of(work);
        if (m.now().isEmpty()) {
            return m.expect().map(x -> expected(x, m, work)).orElseGet(() -> rest(Words.of("bench.open"), m.say().sentence(), work));
        }
        OpenModel.Now n = m.now().get();
        Joint j = n.joint();
        Optional<Instrument.Reference> ref = n.marks().stream().findFirst();
        String warning = ref.map(r -> Words.of("bench.mark", r.name())).orElse(n.cautions().isEmpty() ? "" : n.cautions().getFirst());
        String how = ref.map(r -> r.how() + ".").or(() -> n.soak().map(s -> Words.of("bench.soak", s.minutes()))).orElse(n.lookAlikes().isEmpty() ? "" : n.lookAlikes().getFirst());
        return new BenchModel(Words.of("bench.step", Words.of("bench.open"), n.number(), n.of()), n.doing(), n.tool(), warning, how,
                AxisModel.of(work), picture(j, work, true), m.record().map(BenchModel::recorded).orElse(""), tray(work),
                Optional.of(new JointIntent.Open(j.id(), false)),
                ref.map(r -> (Intent) new JointIntent.KeepReference(r.id(), r.how(), Optional.empty())).or(() -> n.soak().map(s -> (Intent) s.begin(now))),
                ref.isEmpty() && n.soak().isEmpty(), troubles(j, work, now));
    }

    /// What the construction lets expect. A mark that must be made first is one made by hand, its place said later or never.
    private static BenchModel expected(OpenModel.Expect x, OpenModel m, Work work) {
        Optional<Instrument.Reference> ref = x.marks().stream().findFirst();
        String warning = ref.map(r -> Words.of("bench.mark", r.name())).orElse(x.cautions().isEmpty() ? x.variant().map(v -> Words.of("open.expect.variant", v)).orElse("") : x.cautions().getFirst());
        WentWrong missing = new WentWrong(Words.of("trouble.missing"), Words.of("trouble.missing.then"), Act.of(new CourseIntent.MissExpected(x.joint())));
        return new BenchModel(Words.of("bench.open"), Words.of("open.expect", Words.capital(x.name())), x.how(), warning, ref.map(r -> r.how() + ".").orElse(""), AxisModel.of(work), new Picture.Plain(),
                m.record().map(BenchModel::recorded).orElse(""), tray(work), Optional.of(x.asExpected()).filter(a -> ref.isEmpty()),
                ref.map(r -> new JointIntent.Mark(new Mark(r.name(), Optional.empty()), Optional.empty())), ref.isEmpty(), List.of(missing));
    }

    /// What is on record of the joint in hand, which may be the one that just came off.
    private static String recorded(OpenModel.Record r) {
        String said = r.noted().isEmpty() ? r.expects() : String.join(" · ", r.noted());
        return r.off() ? Words.of("bench.recorded", Words.capital(r.name()), said) : said;
    }

    private static BenchModel close(Work work, Instant now) {
        CloseModel m = CloseModel.of(work);
        if (m.due().isPresent()) {
            CloseModel.Test t = m.due().get();
            return new BenchModel(Words.of("bench.close"), Words.of("bench.test", t.test()), "", "", "", AxisModel.of(work), new Picture.Plain(), "", tray(work),
                    Optional.of(new JointIntent.Test(t.joint(), t.test(), true, "")), Optional.empty(), false, List.of());
        }
        if (m.now().isEmpty()) {
            return rest(Words.of("bench.close"), m.say().sentence(), work);
        }
        CloseModel.Now n = m.now().get();
        Joint j = n.joint();
        Optional<CloseModel.Stated> wrong = n.stated().stream().filter(s -> !s.matches()).reduce((a, b) -> b);
        String warning = !n.questions().isEmpty() ? n.questions().getFirst() : n.toSet().isPresent() ? Words.of("bench.set", n.toSet().get()) : n.dose().map(d -> d.milligrams().map(mg -> Words.of("close.dose", mg)).orElse(Words.of("close.dose.some"))).orElse(n.before().isEmpty() ? "" : n.before().getFirst());
        String how = wrong.map(CloseModel.Stated::verdict).orElse(n.dose().map(CloseModel.Dose::how).orElse(""));
        Optional<Intent> mark = n.questions().isEmpty()
                ? n.toSet().map(p -> (Intent) new JointIntent.SetControls(j.id())).or(() -> n.dose().map(d -> (Intent) new JointIntent.Grease(j.id(), d.milligrams(), Words.of("grease.usual"))))
                : n.facing().map(p -> (Intent) new JointIntent.State(j.id(), new Facing(p, true)));
        Optional<CloseModel.Stated> photo = n.stated().stream().filter(CloseModel.Stated::ofPhoto).reduce((a, b) -> b);
        String recall = photo.map(CloseModel.Stated::verdict).or(n::greased).orElse(n.photo() ? Words.of("bench.photo") : "");
        // The number under which it lies on the mat.
        int cell = work.state().joints().order().indexOf(j.id()) + 1;
        String with = cell > 0 && !j.frees().isEmpty() ? Words.of("bench.cell", n.tool(), cell) : n.tool();
        return new BenchModel(Words.of("bench.step", Words.of("bench.close"), n.number(), n.of()), n.doing(), with, warning, how,
                AxisModel.of(work), picture(j, work, false), recall, tray(work), Optional.of(n.act()), mark, mark.isEmpty() && n.photo(), troubles(j, work, now));
    }

    private static BenchModel rest(String head, String sentence, Work work) {
        return new BenchModel(head, sentence, "", "", "", AxisModel.of(work), new Picture.Plain(), "", tray(work), Optional.empty(), Optional.empty(), false, List.of());
    }

    private static Picture picture(Joint j, Work work, boolean opening) {
        return switch (j.hold()) {
            case Hold.Thread t -> new Picture.Turn(opening, letGo(j, work));
            case Hold.RetainingRing r -> new Picture.Turn(opening, letGo(j, work));
            case Hold.Screws s -> new Picture.Screws(ScrewLayout.of(work.instrument(), s),
                    s.holes().stream().map(h -> length(h, j, work)).toList());
            case Hold.Seat s -> glass(j, work, opening).orElse(standing(j, work));
            case Hold.SetScrews s -> new Picture.Turn(opening, Optional.empty());
            case Hold.Press p -> standing(j, work);
            case Hold.Hook h -> standing(j, work);
            case Hold.Noted n -> standing(j, work);
            case Hold.Glue g -> standing(j, work);
            case Hold.Bayonet b -> new Picture.Turn(opening, letGo(j, work));
            case Hold.Snap s -> standing(j, work);
            case Hold.Cement c -> standing(j, work);
            case Hold.Solder s -> standing(j, work);
            case Hold.Connector c -> standing(j, work);
        };
    }

    private static Optional<ClockPosition> letGo(Joint j, Work work) {
        return work.state().joints().facts(j.id()).stream().filter(LetGo.class::isInstance).map(f -> ((LetGo) f).at()).reduce((a, b) -> b);
    }

    /// What the record says of where it stood: a collar, the last move of a dance, or a mark that was made for it.
    private static Picture standing(Joint j, Work work) {
        Optional<ClockPosition> noted = work.state().joints().facts(j.id()).stream().flatMap(f -> f.stands().stream()).reduce((a, b) -> b);
        return noted.or(() -> j.loses().stream().sorted().flatMap(r -> Optional.ofNullable(work.state().joints().references().get(r)).flatMap(JointEvent.ReferenceKept::at).stream()).findFirst())
                .<Picture>map(Picture.Standing::new)
                .orElse(new Picture.Plain());
    }

    private static String length(Joint.ScrewHole h, Joint j, Work work) {
        return work.state().joints().facts(j.id()).stream().filter(f -> f instanceof Screw s && s.cell().equals(h.cell())).flatMap(f -> ((Screw) f).lengthMm().stream())
                .map(Words::number).findFirst().orElse(h.cell());
    }

    private static Optional<Picture> glass(Joint j, Work work, boolean opening) {
        return work.section().flatMap(section -> j.frees().stream().flatMap(p -> work.instrument().part(p).stream()).flatMap(p -> p.element().stream())
                .flatMap(e -> section.element(e).stream()).findFirst()
                .map(e -> GlassForm.of(section, e))
                .map(form -> new Picture.Glass(form.front(), form.rear(), opening)));
    }

    /// What can have gone wrong at a joint, the next try on a stuck one first.
    private static List<WentWrong> troubles(Joint j, Work work, Instant now) {
        List<WentWrong> out = new ArrayList<>();
        if (work.stage() != Stage.CLOSE) {
            out.add(stuck(j, work, now));
        }
        out.add(new WentWrong(Words.of("trouble.fell"), Words.of("trouble.fell.then"), Act.of(new JointIntent.Report(j.id(), Trouble.DROPPED, ""))));
        out.add(new WentWrong(Words.of("trouble.broke"), Words.of("trouble.broke.then"), Act.of(new JointIntent.Report(j.id(), Trouble.BROKEN, ""))));
        if (work.stage() != Stage.CLOSE) {
            out.add(new WentWrong(Words.of("trouble.other"), Words.of("trouble.other.then"), Act.of(new JointIntent.Report(j.id(), Trouble.NOT_AS_DRAWN, ""))));
        }
        return out;
    }

    private static WentWrong stuck(Joint j, Work work, Instant now) {
        int tried = (int) work.state().joints().facts(j.id()).stream().filter(Stuck.class::isInstance).count();
        return work.stuck(j).next(tried)
                .map(r -> new WentWrong(Words.of("trouble.stuck"), Words.of("trouble.stuck.then", Words.capital(r.means()), Words.say(r.why())), tries(j, r, now)))
                .orElseGet(() -> new WentWrong(Words.of("trouble.stuck"), Words.of("trouble.stuck.stop"),
                        Act.of(new JointIntent.Report(j.id(), Trouble.BROKEN, Words.of("trouble.stuck.left")))));
    }

    /// What is tried next on a stuck joint, with the clock of its wait.
    private static Act tries(Joint j, StuckLadder.Rung rung, Instant now) {
        Stuck stuck = new Stuck(Optional.of(rung.means()), rung.waitMinutes() > 0 ? Optional.of(rung.waitMinutes()) : Optional.empty());
        List<Intent> intents = new ArrayList<>(List.of(new JointIntent.Note(j.id(), List.of(stuck))));
        stuck.waits(j.name()).ifPresent(w -> intents.add(new CareEvent.TimerSet("soak-" + j.id(), w.label(), now.plusSeconds(Math.round(60 * w.minutes())))));
        return new Act(intents);
    }

    private static List<String> tray(Work work) {
        List<String> names = new ArrayList<>();
        for (String id : work.state().joints().order().reversed()) {
            if (work.state().joints().openNow().contains(id) && names.size() < 7) {
                work.instrument().joint(id).stream().flatMap(j -> j.frees().stream()).flatMap(p -> work.instrument().part(p).stream())
                        .map(Part::name).forEach(names::add);
            }
        }
        return names;
    }
}

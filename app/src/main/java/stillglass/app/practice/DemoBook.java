package stillglass.app.practice;

import java.nio.file.Path;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import stillglass.app.desk.Desk;
import stillglass.app.desk.PhotoTaking;
import stillglass.app.desk.Work;
import stillglass.assembly.Joint;
import stillglass.book.log.Logbook;
import stillglass.book.data.Shelf;
import stillglass.grade.OwnersUse;
import stillglass.look.Progress;
import stillglass.sim.Bench;
import stillglass.sim.Deed;
import stillglass.sim.DemoScript;
import stillglass.sim.DemoTickets;
import stillglass.sim.VirtualDepth;
import stillglass.sim.VirtualDevices;
import stillglass.ticket.Assessment;
import stillglass.ticket.Recommendation;
import stillglass.ticket.course.CourseIntent;
import stillglass.ticket.glass.GlassEvent;
import stillglass.ticket.glass.GlassIntent;
import stillglass.ticket.story.Act;
import stillglass.app.theme.Words;
import stillglass.book.say.Begun;
import stillglass.optics.LensSection;
import stillglass.optics.sharpness.AssemblyEffect;
import stillglass.ticket.arrival.ArrivalIntent;
import stillglass.ticket.arrival.Tag;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Intent;
import stillglass.ticket.story.Stage;
import stillglass.ticket.words.InHand;
import stillglass.ticket.words.Reading;
import stillglass.ticket.words.SayLine;
import stillglass.ticket.words.Setting;
import stillglass.ticket.words.Vocabulary;

/// Carries out the demo stories on a desk, act by act, exactly as a technician's hands would.
public final class DemoBook {
    /// Number of the ticket that is told to the middle of a stage.
    public static final String SHOWPIECE = DemoTickets.SHOWPIECE;

    private DemoBook() {}

    /// Tells the showpiece to the middle of a stage; two more tickets have just arrived.
    public static void write(Desk desk, Stage middleOf) {
        DemoTickets.told().reversed().forEach(t -> tell(desk, t));
        List<DemoTickets.Arrival> arrivals = DemoTickets.arrivals();
        for (DemoTickets.Arrival a : arrivals.reversed()) {
            arrive(desk, a.number());
        }
        for (Stage stage : Stage.values()) {
            if (stage.ordinal() > middleOf.ordinal()) {
                break;
            }
            List<Deed> acts = acts(desk, stage);
            // The stage in question is left half way, so that there is something to do.
            int many = stage == middleOf ? (acts.size() - 1) / 2 : acts.size();
            acts.subList(0, many).forEach(deed -> perform(desk, deed));
        }
    }

    /// Lets one ticket of the demo arrive.
    /// @throws IllegalArgumentException for a number that is not in the demo
    public static void arrive(Desk desk, String number) {
        DemoTickets.Arrival a = DemoTickets.arrivals().stream().filter(t -> t.number().equals(number)).findFirst()
                .orElseThrow(() -> new IllegalArgumentException("there is no demo ticket " + number));
        LocalDate today = desk.clock().instant().atZone(ZoneId.systemDefault()).toLocalDate();
        DemoScript.arrive(a, today, desk.shelf().section(a.sectionId()), desk.shelf().instrument(a.instrumentId()).sort()).forEach(deed -> perform(desk, deed));
    }

    /// Tells a ticket that starts from nothing, line by line as it would be typed.
    /// @throws IllegalStateException when a line is not taken: the story would not be true any more
    private static void tell(Desk desk, DemoTickets.Told t) {
        LocalDate today = desk.clock().instant().atZone(ZoneId.systemDefault()).toLocalDate();
        Tag bare = Begun.byName(t.number(), t.title(), t.sort());
        Tag tag = new Tag(bare.number(), bare.title(), bare.instrumentId(), bare.sort(), Optional.empty(), Optional.of(t.owner()), Optional.of(today.plusDays(t.dueInDays())));
        check(await(desk.begin(Begun.act(tag, t.symptoms()))));
        for (String line : t.lines()) {
            Work w = shown(desk);
            Setting setting = new Setting(w.state(), w.world(), Vocabulary.of(w.world().instrument()), Stage.OPEN, InHand.of(w.state(), w.world(), Stage.OPEN, Optional.empty()), Optional.empty(),
                    desk.clock().instant());
            if (!(SayLine.read(line, setting) instanceof Reading.Understood u)) {
                throw new IllegalStateException("“" + line + "” is no line of this story");
            }
            check(await(desk.submit(u.act())));
        }
    }

    /// Opens the book, writes the stories, closes it.
    public static void prepare(Path file, InstantSource clock, Stage middleOf) {
        try (ExecutorService stage = Executors.newSingleThreadExecutor();
                Desk desk = new Desk(Logbook.open(file), new Shelf(), clock, stage)) {
            write(desk, middleOf);
        }
    }

    /// Deeds of a stage for the ticket that is open.
    public static List<Deed> acts(Desk desk, Stage stage) {
        Work w = shown(desk);
        return DemoScript.stage(stage, w.state(), section(w), w.instrument(), w.care(), desk.clock().instant());
    }

    private static Work shown(Desk desk) {
        return desk.shown().orElseThrow(() -> new IllegalStateException("no ticket is open"));
    }

    private static LensSection section(Work w) {
        return w.section().orElseThrow(() -> new IllegalStateException("a demo ticket has no section"));
    }

    private static Recommendation recommend(Desk desk, Work w) {
        List<Assessment> all = w.state().glass().findings().stream()
                .map(k -> Assessment.of(k, false, desk.shelf().footprints(w.state().tag().sectionId().orElseThrow()), w.instrument(), w.rules(), OwnersUse.of(w.state().arrival().use()), Progress.SILENT))
                .toList();
        return Recommendation.of(w.state(), all, AssemblyEffect.found(section(w), w.state().glass().assembly()), w.section(), w.instrument());
    }

    /// Carries out one act and waits for it.
    /// @throws IllegalStateException when the act was refused: the story would not be true any more
    public static void perform(Desk desk, Deed deed) {
        switch (deed) {
            case Deed.Do d -> submit(desk, d.act());
            case Deed.Shoot s -> {
                Work w = shown(desk);
                check(await(PhotoTaking.take(desk, w, VirtualDevices.camera(w.state(), section(w), w.instrument(), s.seed()),
                        s.phase(), false, s.caption(), Progress.SILENT)));
            }
            case Deed.PhotographStep s -> {
                Work w = shown(desk);
                Joint joint = w.instrument().joint(s.joint()).orElseThrow();
                check(await(PhotoTaking.ofStep(desk, w, joint, VirtualDevices.overJoint(w.state(), joint), Progress.SILENT)));
                String photo = shown(desk).state().glass().all().getLast().id();
                for (int i = 0; i < s.marks().size(); i++) {
                    submit(desk, new GlassEvent.PhotoMarked(photo, i, s.marks().get(i)));
                }
            }
            case Deed.MeasureDepths d -> {
                Work w = shown(desk);
                w.state().glass().findings().forEach(k -> Bench.faults(w.state(), section(w)).stream()
                        .filter(f -> f.kind() == k.finding().kind())
                        .findFirst()
                        .ifPresent(f -> submit(desk, new GlassIntent.ReadDepth(k.id(), VirtualDepth.focus(section(w), f, k.id().hashCode())))));
            }
            case Deed.PlaceFindings p -> {
                Work w = shown(desk);
                w.state().glass().findings().forEach(k -> Bench.faults(w.state(), section(w)).stream()
                        .filter(f -> f.kind() == k.finding().kind())
                        .findFirst()
                        .ifPresent(f -> submit(desk, new GlassIntent.Place(k.id(), f.surface()))));
            }
            case Deed.TakeAdvice t -> submit(desk, new CourseIntent.ChooseGoals(recommend(desk, shown(desk)).goals()));
        }
    }

    private static void submit(Desk desk, Intent intent) {
        submit(desk, Act.of(intent));
    }

    private static void submit(Desk desk, Act act) {
        check(await(act.intents().getFirst() instanceof ArrivalIntent.Begin ? desk.begin(act) : desk.submit(act)));
    }

    private static void check(Decision decision) {
        if (decision instanceof Decision.Refused r) {
            throw new IllegalStateException("the demo story was refused: " + Words.say(r.why()));
        }
    }

    private static <T> T await(CompletableFuture<T> future) {
        return future.orTimeout(120, TimeUnit.SECONDS).join();
    }
}

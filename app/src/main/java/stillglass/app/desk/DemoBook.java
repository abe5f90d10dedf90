package stillglass.app.desk;

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
import stillglass.assembly.Joint;
import stillglass.book.Logbook;
import stillglass.book.data.Shelf;
import stillglass.look.Progress;
import stillglass.sim.Act;
import stillglass.sim.Bench;
import stillglass.sim.DemoScript;
import stillglass.sim.DemoTickets;
import stillglass.sim.VirtualDepth;
import stillglass.sim.VirtualDevices;
import stillglass.ticket.Assessment;
import stillglass.ticket.Decision;
import stillglass.ticket.Intent;
import stillglass.ticket.Recommendation;
import stillglass.ticket.Stage;
import stillglass.ticket.TicketEvent;

/// Carries out the demo stories on a desk, act by act, exactly as a technician's hands would.
public final class DemoBook {
    private DemoBook() {}

    /// Tells the showpiece to the middle of a stage; two more tickets have just arrived.
    public static void write(Desk desk, Stage middleOf) {
        List<DemoTickets.Arrival> arrivals = DemoTickets.arrivals();
        for (DemoTickets.Arrival a : arrivals.reversed()) {
            arrive(desk, a.number());
        }
        for (Stage stage : Stage.values()) {
            if (stage.ordinal() > middleOf.ordinal()) {
                break;
            }
            List<Act> acts = acts(desk, stage);
            // The stage in question is left half way, so that there is something to do.
            int many = stage == middleOf ? (acts.size() - 1) / 2 : acts.size();
            acts.subList(0, many).forEach(act -> perform(desk, act));
        }
    }

    /// Lets one ticket of the demo arrive.
    /// @throws IllegalArgumentException for a number that is not in the demo
    public static void arrive(Desk desk, String number) {
        DemoTickets.Arrival a = DemoTickets.arrivals().stream().filter(t -> t.number().equals(number)).findFirst()
                .orElseThrow(() -> new IllegalArgumentException("there is no demo ticket " + number));
        LocalDate today = desk.clock().instant().atZone(ZoneId.systemDefault()).toLocalDate();
        DemoScript.arrive(a, today, desk.shelf().section(a.sectionId())).forEach(act -> perform(desk, act));
    }

    /// Opens the book, writes the stories, closes it.
    public static void prepare(Path file, InstantSource clock, Stage middleOf) {
        try (ExecutorService stage = Executors.newSingleThreadExecutor();
                Desk desk = new Desk(Logbook.open(file), new Shelf(), clock, stage)) {
            write(desk, middleOf);
        }
    }

    /// Acts of a stage for the ticket that is open.
    public static List<Act> acts(Desk desk, Stage stage) {
        Work w = shown(desk);
        return DemoScript.stage(stage, w.state(), w.section(), w.instrument(), w.care(), advice(desk, w), desk.clock().instant());
    }

    private static Work shown(Desk desk) {
        return desk.shown().orElseThrow(() -> new IllegalStateException("no ticket is open"));
    }

    private static Optional<Recommendation> advice(Desk desk, Work w) {
        return w.state().findings().isEmpty() ? Optional.empty() : Optional.of(recommend(desk, w));
    }

    private static Recommendation recommend(Desk desk, Work w) {
        List<Assessment> all = w.state().findings().stream()
                .map(k -> Assessment.of(k, false, desk.shelf().footprints(w.state().tag().sectionId()), w.instrument(), w.rules(), Progress.SILENT))
                .toList();
        return Recommendation.of(w.state(), all, stillglass.optics.sharpness.AssemblyEffect.found(w.section(), w.state().assembly()), w.section(), w.instrument());
    }

    /// Carries out one act and waits for it.
    /// @throws IllegalStateException when the act was refused: the story would not be true any more
    public static void perform(Desk desk, Act act) {
        switch (act) {
            case Act.Do d -> submit(desk, d.intent());
            case Act.Shoot s -> {
                Work w = shown(desk);
                check(await(PhotoTaking.take(desk, w, VirtualDevices.camera(w.state(), w.section(), w.instrument(), s.seed()),
                        s.phase(), false, s.caption(), Progress.SILENT)));
            }
            case Act.PhotographStep s -> {
                Work w = shown(desk);
                Joint joint = w.instrument().joint(s.joint()).orElseThrow();
                check(await(PhotoTaking.ofStep(desk, w, joint, VirtualDevices.overJoint(w.state(), joint))));
                String photo = shown(desk).state().photos().getLast().kept().photoId();
                for (int i = 0; i < s.marks().size(); i++) {
                    submit(desk, new Intent.Keep(new TicketEvent.PhotoMarked(photo, i, s.marks().get(i))));
                }
            }
            case Act.MeasureDepths d -> {
                Work w = shown(desk);
                w.state().findings().forEach(k -> Bench.faults(w.state(), w.section()).stream()
                        .filter(f -> f.kind() == k.finding().kind())
                        .findFirst()
                        .ifPresent(f -> submit(desk, new Intent.ReadDepth(k.id(), VirtualDepth.focus(w.section(), f, k.id().hashCode())))));
            }
            case Act.PlaceFindings p -> {
                Work w = shown(desk);
                w.state().findings().forEach(k -> Bench.faults(w.state(), w.section()).stream()
                        .filter(f -> f.kind() == k.finding().kind())
                        .findFirst()
                        .ifPresent(f -> submit(desk, new Intent.Place(k.id(), f.surface()))));
            }
            case Act.TakeAdvice t -> submit(desk, new Intent.ChooseGoals(recommend(desk, shown(desk)).goals()));
        }
    }

    private static void submit(Desk desk, Intent intent) {
        check(await(intent instanceof Intent.Begin b ? desk.begin(b) : desk.submit(intent)));
    }

    private static void check(Decision decision) {
        if (decision instanceof Decision.Refused r) {
            throw new IllegalStateException("the demo story was refused: " + r.why());
        }
    }

    private static <T> T await(CompletableFuture<T> future) {
        return future.orTimeout(120, TimeUnit.SECONDS).join();
    }
}

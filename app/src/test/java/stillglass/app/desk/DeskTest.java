package stillglass.app.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import stillglass.app.practice.DemoBook;
import stillglass.app.theme.Words;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.assembly.Side;
import stillglass.book.data.Shelf;
import stillglass.book.log.Logbook;
import stillglass.book.say.Begun;
import stillglass.device.PhotoCamera;
import stillglass.device.Source;
import stillglass.look.Lighting;
import stillglass.look.Progress;
import stillglass.plan.alike.AlikeModel;
import stillglass.sim.truth.HiddenTruth;
import stillglass.sim.photo.InspectionCamera;
import stillglass.sim.photo.Pose;
import stillglass.ticket.TicketState;
import stillglass.ticket.arrival.ArrivalEvent;
import stillglass.ticket.course.CourseIntent;
import stillglass.ticket.glass.GlassEvent;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.proof.ProofIntent;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Stage;
import stillglass.ticket.story.Undo;

class DeskTest extends DeskBench {
    @Test
    void whatIsShownIsStoredAlready() throws Exception {
        List<Integer> stored = Collections.synchronizedList(new ArrayList<>());
        Logbook other = Logbook.open(folder.resolve("book.sqlite"));
        desk.watch(w -> stored.add(other.story("T-1", 0).rows().size() - w.state().arrival().symptoms().size()));
        for (int i = 0; i < 5; i++) {
            get(desk.submit(new ArrivalEvent.SymptomNoted("s" + i)));
        }
        settle();
        other.close();

        // The tag and at least as many symptoms as were shown.
        assertThat(stored).isNotEmpty().allSatisfy(n -> assertThat(n).isGreaterThanOrEqualTo(1));
    }

    @Test
    void whatOneJobFoundTheNextOneOnThatModelIsPlannedFrom() throws Exception {
        begin("T-21", "moraine_31_f35");
        assertThat(settle().mapped()).isFalse();
        for (String name : List.of("name ring", "front cell", "E1")) {
            assertThat(get(desk.submit(new JointIntent.Find(name, Optional.of("thread"), Side.FRONT, Optional.of("friction cup"), List.of(), true)))).isInstanceOf(Decision.Accepted.class);
        }
        Work first = settle();
        assertThat(first.mapped()).as("what this job finds itself is no map yet").isFalse();
        assertThat(first.state().joints().inHand()).contains("e1");

        begin("T-22", "moraine_31_f35");
        assertThat(settle().mapped()).isTrue();
        get(desk.submit(new CourseIntent.ChooseGoals(List.of("E1"))));
        assertThat(settle().nextToOpen()).map(Joint::id).contains("name-ring");
        assertThat(settle().computed().plan().orElseThrow().joints()).hasSize(3);

        get(desk.open("T-21"));
        assertThat(settle().mapped()).isFalse();
    }

    @Test
    void aRefusalIsSaidAndChangesNothing() throws Exception {
        Decision d = get(desk.submit(new ProofIntent.Sign("", Told.WHEN, Optional.empty())));

        assertThat(d).isInstanceOf(Decision.Refused.class);
        assertThat(complaints).singleElement().asString().contains("Sign with a name");
        assertThat(settle().state().proof().signed(settle().state().joints())).isEmpty();
    }

    @Test
    void intentsAreDecidedInTheOrderTheyWereSent() throws Exception {
        for (int i = 0; i < 30; i++) {
            desk.submit(new ArrivalEvent.SymptomNoted("s" + i));
        }
        List<String> symptoms = settle().state().arrival().symptoms();

        assertThat(symptoms).hasSize(30);
        assertThat(symptoms.getLast()).isEqualTo("s29");
    }

    @Test
    void aTicketOpensWhereItsWorkStands() throws Exception {
        get(desk.submit(new GlassEvent.PhotoKept("p1", Phase.BEFORE, false, "", Source.FILE)));
        begin("T-2", "moraine_31_f35");
        get(desk.open("T-1"));
        Work w = settle();

        assertThat(w.state().tag().number()).isEqualTo("T-1");
        assertThat(w.stage()).isEqualTo(Stage.LOOK);
    }

    @Test
    void theListingCountsOn() throws Exception {
        begin("T-0142", "moraine_31_f35");
        assertThat(get(desk.list("", 0, 10))).extracting(l -> l.card().number()).containsExactly("T-1", "T-0142");
        assertThat(get(desk.list("tarn club", 0, 10))).hasSize(2);
        assertThat(get(desk.summary(1)).due()).hasSize(1);
        get(desk.beginNext(n -> Begun.act(Begun.byName(n, "Brook 35 mm", Instrument.Sort.ZOOM), List.of("stiff"))));
        assertThat(settle().state().tag()).satisfies(t -> assertThat(t.number()).isEqualTo("T-0143")).satisfies(t -> assertThat(t.owner()).isEmpty());
    }

    @Test
    void aSectionFromAFileIsThereAfterARestart() throws Exception {
        String json;
        try (var in = Shelf.class.getResourceAsStream("/stillglass/book/lenses/sedge_75_f45.json")) {
            json = new String(in.readAllBytes(), java.nio.charset.StandardCharsets.UTF_8).replace("Sedge", "Somebody's");
        }
        String id = get(desk.keepSection("mine.json", json));
        begin("T-5", id);
        desk.close();
        desk = new Desk(Logbook.open(folder.resolve("book.sqlite")), new Shelf(), InstantSource.fixed(Told.WHEN), ui);
        get(desk.open("T-5"));

        assertThat(settle().section().orElseThrow().name()).contains("Somebody's");
    }

    @Test
    void aBadSectionIsComplainedAboutWithItsField() throws Exception {
        assertThat(desk.keepSection("bad.json", "{\"name\": 3}").handle((ok, wrong) -> wrong != null).get(20, TimeUnit.SECONDS)).isTrue();
        settle();

        assertThat(complaints).singleElement().asString().startsWith("bad.json: ");
    }

    @Test
    void aPhotoThatCannotBeReadLeavesTheTicketAsItWas() throws Exception {
        PhotoCamera torn = () -> new PhotoCamera.Picture("torn.png", new byte[] {1, 2, 3}, Source.FILE);
        PhotoTaking.take(desk, settle(), torn, Phase.BEFORE, false, "", Progress.SILENT).handle((d, wrong) -> wrong).get(20, TimeUnit.SECONDS);
        Work w = settle();

        assertThat(w.state().glass().all()).isEmpty();
        assertThat(complaints).singleElement().asString().contains("torn.png").contains("no PNG, JPEG or TIFF");
    }

    @Test
    void gradingCanBeStoppedAndNothingIsKept() throws Exception {
        Work w = settle();
        Progress stop = (share, doing) -> {
            throw new java.util.concurrent.CancellationException();
        };
        PhotoTaking.take(desk, w, stillglass.sim.VirtualDevices.camera(w.state(), w.section().orElseThrow(), w.instrument(), 3L), Phase.BEFORE, false, "", stop)
                .handle((d, wrong) -> wrong).get(20, TimeUnit.SECONDS);

        assertThat(settle().state().glass().all()).isEmpty();
        assertThat(complaints).containsExactly("Stopped; nothing was changed.");
    }

    /// Whoever looks at another job meanwhile gets the photo where it was taken.
    @Test
    void aPhotoGradedWhileAnotherTicketIsOpenedLandsInItsOwn() throws Exception {
        begin("T-2", "fell_52_f2");
        get(desk.open("T-1"));
        Work w = settle();
        PhotoCamera camera = stillglass.sim.VirtualDevices.camera(w.state(), w.section().orElseThrow(), w.instrument(), 3L);
        CompletableFuture<?> taking = PhotoTaking.take(desk, w, camera, Phase.BEFORE, false, "", Progress.SILENT);
        get(desk.open("T-2"));
        get(taking);

        assertThat(settle().state().tag().number()).isEqualTo("T-2");
        assertThat(settle().state().glass().all()).isEmpty();
        get(desk.open("T-1"));
        assertThat(settle().state().glass().all()).hasSize(1);
    }

    /// Two windows on one book: either sees what the other did, and neither undoes it.
    @Test
    void twoWindowsSeeEachOthersActsWithinASecond() throws Exception {
        Desk other = new Desk(Logbook.open(folder.resolve("book.sqlite")), new Shelf(), InstantSource.fixed(Told.WHEN), ui);
        try {
            get(other.open("T-1"));
            CompletableFuture<Boolean> heard = new CompletableFuture<>();
            desk.watch(w -> {
                if (w.state().arrival().symptoms().contains("seen at the other bench")) {
                    heard.complete(true);
                }
            });
            get(other.submit(new ArrivalEvent.SymptomNoted("seen at the other bench")));
            get(heard);
            assertThat(settle().state().arrival().symptoms()).containsExactly("seen at the other bench");
            assertThat(get(desk.submit(new Undo()))).as("it is not this one's to undo").isInstanceOf(Decision.Refused.class);
            get(desk.submit(new ArrivalEvent.SymptomNoted("seen here")));
            get(other.submit(new Undo()));
            assertThat(get(desk.submit(new ArrivalEvent.SymptomNoted("and again")))).isInstanceOf(Decision.Accepted.class);
            assertThat(settle().state().arrival().symptoms()).as("each undoes its own").containsExactly("seen here", "and again");
        } finally {
            other.close();
        }
    }

    @Test
    void aPhotoCanBeTakenAgainAfterItWasUndone() throws Exception {
        Work w = settle();
        PhotoCamera camera = stillglass.sim.VirtualDevices.camera(w.state(), w.section().orElseThrow(), w.instrument(), 3L);
        get(PhotoTaking.take(desk, w, camera, Phase.BEFORE, false, "", Progress.SILENT));
        get(desk.submit(new Undo()));
        assertThat(settle().state().glass().all()).isEmpty();
        get(PhotoTaking.take(desk, settle(), camera, Phase.BEFORE, false, "", Progress.SILENT));

        assertThat(settle().state().glass().all()).hasSize(1);
        assertThat(complaints).isEmpty();
        assertThat(get(desk.photo("T-1", settle().state().glass().all().getFirst().id()))).isPresent();
    }

    @Test
    void aDeviationIsRecordedAndPlannedFromThere() throws Exception {
        begin("T-3", "fell_52_f2");
        get(desk.submit(new CourseIntent.ChooseGoals(List.of("S2"))));
        int planned = settle().computed().plan().orElseThrow().joints().size();
        get(desk.submit(new JointIntent.Open("e1-retainer", true)));
        Work w = settle();

        assertThat(w.state().joints().story("e1-retainer").offPlan()).isTrue();
        assertThat(w.computed().plan().orElseThrow().joints()).as("one joint less to go").hasSizeLessThan(planned)
                .noneMatch(j -> j.id().equals("e1-retainer"));
    }

    @Test
    void watchersThatLeftAreNotHeard() throws Exception {
        List<Work> heard = Collections.synchronizedList(new ArrayList<>());
        Runnable leave = desk.watch(heard::add);
        leave.run();
        get(desk.submit(new ArrivalEvent.UseNoted("x")));
        settle();

        assertThat(heard).isEmpty();
    }

    @Test
    void settingsAreRemembered() throws Exception {
        desk.remember("text scale", "1.3");

        assertThat(get(desk.setting("text scale"))).contains("1.3");
    }

    @Test
    void theWholeDemoStoryIsAcceptedAndEndsAtZero() {
        Work end = Told.end(Stage.PROVE);

        assertThat(end.ledger().zero()).isTrue();
        assertThat(end.state().proof().signed(end.state().joints())).isPresent();
        assertThat(Stage.values()).allMatch(st -> end.state().done(st));
        assertThat(end.state().course().overruled()).as("nothing in the story needs overruling").isEmpty();
    }

    /// A lens that leaves room for its mount in the picture, the picture drawn anew turned about the middle of the glass.
    private PhotoCamera turned(long seed, double clockwiseDeg) {
        var picture = InspectionCamera.photograph(desk.shelf().section("fell_52_f2"), new HiddenTruth(List.of(), 0),
                new Pose(900, 900, 0.5, 0.5, 0.33, 0, Lighting.AGAINST, seed).mounted(5)).picture();
        BufferedImage out = new BufferedImage(900, 900, BufferedImage.TYPE_INT_RGB);
        var g = out.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
        g.rotate(Math.toRadians(clockwiseDeg), 450, 450);
        g.drawImage(picture, 0, 0, null);
        g.dispose();
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try {
            ImageIO.write(out, "png", bytes);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return () -> new PhotoCamera.Picture(seed + ".png", bytes.toByteArray(), Source.FILE);
    }

    @Test
    void aPhotoAfterTheWorkIsTurnedBackByTheMarksOfTheMount() throws Exception {
        get(PhotoTaking.take(desk, settle(), turned(3, 0), Phase.BEFORE, false, "as received", Progress.SILENT));
        get(PhotoTaking.take(desk, settle(), turned(4, 23), Phase.AFTER, false, "after", Progress.SILENT));
        TicketState s = settle().state();
        String after = s.glass().graded(Phase.AFTER).orElseThrow().kept().photoId();

        assertThat(complaints).isEmpty();
        assertThat(s.glass().turned(after)).hasValueSatisfying(t -> {
            assertThat(t.turnDeg()).isCloseTo(23, within(0.5));
            assertThat(t.against()).isEqualTo(s.glass().graded(Phase.BEFORE).orElseThrow().kept().photoId());
        });
    }

    @Test
    void aToolTheShopLacksIsPlannedAroundAndRemembered() throws Exception {
        begin("T-2", "fell_52_f2");
        get(desk.submit(new CourseIntent.ChooseGoals(List.of("front_cell"))));
        double usual = settle().computed().plan().orElseThrow().minutes();
        get(desk.hasTool("friction cup 44 mm", false));
        Work without = settle();

        assertThat(without.instrument().joint("front-cell-thread").orElseThrow().tool()).isEqualTo("rubber sheet");
        assertThat(without.tools().instead("front-cell-thread")).hasValueSatisfying(l -> assertThat(l.missing()).isEqualTo("friction cup 44 mm"));
        assertThat(without.tools().standIn("friction cup 44 mm")).contains("rubber sheet");
        assertThat(without.computed().plan().orElseThrow().minutes()).isGreaterThan(usual);

        desk.close();
        desk = new Desk(Logbook.open(folder.resolve("book.sqlite")), new Shelf(), InstantSource.fixed(Told.WHEN), ui);
        get(desk.open("T-2"));
        assertThat(settle().tools().has("friction cup 44 mm")).isFalse();
        get(desk.hasTool("friction cup 44 mm", true));
        assertThat(settle().instrument().joint("front-cell-thread").orElseThrow().tool()).isEqualTo("friction cup 44 mm");
    }

    /// Steep glass under a ring: points, whatever the map says; a body has no glass of its own.
    @Test
    void pointsInsteadOfBladesFollowFromTheSection() throws Exception {
        begin("T-2", "shoal_50_f5");
        Work w = settle();
        assertThat(w.instrument().joints()).anySatisfy(j -> assertThat(w.tools().instead(j.id())).hasValueSatisfying(l -> {
            assertThat(Words.say(l.why())).contains("falls away by").contains("at its rim");
            assertThat(l.instead()).contains("spanner, points");
        }));
    }

    @Test
    void aModelOnNoMapStartsFromOneBuiltAlikeAndTheNextTicketDoesToo() throws Exception {
        begin("T-2", "rill_57_f14");
        Work bare = settle();
        AlikeModel alike = bare.computed().alike().orElseThrow();
        assertThat(bare.mapped()).isFalse();
        get(desk.submit(new CourseIntent.StartFrom(alike.known().map().id(), alike.known().map().name(), alike.likeness())));
        get(desk.submit(new CourseIntent.ChooseGoals(List.of("E7"))));
        Work started = settle();

        assertThat(started.mapped()).isTrue();
        assertThat(started.computed().alike()).isEmpty();
        assertThat(started.computed().plan()).isPresent();
        get(desk.submit(new CourseIntent.StartFrom("ostrel_52_f2", "again", 0.8)));
        assertThat(complaints).last().asString().contains("on record already");
        begin("T-3", "rill_57_f14");
        assertThat(settle().mapped()).as("what was begun once is known").isTrue();
        get(desk.open("T-2"));
        get(desk.submit(new Undo()));
        get(desk.submit(new Undo()));
        assertThat(settle().mapped()).isFalse();
    }

    /// A full strip of a hundred joints takes seconds.
    @Test
    void lookingForAWayIsStoppedAndWhatWasFoundBeforeStands() throws Exception {
        DemoBook.arrive(desk, "T-0147");
        get(desk.submit(new CourseIntent.ChooseGoals(List.of("tripod_bush"))));
        Work before = settle();
        get(desk.submit(new CourseIntent.ChooseGoals(before.instrument().parts().stream().map(Part::id).toList())));

        assertThat(ui.submit(desk::stopComputing).get(20, TimeUnit.SECONDS)).isTrue();
        Work stopped = settle();
        assertThat(stopped.computing()).isFalse();
        assertThat(stopped.computed().plan()).isEqualTo(before.computed().plan());
        assertThat(ui.submit(desk::stopComputing).get(20, TimeUnit.SECONDS)).as("nothing is left to be stopped").isFalse();
        get(desk.submit(new CourseIntent.ChooseGoals(List.of("battery"))));
        assertThat(settle().computed().plan().orElseThrow().joints()).hasSize(2);
    }

    @Test
    void aPhotoOfAStepThatIsTornIsRefusedBeforeAnythingIsKept() throws Exception {
        begin("T-2", "fell_52_f2");
        byte[] whole = turned(3, 0).take().bytes();
        PhotoCamera torn = () -> new PhotoCamera.Picture("torn.png", java.util.Arrays.copyOf(whole, whole.length / 3), Source.FILE);
        Work w = settle();
        Joint joint = w.instrument().joint("name-ring").orElseThrow();

        assertThat(PhotoTaking.ofStep(desk, w, joint, torn, Progress.SILENT)).failsWithin(java.time.Duration.ofSeconds(60));
        Work after = settle();
        assertThat(complaints).last().asString().contains("torn.png");
        assertThat(after.state().glass().all()).isEmpty();
        assertThat(after.state().joints().facts("name-ring")).isEmpty();
        get(PhotoTaking.ofStep(desk, after, joint, turned(3, 0), Progress.SILENT));
        assertThat(settle().state().joints().facts("name-ring")).hasSize(1);
        get(desk.submit(new Undo()));
        assertThat(settle().state()).satisfies(s -> {
            assertThat(s.joints().facts("name-ring")).isEmpty();
            assertThat(s.glass().all()).as("one act, one undo").isEmpty();
        });
    }
}

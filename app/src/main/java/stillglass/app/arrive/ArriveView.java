package stillglass.app.arrive;

import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import stillglass.app.checks.CheckList;
import stillglass.app.checks.WetSheet;
import stillglass.app.desk.Asker;
import stillglass.app.desk.Desk;
import stillglass.app.desk.Devices;
import stillglass.app.desk.Say;
import stillglass.app.desk.TypedReading;
import stillglass.app.desk.Work;
import stillglass.app.station.Station;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.ticket.arrival.ArrivalEvent;
import stillglass.ticket.course.CourseIntent;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.story.Intent;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Stage;

/// Three sheets: what it is, what the owner says, what the first check of its functions found.
public final class ArriveView implements Station {

    private final Desk desk;
    private final Label form = Build.label("", "soft");
    private final GridPane facts = new GridPane();
    private final VBox alike = Build.column(4);
    private final FlowPane with = Build.flowing(6);
    private final Label map = Build.label("", "small", "green");
    private final VBox symptoms = Build.column(5);
    private final Label use = Build.label("");
    private final Label infinity = Build.line("", "medium");
    private final Label infinityMeaning = Build.label("", "soft");
    private final BuildChooser builds;
    private final FlowPane opticsRow;
    private final CheckList checks;
    private final VBox atInfinity;
    private final VBox wet = Build.column(0);
    private final ScrollPane wetPage = Build.tall(wet);
    private final TextField infinityField;
    private final HBox node;
    private Optional<ArriveModel> drawn = Optional.empty();

    /// @param measure makes a section of the ticket from what the bench can measure, or guesses one
    public ArriveView(Desk desk, Asker asker, Runnable measure) {
        this.desk = desk;
        checks = new CheckList(desk, Phase.BEFORE);
        facts.setHgap(18);
        facts.setVgap(4);
        Button optics = Build.button(Words.of("arrive.optics"), "", () -> asker.lens().ifPresent(f -> desk.sectionFrom(f).thenAcceptAsync(id -> keep(new ArrivalEvent.SectionKnown(id)), Platform::runLater)), "chip");
        optics.setId("add-optics");
        Button measured = Build.button(Words.of("arrive.optics.measure"), "", measure, "chip");
        measured.setId("measure-optics");
        opticsRow = new FlowPane(6, 4, optics, measured);
        TextField symptom = Build.field(Words.of("arrive.symptom.prompt"), t -> keep(new ArrivalEvent.SymptomNoted(t)));
        symptom.setId("symptom");
        TextField useField = Build.field(Words.of("arrive.use.prompt"), t -> keep(new ArrivalEvent.UseNoted(t)));
        useField.setId("use");
        infinityField = Build.field(Words.of("arrive.infinity.prompt"), this::typedInfinity);
        infinityField.setId("infinity-check");
        TextField ownerField = Build.field(Words.of("arrive.owner.prompt"), t -> keep(new ArrivalEvent.OwnerNamed(t)));
        ownerField.setId("owner");
        builds = new BuildChooser(b -> keep(new CourseIntent.ChooseBuild(b)));
        VBox what = Build.sheet(Words.of("arrive.what"), "", form, facts, opticsRow, Build.tall(builds.node()), ownerField, with, map, alike);
        VBox owner = Build.sheet(Words.of("arrive.owner"), "", symptoms, symptom, Build.spring(),
                Build.line(Words.of("arrive.use"), "subheading"), use, useField);
        Button read = Build.button(Words.of("arrive.read"), "R", this::readCollimator);
        read.setId("read-collimator");
        read.setVisible(desk.devices() != Devices.NONE);
        read.setManaged(read.isVisible());
        infinity.setMinWidth(Region.USE_PREF_SIZE);
        read.setMinWidth(Region.USE_PREF_SIZE);
        Label infinityName = Build.line(Words.of("arrive.infinity"), "subheading");
        infinityName.setMinWidth(Region.USE_PREF_SIZE);
        atInfinity = Build.column(3, Build.flowing(10, infinityName, infinity, grow(infinityField), read), infinityMeaning);
        VBox check = Build.sheet(Words.of("arrive.check"), "",
                wetPage, atInfinity,
                checks.node());
        node = Build.shared(16, List.of(what, owner, check), 1.1, 0.75, 1.45);
        node.getStyleClass().add("station");
    }

    /// Wide enough for its prompt in any size of type.
    private static Node grow(TextField f) {
        f.setPrefColumnCount(6);
        f.setMinWidth(Region.USE_PREF_SIZE);
        return f;
    }

    private Node linked(String ticket) {
        Button b = Build.button(Words.of("arrive.with", ticket), "", () -> desk.open(ticket), "chip");
        b.setId("with-" + ticket);
        return b;
    }

    private void keep(Intent intent) {
        desk.submit(intent);
    }

    /// What is no length stays in the field, to be corrected.
    private void typedInfinity(String text) {
        if (!TypedReading.infinity(desk, Phase.BEFORE, text)) {
            infinityField.setText(text);
        }
    }

    private void startFrom() {
        drawn.flatMap(ArriveModel::alike).ifPresent(a -> desk.submit(a.start()));
    }

    private void readCollimator() {
        desk.shown().ifPresent(w -> desk.devices().collimator(w).ifPresentOrElse(c -> desk.compute(c::read)
                .thenCompose(r -> desk.submit(new ReadingEvent.InfinityMeasured(Phase.BEFORE, r.errorMm(), r.sigmaMm(), desk.devices().source()))), infinityField::requestFocus));
    }

    @Override
    public Stage stage() {
        return Stage.ARRIVE;
    }

    @Override
    public Node node() {
        return node;
    }

    @Override
    public void show(Work work) {
        checks.show(work);
        boolean images = work.instrument().sort().images();
        atInfinity.setVisible(images);
        atInfinity.setManaged(images);
        opticsRow.setVisible(images && work.section().isEmpty());
        opticsRow.setManaged(opticsRow.isVisible());
        ArriveModel m = ArriveModel.of(work);
        if (drawn.filter(m::equals).isPresent()) {
            return;
        }
        drawn = Optional.of(m);
        form.setText(m.form());
        facts.getChildren().clear();
        for (int i = 0; i < m.facts().size(); i++) {
            Label fact = Build.line(m.facts().get(i).name(), "soft");
            fact.setMinWidth(Region.USE_PREF_SIZE);
            facts.add(fact, 0, i);
            facts.add(Build.label(m.facts().get(i).value(), "medium"), 1, i);
        }
        map.setText(m.map());
        map.setVisible(m.alike().isEmpty());
        map.setManaged(m.alike().isEmpty());
        alike.getChildren().clear();
        m.alike().ifPresent(a -> {
            Button start = Build.button(Words.of("arrive.alike.start"), "K", this::startFrom);
            start.setId("start-from");
            Label differences = Build.label(a.differences(), "small", "soft");
            Tooltip.install(differences, new Tooltip(a.all()));
            alike.getChildren().addAll(Build.label(a.say(), "medium"), differences, start);
        });
        builds.show(m.builds(), m.built());
        with.getChildren().setAll(m.with().stream().map(this::linked).toList());
        with.setManaged(!m.with().isEmpty());
        symptoms.getChildren().setAll(m.symptoms().stream().map(s -> (Node) Build.label("–  " + s, "large")).toList());
        if (m.symptoms().isEmpty()) {
            symptoms.getChildren().add(Build.label(Words.of("arrive.nothing"), "soft"));
        }
        wet.getChildren().setAll(m.wet().map(w -> List.of(WetSheet.of(w, desk.clock().instant()))).orElse(List.of()));
        wetPage.setManaged(m.wet().isPresent());
        wetPage.setVisible(m.wet().isPresent());
        // Nothing is tried on what is wet.
        boolean dry = m.wet().filter(w -> !w.proven()).isEmpty();
        checks.node().setManaged(dry);
        checks.node().setVisible(dry);
        use.setText(m.use().isEmpty() ? Words.of("arrive.use.none") : m.use());
        infinity.setText(m.infinity().orElse(Words.of("arrive.unmeasured")));
        infinityMeaning.setText(m.infinityMeaning());
        infinityMeaning.setVisible(!m.infinityMeaning().isEmpty());
        infinityMeaning.setManaged(!m.infinityMeaning().isEmpty());
    }

    @Override
    public Say say(Work work) {
        return ArriveModel.of(work).say();
    }

    @Override
    public boolean key(KeyEvent event, Work work) {
        if (event.getCode() == KeyCode.R) {
            readCollimator();
            return true;
        }
        if (event.getCode() == KeyCode.K) {
            startFrom();
            return true;
        }
        return checks.node().isVisible() && checks.key(event);
    }
}

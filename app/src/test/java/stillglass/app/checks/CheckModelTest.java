package stillglass.app.checks;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import stillglass.app.arrive.ArriveModel;
import stillglass.app.decide.DecideModel;
import stillglass.app.desk.Told;
import stillglass.app.desk.Typed;
import stillglass.app.desk.Viewing;
import stillglass.app.desk.Work;
import stillglass.app.look.LookModel;
import stillglass.app.open.OpenModel;
import stillglass.app.prove.ProveModel;
import stillglass.assembly.Instrument;
import stillglass.device.Source;
import stillglass.look.Aperture;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.prove.InfinityShims;
import stillglass.say.Said;
import stillglass.ticket.glass.GlassEvent;
import stillglass.ticket.readings.Functions;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Stage;

/// What a technician's own, unknown instrument looks like to the views, without a toolkit.
class CheckModelTest {
    @Test
    void whatIsTriedFitsTheInstrument() {
        CheckModel body = CheckModel.of(Typed.work(Instrument.Sort.BODY, Stage.ARRIVE), Phase.BEFORE);
        assertThat(body.rows()).extracting(CheckModel.Row::name).containsExactlyElementsOf(Functions.of(Instrument.Sort.BODY)).contains("light seals");
        assertThat(body.untried()).isEqualTo(body.rows().size());
        assertThat(CheckList.next(body)).contains("wind");
    }

    @Test
    void whatWasFoundStandsThereAndTheNextUntriedIsAskedFor() {
        Work w = Typed.work(Instrument.Sort.LENS, Stage.ARRIVE, "check feel: dry, scrapes", "check iris: 3 of 10", "check iris clicks: five edges", "check hood bayonet: free");
        CheckModel m = CheckModel.of(w, Phase.BEFORE);
        assertThat(m.rows().get(0).free()).contains(false);
        assertThat(m.rows().get(1).free()).contains(false);
        assertThat(m.rows().get(2).free()).as("its words do not tell").isEmpty();
        assertThat(m.rows().getLast().name()).as("whatever else was tried is there, too").isEqualTo("hood bayonet");
        assertThat(CheckList.next(m)).contains("stop-down lever");
        assertThat(CheckModel.of(w, Phase.AFTER).rows().getFirst().before()).contains("dry, scrapes");
        assertThat(CheckModel.of(w, Phase.AFTER).rows().getFirst().found()).isEmpty();
    }

    @Test
    void arriveOffersConstructionsOfItsSortAndAsksNoPictureOfWhatMakesNone() {
        ArriveModel lens = ArriveModel.of(Typed.work(Instrument.Sort.LENS, Stage.ARRIVE, "complaint stiff focus", "build one helicoid"));
        assertThat(lens.builds()).hasSizeGreaterThan(2).filteredOn(b -> lens.built().filter(b.id()::equals).isPresent()).singleElement().satisfies(b -> assertThat(b.asks().front()).contains("name ring"));
        assertThat(lens.images()).isTrue();
        ArriveModel body = ArriveModel.of(Typed.work(Instrument.Sort.BODY, Stage.ARRIVE));
        assertThat(body.images()).isFalse();
        assertThat(body.builds()).extracting(b -> b.name()).anyMatch(n -> n.contains("Reflex"));
        assertThat(body.facts()).as("nothing is known of its optics").isEmpty();
    }

    @Test
    void decideSaysWhatAComplaintLeadsToWithoutAPhotoOrAMap() {
        DecideModel m = DecideModel.of(Typed.work(Instrument.Sort.SHUTTER, Stage.DECIDE, "complaint slow speeds stick"));
        assertThat(m.reasons()).singleElement().asString().contains("escapement");
        assertThat(m.opens()).isTrue();
        assertThat(m.say().sentence()).contains("Open it");
        assertThat(m.goals()).isEmpty();
        assertThat(DecideModel.of(Typed.work(Instrument.Sort.SHUTTER, Stage.DECIDE)).opens()).isFalse();
    }

    @Test
    void openShowsWhatIsExpectedWithWhatToMarkAndWhatMayFly() {
        OpenModel m = OpenModel.of(Typed.work(Instrument.Sort.LENS, Stage.OPEN, "build one helicoid", "as expected", "as expected"));
        OpenModel.Expect x = m.expect().orElseThrow();
        assertThat(x.name()).isEqualTo("aperture ring");
        assertThat(x.marks()).extracting(Instrument.Reference::name).containsExactly("aperture coupling");
        assertThat(x.cautions()).isNotEmpty();
        assertThat(m.say().sentence()).contains("Mark first");
        OpenModel marked = OpenModel.of(Typed.work(Instrument.Sort.LENS, Stage.OPEN, "build one helicoid", "as expected", "as expected", "mark aperture coupling at 4"));
        assertThat(marked.expect().orElseThrow().marks()).isEmpty();
        assertThat(marked.say().sentence()).contains("Aperture ring: is it as expected?");
        assertThat(OpenModel.of(Typed.work(Instrument.Sort.LENS, Stage.OPEN)).expect()).isEqualTo(Optional.empty());
    }

    private static Act seen(Finding... findings) {
        return Act.of(new GlassEvent.PhotoKept("p1", Phase.BEFORE, false, "by phone", Source.FILE),
                new GlassEvent.PhotoGraded("p1", Lighting.AGAINST, new Aperture(200, 150, 100, 100, 0), List.of(findings), 0.05, List.of(), List.of()));
    }

    private static Finding finding(FindingKind kind, int severity) {
        return new Finding(kind, 0.95, List.of(), 0.1, 1, 0.2, 0.3, 0.1, severity, List.of(Said.text("seen")));
    }

    /// What a photo shows of a lens without a section is there, though nothing says what it does: it is neither left out nor called harmless.
    @Test
    void findingsWithoutOpticsAreShownAsUnweighedNotAsNone() {
        Work w = Typed.work(Instrument.Sort.LENS, Stage.DECIDE, seen(finding(FindingKind.HAZE, 3), finding(FindingKind.SCRATCH, 2)));
        Work dusty = Typed.work(Instrument.Sort.LENS, Stage.LOOK, seen(new Finding(FindingKind.DUST, 1, List.of(), 0.1, 1, 0.2, 0.3, 0.1, 1, List.of(Said.text("seen")))));
        assertThat(LookModel.of(dusty).say().sentence()).as("nobody knows where it lies").contains("not known").doesNotContain("have a place");
        DecideModel m = DecideModel.of(w);
        assertThat(m.rows()).isEmpty();
        assertThat(m.unweighed()).extracting(DecideModel.Unweighed::kind).containsExactly(FindingKind.HAZE, FindingKind.SCRATCH);
        assertThat(m.reasons()).hasSize(2).allMatch(r -> r.contains("not known without the optics"));
        assertThat(m.opens()).as("haze of severity 3 is worth opening for").isTrue();
        DecideModel scratch = DecideModel.of(Typed.work(Instrument.Sort.LENS, Stage.DECIDE, seen(finding(FindingKind.SCRATCH, 4))));
        assertThat(scratch.opens()).as("no opening takes a scratch away").isFalse();
        assertThat(scratch.reasons()).noneMatch(r -> r.contains("Nothing was found"));
    }

    @Test
    void lookAsksForNoSurfaceWhereNoneIsKnownAndDrawsNoLightToNoScale() {
        Work w = Typed.work(Instrument.Sort.LENS, Stage.LOOK, seen(finding(FindingKind.HAZE, 3)));
        assertThat(LookModel.of(w).say().sentence()).doesNotContain("surface");
        Work lighting = Told.seen(w, w.viewing().showing(Viewing.Hero.LIGHTING));
        assertThat(LookModel.of(lighting).hero()).isEqualTo(Viewing.Hero.PHOTO);
    }

    /// A body has no infinity of its own to read and no veil to compare: nothing asks for them.
    @Test
    void proveAsksABodyForItsFunctionsOnly() {
        ProveModel body = ProveModel.of(Typed.work(Instrument.Sort.BODY, Stage.PROVE, "check wind: free"), InfinityShims.USUAL_STOCK);
        assertThat(body.images()).isFalse();
        assertThat(body.say().sentence()).doesNotContain("nfinity").doesNotContain("photo");
        assertThat(body.wanted()).noneMatch(w -> w.contains("infinity"));
        assertThat(ProveModel.of(Typed.work(Instrument.Sort.BODY, Stage.PROVE), InfinityShims.USUAL_STOCK).wanted()).as("a signature under nothing tried is none").singleElement().asString().contains("functions");
        assertThat(ProveModel.of(Typed.work(Instrument.Sort.LENS, Stage.PROVE), InfinityShims.USUAL_STOCK).say().sentence()).contains("nfinity");
    }
}

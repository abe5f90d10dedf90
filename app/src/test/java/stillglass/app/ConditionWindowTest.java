package stillglass.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.groups.Tuple.tuple;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import stillglass.app.desk.Devices;
import stillglass.book.data.Shelf;
import stillglass.ticket.condition.Condition;
import stillglass.ticket.condition.ConditionEvent.FlawFound;
import stillglass.ticket.condition.Extent;
import stillglass.ticket.condition.Flaw;
import stillglass.ticket.condition.Place;
import stillglass.ticket.story.Phase;

/// What is wrong beside the glass, on a lens nobody knows: by keys, by the mouse and by words.
@ExtendWith(ApplicationExtension.class)
class ConditionWindowTest {
    private Window window;

    @Start
    void start(Stage shown) throws Exception {
        Path folder = Files.createTempDirectory("still-glass-condition");
        window = new Window(shown, folder.resolve("logbook.sqlite"), new FxRobot(), Shelf.ofShop(folder), Devices.NONE);
        window.shell.showBook();
    }

    @AfterEach
    void close() {
        window.close();
    }

    /// Asked on the interface thread.
    private boolean shown(String words) {
        return window.shell.lookupAll(".label").stream().anyMatch(n -> n instanceof Label l && l.getText().contains(words));
    }

    private Condition condition() {
        return window.work().state().condition();
    }

    @Test
    void aBumpUnderTheCoveringOfABodyIsJudgedWhereItWasMeasured() {
        window.begin("body", "Body nobody knows", KeyCode.DIGIT2);
        window.press(KeyCode.I);
        window.type("covering front: leather, dry, trapped under the right lug");
        window.type("bump front 1 x 8 mm");
        window.click("place-covering");
        window.until("what to do is there", () -> shown("lift the covering there") && shown("stop before it, it tears there"));
        assertThat(condition().bumps()).containsOnlyKeys("front");
    }

    @Test
    void placesAreWalkedByKeysAndWhatIsWrongIsToldByItsExtent() {
        window.beginLens("Brook 35 mm f/2.8", KeyCode.DIGIT2);
        window.press(KeyCode.I);
        window.press(KeyCode.DIGIT3);
        window.press(KeyCode.RIGHT);
        window.press(KeyCode.RIGHT);
        window.press(KeyCode.DIGIT1);
        assertThat(condition().at(Phase.BEFORE, Place.IRIS)).extracting(FlawFound::flaw, FlawFound::extent)
                .containsExactly(tuple(Flaw.WET, Optional.of(Extent.MARKED)), tuple(Flaw.RUST, Optional.of(Extent.TRACE)));
        window.press(KeyCode.DIGIT0);
        assertThat(condition().all(Phase.BEFORE)).extracting(FlawFound::flaw).containsExactly(Flaw.WET);
        window.press(KeyCode.DOWN);
        window.press(KeyCode.S);
        assertThat(condition().sound(Phase.BEFORE, Place.BARREL)).isTrue();
        assertThat(condition().looked(Phase.BEFORE, Place.MOUNT)).as("nobody looked at the mount").isFalse();

        window.click("place-slots");
        window.click("extent-slight");
        window.type("iris wet, marked, 5 blades, creeps from the thread");
        window.press(KeyCode.UP);
        window.press(KeyCode.UP);
        window.press(KeyCode.UP);
        window.press(KeyCode.DIGIT4);
        assertThat(condition().said(Phase.BEFORE, Place.IRIS, Flaw.WET)).as("count and note stay").contains(new FlawFound(Phase.BEFORE, Place.IRIS, Flaw.WET, Optional.of(Extent.SEVERE), Optional.of(5), "creeps from the thread"));
        window.press(KeyCode.I);
        window.press(KeyCode.CONTROL, KeyCode.DIGIT3);
        window.until("what it leads to", () -> shown("flush or strip") && shown("Somebody was here before"));
    }

    /// A body has no glass to begin with: what is looked at first is everything else.
    @Test
    void aBodyBeginsBesideTheGlass() {
        window.begin("body", "Lodestar 2", KeyCode.DIGIT2);
        window.click("place-seals");
        window.click("extent-severe");
        assertThat(condition().all(Phase.BEFORE)).extracting(FlawFound::place, FlawFound::flaw).containsExactly(tuple(Place.SEALS, Flaw.PERISHED));
        assertThat(window.find("place-iris")).isEmpty();
    }
}

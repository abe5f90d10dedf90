package stillglass.app.shell;

import javafx.scene.control.Button;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import stillglass.app.draw.Operable;
import stillglass.ticket.story.Stage;

/// Which key means what: keys that work everywhere, then those of what is shown. What is typed into a field belongs to the field.
final class Keyboard {
    private final Shell shell;
    /// Whether the key that is down was a command.
    private boolean answered;

    Keyboard(Shell shell) {
        this.shell = shell;
        // On the scene: until the next pulse a key goes past all that is shown where what had the focus was drawn anew.
        shell.sceneProperty().subscribe(scene -> {
            if (scene != null) {
                scene.addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
                scene.addEventFilter(KeyEvent.KEY_TYPED, this::typed);
            }
        });
    }

    private void typed(KeyEvent e) {
        if (answered) {
            // The letter of a key that was a command must not land in a field that the command opened.
            answered = false;
            e.consume();
            return;
        }
        if (e.getCharacter().equals("/") && !typing(e) && !shell.atBench()) {
            shell.type("");
            e.consume();
        }
    }

    private static boolean typing(KeyEvent e) {
        return e.getTarget() instanceof TextInputControl;
    }

    private void pressed(KeyEvent e) {
        answered = false;
        if (shell.hideKeys() || command(e)) {
            e.consume();
            return;
        }
        if (typing(e) || e.isControlDown() || e.isAltDown() || e.isMetaDown()) {
            return;
        }
        if (Operable.slides(e.getTarget(), e.getCode())) {
            return;
        }
        if ((e.getTarget() instanceof Button || Operable.is(e.getTarget())) && (e.getCode() == KeyCode.SPACE || e.getCode() == KeyCode.ENTER)) {
            return;
        }
        shell.calm();
        if (shell.plain(e)) {
            answered = true;
            e.consume();
        }
    }

    /// Keys that work everywhere.
    private boolean command(KeyEvent e) {
        if (e.getCode() == KeyCode.F1) {
            shell.showKeys();
            return true;
        }
        if (e.getCode() == KeyCode.F2) {
            shell.measure();
            return true;
        }
        if (e.getCode() == KeyCode.F6 || e.getCode() == KeyCode.F7 || e.getCode() == KeyCode.F8) {
            switch (e.getCode()) {
                case F6 -> shell.inbox().accept();
                case F7 -> shell.inbox().elsewhere();
                default -> shell.inbox().pass();
            }
            return true;
        }
        if (!e.isShortcutDown()) {
            return false;
        }
        int digit = e.getCode().ordinal() - KeyCode.DIGIT1.ordinal();
        if (digit >= 0 && digit < Stage.values().length) {
            shell.go(Stage.values()[digit]);
            return true;
        }
        switch (e.getCode()) {
            case Z -> {
                if (typing(e)) {
                    return false;
                }
                shell.undo(e.isShiftDown());
            }
            case V -> {
                if (typing(e) || !shell.inbox().keep(Clipboard.getSystemClipboard())) {
                    return false;
                }
            }
            case B -> shell.showBook();
            case D -> shell.showDay();
            case ENTER -> shell.finish();
            case PLUS, EQUALS, ADD -> shell.scale(true);
            case MINUS, SUBTRACT -> shell.scale(false);
            default -> {
                return false;
            }
        }
        return true;
    }
}

package stillglass.app.pages;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import javafx.application.Platform;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import stillglass.app.desk.Desk;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.book.log.Logbook;

/// Tickets one below the other, however many there are: only those that show are read.
final class TicketList extends ListView<Integer> {
    private static final int PAGE = 40;
    private static final int MOST_FOUND = 400;

    private final Desk desk;
    private final Consumer<String> open;
    private final Map<Integer, Logbook.Listed> rows = new HashMap<>();
    private final Set<Integer> asked = new HashSet<>();
    private String search = "";
    /// Answers to older questions are let go.
    private int question;

    /// @param open hears the number of the ticket that was chosen
    TicketList(Desk desk, Consumer<String> open) {
        this.desk = desk;
        this.open = open;
        getStyleClass().add("tickets");
        setId("tickets");
        setCellFactory(list -> new Row());
        setPlaceholder(Build.label("", "large"));
        setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER) {
                chosen();
                e.consume();
            }
        });
        setAccessibleText(Words.of("book.heading"));
    }

    private void chosen() {
        Logbook.Listed listed = rows.get(getSelectionModel().getSelectedIndex());
        if (listed != null) {
            open.accept(listed.card().number());
        }
    }

    /// Shows as many tickets as there are; those that are shown already stay until they are read anew.
    /// @param nothing what is said when there is none
    void show(int tickets, String nothing) {
        search = "";
        fresh(nothing);
        sized(tickets);
    }

    /// Shows what fits a search.
    void find(String words) {
        search = words;
        fresh(Words.of("book.nothing", words));
        int mine = question;
        desk.list(words, 0, MOST_FOUND).thenAcceptAsync(found -> {
            if (mine == question) {
                rows.clear();
                keep(0, found);
                sized(found.size());
                refresh();
            }
        }, Platform::runLater);
    }

    private void fresh(String nothing) {
        question++;
        asked.clear();
        setPlaceholder(Build.label(nothing, "large"));
    }

    private void sized(int count) {
        if (getItems().size() != count) {
            getItems().setAll(IntStream.range(0, count).boxed().toList());
        }
        refresh();
    }

    private void keep(int from, List<Logbook.Listed> some) {
        for (int i = 0; i < some.size(); i++) {
            rows.put(from + i, some.get(i));
        }
    }

    private void ask(int page) {
        if (search.isEmpty() && asked.add(page)) {
            int mine = question;
            desk.list("", page * PAGE, PAGE).thenAcceptAsync(some -> {
                if (mine == question) {
                    keep(page * PAGE, some);
                    refresh();
                }
            }, Platform::runLater);
        }
    }

    /// One ticket; blank until it is read.
    private final class Row extends ListCell<Integer> {
        Row() {
            getStyleClass().add("ticket-cell");
            setPrefWidth(0);
            setOnMouseClicked(e -> {
                if (!isEmpty()) {
                    chosen();
                }
            });
        }

        @Override
        protected void updateItem(Integer at, boolean empty) {
            super.updateItem(at, empty);
            setText(null);
            setGraphic(null);
            setAccessibleText("");
            if (empty || at == null) {
                return;
            }
            ask(at / PAGE);
            Logbook.Listed listed = rows.get(at);
            setGraphic(listed == null ? Build.label(Words.of("book.reading"), "soft") : TicketRow.of(listed, desk.shelf(), desk.today()));
            setAccessibleText(listed == null ? "" : TicketRow.spoken(listed, desk.today()));
        }
    }
}

package stillglass.app.day;

import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.atomic.AtomicBoolean;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import stillglass.app.desk.Asker;
import stillglass.app.desk.BenchDays;
import stillglass.app.desk.Desk;
import stillglass.app.desk.Say;
import stillglass.app.station.Page;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.book.log.Logbook;
import stillglass.book.report.DayCalendar;
import stillglass.care.Goods;
import stillglass.day.Chore;
import stillglass.day.Shop;
import stillglass.say.Said;
import stillglass.ticket.BenchDay;
import stillglass.ticket.agenda.AgendaEvent;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Intent;
import stillglass.ticket.story.Redo;
import stillglass.ticket.story.Stage;
import stillglass.ticket.story.Undo;

/// The work of all open tickets over the hours of the shop: what to take up now, when each ticket is through, and what can be promised.
public final class DayPage implements Page {
    private static final double SEARCH_SECONDS = 5;
    private static final int STEP_MINUTES = 15;
    private static final double HEADS = 104;
    private static final double SCROLL_BAR = 16;

    private final Desk desk;
    private final Asker asker;
    private final DayKeeper keeper;
    private final Runnable opened;
    private final Runnable changed;
    private final Label heading = Build.line("", "heading");
    private final Label sub = Build.label("", "soft");
    private final Label searching = Build.line("", "gold");
    private final VBox heads = new VBox();
    private final DayStrip strip;
    private final ScrollPane window;
    private final HBox rows;
    private final VBox task = Build.column(0);
    private final VBox tickets = Build.column(4);
    private final Label empty = Build.label("", "soft");
    private final VBox plan;
    private final ShopSheet shop;
    private final VBox asked;
    private final GoodsSheet goods;
    private final VBox owned;
    private final StackPane node = new StackPane();
    private Optional<BenchDay.Slotted> chosen = Optional.empty();
    private Optional<DayModel> shown = Optional.empty();
    private Optional<BenchDay> searched = Optional.empty();
    private Optional<String> lastMoved = Optional.empty();
    /// Ends the search that goes on.
    private Runnable stop = () -> {};

    /// @param opened shows the ticket that was opened
    /// @param changed hears that what is said here is new
    public DayPage(Desk desk, Asker asker, DayKeeper keeper, Runnable opened, Runnable changed) {
        this.desk = desk;
        this.asker = asker;
        this.keeper = keeper;
        this.opened = opened;
        this.changed = changed;
        strip = new DayStrip(this::choose, this::move, this::show);
        strip.setFocusTraversable(true);
        window = new ScrollPane(strip);
        window.setVbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        window.setFocusTraversable(false);
        window.setPannable(true);
        HBox.setHgrow(window, Priority.ALWAYS);
        heads.setMinWidth(HEADS);
        heads.getStyleClass().add("day-heads");
        rows = new HBox(heads, window);
        task.setId("day-task");
        tickets.setId("day-tickets");
        shop = new ShopSheet(this::keep, () -> showShop(false));
        plan = Build.column(10, Build.head(14, 2, heading, searching, Build.button(Words.of("day.search"), "S", this::search), Build.button(Words.of("day.calendar"), "C", this::calendar), Build.button(Words.of("day.goods"), "G", this::showGoods), Build.button(Words.of("day.shop"), "H", () -> showShop(true))),
                sub, empty, rows, task, Build.tall(tickets));
        plan.getStyleClass().addAll("station", "day");
        asked = Build.column(0, shop.node());
        asked.getStyleClass().add("station");
        goods = new GoodsSheet(new GoodsSheet.Keeper() {
            @Override
            public void keep(Goods owned) {
                desk.shopCare().keep(owned).thenRunAsync(DayPage.this::drawGoods, Platform::runLater);
            }

            @Override
            public void thereIs(String agent) {
                desk.shopCare().has(agent, true).thenRunAsync(DayPage.this::drawGoods, Platform::runLater);
            }

            @Override
            public void tellAgain() {
                desk.shopCare().tellAgain().thenRunAsync(DayPage.this::drawGoods, Platform::runLater);
            }
        }, () -> showShop(false));
        owned = Build.column(0, goods.node());
        owned.getStyleClass().add("station");
        VBox.setVgrow(goods.node(), Priority.ALWAYS);
        node.getChildren().setAll(plan);
        // While it is not shown nothing is drawn; what is known then is drawn when it is shown again.
        keeper.watch(() -> {
            if (node.getScene() != null) {
                show();
            }
        });
    }

    @Override
    public Node node() {
        return node;
    }

    @Override
    public void refresh() {
        // What was moved at an earlier visit is not what was done last any more.
        lastMoved = Optional.empty();
        show();
        keeper.wake();
    }

    private void show() {
        keeper.planned().ifPresent(p -> {
            DayModel m = DayModel.of(p, chosen);
            Optional<DayModel> before = shown;
            shown = Optional.of(m);
            chosen = m.chosen();
            heading.setText(m.head());
            sub.setText(m.sub());
            empty.setText(m.empty());
            empty.setManaged(!m.empty().isEmpty());
            strip.show(m, p.day().now(), p.day().zone());
            rows.setManaged(m.empty().isEmpty());
            rows.setVisible(m.empty().isEmpty());
            window.setMinHeight(strip.getMinHeight() + SCROLL_BAR);
            Region over = new Region();
            over.setMinHeight(strip.head());
            heads.getChildren().setAll(over);
            m.rows().forEach(r -> {
                Label name = Build.line(r.name(), r == m.rows().getFirst() ? "day-first" : "day-row");
                name.setMinHeight(strip.height(r));
                heads.getChildren().add(name);
            });
            strip.setAccessibleText(m.walk().stream().filter(b -> m.chosen().filter(b.id()::equals).isPresent()).findFirst().map(DayModel.Block::spoken).orElse(Words.of("day.strip.spoken")));
            // What somebody is typing stays while nothing about it is new.
            if (before.filter(b -> b.task().equals(m.task())).isEmpty()) {
                showTask(m);
            }
            if (before.filter(b -> b.tickets().equals(m.tickets())).isEmpty()) {
                showTickets(m);
            }
            changed.run();
        });
    }

    private void showTask(DayModel m) {
        task.getChildren().clear();
        m.task().ifPresent(t -> {
            TextField takes = Build.field(Words.of("day.task.takes"), this::takes);
            takes.setId("day-takes");
            takes.setAccessibleText(Words.of("day.task.takes"));
            takes.setPrefColumnCount(10);
            VBox words = Build.column(1, Build.line(Words.of("day.task", t.ticket(), t.what(), t.when())), Build.label(t.takes(), "soft", "small"));
            List<Node> row = new ArrayList<>(List.of(words));
            if (t.movable()) {
                row.addAll(List.of(takes, t.fixed() ? Build.button(Words.of("day.free"), "X", this::free) : Build.button(Words.of("day.fix"), "F", () -> moveBy(0))));
            }
            row.add(Build.button(Words.of("day.open"), "Enter", this::open, "primary"));
            task.getChildren().add(Build.head(14, 1, row.toArray(Node[]::new)));
        });
    }

    private void showTickets(DayModel m) {
        tickets.getChildren().clear();
        if (m.tickets().isEmpty()) {
            return;
        }
        GridPane grid = new GridPane();
        grid.setHgap(22);
        grid.setVgap(7);
        grid.addRow(0, Build.line(Words.of("day.col.ticket"), "soft", "small"), Build.line(""), Build.line(Words.of("day.col.due"), "soft", "small"), Build.line(Words.of("day.col.through"), "soft", "small"), Build.line(Words.of("day.col.promise"), "soft", "small"), Build.line(""));
        int row = 1;
        for (DayModel.Ticket t : m.tickets()) {
            String late = t.late() ? "danger" : "day-time";
            Node number = Build.button(t.number(), "", () -> chooseTicket(t.number()), "plain", t.chosen() ? "day-number-chosen" : "day-number");
            number.setId("day-ticket-" + t.number());
            grid.addRow(row++, number, Build.line(t.title()), Build.line(t.due(), "soft"), Build.line(t.through(), late), Build.line(t.promise(), "day-time"), Build.label(t.remark(), "danger", "small"));
        }
        tickets.getChildren().setAll(grid);
    }

    private void choose(BenchDay.Slotted slot) {
        chosen = Optional.of(slot);
        show();
        shown.ifPresent(m -> m.walk().stream().filter(b -> b.id().equals(slot)).findFirst().ifPresent(this::seen));
    }

    /// Scrolls to where a block is.
    private void seen(DayModel.Block b) {
        double room = window.getViewportBounds().getWidth();
        double wide = strip.getMinWidth() - room;
        double from = strip.x(b.start());
        double left = window.getHvalue() * wide;
        if (wide > 0 && (from < left || strip.x(b.end()) > left + room)) {
            window.setHvalue(Math.clamp((from - 60) / wide, 0, 1));
        }
    }

    private void chooseTicket(String number) {
        shown.flatMap(m -> m.walk().stream().filter(b -> b.id().ticket().equals(number)).findFirst()).ifPresent(b -> choose(b.id()));
    }

    private void walk(int by) {
        shown.ifPresent(m -> {
            List<DayModel.Block> all = m.walk();
            int at = all.stream().map(DayModel.Block::id).toList().indexOf(chosen.orElse(new BenchDay.Slotted("", "")));
            if (!all.isEmpty()) {
                choose(all.get(Math.clamp((long) at + by, 0, all.size() - 1)).id());
            }
        });
    }

    /// Fixes the block in hand, so many minutes from where it is.
    private void moveBy(int minutes) {
        shown.flatMap(m -> m.walk().stream().filter(b -> chosen.filter(b.id()::equals).isPresent()).findFirst()).filter(DayModel.Block::movable).ifPresent(b -> move(b.id(), b.start() + minutes));
    }

    private void move(BenchDay.Slotted slot, int minute) {
        chosen = Optional.of(slot);
        keeper.planned().map(BenchDays.Planned::day).ifPresent(d -> {
            Optional<Said> why = d.refused(slot, d.at(minute));
            if (why.isPresent()) {
                desk.complain(Words.sentence(why.get()));
                show();
            } else {
                act(slot, new AgendaEvent.TaskFixed(slot.task(), d.at(minute)));
            }
        });
    }

    private void free() {
        chosen.ifPresent(c -> act(c, new AgendaEvent.TaskFreed(c.task())));
    }

    private void takes(String typed) {
        chosen.ifPresent(c -> {
            try {
                double minutes = Double.parseDouble(typed.strip().replace(',', '.'));
                if (!AgendaEvent.TaskTakes.possible(minutes)) {
                    throw new NumberFormatException(typed);
                }
                act(c, new AgendaEvent.TaskTakes(c.task(), minutes));
            } catch (NumberFormatException no) {
                desk.complain(Words.of("day.takes.what", typed));
            }
        });
    }

    private void act(BenchDay.Slotted slot, Intent intent) {
        lastMoved = Optional.of(slot.ticket());
        desk.submit(slot.ticket(), Act.of(intent), List.of()).thenRunAsync(keeper::again, Platform::runLater);
    }

    @Override
    public boolean undo(boolean again) {
        lastMoved.ifPresent(t -> desk.submit(t, Act.of(again ? new Redo() : new Undo()), List.of()).thenRunAsync(keeper::again, Platform::runLater));
        return true;
    }

    private void open() {
        chosen.ifPresent(c -> open(c.ticket(), Chore.of(c.task())));
    }

    /// Opens the ticket hands are to take up, where the work is.
    public void openNext() {
        keeper.planned().flatMap(p -> p.day().first()).ifPresent(s -> open(s.ticket(), Chore.of(s.task())));
    }

    private void open(String ticket, Optional<Chore> chore) {
        desk.open(ticket).thenRunAsync(() -> {
            chore.flatMap(DayPage::stage).ifPresent(desk::go);
            opened.run();
        }, Platform::runLater);
    }

    private static Optional<Stage> stage(Chore chore) {
        return switch (chore) {
            case LOOK -> Optional.of(Stage.LOOK);
            case DECIDE -> Optional.of(Stage.DECIDE);
            case OPEN -> Optional.of(Stage.OPEN);
            case SOAK, BATHE, RINSE, DRY, CLEAN -> Optional.of(Stage.CLEAN);
            case MAKE, CLOSE -> Optional.of(Stage.CLOSE);
            case PROVE -> Optional.of(Stage.PROVE);
            case WAIT -> Optional.empty();
        };
    }

    /// Searches for a better plan; what is found counts only while the day is still the same and nobody stopped it.
    private void search() {
        keeper.planned().map(BenchDays.Planned::day).filter(d -> searched.isEmpty() && d.plan().isPresent()).ifPresent(d -> {
            searched = Optional.of(d);
            searching.setText(Words.of("day.searching", SEARCH_SECONDS));
            AtomicBoolean stopped = new AtomicBoolean();
            stop = () -> stopped.set(true);
            desk.benchDays().search(d, SEARCH_SECONDS, stopped::get).whenCompleteAsync((better, wrong) -> {
                if (searched.filter(s -> s == d).isEmpty()) {
                    return;
                }
                searched = Optional.empty();
                if (wrong != null) {
                    searching.setText("");
                    desk.complain(wrong, Words.of("day.searched.wrong"));
                } else {
                    searching.setText(Words.of(!keeper.better(d, better) ? "day.searched.changed" : better.plan().equals(d.plan()) ? "day.searched.same" : "day.searched.better"));
                }
            }, Platform::runLater);
        });
    }

    private boolean stopSearching() {
        boolean was = searched.isPresent();
        stop.run();
        searched = Optional.empty();
        searching.setText("");
        return was;
    }

    private void calendar() {
        keeper.planned().map(BenchDays.Planned::day).flatMap(d -> asker.report(Words.of("day.calendar.file"))).ifPresent(this::calendar);
    }

    private void calendar(Path file) {
        BenchDay d = keeper.planned().orElseThrow().day();
        List<Logbook.Clock> clocks = desk.clocks();
        CompletableFuture<String> written = desk.compute(() -> {
            DayCalendar.write(d, clocks, file);
            return String.valueOf(file.getFileName());
        });
        written.thenAcceptAsync(name -> desk.complain(Words.of("day.calendar.written", name)), Platform::runLater);
    }

    private void keep(Shop said) {
        keeper.keep(said);
        showShop(false);
    }

    private void showGoods() {
        node.getChildren().setAll(owned);
        drawGoods();
        changed.run();
    }

    private void drawGoods() {
        desk.shopCare().state().thenAcceptAsync(s -> goods.show(s, LocalDate.ofInstant(desk.clock().instant(), ZoneId.systemDefault())), Platform::runLater);
    }

    private void showShop(boolean on) {
        node.getChildren().setAll(on ? asked : plan);
        if (on) {
            shop.show(keeper.planned().map(p -> p.day().shop()).orElse(Shop.USUAL));
        } else {
            strip.requestFocus();
        }
        changed.run();
    }

    @Override
    public Say say() {
        if (node.getChildren().getFirst() == asked) {
            return new Say(Words.of("day.say.shop"), "");
        }
        if (node.getChildren().getFirst() == owned) {
            return new Say(Words.of("day.say.goods"), "");
        }
        return new Say(keeper.planned().flatMap(p -> DayModel.next(p.day(), Optional.empty())).map(n -> Words.of("day.say", n)).orElse(Words.of(keeper.planned().isPresent() ? "day.say.empty" : "day.say.planning")), Words.of("day.say.keys"));
    }

    @Override
    public boolean key(KeyEvent e) {
        if (node.getChildren().getFirst() != plan) {
            return false;
        }
        switch (e.getCode()) {
            case LEFT -> {
                if (e.isShiftDown()) {
                    moveBy(-STEP_MINUTES);
                } else {
                    walk(-1);
                }
            }
            case RIGHT -> {
                if (e.isShiftDown()) {
                    moveBy(STEP_MINUTES);
                } else {
                    walk(1);
                }
            }
            case ENTER -> open();
            case F -> moveBy(0);
            case X -> free();
            case S -> search();
            case C -> calendar();
            case H -> showShop(true);
            case G -> showGoods();
            case ESCAPE -> {
                return stopSearching();
            }
            default -> {
                return false;
            }
        }
        return true;
    }
}

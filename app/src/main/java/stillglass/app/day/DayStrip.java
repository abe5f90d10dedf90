package stillglass.app.day;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.scene.input.MouseEvent;
import javafx.scene.shape.CubicCurve;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;
import stillglass.app.draw.Inked;
import stillglass.app.draw.Operable;
import stillglass.app.draw.Painted;
import stillglass.app.theme.Em;
import stillglass.day.Day;
import stillglass.ticket.BenchDay;

/// Hours across, a row for each pair of hands and each thing. Hours in which nobody is there are drawn narrow. The tasks of the ticket in hand hang on a thread from one to the next.
final class DayStrip extends Painted {
    /// In heights of the usual type.
    private static final double HEAD_EM = 3.1;
    private static final double HANDS_EM = 3.3;
    private static final double THING_EM = 2.3;
    private static final double EM_A_MINUTE = 0.214;
    private static final double PAUSE_EM = 1.9;
    private static final double NIGHT_EM = 5.3;
    private static final double LABEL_EM = 4;
    private static final double NUMBER_EM = 2.1;
    private static final int NIGHT_MINUTES = 240;
    private static final int STEP_MINUTES = 5;
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("H:mm", Locale.ENGLISH);

    /// A stretch of time and where it is drawn.
    private record Piece(int from, int to, double x, double width, boolean there) {
        double at(double minute) {
            return x + width * (minute - from) / (to - from);
        }
    }

    private final Consumer<BenchDay.Slotted> choose;
    private final BiConsumer<BenchDay.Slotted, Integer> move;
    private Optional<DayModel> shown = Optional.empty();
    private Instant now = Instant.EPOCH;
    private ZoneId zone = ZoneId.systemDefault();
    private List<Piece> pieces = List.of();
    private double dragFrom;
    private double em = Em.of(this);
    private final Runnable otherType;

    /// @param choose hears of the block that was pressed
    /// @param move hears of a block that was dragged, and of the minute it is to begin at
    /// @param otherType hears that the type has another size, and all of it wants another room
    DayStrip(Consumer<BenchDay.Slotted> choose, BiConsumer<BenchDay.Slotted, Integer> move, Runnable otherType) {
        this.otherType = otherType;
        this.choose = choose;
        this.move = move;
        setId("day-strip");
    }

    void show(DayModel m, Instant at, ZoneId in) {
        shown = Optional.of(m);
        now = at;
        zone = in;
        em = Em.of(this);
        pieces = pieces(m);
        setMinSize(pieces.isEmpty() ? 0 : pieces.getLast().x + pieces.getLast().width, top(m, m.rows().size()) + 6);
        setPrefSize(getMinWidth(), getMinHeight());
        requestLayout();
    }

    /// Rows of hands have two lines of words in a block, those of things one.
    double height(DayModel.Row row) {
        return (row.hands() ? HANDS_EM : THING_EM) * em;
    }

    /// Above the rows stand days and hours.
    double head() {
        return HEAD_EM * em;
    }

    private double top(DayModel m, int row) {
        return head() + m.rows().stream().limit(row).mapToDouble(this::height).sum();
    }

    private double middle(DayModel m, int row) {
        return top(m, row) + height(m.rows().get(row)) / 2;
    }

    /// Up to the end of the day on which the last is through.
    private List<Piece> pieces(DayModel m) {
        int last = m.rows().stream().flatMap(r -> r.blocks().stream()).mapToInt(DayModel.Block::end).max().orElse(0);
        List<Piece> all = new ArrayList<>();
        double x = 8;
        int at = 0;
        for (Day.Span h : m.hours()) {
            if (at > last && h.from() - at > NIGHT_MINUTES) {
                break;
            }
            if (h.from() > at) {
                double wide = h.from() - at > NIGHT_MINUTES ? NIGHT_EM * em : PAUSE_EM * em;
                all.add(new Piece(at, h.from(), x, wide, false));
                x += wide;
            }
            all.add(new Piece(h.from(), h.to(), x, h.length() * EM_A_MINUTE * em, true));
            x += h.length() * EM_A_MINUTE * em;
            at = h.to();
        }
        if (at < last) {
            all.add(new Piece(at, last, x, NIGHT_EM * em, false));
        }
        return all;
    }

    double x(int minute) {
        for (Piece p : pieces) {
            if (minute <= p.to) {
                return p.at(minute);
            }
        }
        return pieces.isEmpty() ? 0 : pieces.getLast().x + pieces.getLast().width;
    }

    private int minute(double x) {
        for (Piece p : pieces) {
            if (x <= p.x + p.width) {
                return (int) Math.round(p.from + (p.to - p.from) * (x - p.x) / p.width);
            }
        }
        return pieces.isEmpty() ? 0 : pieces.getLast().to;
    }

    @Override
    protected void ink() {
        getChildren().clear();
        if (em != Em.of(this)) {
            Platform.runLater(otherType);
            return;
        }
        shown.ifPresent(m -> {
            double bottom = top(m, m.rows().size());
            pieces.forEach(p -> ground(p, bottom));
            for (int i = 0; i <= m.rows().size(); i++) {
                Inked.line(getChildren(), 0, top(m, i), getWidth(), top(m, i), "day-line");
            }
            hours(bottom);
            thread(m);
            for (int i = 0; i < m.rows().size(); i++) {
                for (DayModel.Block b : m.rows().get(i).blocks()) {
                    block(b, top(m, i), height(m.rows().get(i)), m, m.rows().get(i).shared());
                }
            }
        });
    }

    private void ground(Piece p, double bottom) {
        if (!p.there) {
            Rectangle r = new Rectangle(p.x, head(), p.width, bottom - head());
            r.getStyleClass().add("day-shut");
            r.setMouseTransparent(true);
            getChildren().add(r);
        }
    }

    private void hours(double bottom) {
        LocalDate said = LocalDate.MIN;
        for (Piece p : pieces) {
            ZonedDateTime begin = now.plus(p.from, ChronoUnit.MINUTES).atZone(zone);
            if (p.there && !begin.toLocalDate().equals(said)) {
                said = begin.toLocalDate();
                Inked.words(getChildren(), DAY.format(said), p.x + 2, 0.8 * em, 0, "day-date");
            }
            if (!p.there) {
                continue;
            }
            ZonedDateTime hour = begin.truncatedTo(ChronoUnit.HOURS);
            if (hour.isBefore(begin)) {
                hour = hour.plusHours(1);
            }
            for (; ChronoUnit.MINUTES.between(now, hour.toInstant()) <= p.to; hour = hour.plusHours(1)) {
                int minute = (int) ChronoUnit.MINUTES.between(now, hour.toInstant());
                boolean end = minute == p.to;
                Inked.line(getChildren(), p.at(minute), head() - 0.4 * em, p.at(minute), bottom, "day-hour");
                Inked.words(getChildren(), CLOCK.format(hour), p.at(minute), 2.05 * em, end ? 1 : minute == p.from ? 0 : 0.5, "day-clock");
            }
        }
    }

    /// To every task of the ticket in hand from those it waits for.
    private void thread(DayModel m) {
        Optional<String> ticket = m.chosen().map(BenchDay.Slotted::ticket);
        List<DayModel.Block> own = m.walk().stream().filter(b -> ticket.filter(b.id().ticket()::equals).isPresent()).toList();
        for (DayModel.Block later : own) {
            own.stream().filter(b -> later.after().contains(b.id().task())).forEach(earlier -> {
                double x0 = x(earlier.end()) - 2;
                double y0 = middle(m, row(m, earlier));
                double x1 = x(later.start()) + 2;
                double y1 = middle(m, row(m, later));
                double bend = Math.max(14, (x1 - x0) / 2);
                CubicCurve line = new CubicCurve(x0, y0, x0 + bend, y0, x1 - bend, y1, x1, y1);
                line.getStyleClass().add("day-thread");
                line.setMouseTransparent(true);
                getChildren().add(line);
            });
        }
    }

    private static int row(DayModel m, DayModel.Block b) {
        for (int i = 0; i < m.rows().size(); i++) {
            if (!m.rows().get(i).shared() && m.rows().get(i).blocks().contains(b)) {
                return i;
            }
        }
        return 0;
    }

    private void block(DayModel.Block b, double y, double high, DayModel m, boolean shared) {
        double x = x(b.start());
        double width = Math.max(5, x(b.end()) - x - 2);
        boolean own = m.chosen().filter(c -> c.ticket().equals(b.id().ticket())).isPresent();
        boolean chosen = m.chosen().filter(b.id()::equals).isPresent();
        double inset = (shared ? 0.65 : 0.28) * em;
        Rectangle r = new Rectangle(x + 1, y + inset, width, high - 2 * inset);
        r.getStyleClass().addAll("day-block", b.attended() ? "day-hands" : "day-alone");
        if (own) {
            r.getStyleClass().add("day-own");
        }
        if (b.late()) {
            r.getStyleClass().add("day-late");
        }
        if (chosen) {
            r.getStyleClass().add("day-chosen");
        }
        getChildren().add(r);
        if (shared) {
            r.setMouseTransparent(true);
            return;
        }
        r.setId("block-" + b.id().ticket() + "-" + b.id().task().replace(' ', '-'));
        Operable.make(r, b.spoken(), () -> choose.accept(b.id()));
        r.focusedProperty().subscribe(f -> {
            if (f && !chosen) {
                choose.accept(b.id());
            }
        });
        if (b.movable()) {
            draggable(r, b);
        }
        if (b.fixed()) {
            Polygon pin = new Polygon(x + 1, y + inset, x + 12, y + inset, x + 1, y + inset + 11);
            pin.getStyleClass().add("day-pin");
            pin.setMouseTransparent(true);
            getChildren().add(pin);
        }
        label(b, x, y, high, width);
    }

    private void label(DayModel.Block b, double x, double y, double high, double width) {
        String number = b.id().ticket();
        if (width >= LABEL_EM * em && high < HANDS_EM * em) {
            Text both = Inked.text(getChildren(), b.what() + "  " + number, "day-what");
            Inked.fit(both, width - 10);
            both.setX(x + 7);
            both.setY(y + high / 2);
            getChildren().add(both);
        } else if (width >= LABEL_EM * em) {
            Text what = Inked.text(getChildren(), b.what(), "day-what");
            Inked.fit(what, width - 10);
            what.setX(x + 7);
            what.setY(y + 0.63 * high);
            Text whose = Inked.text(getChildren(), number, "day-whose");
            Inked.fit(whose, width - 10);
            whose.setX(x + 7);
            whose.setY(y + 0.32 * high);
            getChildren().addAll(whose, what);
        } else if (width >= NUMBER_EM * em) {
            Inked.words(getChildren(), number.substring(Math.max(0, number.length() - 3)), x + 1 + width / 2, y + high / 2, 0.5, "day-whose");
        }
    }

    private void draggable(Rectangle r, DayModel.Block b) {
        r.addEventHandler(MouseEvent.MOUSE_PRESSED, e -> dragFrom = e.getX());
        r.addEventHandler(MouseEvent.MOUSE_DRAGGED, e -> {
            r.setTranslateX(e.getX() + r.getTranslateX() - dragFrom);
            r.toFront();
            e.consume();
        });
        r.addEventHandler(MouseEvent.MOUSE_RELEASED, e -> {
            double by = r.getTranslateX();
            r.setTranslateX(0);
            if (Math.abs(by) > 4) {
                int wanted = minute(x(b.start()) + by);
                move.accept(b.id(), Math.round((float) wanted / STEP_MINUTES) * STEP_MINUTES);
            }
        });
    }
}

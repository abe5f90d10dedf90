package stillglass.app.pages;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import stillglass.app.draw.Painted;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.text.Text;
import stillglass.app.draw.Inked;
import stillglass.app.theme.DueDay;
import stillglass.app.theme.Words;
import stillglass.book.log.Logbook;

/// The weeks ahead as a line, with a tag hung on the day each open ticket is due.
final class DueLine extends Painted {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM", Locale.ENGLISH);

    /// Days the line shows at most, ahead and back.
    private static final int AHEAD = 120;
    private static final int BACK = 60;

    /// A ticket and its day.
    private record Due(String number, LocalDate day) {}

    private List<Due> open = List.of();
    private LocalDate today = LocalDate.EPOCH;

    DueLine() {
        setMinHeight(96);
        setPrefHeight(96);
    }

    /// Tickets of which nobody has said when they are due hang on no day.
    void show(List<Logbook.Listed> tickets, LocalDate now) {
        open = tickets.stream().map(Logbook.Listed::card).filter(c -> !c.signed()).flatMap(c -> c.tag().due().map(d -> new Due(c.number(), d)).stream())
                .sorted(Comparator.comparing(Due::day)).toList();
        today = now;
        setVisible(!open.isEmpty());
        requestLayout();
    }

    @Override
    protected void ink() {
        getChildren().clear();
        if (open.isEmpty()) {
            return;
        }
        LocalDate last = later(earlier(open.getLast().day().plusDays(3), today.plusDays(AHEAD)), today);
        LocalDate first = later(earlier(open.getFirst().day(), today), today.minusDays(BACK));
        double days = Math.max(14, ChronoUnit.DAYS.between(first, last));
        double y = getHeight() - 26;
        Line line = new Line(0, y, getWidth(), y);
        line.getStyleClass().add("due-line");
        getChildren().add(line);
        for (LocalDate d = first; !d.isAfter(last); d = d.plusDays(1)) {
            double x = x(d, first, days);
            boolean monday = d.getDayOfWeek() == DayOfWeek.MONDAY;
            Line tick = new Line(x, y, x, y + (monday ? 8 : 4));
            tick.getStyleClass().add("due-line");
            getChildren().add(tick);
            if (monday) {
                text(DAY.format(d), "axis-ruler", x - 12, y + 17);
            }
        }
        text(Words.of("book.today"), "axis-ruler", x(today, first, days), y - 10);
        // From the last to the first: a name that would run into the next string stands above it.
        double next = Double.POSITIVE_INFINITY;
        boolean nextHigh = false;
        for (Due t : open.reversed()) {
            // What is due much later, or should have been long ago, hangs at the end of the line.
            double x = x(later(earlier(t.day(), last), first), first, days);
            boolean late = t.day().isBefore(today);
            Text name = text(t.day().isAfter(last) || t.day().isBefore(first) ? t.number() + "  " + DueDay.words(t.day(), today) : t.number(), late ? "due-late-name" : "due-name", x + 4, 0);
            nextHigh = x + name.getLayoutBounds().getWidth() + 12 > next && !nextHigh;
            next = x;
            double high = nextHigh ? y - 62 : y - 36;
            name.setY(high + 4);
            // What hangs at the end of the line has its name before the string.
            double wide = name.getLayoutBounds().getWidth();
            name.setX(x + 4 + wide <= getWidth() ? x + 4 : x - 4 - wide);
            Line string = new Line(x, y, x, high);
            string.getStyleClass().add(late ? "due-late" : "due-string");
            Polygon bead = new Polygon(x, y - 5, x + 5, y, x, y + 5, x - 5, y);
            bead.getStyleClass().add(late ? "due-late-bead" : "due-bead");
            getChildren().addAll(string, bead);
        }
    }

    private static LocalDate earlier(LocalDate a, LocalDate b) {
        return a.isBefore(b) ? a : b;
    }

    private static LocalDate later(LocalDate a, LocalDate b) {
        return a.isAfter(b) ? a : b;
    }

    private double x(LocalDate d, LocalDate first, double days) {
        return 8 + (getWidth() - 80) * ChronoUnit.DAYS.between(first, d) / days;
    }

    private Text text(String words, String style, double x, double y) {
        Text t = Inked.text(getChildren(), words, style);
        t.setX(x);
        t.setY(y);
        getChildren().add(t);
        return t;
    }
}

package stillglass.book.report;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import stillglass.book.BookWords;
import stillglass.plan.TrayMat;
import stillglass.say.Said;

/// Charts to print at true size and hang up: what is photographed or looked at when a lens or a finder is proved. Each has a bar of 100 mm, to be measured after printing, and says how to place it.
public enum TestChart {
    /// Squares turned by 5°, for sharpness.
    EDGES,
    /// A star of 36 rays, for focus and for sharpness by eye.
    STAR,
    /// A scale to be looked at from 45°, for true focus at a distance.
    DISTANCE,
    /// Bars that meet or do not, for a range finder.
    FINDER;

    private static final double SLANT_DEG = 5;
    private static final double SQUARE_MM = 36;
    private static final int RAYS = 36;
    private static final double STAR_MM = 78;
    private static final double BAR_MM = 100;
    private static final double LOW = 202;

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    /// The sheet.
    public TrayMat drawn() {
        List<TrayMat.Mark> marks = new ArrayList<>();
        switch (this) {
            case EDGES -> edges(marks);
            case STAR -> star(marks);
            case DISTANCE -> distance(marks);
            case FINDER -> finder(marks);
        }
        text(marks, 12, LOW - 5, 3.6, Said.of("chart." + word()));
        text(marks, 12, LOW, 3.1, Said.of("chart." + word() + ".place"));
        bar(marks);
        return new TrayMat(List.of(new TrayMat.Page(marks)));
    }

    private static void edges(List<TrayMat.Mark> marks) {
        for (int row = 0; row < 3; row++) {
            for (int column = 0; column < 5; column++) {
                square(marks, 36 + column * 56, 38 + row * 57, SQUARE_MM / 2, SLANT_DEG);
            }
        }
    }

    private static void square(List<TrayMat.Mark> marks, double x, double y, double half, double deg) {
        List<Double> corners = new ArrayList<>();
        for (int k = 0; k < 4; k++) {
            double a = Math.toRadians(deg + 45 + 90 * k);
            corners.add(x + half * Math.sqrt(2) * Math.cos(a));
            corners.add(y + half * Math.sqrt(2) * Math.sin(a));
        }
        marks.add(new TrayMat.Mark.Area(corners));
    }

    private static void star(List<TrayMat.Mark> marks) {
        double cx = TrayMat.WIDTH_MM / 2;
        double cy = 98;
        for (int k = 0; k < RAYS; k++) {
            double a = 2 * Math.PI * k / RAYS;
            double b = a + Math.PI / RAYS;
            // The outer end is an arc in steps of a degree and less.
            List<Double> corners = new ArrayList<>(List.of(cx, cy));
            for (int i = 0; i <= 6; i++) {
                double t = a + (b - a) * i / 6;
                corners.add(cx + STAR_MM * Math.cos(t));
                corners.add(cy + STAR_MM * Math.sin(t));
            }
            marks.add(new TrayMat.Mark.Area(corners));
        }
    }

    /// Millimetres of depth as they are met when the sheet is looked at from 45°: farther apart on the sheet by the root of two.
    private static void distance(List<TrayMat.Mark> marks) {
        double cx = TrayMat.WIDTH_MM / 2;
        double cy = 95;
        for (int mm = -80; mm <= 80; mm++) {
            double x = cx + mm * Math.sqrt(2);
            double high = mm % 10 == 0 ? 26 : mm % 5 == 0 ? 18 : 11;
            marks.add(new TrayMat.Mark.Line(x, cy, x, cy + high));
            if (mm % 10 == 0) {
                marks.add(new TrayMat.Mark.Text(x - 4, cy + high + 5, 3.4, String.format(Locale.ROOT, "%+d", mm)));
            }
        }
        area(marks, cx - 0.4, cy - 40, cx + 0.4, cy);
        area(marks, cx - 45, cy - 40, cx - 5, cy - 6);
        area(marks, cx + 5, cy - 40, cx + 45, cy - 6);
    }

    private static void finder(List<TrayMat.Mark> marks) {
        double cx = TrayMat.WIDTH_MM / 2;
        double cy = 95;
        area(marks, cx - 2, cy - 75, cx + 2, cy + 75);
        area(marks, cx - 120, cy - 1, cx + 120, cy + 1);
        for (int k = 1; k <= 6; k++) {
            double wide = 6.0 / k;
            area(marks, cx + 17 * k - wide / 2, cy - 60, cx + 17 * k + wide / 2, cy - 8);
            area(marks, cx - 17 * k - wide / 2, cy + 8, cx - 17 * k + wide / 2, cy + 60);
        }
    }

    private static void area(List<TrayMat.Mark> marks, double x0, double y0, double x1, double y1) {
        marks.add(new TrayMat.Mark.Area(List.of(x0, y0, x1, y0, x1, y1, x0, y1)));
    }

    private static void bar(List<TrayMat.Mark> marks) {
        double x = TrayMat.WIDTH_MM - 14 - BAR_MM;
        area(marks, x, LOW - 1.5, x + BAR_MM / 2, LOW);
        marks.add(new TrayMat.Mark.Box(x, LOW - 1.5, BAR_MM, 1.5));
        text(marks, x, LOW - 3, 3.1, Said.of("chart.bar"));
    }

    private static void text(List<TrayMat.Mark> marks, double x, double y, double size, Said said) {
        marks.add(new TrayMat.Mark.Text(x, y, size, BookWords.wording().sentence(said)));
    }
}

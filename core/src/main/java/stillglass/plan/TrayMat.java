package stillglass.plan;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.assembly.Side;

/// The mat on which things are laid as they come off, to be printed at its true size: the sides of the instrument laid flat, every screw where its
/// hole is seen from that side, and a numbered cell for every part in the order it leaves. Lengths in mm from the upper left corner of a sheet.
///
/// @param pages A4 sheets, long side across
public record TrayMat(List<Page> pages) {
    public static final double WIDTH_MM = 297;
    public static final double HEIGHT_MM = 210;
    static final double MARGIN = 10;
    private static final double BAR_MM = 100;
    static final double FOOT = HEIGHT_MM - 14;
    /// A side is a field of this size; a screw's rest is this wide.
    private static final double FIELD = 86;
    private static final double OUTER_RING = 31;
    static final double REST = 5.5;
    private static final int RINGS = 3;
    /// Letters that go on a line of a cell.
    private static final int LETTERS = 27;
    private static final double CELL_W = 44;
    private static final double CELL_H = 28;
    private static final double GAP = 4;

    /// Something drawn.
    public sealed interface Mark {
        record Circle(double x, double y, double r) implements Mark {}

        /// A black area.
        /// @param corners x and y in turn
        record Area(List<Double> corners) implements Mark {
            public Area {
                corners = List.copyOf(corners);
            }
        }

        record Box(double x, double y, double w, double h) implements Mark {}

        record Line(double x1, double y1, double x2, double y2) implements Mark {}

        /// @param x left end of the baseline
        record Text(double x, double y, double sizeMm, String text) implements Mark {}
    }

    public record Page(List<Mark> marks) {
        public Page {
            marks = List.copyOf(marks);
        }
    }

    public TrayMat {
        pages = List.copyOf(pages);
    }

    /// @param joints in the order they are opened
    public static TrayMat of(Instrument instrument, List<Joint> joints) {
        List<Page> pages = new ArrayList<>();
        pages.addAll(instrument.net().map(net -> new ScrewNet(instrument, net).pages(joints)).orElseGet(() -> sides(instrument, joints)));
        pages.addAll(cells(instrument, joints));
        return new TrayMat(pages);
    }

    static List<Mark> sheet(Instrument instrument, String what) {
        return titled(instrument.name() + ": " + what);
    }

    /// An empty sheet with a title, and a bar by which its size is checked.
    static List<Mark> titled(String title) {
        List<Mark> marks = new ArrayList<>();
        marks.add(new Mark.Text(MARGIN, MARGIN + 4, 5, title));
        double x = WIDTH_MM - MARGIN - BAR_MM;
        marks.add(new Mark.Line(x, FOOT, x + BAR_MM, FOOT));
        for (int mm = 0; mm <= BAR_MM; mm += 10) {
            marks.add(new Mark.Line(x + mm, FOOT - (mm % 50 == 0 ? 3 : 1.6), x + mm, FOOT));
        }
        marks.add(new Mark.Text(x, FOOT + 5, 3.2, "100 mm. Print at 100 %, without fitting to the page."));
        return marks;
    }

    /// The net: one field for each side with screws, six to a sheet.
    private static List<Page> sides(Instrument instrument, List<Joint> joints) {
        Map<Side, List<Joint>> bySide = new EnumMap<>(Side.class);
        for (Joint j : joints) {
            if (j.hold() instanceof Hold.Screws) {
                bySide.computeIfAbsent(j.side(), s -> new ArrayList<>()).add(j);
            }
        }
        List<Page> pages = new ArrayList<>();
        List<Mark> marks = sheet(instrument, "screws, each where its hole is");
        int field = 0;
        for (Map.Entry<Side, List<Joint>> side : bySide.entrySet()) {
            // Rings about the middle, one for a joint, as many as have room between their screws.
            for (List<Joint> some : groups(side.getValue(), RINGS)) {
                if (field == 6) {
                    pages.add(new Page(marks));
                    marks = sheet(instrument, "screws, each where its hole is");
                    field = 0;
                }
                field(side.getKey(), some, MARGIN + field % 3 * (FIELD + 6.5), 20 + field / 3 * (FIELD + 2), marks);
                field++;
            }
        }
        if (field > 0) {
            pages.add(new Page(marks));
        }
        return pages;
    }

    private static <T> List<List<T>> groups(List<T> all, int most) {
        List<List<T>> out = new ArrayList<>();
        for (int i = 0; i < all.size(); i += most) {
            out.add(all.subList(i, Math.min(all.size(), i + most)));
        }
        return out;
    }

    private static void field(Side side, List<Joint> joints, double x, double y, List<Mark> marks) {
        double cx = x + FIELD / 2;
        double cy = y + FIELD - OUTER_RING - REST;
        marks.add(new Mark.Box(x, y, FIELD, FIELD));
        marks.add(new Mark.Text(x + 2, y + 4.6, 3.8, side.word()));
        marks.add(new Mark.Line(cx, cy - OUTER_RING - REST, cx, cy - OUTER_RING - REST / 2 - 0.4));
        for (int k = 0; k < joints.size(); k++) {
            double ring = OUTER_RING - k * (REST + 2.2);
            marks.add(new Mark.Text(x + 2, y + 8.6 + 3.4 * k, 2.7, ((Hold.Screws) joints.get(k).hold()).holes().getFirst().cell() + "  " + joints.get(k).name()));
            marks.add(new Mark.Circle(cx, cy, ring));
            for (Joint.ScrewHole h : ((Hold.Screws) joints.get(k).hold()).holes()) {
                double hx = cx + ring * Math.sin(h.at().radians());
                double hy = cy - ring * Math.cos(h.at().radians());
                marks.add(new Mark.Circle(hx, hy, REST / 2));
                marks.add(new Mark.Text(hx + REST / 2 + 0.5, hy - REST / 2 + 1.4, 2.2, h.cell()));
            }
        }
    }

    private static List<Page> cells(Instrument instrument, List<Joint> joints) {
        List<Page> pages = new ArrayList<>();
        int across = (int) ((WIDTH_MM - 2 * MARGIN + GAP) / (CELL_W + GAP));
        int down = (int) ((FOOT - 8 - 20 + GAP) / (CELL_H + GAP));
        List<Mark> marks = sheet(instrument, "parts in the order they leave");
        int at = 0;
        for (int n = 0; n < joints.size(); n++) {
            for (String id : joints.get(n).frees()) {
                if (at == across * down) {
                    pages.add(new Page(marks));
                    marks = sheet(instrument, "parts in the order they leave");
                    at = 0;
                }
                double x = MARGIN + at % across * (CELL_W + GAP);
                double y = 20 + at / across * (CELL_H + GAP);
                marks.add(new Mark.Box(x, y, CELL_W, CELL_H));
                marks.add(new Mark.Text(x + 2, y + 5, 3.6, Integer.toString(n + 1)));
                List<String> lines = lines(instrument.part(id).map(Part::name).orElse(id));
                for (int l = 0; l < lines.size(); l++) {
                    marks.add(new Mark.Text(x + 2, y + CELL_H - 2 - 3.6 * (lines.size() - 1 - l), 2.9, lines.get(l)));
                }
                at++;
            }
        }
        if (at > 0) {
            pages.add(new Page(marks));
        }
        return pages;
    }

    private static List<String> lines(String name) {
        List<String> lines = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        for (String word : name.split(" ")) {
            if (!line.isEmpty() && line.length() + 1 + word.length() > LETTERS) {
                lines.add(line.toString());
                line.setLength(0);
            }
            line.append(line.isEmpty() ? "" : " ").append(word);
        }
        lines.add(line.toString());
        return lines;
    }
}

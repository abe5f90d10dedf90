package stillglass.plan;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Net;
import stillglass.assembly.Side;
import stillglass.plan.TrayMat.Mark;

/// The sides of an unfolded instrument at their true size, a rest for every screw exactly where its hole is, in rows on sheets; at the end which cells belong
/// to which joint.
final class ScrewNet {
    private static final double TOP = 20;
    private static final double GAP = 6;
    private static final double NAME = 5;
    private static final double LINE = 4;
    private static final double LEGEND = 88;
    private static final String WHAT = "screws, each where its hole is";

    private final Instrument instrument;
    private final Net net;
    private final List<TrayMat.Page> pages = new ArrayList<>();
    private List<Mark> marks = new ArrayList<>();
    private double x = TrayMat.MARGIN;
    private double y = TOP;
    private double row;

    ScrewNet(Instrument instrument, Net net) {
        this.instrument = instrument;
        this.net = net;
    }

    /// @param joints in the order they are opened
    List<TrayMat.Page> pages(List<Joint> joints) {
        Map<Side, List<Joint>> bySide = new EnumMap<>(Side.class);
        joints.stream().filter(j -> j.hold() instanceof Hold.Screws).forEach(j -> bySide.computeIfAbsent(j.side(), s -> new ArrayList<>()).add(j));
        if (bySide.isEmpty()) {
            return List.of();
        }
        marks = TrayMat.sheet(instrument, WHAT);
        bySide.forEach((side, some) -> {
            place(net.width(side), net.height(side) + NAME);
            side(side, some);
        });
        List<Joint> all = bySide.values().stream().flatMap(List::stream).toList();
        int most = (int) ((TrayMat.FOOT - 8 - TOP) / LINE);
        for (int from = 0; from < all.size(); from += most) {
            List<Joint> some = all.subList(from, Math.min(all.size(), from + most));
            place(LEGEND, some.size() * LINE);
            for (int i = 0; i < some.size(); i++) {
                marks.add(new Mark.Text(x, y + 3 + i * LINE, 2.7, cells(some.get(i)) + "  " + some.get(i).name()));
            }
            x += LEGEND + GAP;
        }
        pages.add(new TrayMat.Page(marks));
        return List.copyOf(pages);
    }

    /// Makes room for a field: beside the last one, in the next row, or on the next sheet.
    private void place(double width, double height) {
        if (x + width > TrayMat.WIDTH_MM - TrayMat.MARGIN) {
            x = TrayMat.MARGIN;
            y += row + GAP;
            row = 0;
        }
        if (y + height > TrayMat.FOOT - 6 && y > TOP) {
            pages.add(new TrayMat.Page(marks));
            marks = TrayMat.sheet(instrument, WHAT);
            x = TrayMat.MARGIN;
            y = TOP;
            row = 0;
        }
        row = Math.max(row, height);
    }

    private void side(Side side, List<Joint> joints) {
        double w = net.width(side);
        double h = net.height(side);
        marks.add(new Mark.Text(x, y + 3.6, 3.8, side.word()));
        marks.add(new Mark.Box(x, y + NAME, w, h));
        for (Joint j : joints) {
            for (Joint.ScrewHole hole : ((Hold.Screws) j.hold()).holes()) {
                // A screw without a place is drawn by its clock position about the middle.
                Net.Spot spot = net.screw(hole.cell()).orElseGet(() -> new Net.Spot(0.3 * Math.min(w, h) * Math.sin(hole.at().radians()), 0.3 * Math.min(w, h) * Math.cos(hole.at().radians())));
                double sx = x + w / 2 + spot.x();
                double sy = y + NAME + h / 2 - spot.y();
                marks.add(new Mark.Circle(sx, sy, TrayMat.REST / 2));
                marks.add(new Mark.Text(sx + TrayMat.REST / 2 + 0.4, sy + 0.8, 2.2, hole.cell()));
            }
        }
        x += w + GAP;
    }

    private static String cells(Joint j) {
        List<Joint.ScrewHole> holes = ((Hold.Screws) j.hold()).holes();
        return holes.size() == 1 ? holes.getFirst().cell() : holes.getFirst().cell() + " to " + holes.getLast().cell();
    }
}

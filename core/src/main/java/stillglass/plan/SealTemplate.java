package stillglass.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;
import stillglass.care.seals.Guillotine;
import stillglass.care.seals.SealPlan;

/// The pieces of foam with the strips on them, to be printed at their true size, laid on the foam's paper and cut through; a sheet for each piece that is begun.
public final class SealTemplate {
    private static final double TOP = 26;
    private static final double LETTER = 0.55;

    private SealTemplate() {}

    /// @throws IllegalArgumentException when a piece is larger than a page
    public static TrayMat of(SealPlan plan) {
        List<TrayMat.Page> pages = new ArrayList<>();
        for (int p : plan.nest().left().keySet().stream().sorted().toList()) {
            Guillotine.Piece piece = plan.pieces().get(p);
            if (piece.widthMm() > TrayMat.WIDTH_MM - 2 * TrayMat.MARGIN || piece.heightMm() > TrayMat.FOOT - TOP - 8) {
                throw new IllegalArgumentException(String.format(Locale.ROOT, "%s is %.0f x %.0f mm, more than a page takes: give the part of it that is to be cut", piece.name(), piece.widthMm(), piece.heightMm()));
            }
            pages.add(new TrayMat.Page(page(plan, p, piece)));
        }
        return new TrayMat(pages);
    }

    private static List<TrayMat.Mark> page(SealPlan plan, int p, Guillotine.Piece piece) {
        List<TrayMat.Mark> marks = new ArrayList<>(TrayMat.titled(String.format(Locale.ROOT, "Light seals on %s, %.0f x %.0f mm, foam %.1f mm", piece.name(), piece.widthMm(), piece.heightMm(), plan.thicknessMm())));
        marks.add(new TrayMat.Mark.Text(TrayMat.MARGIN, TOP - 5, 3.2, "Lay on the paper side: the adhesive goes to the floor of the channel. Measure the bar before you cut."));
        marks.add(new TrayMat.Mark.Box(TrayMat.MARGIN, TOP, piece.widthMm(), piece.heightMm()));
        // Foam is drawn with its lower left corner there, paper counts from above.
        double foot = TOP + piece.heightMm();
        IntStream.range(0, plan.nest().strips().size()).filter(i -> plan.nest().strips().get(i).piece() == p).forEach(i -> {
            Guillotine.Placed s = plan.nest().strips().get(i);
            double x = TrayMat.MARGIN + s.xMm();
            double y = foot - s.yMm() - s.heightMm();
            marks.add(new TrayMat.Mark.Box(x, y, s.widthMm(), s.heightMm()));
            double size = Math.min(3, Math.min(s.heightMm() * 0.8, s.widthMm() / LETTER / Math.max(1, s.id().length())));
            marks.add(new TrayMat.Mark.Text(x + 0.6, y + s.heightMm() / 2 + size / 3, Math.max(0.8, size), s.id()));
        });
        return marks;
    }
}

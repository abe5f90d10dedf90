package stillglass.app.open;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.Pane;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Path;
import javafx.scene.shape.Shape;
import stillglass.app.desk.Work;
import stillglass.app.draw.PartForm;
import stillglass.app.draw.Silhouette;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Net;
import stillglass.assembly.Part;
import stillglass.assembly.ScrewLayout;
import stillglass.optics.Element;
import stillglass.optics.LensSection;
import stillglass.ticket.facts.Facing;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.facts.FactKinds;
import stillglass.ticket.facts.Note;
import stillglass.ticket.facts.Screw;

/// The mat: a cell for everything that came off, drawn as it lies, screws where their holes are.
public final class Tray {
    private static final double SIZE = 62;

    private Tray() {}

    /// @param number order in which it was opened
    /// @param note facts in short
    /// @param holes for screws: where each came from and its length
    /// @param glass bulges of a glass whose section is known
    public record Cell(int number, String name, PartForm form, String note, List<Hole> holes, Optional<GlassForm> glass) {
        public Cell {
            holes = List.copyOf(holes);
        }
    }

    /// @param x right of the middle, the farthest at 1
    /// @param y above it
    public record Hole(String cell, double x, double y, String length) {}

    /// Cells of everything that is open, newest first.
    static List<Cell> cells(Work work) {
        List<Cell> cells = new ArrayList<>();
        int number = 0;
        for (String id : work.state().joints().order()) {
            number++;
            Optional<Joint> joint = work.instrument().joint(id);
            if (joint.isEmpty() || !work.state().joints().openNow().contains(id)) {
                continue;
            }
            Joint j = joint.get();
            List<Fact> facts = work.state().joints().facts(id);
            if (j.hold() instanceof Hold.Screws s) {
                List<Hole> holes = holes(s, facts, work.instrument());
                cells.add(0, new Cell(number, j.name(), PartForm.SCREWS, Words.of("tray.screws", s.holes().size(), s.drive(),
                        String.join(" · ", holes.stream().map(h -> h.cell() + " " + h.length()).toList())), holes, Optional.empty()));
            }
            // What only holds and is on no map lies there as what it was said to be.
            if (j.frees().isEmpty() && j.hold() instanceof Hold.Noted) {
                cells.add(0, new Cell(number, j.name(), PartForm.of(j.name()), Words.say(FactKinds.said(facts)), List.of(), Optional.empty()));
            }
            // What was noted of a joint stands once, at the first part it frees.
            boolean first = true;
            for (String partId : j.frees()) {
                Optional<Part> part = work.instrument().part(partId);
                if (part.isPresent()) {
                    boolean told = !first;
                    cells.add(0, cell(number, part.get(), facts.stream().filter(f -> !told || f instanceof Facing x && x.part().equals(partId)).toList(), work.section()));
                    first = false;
                }
            }
        }
        return cells;
    }

    private static List<Hole> holes(Hold.Screws s, List<Fact> facts, Instrument instrument) {
        List<Net.Spot> spots = ScrewLayout.of(instrument, s).spots();
        List<Hole> holes = new ArrayList<>();
        for (int i = 0; i < spots.size(); i++) {
            String cell = s.holes().get(i).cell();
            holes.add(new Hole(cell, spots.get(i).x(), spots.get(i).y(), facts.stream()
                    .filter(f -> f instanceof Screw x && x.cell().equals(cell))
                    .flatMap(f -> ((Screw) f).lengthMm().stream())
                    .map(Words::number)
                    .findFirst()
                    .orElse("?")));
        }
        return holes;
    }

    private static Cell cell(int number, Part part, List<Fact> facts, Optional<LensSection> section) {
        String note = String.join(" · ", facts.stream()
                .filter(f -> !(f instanceof Screw) && !(f instanceof Note))
                .map(f -> f instanceof Facing x ? (x.frontUp() ? Words.of("tray.front") : Words.of("tray.rear")) : Words.say(f.said()))
                .toList());
        Optional<Element> e = section.flatMap(l -> part.element().flatMap(l::element));
        return new Cell(number, part.name(), e.isPresent() ? PartForm.GLASS : PartForm.of(part.name(), part), note, List.of(), e.flatMap(x -> section.map(l -> GlassForm.of(l, x))));
    }

    /// Draws a cell.
    static Node node(Cell c) {
        Pane drawing = new Pane();
        drawing.setMinSize(SIZE, SIZE);
        drawing.setMaxSize(SIZE, SIZE);
        double mid = SIZE / 2;
        switch (c.form()) {
            case GLASS -> {
                Path lens = c.glass().map(g -> Silhouette.of(44, g.front(), g.rear(), 0.16)).orElseGet(() -> Silhouette.of(44, 0.11, 0.11, 0.1));
                lens.getStyleClass().add("tray-glass");
                lens.relocate(mid - lens.getLayoutBounds().getWidth() / 2, 8);
                drawing.getChildren().add(lens);
            }
            case SCREWS -> screws(c, drawing, mid);
            case CELL -> {
                List<Shape> shapes = c.form().flat(mid, mid, 23);
                shapes.getFirst().getStyleClass().add("tray-ring");
                shapes.getLast().getStyleClass().add("tray-glass");
                drawing.getChildren().addAll(shapes);
            }
            case RING, MOUNT, SHIM, COVER, SPRING, BLADES, GEAR, SMALL -> {
                List<Shape> shapes = c.form().flat(mid, mid, 22);
                shapes.forEach(x -> x.getStyleClass().add("tray-ring"));
                drawing.getChildren().addAll(shapes);
            }
        }
        Label note = Build.label(c.note(), "tiny", "soft", "tray-note");
        VBox box = Build.column(0, drawing, Build.label(c.number() + "  " + c.name(), "tiny", "medium"), note);
        Tooltip.install(box, new Tooltip(c.name() + (c.note().isEmpty() ? "" : "\n" + c.note())));
        box.setAlignment(javafx.geometry.Pos.TOP_CENTER);
        box.getStyleClass().add("tray-cell");
        box.setAccessibleText(c.number() + ", " + c.name() + ", " + c.note());
        return box;
    }

    /// At their holes where those are known, else a pair of them.
    private static void screws(Cell c, Pane drawing, double mid) {
        if (c.holes().isEmpty()) {
            List<Shape> shapes = PartForm.SCREWS.shapes(mid, mid, 20);
            shapes.forEach(x -> x.getStyleClass().add("tray-screw"));
            drawing.getChildren().addAll(shapes);
            return;
        }
        // A ring only where they lie on one; corners of a plate are no ring.
        if (c.holes().stream().allMatch(h -> Math.hypot(h.x(), h.y()) > 0.97) && c.holes().size() != 2) {
            drawing.getChildren().add(disc(mid, 21, "tray-outline"));
        }
        c.holes().forEach(h -> hole(h, drawing, mid));
    }

    private static Circle disc(double mid, double r, String style) {
        Circle c = new Circle(mid, mid, r);
        c.getStyleClass().add(style);
        return c;
    }

    private static void hole(Hole h, Pane drawing, double mid) {
        Circle head = new Circle(mid + 21 * h.x(), mid - 21 * h.y(), 3.6);
        head.getStyleClass().add("tray-screw");
        drawing.getChildren().add(head);
    }
}

package stillglass.app.axis;

import java.util.ArrayList;
import java.util.List;
import stillglass.app.desk.Work;
import stillglass.app.theme.Words;
import stillglass.assembly.Part;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.optics.LensSection;
import stillglass.optics.Sighting;
import stillglass.ticket.Assessment;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.glass.Called;

/// Findings as bands along the surface they lie on.
public final class FaultMarks {
    private static final int STEPS = 16;

    private FaultMarks() {}

    /// @param number as in the list of findings, from 1
    /// @param partId the glass it is on, with which it moves
    /// @param bands polylines along the surface, mm; none once it is gone
    /// @param anchor where its leader starts
    /// @param gone whether it was cleaned off
    public record Fault(
            String findingId, int number, String partId, FindingKind kind, String label, List<AxisModel.Outline> bands,
            AxisModel.Point anchor, boolean gone, boolean selected) {
        public Fault {
            bands = List.copyOf(bands);
        }
    }

    static List<Fault> of(Work work) {
        List<Fault> faults = new ArrayList<>();
        int number = 1;
        for (Assessment a : work.computed().assessments()) {
            // Of what nobody could name or place, nothing is known that an Axis could show, and what is likelier nothing shows when it is pointed at; its number stays its own.
            boolean known = a.known().finding().kind() != FindingKind.UNKNOWN || a.known().surface().isPresent();
            if (known && (!a.known().doubtful() || work.selection().finding(a.known().id()))) {
                int its = number;
                work.asBuilt().ifPresent(section -> faults.add(fault(its, a, section, work)));
            }
            number++;
        }
        return faults;
    }

    private static Fault fault(int number, Assessment a, LensSection section, Work work) {
        Finding f = a.known().finding();
        boolean fromRear = work.state().glass().photo(a.known().photoId()).map(p -> p.kept().fromRear()).orElse(false);
        double semi = section.surfaces().get(a.surface()).semiDiameterMm();
        Sighting seen = Sighting.of(section, a.surface(), fromRear);
        List<AxisModel.Outline> bands = new ArrayList<>();
        AxisModel.Point anchor;
        if (f.kind() == FindingKind.HAZE || f.kind() == FindingKind.DUST) {
            bands.add(band(section, work, a.surface(), -semi, semi));
            anchor = point(section, work, a.surface(), -0.7 * semi);
        } else {
            double low = Double.MAX_VALUE;
            double high = 0;
            for (Finding.Region r : f.regions()) {
                for (Finding.Point p : r.outline()) {
                    double h = Math.min(semi, Math.abs(seen.heightMm(Math.hypot(p.x(), p.y()))));
                    low = Math.min(low, h);
                    high = Math.max(high, h);
                }
            }
            low = Math.min(low, high);
            int side = f.y() >= 0 ? 1 : -1;
            bands.add(band(section, work, a.surface(), side * low, side * Math.max(low + 0.4, high)));
            anchor = point(section, work, a.surface(), side * (low + high) / 2);
        }
        String partId = section.elementsAt(a.surface()).stream()
                .flatMap(e -> work.instrument().partOfElement(e.name()).stream())
                .map(Part::id)
                .findFirst()
                .orElse("");
        boolean gone = gone(partId, f.kind(), work);
        String kind = Words.sentence(Called.of(a.known(), work.told(a.known())).said());
        String name = work.section().map(l -> l.surfaceName(a.surface())).orElse("");
        String place = !gone && a.assumed() && a.where().isPresent()
                ? Words.of("axis.fault.probable", kind, name, 100 * a.where().get().on(a.surface()))
                : Words.of(gone ? "axis.fault.gone" : a.assumed() ? "axis.fault.assumed" : "axis.fault", kind, name);
        return new Fault(a.known().id(), number, partId, f.kind(), place, gone ? List.of() : bands, anchor, gone,
                work.selection().finding(a.known().id()));
    }

    /// Whether the glass, or the group it is cemented into, was cleaned of this kind; an agent that takes fungus takes dust.
    private static boolean gone(String partId, FindingKind kind, Work work) {
        return work.state().care().cleaned().stream()
                .filter(CareEvent.PartCleaned::gone)
                .filter(c -> work.instrument().withContents(c.part()).stream().anyMatch(p -> p.id().equals(partId)))
                .anyMatch(c -> c.soil().equals(kind.word()) || kind == FindingKind.DUST);
    }

    private static AxisModel.Outline band(LensSection section, Work work, int surface, double fromMm, double toMm) {
        List<AxisModel.Point> points = new ArrayList<>();
        for (int i = 0; i <= STEPS; i++) {
            points.add(point(section, work, surface, fromMm + (toMm - fromMm) * i / STEPS));
        }
        return new AxisModel.Outline(points);
    }

    private static AxisModel.Point point(LensSection section, Work work, int surface, double heightMm) {
        return new AxisModel.Point(
                work.shiftMm() + section.vertexMm(surface) + section.surfaces().get(surface).sagMm(heightMm), heightMm);
    }
}

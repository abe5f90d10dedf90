package stillglass.grade;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import stillglass.optics.Footprints;
import stillglass.optics.LensSection;

/// How large a speck must be to show, over everything a lens is used for: its zoom and focus positions, near and distant things, every stop. What shows nowhere here is no reason to open a lens.
///
/// @param cells one for each position and distance that can be photographed
public record SpeckMap(List<Cell> cells) {
    /// Distances before the first vertex, mm: distant things, groups, portraits, the desk, the near limit of many lenses.
    public static final List<Double> DISTANCES_MM = List.of(Double.POSITIVE_INFINITY, 3000.0, 1000.0, 500.0, 300.0);

    /// @param position name as the section lists it, empty where it lists none
    /// @param objectMm distance of what is photographed, infinite when it is distant
    public record Cell(String position, double objectMm, SmallestSpeck specks) {}

    /// Where the smallest speck on a surface shows.
    /// @param diameterMm infinite where no light gets there
    public record Least(Cell cell, double stop, double diameterMm) {}

    public SpeckMap {
        cells = List.copyOf(cells);
        if (cells.isEmpty()) {
            throw new IllegalArgumentException("nothing that can be photographed was given");
        }
    }

    /// @param positions the lens as it stands at each, by name
    /// @param wide and `high`: sides of the film, mm; both 0 for 3 : 2 in the image circle
    /// @param visible share of light, as in [GradeRules#visibleShadow]
    public static SpeckMap of(Map<String, LensSection> positions, double wide, double high, double visible) {
        List<Cell> out = new ArrayList<>();
        positions.forEach((name, lens) -> DISTANCES_MM.stream().filter(mm -> Double.isInfinite(mm) || Footprints.reaches(lens, mm)).forEach(mm -> {
            Footprints.Picture film = Footprints.Picture.distant(lens);
            out.add(new Cell(name, mm, SmallestSpeck.of(Footprints.of(lens, (wide > 0 ? new Footprints.Picture(film.objectMm(), wide, high) : film).at(mm), () -> {}), visible)));
        }));
        return new SpeckMap(out);
    }

    /// @param surface index in the section
    public Least least(int surface) {
        Least best = new Least(cells.getFirst(), cells.getFirst().specks.stops().getFirst(), Double.POSITIVE_INFINITY);
        for (Cell c : cells) {
            int j = c.specks.worstStop(surface);
            double mm = c.specks.diametersMm().get(surface).get(j);
            if (mm < best.diameterMm) {
                best = new Least(c, c.specks.stops().get(j), mm);
            }
        }
        return best;
    }
}

package stillglass.app.desk;

import java.util.ArrayList;
import java.util.List;
import stillglass.grade.SmallestSpeck;
import stillglass.optics.Footprints;
import stillglass.optics.LensSection;

/// Light through the lens as it is assembled, ready to be drawn.
///
/// @param fans at each stop, widest first: the axial bundle and one to the edge of the picture
/// @param prints traced beams of the lens as designed
/// @param specks how large a speck must be to show, on each surface at each stop
public record Beams(List<Fans> fans, Footprints prints, SmallestSpeck specks) {
    /// Rays of a drawn bundle.
    private static final int AXIAL = 5;
    private static final int OBLIQUE = 7;

    /// @param axial marginal rays and some between
    /// @param oblique rays of a point at the edge of the picture, travelling upwards
    public record Fans(List<Footprints.SectionRay> axial, List<Footprints.SectionRay> oblique) {
        public Fans {
            axial = List.copyOf(axial);
            oblique = List.copyOf(oblique);
        }
    }

    public Beams {
        fans = List.copyOf(fans);
    }

    static Beams of(LensSection asBuilt, Footprints prints, double visible) {
        List<Fans> all = new ArrayList<>();
        for (double stop : prints.stops()) {
            all.add(new Fans(Footprints.rays(asBuilt, prints.lens(), 0, stop, AXIAL), Footprints.rays(asBuilt, prints.lens(), 1, stop, OBLIQUE)));
        }
        return new Beams(all, prints, SmallestSpeck.of(prints, visible));
    }
}

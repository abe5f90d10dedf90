package stillglass.cli;

import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import picocli.CommandLine;
import stillglass.book.data.LensJson;
import stillglass.optics.Footprints;
import stillglass.optics.LensSection;
import stillglass.optics.Positions;

/// What is photographed on what, and where the lens stands: `--distance 400 --frame 24x36 --position 70`.
final class PictureOptions {
    @CommandLine.Option(names = "--distance", paramLabel = "MM", description = "distance of what is photographed before the first vertex; distant things where it is left out")
    private double distance = Double.POSITIVE_INFINITY;

    @CommandLine.Option(names = "--frame", paramLabel = "WxH", description = "width and height of the film in mm; 3 : 2 in the image circle where it is left out")
    private String frame = "";

    @CommandLine.Option(names = "--position", paramLabel = "NAME", description = "zoom or focus position the section lists, by name or number; the section as it stands where it is left out")
    private String position = "";

    /// The lens at the position that is asked for.
    LensSection lens(Path section) {
        return position.isBlank() ? LensJson.read(section) : LensJson.read(section, position);
    }

    /// The lens at every position its section lists, or as it stands where it lists none or one is asked for.
    Map<String, LensSection> everywhere(Path section) {
        Map<String, LensSection> out = new LinkedHashMap<>();
        LensSection lens = lens(section);
        Positions all = lens.positions();
        if (position.isBlank()) {
            all.each().forEach(p -> out.put(p.name(), all.at(lens, p.name())));
        }
        return out.isEmpty() ? Map.of(position, lens) : out;
    }

    /// @throws IllegalArgumentException for what is no distance or no frame
    Footprints.Picture of(LensSection lens) {
        Footprints.Picture out = Footprints.Picture.distant(lens);
        if (!frame.isBlank()) {
            String[] side = frame.split("[x×]");
            try {
                out = new Footprints.Picture(out.objectMm(), Double.parseDouble(side[0].strip()), Double.parseDouble(side[1].strip()));
            } catch (NumberFormatException | ArrayIndexOutOfBoundsException noFrame) {
                throw new IllegalArgumentException("“" + frame + "” is no frame: give width and height in mm, such as 24x36", noFrame);
            }
            if (out.halfDiagonalMm() > 1.05 * lens.imageCircleMm() / 2) {
                throw new IllegalArgumentException("a frame of " + frame + " mm reaches beyond the image circle of " + lens.imageCircleMm() + " mm");
            }
        }
        return out.at(distance);
    }
}

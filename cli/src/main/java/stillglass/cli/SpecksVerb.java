package stillglass.cli;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import picocli.CommandLine;
import stillglass.book.data.Shelf;
import stillglass.grade.Grader;
import stillglass.grade.SmallestSpeck;
import stillglass.grade.SpeckMap;
import stillglass.optics.Footprints;
import stillglass.optics.LensSection;

/// `specks SECTION`: how large an opaque speck on each surface must be to show at all, at every stop.
@CommandLine.Command(name = "specks", description = "Tells how large a speck on each surface must be to show, at every stop.", mixinStandardHelpOptions = true)
final class SpecksVerb extends Verb {
    @CommandLine.Parameters(index = "0", paramLabel = "SECTION", description = "lens section JSON")
    private Path section = Path.of("");

    @CommandLine.Option(names = "--visible", paramLabel = "SHARE", description = "share of the light from which a shadow shows; that of the grade rules where it is left out")
    private double visible = Double.NaN;

    @CommandLine.Option(names = "--map", description = "over every position the section lists, near and distant things and every stop: what shows nowhere")
    private boolean map;

    @CommandLine.Mixin
    private PictureOptions picture = new PictureOptions();

    @Override
    public Integer call() {
        LensSection lens = picture.lens(section);
        double shows = Double.isNaN(visible) ? new Shelf().gradeRules().visibleShadow() : visible;
        if (map) {
            everywhere(lens, shows);
            return 0;
        }
        SmallestSpeck all = SmallestSpeck.of(Footprints.of(lens, picture.of(lens), () -> {}), shows);
        List<Map<String, Object>> told = new ArrayList<>();
        if (!json()) {
            out().printf(Locale.ROOT, "Smallest speck that shows (%.1f %% of the light), mm%n%-22s", 100 * all.visible(), "");
            all.stops().forEach(s -> out().printf(Locale.ROOT, " %7s", "f/" + Grader.stop(s)));
            out().println();
        }
        for (int s = 0; s < all.diametersMm().size(); s++) {
            List<Map<String, Object>> stops = new ArrayList<>();
            for (int j = 0; j < all.stops().size(); j++) {
                stops.add(new Answer().number("f_number", all.stops().get(j)).number("diameter_mm", all.diametersMm().get(s).get(j)).fields());
            }
            told.add(new Answer().put("surface", s + 1).put("name", lens.surfaceName(s)).put("stops", stops).fields());
            if (!json()) {
                out().printf(Locale.ROOT, "%-22s", lens.surfaceName(s));
                all.diametersMm().get(s).forEach(d -> out().printf(Locale.ROOT, " %7s", Double.isFinite(d) ? String.format(Locale.ROOT, "%.2f", d) : "–"));
                out().println();
            }
        }
        if (json()) {
            out().println(new Answer().put("surfaces", told).number("visible", all.visible()).json());
        }
        return 0;
    }

    private void everywhere(LensSection lens, double shows) {
        Footprints.Picture film = picture.of(lens);
        boolean own = !film.equals(Footprints.Picture.distant(lens).at(film.objectMm()));
        SpeckMap all = SpeckMap.of(picture.everywhere(section), own ? film.widthMm() : 0, own ? film.heightMm() : 0, shows);
        List<Map<String, Object>> told = new ArrayList<>();
        if (!json()) {
            out().printf(Locale.ROOT, "Smallest speck that shows anywhere (%.1f %% of the light), of %d positions and distances%n", 100 * shows, all.cells().size());
        }
        for (int s = 0; s < lens.surfaces().size(); s++) {
            SpeckMap.Least least = all.least(s);
            Answer a = new Answer().put("surface", s + 1).put("name", lens.surfaceName(s)).number("diameter_mm", least.diameterMm()).number("f_number", least.stop());
            if (!least.cell().position().isEmpty()) {
                a.put("position", least.cell().position());
            }
            if (Double.isFinite(least.cell().objectMm())) {
                a.number("distance_mm", least.cell().objectMm());
            }
            told.add(a.fields());
            if (!json()) {
                out().printf(Locale.ROOT, "%-22s %7s mm   f/%s%s%s%n", lens.surfaceName(s), Double.isFinite(least.diameterMm()) ? String.format(Locale.ROOT, "%.2f", least.diameterMm()) : "–", Grader.stop(least.stop()),
                        least.cell().position().isEmpty() ? "" : ", at " + least.cell().position(), Double.isFinite(least.cell().objectMm()) ? String.format(Locale.ROOT, ", things %.1f m away", least.cell().objectMm() / 1000) : ", distant things");
            }
        }
        if (json()) {
            out().println(new Answer().put("surfaces", told).number("visible", shows).put("tried", all.cells().size()).json());
        }
    }
}

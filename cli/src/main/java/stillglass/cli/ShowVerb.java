package stillglass.cli;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;
import stillglass.book.data.FindingsJson;
import stillglass.book.data.Shelf;
import stillglass.book.file.SafeFile;
import stillglass.book.report.ExampleDrawing;
import stillglass.grade.Flare;
import stillglass.grade.GradeRules;
import stillglass.grade.Lobe;
import stillglass.grade.Shades;
import stillglass.grade.ShowThrough;
import stillglass.grade.example.ExamplePicture;
import stillglass.look.Progress;
import stillglass.optics.Footprints;
import stillglass.optics.LensSection;

/// `show SECTION FINDINGS`: what findings on the surfaces of a lens do to the picture, at every stop.
@CommandLine.Command(name = "show", description = "Tells what findings on known surfaces do to the picture at every stop.", mixinStandardHelpOptions = true)
final class ShowVerb extends Verb {
    @CommandLine.Parameters(index = "0", paramLabel = "SECTION", description = "lens section JSON")
    private Path section = Path.of("");

    @CommandLine.Parameters(index = "1", paramLabel = "FINDINGS", description = "findings on surfaces, JSON")
    private Path findings = Path.of("");

    @CommandLine.Option(names = "--points", split = ";", paramLabel = "X,Y", description = "points of the upright picture, shares of half its diagonal, such as 0,0;0.7,0;1,0")
    private List<String> points = new ArrayList<>();

    @CommandLine.Option(names = "--scene", paramLabel = "PNG", description = "draws a scene of our own as the lens takes it with all findings, at the stop where they do most")
    private @Nullable Path scene;

    @CommandLine.Mixin
    private PictureOptions picture = new PictureOptions();

    @Override
    public Integer call() {
        LensSection lens = picture.lens(section);
        List<double[]> fields = points.stream().map(ShowVerb::point).toList();
        GradeRules usual = new Shelf().gradeRules();
        List<FindingsJson.Placed> placed = FindingsJson.read(findings, lens, usual);
        Footprints prints = Footprints.of(lens, picture.of(lens), () -> {});
        List<Map<String, Object>> told = new ArrayList<>();
        List<ShowThrough.Shown> all = new ArrayList<>();
        List<Lobe> lobes = new ArrayList<>();
        for (FindingsJson.Placed p : placed) {
            GradeRules rules = p.optics().map(o -> usual.with(p.patch().kind(), o)).orElse(usual);
            ShowThrough.Shown shown = ShowThrough.of(prints, p.patch(), rules, Progress.SILENT);
            all.add(shown);
            lobes.add(rules.optics(p.patch().kind()).lobe());
            double reaches = Flare.reaches(lens, p.patch().surface());
            List<Map<String, Object>> stops = new ArrayList<>();
            for (int j = 0; j < shown.effects().size(); j++) {
                stops.add(stop(prints, p, rules, shown.effects().get(j), j, fields, reaches));
            }
            told.add(new Answer().put("id", p.id()).put("surface", p.patch().surface() + 1).put("stops", stops).fields());
            if (!json()) {
                out().printf(Locale.ROOT, "%s: %s on the %s%n", p.id(), p.patch().kind().word(), lens.surfaceName(p.patch().surface()));
                shown.effects().forEach(e -> out().printf(Locale.ROOT, "  f/%-5.3g light lost %6.2f %%   deepest shadow %6.2f %% at %+.1f, %+.1f   veil %6.2f %%%n", e.stop(), 100 * e.lightLost(), 100 * e.deepestShadow(), e.shadowX(), e.shadowY(), 100 * e.veil()));
            }
        }
        if (scene != null) {
            draw(scene, all, lobes, ExamplePicture.widthDeg(prints.picture().widthMm(), lens.nominalFocalLengthMm()));
        }
        if (json()) {
            out().println(new Answer().put("findings", told).json());
        }
        return 0;
    }

    private void draw(Path file, List<ShowThrough.Shown> all, List<Lobe> lobes, double widthDeg) {
        Shades together = Shades.together(all.stream().map(ShowThrough.Shown::shades).toList());
        int worst = IntStream.range(0, together.stops().size()).boxed().max(Comparator.comparingDouble(j -> together.effect(j).deepestShadow() + together.effect(j).veil())).orElse(0);
        List<ExamplePicture.Layer> layers = IntStream.range(0, all.size()).boxed().sorted(Comparator.comparingInt(i -> all.get(i).surface())).map(i -> new ExamplePicture.Layer(all.get(i).shades(), lobes.get(i), all.get(i).streaks())).toList();
        SafeFile.write(file, ExampleDrawing.png(ExamplePicture.of(widthDeg, layers, worst)), section, findings);
    }

    private static Map<String, Object> stop(Footprints prints, FindingsJson.Placed p, GradeRules rules, ShowThrough.Effect e, int j, List<double[]> fields, double reaches) {
        Flare flare = Flare.of(e.veil(), p.patch().kind(), rules, reaches);
        Answer out = new Answer().number("f_number", e.stop()).number("light_lost", e.lightLost()).number("deepest_shadow", e.deepestShadow()).put("at", List.of(e.shadowX(), e.shadowY())).number("veil", e.veil())
                .put("contrast_lost", new Answer().number("average", flare.average()).number("lamp", flare.lamp()).number("sun", flare.sun()));
        if (!fields.isEmpty()) {
            out.put("points", fields.stream().map(f -> {
                OptionalDouble lost = ShowThrough.lost(prints, p.patch(), rules, j, f[0], f[1]);
                return new Answer().put("field", List.of(f[0], f[1])).number("lost", lost.orElse(Double.NaN)).fields();
            }).toList());
        }
        return out.fields();
    }

    private static double[] point(String text) {
        String[] p = text.split(",");
        try {
            double x = Double.parseDouble(p[0].strip());
            double y = Double.parseDouble(p[1].strip());
            if (p.length == 2 && Math.hypot(x, y) <= 1.0001) {
                return new double[] {x, y};
            }
        } catch (NumberFormatException | ArrayIndexOutOfBoundsException noPoint) {
            throw new IllegalArgumentException("“" + text + "” is no point of the picture: give two shares, such as 0.7,0", noPoint);
        }
        throw new IllegalArgumentException("“" + text + "” lies outside the picture: give two shares of half its diagonal, such as 0.7,0");
    }
}

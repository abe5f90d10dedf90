package stillglass.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import picocli.CommandLine;
import stillglass.book.data.GreaseJson;
import stillglass.care.Creep;
import stillglass.care.Greasing;
import stillglass.say.Wording;

/// `grease FILE`: how much grease a thread wants, how each will turn, and which to take.
@CommandLine.Command(name = "grease", description = "Tells how much grease a thread wants, how each grease will turn over temperature, and which to take.", mixinStandardHelpOptions = true)
final class GreaseVerb extends Verb {
    @CommandLine.Parameters(paramLabel = "FILE", description = "thread and greases, JSON")
    private Path file = Path.of("");

    @Override
    public Integer call() {
        GreaseJson.File asked = GreaseJson.read(file);
        Greasing g = Greasing.of(asked.asked());
        String why = Wording.core().say(g.why());
        Optional<Creep> creep = asked.laidMg().flatMap(mg -> Creep.of(mg - g.volumeMm3() * density(g), asked.asked().diameterMm(), asked.summer()));
        Optional<Double> harmless = asked.toBladesMm().map(mm -> Creep.harmlessMg(mm, asked.asked().diameterMm(), asked.summer()));
        if (json()) {
            Answer answer = answer(g, asked.needleMm(), why);
            creep.ifPresent(c -> answer.put("creep", new Answer().number("excess_mg", c.excessMg()).put("standing_mm", pair(c.standing())).put("lying_mm", pair(c.lying())).fields()));
            harmless.ifPresent(mg -> answer.number("harmless_excess_mg", mg));
            out().println(answer.json());
        } else {
            told(g, asked.needleMm(), why);
            creep.ifPresent(c -> out().printf(Locale.ROOT, "%.0f mg too much: its oil may run %.0f to %.0f mm along the barrel standing, %.0f to %.0f mm lying%n", c.excessMg(), c.standing().low(), c.standing().high(), c.lying().low(), c.lying().high()));
            harmless.ifPresent(mg -> out().printf(Locale.ROOT, "up to %.1f mg too much do not reach so far%n", mg));
        }
        return 0;
    }

    /// Of the grease to take, else of the first there is: what was laid is of one of them.
    private static double density(Greasing g) {
        return g.take().orElse(g.greases().getFirst()).grease().densityMgPerMm3();
    }

    private static List<Double> pair(Creep.Range r) {
        return List.of(rounded(r.low()), rounded(r.high()));
    }

    private static Answer answer(Greasing g, double needleMm, String why) {
        List<Map<String, Object>> all = new ArrayList<>();
        for (Greasing.Fitted f : g.greases()) {
            List<List<Double>> torques = f.torques().stream().map(t -> List.of(t.celsius(), rounded(t.nmm()))).toList();
            Answer one = new Answer().put("name", f.grease().name()).number("mass_mg", f.massMg()).number("mass_each_mg", f.massMg() / 2);
            f.atNmm().ifPresent(t -> one.number("torque_nmm", t));
            all.add(one.put("torques_nmm", torques).fields());
        }
        Answer answer = new Answer().number("area_mm2", g.areaMm2()).number("film_mm", g.filmMm()).put("film_measured", g.measured()).number("volume_mm3", g.volumeMm3()).number("bead_mm", g.beadMm(needleMm)).put("greases", all);
        g.take().ifPresent(t -> answer.put("take", t.grease().name()).number("mass_mg", t.massMg()));
        return answer.put("why", why);
    }

    /// To four figures.
    private static double rounded(double v) {
        double scale = v > 0 ? Math.pow(10, 3 - Math.floor(Math.log10(v))) : 1;
        return Math.rint(v * scale) / scale;
    }

    private void told(Greasing g, double needleMm, String why) {
        PrintWriter out = out();
        out.printf(Locale.ROOT, "%.0f mm² of thread, film %.3f mm%s: %.1f mm³, a bead %.0f mm long%n", g.areaMm2(), g.filmMm(), g.measured() ? "" : " (the usual; slop was not measured)", g.volumeMm3(), g.beadMm(needleMm));
        for (Greasing.Fitted f : g.greases()) {
            out.printf(Locale.ROOT, "%s: %.0f mg, half on each thread%n", f.grease().name(), f.massMg());
            f.torques().forEach(t -> out.printf(Locale.ROOT, "  %4.0f °C  %.1f N·mm%n", t.celsius(), t.nmm()));
        }
        out.println(why);
    }
}

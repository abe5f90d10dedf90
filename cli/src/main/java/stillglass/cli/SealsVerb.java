package stillglass.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;
import stillglass.book.BadInput;
import stillglass.book.data.SealsJson;
import stillglass.book.report.MatFiles;
import stillglass.care.seals.Foam;
import stillglass.care.seals.Guillotine;
import stillglass.care.seals.SealPlan;
import stillglass.plan.SealTemplate;
import stillglass.plan.TrayMat;

/// `seals FILE`: how thick the foam of light seals must be, and how strips are cut from what is there.
@CommandLine.Command(name = "seals", description = "Plans light seals: foam thickness, strips on sheets and offcuts with least waste, cuts, a template at true size.", mixinStandardHelpOptions = true)
final class SealsVerb extends Verb {
    @CommandLine.Parameters(paramLabel = "FILE", description = "channels and foam, JSON")
    private Path file = Path.of("");

    @CommandLine.Option(names = "--svg", paramLabel = "OUT", description = "writes the template at its true size as SVG")
    private @Nullable Path svg;

    @CommandLine.Option(names = "--pdf", paramLabel = "OUT", description = "the same as PDF")
    private @Nullable Path pdf;

    @Override
    public Integer call() {
        SealPlan plan = planned();
        template(svg, ".svg", plan);
        template(pdf, ".pdf", plan);
        if (json()) {
            out().println(answer(plan).json());
        } else {
            told(plan);
        }
        return plan.seals() ? 0 : 1;
    }

    private SealPlan planned() {
        SealPlan.Asked asked = SealsJson.read(file);
        try {
            return SealPlan.of(asked);
        } catch (IllegalArgumentException doesNotFit) {
            throw new BadInput(String.valueOf(file.getFileName()), "foam", String.valueOf(doesNotFit.getMessage()));
        }
    }

    private void template(@Nullable Path to, String ending, SealPlan plan) {
        if (to == null) {
            return;
        }
        if (!String.valueOf(to.getFileName()).toLowerCase(Locale.ROOT).endsWith(ending)) {
            throw new BadInput(String.valueOf(to.getFileName()), "template", "name it so that it ends in " + ending);
        }
        TrayMat mat;
        try {
            mat = SealTemplate.of(plan);
        } catch (IllegalArgumentException tooLarge) {
            throw new BadInput(String.valueOf(file.getFileName()), "template", String.valueOf(tooLarge.getMessage()));
        }
        MatFiles.write(mat, to, file);
    }

    private static Answer answer(SealPlan plan) {
        List<Map<String, Object>> strips = new ArrayList<>();
        for (Guillotine.Placed s : plan.nest().strips()) {
            strips.add(new Answer().put("id", s.id()).put("piece", plan.pieces().get(s.piece()).name()).number("x_mm", s.xMm()).number("y_mm", s.yMm()).number("width_mm", s.widthMm()).number("height_mm", s.heightMm()).fields());
        }
        List<Map<String, Object>> cuts = new ArrayList<>();
        for (Guillotine.Cut c : plan.nest().cuts()) {
            cuts.add(new Answer().put("piece", plan.pieces().get(c.piece()).name()).put("from_mm", List.of(c.x1Mm(), c.y1Mm())).put("to_mm", List.of(c.x2Mm(), c.y2Mm())).fields());
        }
        List<Map<String, Object>> used = new ArrayList<>();
        plan.nest().left().keySet().stream().sorted().forEach(p -> used.add(new Answer().put("piece", plan.pieces().get(p).name())
                .put("mm", List.of(plan.pieces().get(p).widthMm(), plan.pieces().get(p).heightMm())).put("whole_mm", plan.nest().left().getOrDefault(p, List.of())).fields()));
        List<Map<String, Object>> channels = new ArrayList<>();
        plan.foams().forEach((id, f) -> channels.add(new Answer().put("id", id).number("gap_mm", f.gapMm()).number("wanted_mm", f.wantedMm()).number("compressed", f.compressed()).put("seals", f.seals()).fields()));
        return new Answer().number("foam_mm", plan.thicknessMm()).put("seals", plan.seals()).put("channels", channels).put("strips", strips).put("cuts", cuts)
                .put("pieces", used).number("waste_mm2", plan.wasteMm2()).put("proven", plan.nest().proven());
    }

    private void told(SealPlan plan) {
        PrintWriter out = out();
        out.printf(Locale.ROOT, "foam of %.2f mm%n", plan.thicknessMm());
        plan.foams().forEach((id, f) -> out.printf(Locale.ROOT, "%-20s gap %.2f mm, %.2f mm wanted, compressed by %.0f %%%s%n", id, f.gapMm(), f.wantedMm(), 100 * f.compressed(),
                f.seals() ? "" : f.compressed() < Foam.LEAST ? ": light will get by" : ": the lid will not close"));
        for (Guillotine.Placed s : plan.nest().strips()) {
            out.printf(Locale.ROOT, "%-20s %6.1f x %-6.1f on %s at %.1f, %.1f%n", s.id(), s.widthMm(), s.heightMm(), plan.pieces().get(s.piece()).name(), s.xMm(), s.yMm());
        }
        int n = 1;
        for (Guillotine.Cut c : plan.nest().cuts()) {
            out.printf(Locale.ROOT, "cut %2d  %s from %.1f, %.1f to %.1f, %.1f%n", n++, plan.pieces().get(c.piece()).name(), c.x1Mm(), c.y1Mm(), c.x2Mm(), c.y2Mm());
        }
        out.printf(Locale.ROOT, "waste %.0f mm²%s%n", plan.wasteMm2(), plan.nest().proven() ? "; no way of cutting right through begins less foam or leaves more of it whole" : "; more strips than can all be tried: not proven the least");
        out.println("Scrape old foam off dry with wood or plastic, the opening down, shutter and mirror covered: it falls out as tar. Only then a swab damp with alcohol, by the rules of your shop, never wet.");
        out.println("Strips go on the floor of the channel, not on its walls; the lever of the counter and the catch stay free. Then: the door springs open, the lever moves, a lamp round the edges shows nothing inside.");
    }
}

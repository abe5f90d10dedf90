package stillglass.app.look;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.look.LightingGuide;

/// How to light the glass, in lines.
final class GuideLines {
    private GuideLines() {}

    static List<Node> of(LightingGuide g) {
        List<Node> all = new ArrayList<>(List.of(Build.label(Words.of("look.guide.how")),
                Build.label(Words.capital(Words.of("look.guide.camera", g.cameraMm())), "medium"),
                Build.label(Words.capital(Words.of("look.guide.lamp", g.lampDeg(), g.lampOffMm())), "medium"),
                Build.label(Words.capital(Words.of("look.guide.card", g.cardMm())), "medium"),
                Build.label(Words.capital(Words.of("look.guide.seen", g.seenMm()))), Build.label(Words.of("look.guide.caution"), "caution", "small")));
        g.remarks().forEach(r -> all.add(Build.label(Words.sentence(r), "gold")));
        return all;
    }
}

package stillglass.app.look;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import stillglass.app.desk.Say;
import stillglass.app.desk.Work;
import stillglass.app.theme.Words;
import stillglass.look.Aperture;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.ticket.Phase;
import stillglass.ticket.Stage;
import stillglass.ticket.TicketState;

/// What Look shows.
///
/// @param photo the photo on show, empty when there is none yet
/// @param head how it was taken, what it amounts to
/// @param remarks what the grading assumed or wants better
public record LookModel(
        Optional<Shot> photo, String head, List<String> remarks, List<Row> rows, int photos, boolean done) {

    /// @param aperture in pixels of the stored photo
    public record Shot(String photoId, Aperture aperture) {}

    /// A finding in the list and on the photo.
    /// @param place surface as assigned, or that it is not known yet
    /// @param size area, zone and clock position
    /// @param corrected the kind first computed, where the technician changed it
    public record Row(
            String id,
            int number,
            FindingKind kind,
            String title,
            String sure,
            String place,
            String size,
            String reasons,
            String corrected,
            List<Finding.Region> regions,
            double x,
            double y,
            boolean selected) {
        public Row {
            regions = List.copyOf(regions);
        }
    }

    public LookModel {
        remarks = List.copyOf(remarks);
        rows = List.copyOf(rows);
    }

    public static LookModel of(Work work) {
        TicketState s = work.state();
        Optional<TicketState.Photo> photo = s.gradedPhoto(Phase.BEFORE);
        List<Row> rows = new ArrayList<>();
        int number = 1;
        double diameter = 2 * work.section().surfaces().getFirst().semiDiameterMm();
        for (TicketState.Known k : s.findings()) {
            boolean here = photo.filter(p -> p.kept().photoId().equals(k.photoId())).isPresent();
            rows.add(row(k, number++, work, diameter, here));
        }
        return new LookModel(
                photo.map(p -> new Shot(p.kept().photoId(), p.graded().orElseThrow().aperture())),
                photo.map(p -> head(p, rows.size())).orElse(""),
                photo.map(p -> p.graded().orElseThrow().remarks()).orElse(List.of()),
                rows, s.photos().size(), s.done(Stage.LOOK));
    }

    private static String head(TicketState.Photo p, int findings) {
        var g = p.graded().orElseThrow();
        return Words.of("look.head", Words.of("look." + g.lighting().word()), Words.of(p.kept().fromRear() ? "look.rear" : "look.front"),
                Words.count("look.findings", findings), 100 * g.veil());
    }

    private static Row row(TicketState.Known k, int number, Work work, double diameterMm, boolean here) {
        Finding f = k.finding();
        String counted = f.kind() == FindingKind.DUST ? Words.of("look.specks", f.count()) : "";
        String size = f.kind() == FindingKind.HAZE
                ? String.format(Locale.ROOT, Words.of("look.size.haze"), 100 * f.contrast(), 100 * Math.min(1, f.areaShare()))
                : Words.of("look.size", f.areaMm2(diameterMm), f.zone().word(), f.clock());
        return new Row(k.id(), number, f.kind(), Words.capital(f.kind().word().replace('-', ' ')) + counted,
                k.computedKind().isPresent() ? Words.of("look.byhand") : Words.of("percent.0", 100 * f.confidence()),
                k.surface().map(s -> work.section().surfaceName(s)).orElse(Words.of("look.nosurface")),
                size, String.join(" · ", f.reasons()),
                k.computedKind().map(c -> Words.of("look.corrected", c.word().replace('-', ' '))).orElse(""),
                here ? f.regions() : List.of(), f.x(), f.y(), work.selection().finding(k.id()));
    }

    public Optional<Row> selected() {
        return rows.stream().filter(Row::selected).findFirst();
    }

    public Say say() {
        if (photo.isEmpty()) {
            return new Say(Words.of("look.say.photo"), Words.of("look.keys.photo"));
        }
        Optional<Row> homeless = rows.stream().filter(r -> r.place().equals(Words.of("look.nosurface"))).findFirst();
        if (selected().isPresent()) {
            return new Say(Words.of("look.say.selected", selected().get().title().toLowerCase(Locale.ROOT)), Words.of("look.keys.selected"));
        }
        if (homeless.isPresent() && !done) {
            return new Say(Words.of("look.say.place", homeless.get().number(), homeless.get().title().toLowerCase(Locale.ROOT)),
                    Words.of("look.keys.walk"));
        }
        return done ? new Say(Words.of("look.say.done"), Words.of("keys.hint.decide"))
                : new Say(Words.of("look.say.finish"), Words.of("keys.hint.finish"));
    }
}

package stillglass.book.report;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.networknt.schema.Error;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import stillglass.assembly.Instrument;
import stillglass.book.BadInput;
import stillglass.book.data.Shelf;
import stillglass.book.log.Logbook;
import stillglass.book.log.Tickets;
import stillglass.device.Source;
import stillglass.look.Aperture;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.ticket.arrival.ArrivalIntent;
import stillglass.ticket.arrival.Tag;
import stillglass.ticket.course.CourseIntent;
import stillglass.ticket.glass.GlassEvent;
import stillglass.ticket.glass.GlassIntent;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Intent;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Stage;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// Photos with labels from a book of lenses that are on no shelf.
class LabelledSetTest {
    @TempDir
    private Path folder;

    private static Finding finding(FindingKind kind, double x) {
        List<Finding.Point> square = List.of(new Finding.Point(x, 0), new Finding.Point(x + 0.1, 0), new Finding.Point(x + 0.1, 0.1));
        return new Finding(kind, 0.9, List.of(new Finding.Region(square)), 0.01, 1, x, 0.05, 0.2, 1, List.of(), Map.of(kind, 0.9, FindingKind.UNKNOWN, 0.1), 0);
    }

    private static Tickets.Ticket act(Tickets tickets, Tickets.Ticket ticket, List<Logbook.PhotoBytes> photos, Intent... intents) {
        Tickets.Outcome out = tickets.act(ticket, Act.of(intents), photos);
        assertThat(out.accepted()).as("%s", out.decision()).isTrue();
        return out.ticket();
    }

    private static Tickets.Ticket job(Tickets tickets, String name, FindingKind left) {
        Tickets.Ticket t = tickets.beginNext(n -> Act.of(new ArrivalIntent.Begin(new Tag(n, "Lens of an unknown maker", "model-x", Instrument.Sort.LENS, Optional.empty(), Optional.of("Mara Quill"), Optional.of(LocalDate.of(2026, 12, 4)))))).ticket();
        t = act(tickets, t, List.of(new Logbook.PhotoBytes("p1", name, new byte[] {1, 2, 3})), new GlassEvent.PhotoKept("p1", Phase.BEFORE, false, "front", Source.FILE),
                new GlassEvent.PhotoGraded("p1", Lighting.AGAINST, new Aperture(400, 300, 250, 250, 0), List.of(finding(FindingKind.OIL, -0.5), finding(FindingKind.BUBBLE, 0.4)), 0.01, List.of(), List.of()));
        List<String> ids = t.state().glass().findings().stream().map(k -> k.id()).toList();
        t = act(tickets, t, List.of(), new GlassIntent.Rekind(ids.get(0), left), new GlassIntent.Dismiss(ids.get(1)));
        return act(tickets, t, List.of(), new CourseIntent.FinishStage(Stage.LOOK, Optional.of("looked")));
    }

    @Test
    void photosGoOutWithWhatTheTechnicianLeftAndNobodysName() throws IOException {
        Path out = folder.resolve("set");
        try (Logbook log = Logbook.open(folder.resolve("book.db"))) {
            Tickets tickets = new Tickets(log, new Shelf(), InstantSource.fixed(Instant.parse("2026-11-24T14:30:00Z")), "", "test");
            job(tickets, "../../evil.JPG", FindingKind.HAZE);
            job(tickets, "plain.png", FindingKind.HAZE);
            LabelledSet.Written w = LabelledSet.write(tickets, out);
            assertThat(w).isEqualTo(new LabelledSet.Written(2, 4, 0));
            assertThat(tickets.teaching().help().findings()).isEqualTo(4);
            assertThat(tickets.teaching().help().before()).isZero();
        }
        try (var files = Files.list(out)) {
            assertThat(files.map(f -> f.getFileName().toString())).as("no name from outside").containsExactlyInAnyOrder("00001.jpg", "00002.png", "labels.json");
        }
        String text = Files.readString(out.resolve("labels.json"));
        assertThat(text).doesNotContain("Quill").doesNotContain("evil");
        JsonNode photos = JsonMapper.builder().build().readTree(text).get("photos");
        assertThat(photos.get(0).get("findings").get(0).get("kind").asString()).isEqualTo("haze");
        assertThat(photos.get(0).get("findings").get(0).get("read_as").asString()).isEqualTo("oil");
        assertThat(photos.get(0).get("findings").get(0).get("severity").asInt()).isEqualTo(1);
        assertThat(photos.get(0).get("findings").get(1).get("kind").asString()).isEqualTo("nothing");
        String schema = Files.readString(Path.of("../docs/formats/labels.schema.json"));
        List<Error> wrong = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12).getSchema(schema).validate(text, com.networknt.schema.InputFormat.JSON);
        assertThat(wrong).isEmpty();
    }

    @Test
    void aFolderThatCannotBeMadeIsNamed() throws IOException {
        Path file = Files.writeString(folder.resolve("file"), "in the way");
        try (Logbook log = Logbook.open(folder.resolve("book.db"))) {
            Tickets tickets = new Tickets(log, new Shelf(), InstantSource.system(), "", "test");
            assertThatThrownBy(() -> LabelledSet.write(tickets, file)).isInstanceOf(BadInput.class).hasMessageContaining("file");
        }
    }
}

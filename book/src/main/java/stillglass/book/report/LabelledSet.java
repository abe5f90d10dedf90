package stillglass.book.report;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import stillglass.book.BadInput;
import stillglass.book.file.SafeFile;
import stillglass.book.log.Logbook;
import stillglass.book.log.Tickets;
import stillglass.device.Source;
import stillglass.look.Aperture;
import stillglass.look.Finding;
import stillglass.look.Progress;
import stillglass.look.ShopTeaching;
import stillglass.ticket.TicketState;
import stillglass.ticket.glass.GlassEvent;
import stillglass.ticket.glass.Known;
import stillglass.ticket.glass.Photo;
import stillglass.ticket.story.Stage;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/// Photos with what a technician says is in them, to learn from: the files as they came and one `labels.json`, see docs/formats/labels.schema.json. Nobody's name and no ticket's story goes with it.
public final class LabelledSet {
    private static final JsonMapper MAPPER = JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

    private LabelledSet() {}

    /// @param photos written
    /// @param findings labelled
    /// @param missing photos whose files the logbook no longer has
    public record Written(int photos, int findings, int missing) {}

    /// Writes the photos of all tickets whose looking was called done.
    /// @param folder made where it is missing; files of the same names are replaced
    /// @throws BadInput naming what could not be written
    public static Written write(Tickets tickets, Path folder) {
        return write(tickets, folder, Progress.SILENT);
    }

    /// The same, told how far it is.
    /// @throws java.util.concurrent.CancellationException when `progress` asks to stop; what was written stays, without labels
    public static Written write(Tickets tickets, Path folder, Progress progress) {
        List<Object> labels = new ArrayList<>();
        int findings = 0;
        int missing = 0;
        try {
            Files.createDirectories(folder);
        } catch (IOException e) {
            throw new BadInput(String.valueOf(folder.getFileName()), "folder", "cannot be made: " + e.getMessage());
        }
        List<String> numbers = tickets.log().numbers();
        for (int i = 0; i < numbers.size(); i++) {
            String number = numbers.get(i);
            progress.at(i / (double) numbers.size(), number);
            Tickets.Ticket ticket = tickets.open(number);
            TicketState state = ticket.state();
            if (ticket.trouble().isPresent() || !state.done(Stage.LOOK)) {
                continue;
            }
            for (Photo photo : state.glass().all()) {
                List<Object> found = findings(state, photo);
                Optional<Map<String, Object>> label = photo.graded().map(g -> label(photo, g, found));
                Optional<Logbook.PhotoBytes> bytes = label.flatMap(l -> tickets.log().photo(number, photo.id()));
                if (label.isPresent() && bytes.isEmpty()) {
                    missing++;
                } else if (label.isPresent()) {
                    // The book's own numbers, never a name from outside: nothing is written anywhere else.
                    String file = String.format(Locale.ROOT, "%05d%s", labels.size() + 1, ending(bytes.get().name()));
                    SafeFile.write(folder.resolve(file), bytes.get().bytes());
                    Map<String, Object> whole = new LinkedHashMap<>();
                    whole.put("file", file);
                    whole.putAll(label.get());
                    labels.add(whole);
                    findings += found.size();
                }
            }
        }
        SafeFile.write(folder.resolve("labels.json"), MAPPER.writeValueAsString(Map.of("format", "still-glass-labels", "version", 1, "photos", labels)).getBytes(StandardCharsets.UTF_8));
        return new Written(labels.size(), findings, missing);
    }

    private static String ending(String name) {
        String low = name.toLowerCase(Locale.ROOT);
        return List.of(".png", ".jpg", ".jpeg", ".tif", ".tiff").stream().filter(low::endsWith).findFirst().orElse(".jpg");
    }

    private static Map<String, Object> label(Photo photo, GlassEvent.PhotoGraded graded, List<Object> findings) {
        Map<String, Object> out = new LinkedHashMap<>();
        Aperture a = graded.aperture();
        out.put("lighting", graded.lighting().word());
        out.put("from_rear", photo.kept().fromRear());
        out.put("simulated", photo.kept().source().filter(s -> s == Source.SIMULATED).isPresent());
        out.put("aperture", Map.of("cx", a.cx(), "cy", a.cy(), "rx", a.rx(), "ry", a.ry(), "theta_rad", a.thetaRad()));
        out.put("findings", findings);
        return out;
    }

    private static List<Object> findings(TicketState state, Photo photo) {
        List<Object> findings = new ArrayList<>();
        for (Known k : state.glass().findings()) {
            Optional.ofNullable(k.sights().get(photo.id())).ifPresent(f -> findings.add(finding(k, f, k.finding().kind().word())));
        }
        state.glass().dismissed().values().stream().filter(k -> k.photoId().equals(photo.id())).forEach(k -> findings.add(finding(k, k.finding(), "nothing")));
        return findings;
    }

    private static Map<String, Object> finding(Known k, Finding seen, String truth) {
        Map<String, Object> out = new LinkedHashMap<>();
        out.put("kind", truth);
        out.put("by_hand", k.id().contains("+"));
        out.put("read_as", ShopTeaching.read(k.finding(), k.computedKind().orElse(seen.kind())).word());
        out.put("outlines", seen.regions().stream().map(r -> r.outline().stream().map(p -> List.of(p.x(), p.y())).toList()).toList());
        out.put("severity", k.finding().severity());
        k.overruled().ifPresent(o -> out.put("grade", o.grade()));
        k.surface().ifPresent(s -> out.put("surface", s + 1));
        return out;
    }
}

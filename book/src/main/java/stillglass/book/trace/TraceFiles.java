package stillglass.book.trace;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.List;
import stillglass.book.BadInput;
import stillglass.book.Edge;
import stillglass.prove.trace.Recording;

/// Opens what a light sensor, a microphone or a gauge recorded.
public final class TraceFiles {
    private TraceFiles() {}

    /// @param file WAV of 8 to 192 kHz, or CSV whose first column is the time in seconds
    /// @throws BadInput when it is neither, or not whole
    public static Recording open(Path file) {
        String name = String.valueOf(file.getFileName());
        Edge.ends(file, name, "a recording");
        return Edge.read(name, "recording", "record it again, as WAV or CSV", () -> {
            try {
                byte[] head = head(file, name);
                return List.of("RIFF", "RF64").contains(new String(head, StandardCharsets.ISO_8859_1)) ? WavFile.open(file, name) : CsvTrace.open(file, name);
            } catch (NoSuchFileException e) {
                throw new BadInput(name, "file", "there is no such file: check the path " + file, e);
            } catch (IOException e) {
                throw new BadInput(name, "file", "cannot be read: " + e.getMessage(), e);
            }
        });
    }

    /// @param file CSV of a gauge
    /// @return its columns, two at least, all of one length
    /// @throws BadInput when it is no table of numbers
    public static List<double[]> table(Path file) {
        String name = String.valueOf(file.getFileName());
        Edge.ends(file, name, "a table of a gauge");
        return Edge.read(name, "table", "save it as CSV of angle and turning moment", () -> {
            try {
                head(file, name);
                List<double[]> columns = CsvTrace.columns(file, name);
                if (columns.size() < 2) {
                    throw new BadInput(name, "rows", "are none: save the angle in degrees and the turning moment in N·mm, a row for each reading");
                }
                return columns;
            } catch (NoSuchFileException e) {
                throw new BadInput(name, "file", "there is no such file: check the path " + file, e);
            } catch (IOException e) {
                throw new BadInput(name, "file", "cannot be read: " + e.getMessage(), e);
            }
        });
    }

    private static byte[] head(Path file, String name) throws IOException {
        try (var in = Files.newInputStream(file)) {
            byte[] head = in.readNBytes(4);
            if (head.length == 0) {
                throw new BadInput(name, "file", "is empty: record it again");
            }
            if (head.length < 4) {
                throw new BadInput(name, "file", "is " + head.length + " bytes long and no recording: record it again, as WAV or CSV");
            }
            return head;
        }
    }
}

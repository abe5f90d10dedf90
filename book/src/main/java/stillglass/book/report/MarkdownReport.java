package stillglass.book.report;

import java.nio.file.Path;
import java.util.List;

/// Writes a report as Markdown.
public final class MarkdownReport {
    private MarkdownReport() {}

    /// @throws stillglass.book.BadInput when the file cannot be written
    public static void write(Report report, Path file) {
        SafeFile.write(file, text(report).getBytes(java.nio.charset.StandardCharsets.UTF_8));
    }

    static String text(Report r) {
        StringBuilder s = new StringBuilder();
        s.append("# ").append(plain(r.title())).append("\n\n");
        s.append(plain(r.owner())).append(" · due ").append(r.due()).append("\n");
        list(s, "As it came", r.arrived());
        if (!r.findings().isEmpty()) {
            s.append("\n## Findings\n\n| kind | where | grade | effect |\n|---|---|---|---|\n");
            r.findings().forEach(f -> row(s, List.of(f.kind(), f.place(), f.grade(), f.effect())));
        }
        list(s, "Why this work", r.advice());
        if (!r.measures().isEmpty()) {
            s.append("\n## Measured\n\n| what | before | after | meaning |\n|---|---|---|---|\n");
            r.measures().forEach(m -> row(s, List.of(m.what(), m.before(), m.after(), m.meaning())));
        }
        list(s, "Work done", r.work());
        list(s, "Overruled by the technician", r.overruled());
        s.append("\n").append(r.signature().map(by -> "Signed: " + plain(by)).orElse("Draft, not signed.")).append("\n");
        return s.toString();
    }

    private static void list(StringBuilder s, String head, List<String> lines) {
        if (!lines.isEmpty()) {
            s.append("\n## ").append(head).append("\n\n");
            lines.forEach(l -> s.append("- ").append(plain(l)).append("\n"));
        }
    }

    private static void row(StringBuilder s, List<String> cells) {
        s.append("| ").append(String.join(" | ", cells.stream().map(c -> plain(c).replace("|", "\\|")).toList())).append(" |\n");
    }

    private static String plain(String text) {
        return text.replaceAll("\\R", " ").replace("<", "&lt;");
    }
}

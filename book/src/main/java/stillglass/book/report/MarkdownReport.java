package stillglass.book.report;

import java.nio.file.Path;
import stillglass.book.BookWords;
import java.util.List;
import stillglass.book.OneLine;
import stillglass.book.file.SafeFile;
import stillglass.say.Said;

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
        s.append(plain(r.head())).append("\n");
        for (Report.Block block : r.blocks()) {
            s.append("\n## ").append(plain(block.heading())).append("\n\n");
            switch (block) {
                case Report.Block.Lines l -> l.lines().forEach(line -> s.append("- ").append(escaped(BookWords.wording().sentence(line))).append("\n"));
                case Report.Block.Drawn d -> d.drawings().forEach(p -> s.append("- ").append(escaped(BookWords.wording().sentence(p.caption()))).append("\n"));
                case Report.Block.Table t -> {
                    row(s, t.titles());
                    s.append("|").append("---|".repeat(t.titles().size())).append("\n");
                    t.rows().forEach(cells -> row(s, cells));
                }
            }
        }
        s.append("\n").append(plain(r.signature())).append("\n");
        return s.toString();
    }

    private static void row(StringBuilder s, List<Said> cells) {
        s.append("| ").append(String.join(" | ", cells.stream().map(c -> plain(c)).toList())).append(" |\n");
    }

    private static String plain(Said said) {
        return escaped(BookWords.wording().say(said));
    }

    private static String escaped(String text) {
        String marked = OneLine.clean(text).replaceAll("[\\\\`*_\\[\\]|~]", "\\\\$0").replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;");
        // What some readers make a link of by themselves, and what begins a heading, a list or a quotation.
        return marked.replace("://", ":\\//").replaceAll("(?i)\\b(www)\\.", "$1\\\\.").replace("@", "\\@").replaceFirst("^([#+\\-])", "\\\\$1").replaceFirst("^(\\d+)([.)]\\s)", "$1\\\\$2");
    }
}

package stillglass.book.report;

import java.util.List;
import stillglass.say.Said;

/// What the owner reads, as things to be said; the writers only set it.
///
/// @param title instrument and ticket number
/// @param head whose it is and until when it was promised
/// @param blocks in order; empty ones are left out
/// @param photos pictures to show
/// @param signature who proved it and when, or that it is a draft
public record Report(Said title, Said head, List<Block> blocks, List<Picture> photos, Said signature) {

    /// A part of the report under a heading of its own.
    public sealed interface Block {
        Said heading();

        boolean empty();

        record Lines(Said heading, List<Said> lines) implements Block {
            public Lines {
                lines = List.copyOf(lines);
            }

            @Override
            public boolean empty() {
                return lines.isEmpty();
            }
        }

        record Table(Said heading, List<Said> titles, List<List<Said>> rows) implements Block {
            public Table {
                titles = List.copyOf(titles);
                rows = rows.stream().map(List::copyOf).toList();
            }

            @Override
            public boolean empty() {
                return rows.isEmpty();
            }
        }
    }

    /// A photograph to be shown.
    public record Picture(String photoId, String caption) {}

    public Report {
        blocks = blocks.stream().filter(b -> !b.empty()).toList();
        photos = List.copyOf(photos);
    }
}

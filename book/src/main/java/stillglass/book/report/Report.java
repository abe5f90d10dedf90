package stillglass.book.report;

import java.util.List;
import java.util.Optional;
import stillglass.say.Said;

/// What the owner reads, as things to be said; the writers only set it.
///
/// @param title instrument and ticket number
/// @param head whose it is and until when it was promised
/// @param blocks in order; empty ones are left out
/// @param photos pictures to show, a row each
/// @param signature who proved it and when, or that it is a draft
public record Report(Said title, Said head, List<Block> blocks, List<Pair> photos, Said signature) {

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

        /// Pictures that were computed, not photographed.
        record Drawn(Said heading, List<Drawing> drawings) implements Block {
            public Drawn {
                drawings = List.copyOf(drawings);
            }

            @Override
            public boolean empty() {
                return drawings.isEmpty();
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

    /// A picture that was computed.
    public static final class Drawing {
        private final byte[] png;
        private final Said caption;

        Drawing(byte[] png, Said caption) {
            this.png = png.clone();
            this.caption = caption;
        }

        byte[] png() {
            return png.clone();
        }

        public Said caption() {
            return caption;
        }
    }

    /// A photograph to be shown.
    public record Picture(String photoId, String caption) {}

    /// Two photographs side by side: before and after the work from the same side, or two of before.
    /// @param left where there is one
    /// @param right where there is one
    public record Pair(Optional<Picture> left, Optional<Picture> right) {}

    public Report {
        blocks = blocks.stream().filter(b -> !b.empty()).toList();
        photos = List.copyOf(photos);
    }
}

package stillglass.book.log;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;

/// The write-ahead file beside a logbook, read before the engine sees it: the engine puts whatever is whole in it into the logbook, from wherever it came.
///
/// Layout and checksums: "The Write-Ahead Log" in the file format documentation of SQLite.
final class WalFile {
    private static final int HEADER_BYTES = 32;
    private static final int FRAME_HEADER_BYTES = 24;
    private static final int MAGIC = 0x377F0682;
    private static final int LEAST_PAGE = 512;
    private static final int LARGEST_PAGE = 65536;

    /// How a write-ahead file stands to the logbook beside it.
    enum Fit {
        /// It is not there, or nothing in it would be put into the logbook.
        EMPTY,
        /// It holds what was noted last.
        BELONGS,
        /// It was written for another logbook, or for this one at another time.
        FOREIGN,
        /// It is damaged: the engine would begin it anew.
        DAMAGED
    }

    private int s0;
    private int s1;

    private WalFile() {}

    static Path of(Path book) {
        return book.resolveSibling(book.getFileName() + "-wal");
    }

    /// @param book header of the logbook's own file
    static Fit fit(Path wal, BookHeader book) throws IOException {
        if (!Files.exists(wal) || Files.size(wal) == 0) {
            return Fit.EMPTY;
        }
        try (InputStream in = new BufferedInputStream(Files.newInputStream(wal), 1 << 16)) {
            return new WalFile().fit(in, book);
        }
    }

    private Fit fit(InputStream in, BookHeader book) throws IOException {
        byte[] head = in.readNBytes(HEADER_BYTES);
        if (head.length < HEADER_BYTES) {
            return Fit.DAMAGED;
        }
        ByteBuffer h = ByteBuffer.wrap(head);
        int magic = h.getInt(0);
        ByteOrder order = magic == MAGIC ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN;
        int page = h.getInt(8);
        sum(head, 0, 24, order);
        if ((magic & ~1) != MAGIC || h.getInt(24) != s0 || h.getInt(28) != s1 || page < LEAST_PAGE || page > LARGEST_PAGE) {
            return Fit.DAMAGED;
        }
        boolean belongs = false;
        boolean pending = false;
        boolean any = false;
        byte[] frame = new byte[FRAME_HEADER_BYTES + page];
        while (in.readNBytes(frame, 0, frame.length) == frame.length) {
            ByteBuffer f = ByteBuffer.wrap(frame);
            sum(frame, 0, 8, order);
            sum(frame, FRAME_HEADER_BYTES, page, order);
            if (f.getInt(8) != h.getInt(16) || f.getInt(12) != h.getInt(20) || f.getInt(16) != s0 || f.getInt(20) != s1) {
                break;
            }
            if (f.getInt(0) == 1) {
                byte[] first = java.util.Arrays.copyOfRange(frame, FRAME_HEADER_BYTES, FRAME_HEADER_BYTES + BookHeader.BYTES);
                pending |= BookHeader.of(first).filter(b -> b.ours() && b.generation() == book.generation()).isPresent();
            }
            if (f.getInt(4) != 0) {
                any = true;
                belongs |= pending;
            }
        }
        return !any ? Fit.EMPTY : belongs && page == book.pageBytes() ? Fit.BELONGS : Fit.FOREIGN;
    }

    private void sum(byte[] bytes, int from, int length, ByteOrder order) {
        ByteBuffer b = ByteBuffer.wrap(bytes, from, length).order(order);
        while (b.hasRemaining()) {
            s0 += b.getInt() + s1;
            s1 += b.getInt() + s0;
        }
    }
}

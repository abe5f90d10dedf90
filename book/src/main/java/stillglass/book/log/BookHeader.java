package stillglass.book.log;

import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Optional;

/// What the first page of a database says of it.
///
/// Every logbook carries the same application id, and a generation: a random number that is drawn anew whenever a write-ahead file begins. Pages of a
/// write-ahead file fit only the generation they were written for; so a left-over of another book, or of the same book at another time, is told from its own.
///
/// Offsets: "The Database Header" in the file format documentation of SQLite.
/// @param pageBytes size of a page
/// @param application id of the program it belongs to; 0 in logbooks from before there was one
/// @param generation see above
record BookHeader(int pageBytes, int application, int generation) {
    static final int OURS = 0x5374476C;
    static final int BYTES = 100;
    private static final byte[] MAGIC = "SQLite format 3\0".getBytes(StandardCharsets.US_ASCII);
    private static final int PAGE_BYTES_AT = 16;
    private static final int GENERATION_AT = 60;
    private static final int APPLICATION_AT = 68;
    private static final int LARGEST_PAGE = 65536;

    boolean ours() {
        return application == OURS;
    }

    /// @param firstPage its beginning
    /// @return nothing when that is no database
    static Optional<BookHeader> of(byte[] firstPage) {
        if (firstPage.length < BYTES || !Arrays.equals(firstPage, 0, MAGIC.length, MAGIC, 0, MAGIC.length)) {
            return Optional.empty();
        }
        ByteBuffer b = ByteBuffer.wrap(firstPage);
        int page = Short.toUnsignedInt(b.getShort(PAGE_BYTES_AT));
        return Optional.of(new BookHeader(page == 1 ? LARGEST_PAGE : page, b.getInt(APPLICATION_AT), b.getInt(GENERATION_AT)));
    }

    /// Not while this process has the file open: closing it would let go of the engine's locks.
    static Optional<BookHeader> read(Path file) throws IOException {
        try (InputStream in = Files.newInputStream(file)) {
            return of(in.readNBytes(BYTES));
        }
    }
}

package stillglass.book.photo;

/// What the marks of a JPEG say before a pixel is decoded. It carries no check sums, so this is all that can be known of its tables.
///
/// Scans: a progressive one may go over its pixels thousands of times in a file of some kilobytes, and each time costs as much as a whole picture.
/// Tables of steps: ITU-T T.81, B.2.4.1; in every one an encoder makes, neighbours in the order of their frequencies are alike.
final class JpegMarks {
    private static final int START_OF_SCAN = 0xDA;
    private static final int TABLES_OF_STEPS = 0xDB;
    private static final int STEPS = 64;
    /// A step so many times its neighbours was never meant.
    private static final int JUMP = 10;
    /// What a camera or a program writes: ten at most are usual.
    private static final int USUAL = 20;
    /// Pixels times passes, about ten seconds of work.
    private static final long MOST_WORK = 1_600_000_000L;

    private JpegMarks() {}

    /// @return markers of a scan; 0 for other files
    static int count(byte[] bytes) {
        if (bytes.length < 2 || (bytes[0] & 255) != 0xFF || (bytes[1] & 255) != 0xD8) {
            return 0;
        }
        int scans = 0;
        for (int i = 2; i + 1 < bytes.length; i++) {
            // Within pixels the byte FF is followed by 00 or a restart marker.
            if ((bytes[i] & 255) == 0xFF && (bytes[i + 1] & 255) == START_OF_SCAN) {
                scans++;
            }
        }
        return scans;
    }

    static boolean tooMany(int scans, long pixels) {
        return scans > USUAL && scans * pixels > MOST_WORK;
    }

    /// Whether its tables of steps can have been made by an encoder.
    static boolean tablesMeant(byte[] bytes) {
        int at = 2;
        while (at + 4 < bytes.length && (bytes[at] & 255) == 0xFF && (bytes[at + 1] & 255) != START_OF_SCAN) {
            int length = (bytes[at + 2] & 255) << 8 | bytes[at + 3] & 255;
            if ((bytes[at + 1] & 255) == TABLES_OF_STEPS && !tables(bytes, at + 4, Math.min(bytes.length, at + 2 + length))) {
                return false;
            }
            at += 2 + length;
        }
        return true;
    }

    private static boolean tables(byte[] bytes, int from, int to) {
        int at = from;
        while (at < to) {
            int wide = bytes[at] >> 4 & 1;
            if (at + 1 + STEPS * (1 + wide) > to) {
                return false;
            }
            int[] steps = new int[STEPS];
            for (int i = 0; i < STEPS; i++) {
                int p = at + 1 + i * (1 + wide);
                steps[i] = wide == 0 ? bytes[p] & 255 : (bytes[p] & 255) << 8 | bytes[p + 1] & 255;
            }
            if (!alike(steps)) {
                return false;
            }
            at += 1 + STEPS * (1 + wide);
        }
        return true;
    }

    private static boolean alike(int[] steps) {
        for (int i = 0; i < steps.length; i++) {
            int before = steps[Math.max(0, i - 1)];
            int after = steps[Math.min(steps.length - 1, i + 1)];
            if (steps[i] == 0 || steps[i] > JUMP * Math.max(before, i == 0 ? after : before) || JUMP * steps[i] < Math.min(before, after)) {
                return false;
            }
        }
        return true;
    }
}

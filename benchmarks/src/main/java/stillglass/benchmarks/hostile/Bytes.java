package stillglass.benchmarks.hostile;

import java.util.Arrays;
import java.util.Random;

/// Damages bytes as disks, cables and malice do.
final class Bytes {
    private static final int[] EXTREMES = {0, -1, 1, Integer.MAX_VALUE, Integer.MIN_VALUE, 0x7FFF, 0xFFFF, 0x10000};

    private Bytes() {}

    /// One to three kinds of damage on top of each other.
    static byte[] damaged(byte[] whole, Random random) {
        byte[] now = whole;
        for (int i = random.nextInt(3); i >= 0; i--) {
            now = now.length == 0 ? now : once(now, random);
        }
        return now;
    }

    private static byte[] once(byte[] from, Random random) {
        byte[] b = from.clone();
        int at = random.nextInt(b.length);
        int length = 1 + random.nextInt(Math.max(1, Math.min(b.length - at, 200)));
        switch (random.nextInt(9)) {
            case 0 -> {
                for (int i = random.nextInt(8); i >= 0; i--) {
                    b[random.nextInt(b.length)] ^= (byte) (1 << random.nextInt(8));
                }
            }
            case 1 -> b[at] = (byte) EXTREMES[random.nextInt(4)];
            case 2 -> b = Arrays.copyOf(b, at);
            case 3 -> b = spliced(Arrays.copyOf(b, at), Arrays.copyOfRange(b, at + length, b.length));
            case 4 -> b = spliced(Arrays.copyOf(b, at + length), Arrays.copyOfRange(b, at, b.length));
            case 5 -> {
                byte[] junk = new byte[length];
                random.nextBytes(junk);
                b = spliced(spliced(Arrays.copyOf(b, at), junk), Arrays.copyOfRange(b, at, b.length));
            }
            case 6 -> word(b, at, EXTREMES[random.nextInt(EXTREMES.length)], random.nextBoolean());
            case 7 -> Arrays.fill(b, at, at + length, (byte) 0);
            default -> {
                // What stands in headers is worth more tries than what stands in the middle.
                int head = random.nextInt(Math.min(b.length, 120));
                word(b, head, EXTREMES[random.nextInt(EXTREMES.length)], random.nextBoolean());
            }
        }
        return b;
    }

    private static void word(byte[] b, int at, int value, boolean big) {
        for (int i = 0; i < 4 && at + i < b.length; i++) {
            b[at + i] = (byte) (value >> 8 * (big ? 3 - i : i));
        }
    }

    private static byte[] spliced(byte[] a, byte[] b) {
        byte[] all = Arrays.copyOf(a, a.length + b.length);
        System.arraycopy(b, 0, all, a.length, b.length);
        return all;
    }
}

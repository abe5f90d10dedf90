package stillglass.book.trace;

import java.io.BufferedInputStream;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Locale;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.UnsupportedAudioFileException;
import stillglass.book.BadInput;
import stillglass.prove.trace.Recording;

/// A WAV file, played from the disk.
///
/// The kind of samples is read by the platform's own reader; the length is taken from the file, not from what its head says of it: a recorder that was switched
/// off, or a program that copied half of it, leaves a head that lies.
final class WavFile implements Recording {
    private static final double LEAST_HZ = 8000;
    private static final double MOST_HZ = 192_000;
    private static final int MOST_CHANNELS = 8;
    private static final int HEAD_BYTES = 1 << 16;
    private static final int BLOCK_FRAMES = 1 << 15;
    private static final int CHUNK = 8;
    private static final long UNTOLD = 0xFFFF_FFFFL;

    private final Path file;
    private final String name;
    private final AudioFormat format;
    private final long dataAt;
    private final long frames;

    private WavFile(Path file, String name, AudioFormat format, long dataAt, long frames) {
        this.file = file;
        this.name = name;
        this.format = format;
        this.dataAt = dataAt;
        this.frames = frames;
    }

    static Recording open(Path file, String name) throws IOException {
        try (FileChannel in = FileChannel.open(file, StandardOpenOption.READ)) {
            Data data = data(in, name);
            AudioFormat format = format(in, data, name);
            checked(format, name);
            long bytes = in.size() - data.at;
            // A length that fits into the file is believed; of one that does not, what is there.
            long believed = data.bytes > 0 && data.bytes <= bytes ? data.bytes : bytes;
            long frames = believed / format.getFrameSize();
            if (frames < 1) {
                throw new BadInput(name, "data", "holds no samples: record it again");
            }
            return new WavFile(file, name, format, data.at, frames);
        }
    }

    /// Where the samples are.
    private record Data(long at, long bytes) {}

    private static Data data(FileChannel in, String name) throws IOException {
        ByteBuffer chunk = ByteBuffer.allocate(CHUNK).order(ByteOrder.LITTLE_ENDIAN);
        boolean format = false;
        long large = 0;
        for (long at = 12; at + CHUNK <= in.size();) {
            chunk.clear();
            in.read(chunk, at);
            String kind = new String(chunk.array(), 0, 4, StandardCharsets.ISO_8859_1);
            long bytes = Integer.toUnsignedLong(chunk.getInt(4));
            if (kind.equals("data") && format) {
                return new Data(at + CHUNK, bytes == UNTOLD && large > 0 ? large : bytes);
            }
            if (kind.equals("ds64") && bytes >= 2 * Long.BYTES) {
                // Of files beyond 4 GB: length of the whole, then that of the samples (EBU Tech 3306).
                ByteBuffer lengths = ByteBuffer.allocate(2 * Long.BYTES).order(ByteOrder.LITTLE_ENDIAN);
                in.read(lengths, at + CHUNK);
                large = lengths.getLong(Long.BYTES);
            }
            format |= kind.equals("fmt ");
            at += CHUNK + bytes + bytes % 2;
        }
        throw new BadInput(name, format ? "data" : "fmt", "the WAV file has no " + (format ? "samples" : "format") + " in it: record it again");
    }

    /// As the platform reads it from the head, which is given to it with a length that is true.
    private static AudioFormat format(FileChannel in, Data data, String name) throws IOException {
        if (data.at > HEAD_BYTES) {
            throw new BadInput(name, "head", "is longer than 64 kB before the first sample: save it anew as a plain WAV file");
        }
        ByteBuffer head = ByteBuffer.allocate((int) data.at).order(ByteOrder.LITTLE_ENDIAN);
        in.read(head, 0);
        head.putInt(4, (int) data.at - CHUNK);
        head.putInt((int) data.at - 4, 0);
        head.put(0, "RIFF".getBytes(StandardCharsets.ISO_8859_1));
        try {
            return AudioSystem.getAudioFileFormat(new BufferedInputStream(new ByteArrayInputStream(head.array()))).getFormat();
        } catch (UnsupportedAudioFileException e) {
            throw new BadInput(name, "fmt", "is no plain WAV: save it as PCM of 8, 16, 24 or 32 bits, or as 32-bit float", e);
        }
    }

    private static void checked(AudioFormat f, String name) {
        if (!(f.getSampleRate() >= LEAST_HZ && f.getSampleRate() <= MOST_HZ)) {
            throw new BadInput(name, "rate", String.format(Locale.ROOT, "is %.0f Hz: record at 8000 to 192000 Hz", f.getSampleRate()));
        }
        if (f.getChannels() < 1 || f.getChannels() > MOST_CHANNELS) {
            throw new BadInput(name, "channels", "are " + f.getChannels() + ": record one channel for each sensor, 8 at most");
        }
        int bits = f.getSampleSizeInBits();
        boolean pcm = f.getEncoding().equals(AudioFormat.Encoding.PCM_SIGNED) && (bits == 16 || bits == 24 || bits == 32)
                || f.getEncoding().equals(AudioFormat.Encoding.PCM_UNSIGNED) && bits == 8;
        boolean real = f.getEncoding().equals(AudioFormat.Encoding.PCM_FLOAT) && (bits == 32 || bits == 64);
        if (!pcm && !real || f.getFrameSize() != f.getChannels() * bits / 8) {
            throw new BadInput(name, "fmt", "has " + bits + "-bit samples of the kind " + f.getEncoding() + ": save it as PCM of 8, 16, 24 or 32 bits, or as 32-bit float");
        }
    }

    @Override
    public String name() {
        return name;
    }

    @Override
    public double rateHz() {
        return format.getSampleRate();
    }

    @Override
    public int channels() {
        return format.getChannels();
    }

    @Override
    public long frames() {
        return frames;
    }

    @Override
    public double fullScale() {
        int bits = format.getSampleSizeInBits();
        // One step below one is the largest sample there is above the middle.
        return format.getEncoding().equals(AudioFormat.Encoding.PCM_FLOAT) ? 1 : 1 - Math.pow(2, 1 - bits);
    }

    @Override
    public void play(long from, long to, Listener listener) {
        int channels = channels();
        int frame = format.getFrameSize();
        float[][] block = new float[channels][BLOCK_FRAMES];
        ByteBuffer raw = ByteBuffer.allocate(BLOCK_FRAMES * frame).order(ByteOrder.LITTLE_ENDIAN);
        try (FileChannel in = FileChannel.open(file, StandardOpenOption.READ)) {
            for (long at = from; at < to;) {
                int want = (int) Math.min(BLOCK_FRAMES, to - at);
                raw.clear().limit(want * frame);
                while (raw.hasRemaining()) {
                    if (in.read(raw, dataAt + at * frame + raw.position()) < 0) {
                        throw new BadInput(name, "data", "became shorter while it was read: copy it to a disk of this machine first");
                    }
                }
                decode(raw.array(), want, channels, block);
                listener.block(block, want);
                at += want;
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void decode(byte[] raw, int frames, int channels, float[][] out) {
        int bytes = format.getSampleSizeInBits() / 8;
        boolean real = format.getEncoding().equals(AudioFormat.Encoding.PCM_FLOAT);
        ByteBuffer b = ByteBuffer.wrap(raw).order(ByteOrder.LITTLE_ENDIAN);
        for (int c = 0; c < channels; c++) {
            float[] to = out[c];
            int step = channels * bytes;
            int at = c * bytes;
            switch (bytes) {
                case 1 -> {
                    for (int i = 0; i < frames; i++, at += step) {
                        to[i] = ((raw[at] & 0xff) - 128) / 128f;
                    }
                }
                case 2 -> {
                    for (int i = 0; i < frames; i++, at += step) {
                        to[i] = (short) (raw[at] & 0xff | raw[at + 1] << 8) * (1 / 32768f);
                    }
                }
                case 3 -> {
                    for (int i = 0; i < frames; i++, at += step) {
                        to[i] = (raw[at] & 0xff | (raw[at + 1] & 0xff) << 8 | raw[at + 2] << 16) * (1 / 8388608f);
                    }
                }
                default -> {
                    for (int i = 0; i < frames; i++, at += step) {
                        float v = bytes == 8 ? (float) b.getDouble(at) : real ? b.getFloat(at) : b.getInt(at) / 2147483648f;
                        to[i] = Float.isFinite(v) ? v : bad(i, c);
                    }
                }
            }
        }
    }

    private float bad(int frame, int channel) {
        throw new BadInput(name, "data", "sample " + frame + " of channel " + (channel + 1) + " is no number: save it anew as a WAV of whole numbers");
    }
}

package stillglass.book.trace;

import java.io.BufferedReader;
import java.io.IOException;
import java.nio.charset.MalformedInputException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import stillglass.book.BadInput;
import stillglass.prove.trace.Recording;

/// A table of time and samples: `t_s,v[,v2…]`, with a head or without, numbers apart by comma, semicolon or tab.
///
/// Times that do not go in equal steps are brought to equal ones, by straight lines between the samples.
final class CsvTrace {
    private static final int MOST_ROWS = 20_000_000;
    private static final long MOST_BYTES = 600_000_000;
    private static final int MOST_COLUMNS = 9;
    private static final int FEW = 16;
    private static final int LONGEST_LINE = 2000;
    /// Steps this equal are equal.
    private static final double EQUAL = 0.02;
    /// No sampling is so much finer than its usual step that a file of it would be larger than this.
    private static final long MOST_FRAMES = 60_000_000;
    private static final Pattern NUMBER_HEAD = Pattern.compile("[+-]?[.,]?\\d.*");

    private CsvTrace() {}

    static Recording open(Path file, String name) throws IOException {
        Read read = read(file, name);
        if (read.rows < FEW) {
            throw new BadInput(name, "rows", "are " + read.rows + ": a shot needs more samples than that");
        }
        return even(name, read.columns, read.rows, read.finest);
    }

    /// Columns as they are.
    static List<double[]> columns(Path file, String name) throws IOException {
        Read read = read(file, name);
        return read.columns.stream().map(c -> Arrays.copyOf(c, read.rows)).toList();
    }

    /// @param columns longer than there are rows
    /// @param finest step in which the first column is written
    private record Read(List<double[]> columns, int rows, double finest) {}

    private static Read read(Path file, String name) throws IOException {
        if (Files.size(file) > MOST_BYTES) {
            throw new BadInput(name, "file", "is larger than 600 MB: cut the recording to the shots");
        }
        List<double[]> columns = new ArrayList<>();
        int rows = 0;
        double finest = 1;
        try (BufferedReader in = Files.newBufferedReader(file, StandardCharsets.UTF_8)) {
            int lineAt = 0;
            Pattern apart = Pattern.compile(",");
            boolean decimalComma = false;
            for (String line = in.readLine(); line != null; line = in.readLine()) {
                lineAt++;
                if (line.length() > LONGEST_LINE) {
                    throw new BadInput(name, "line " + lineAt, "is longer than a row of samples: save it as a table of time and samples");
                }
                String text = line.replace("\uFEFF", "").strip();
                if (text.isEmpty() || text.startsWith("#")) {
                    continue;
                }
                if (rows == 0) {
                    char sign = text.indexOf('\t') >= 0 ? '\t' : text.indexOf(';') >= 0 ? ';' : ',';
                    apart = Pattern.compile(Pattern.quote(String.valueOf(sign)));
                    decimalComma = sign != ',' && text.indexOf(',') >= 0 && text.indexOf('.') < 0;
                    if (columns.isEmpty() && !NUMBER_HEAD.matcher(text).matches() && !isNumber(apart.split(text)[0])) {
                        if (lineAt > FEW) {
                            throw new BadInput(name, "line " + lineAt, "no samples begin here: give rows of time in seconds and samples");
                        }
                        continue;
                    }
                }
                String[] cells = apart.split(text, -1);
                if (columns.isEmpty()) {
                    if (cells.length < 2 || cells.length > MOST_COLUMNS) {
                        throw new BadInput(name, "line " + lineAt, "has " + cells.length + " columns: give the time in seconds and one to eight samples");
                    }
                    Arrays.stream(cells).forEach(c -> columns.add(new double[1024]));
                }
                if (cells.length != columns.size()) {
                    throw new BadInput(name, "line " + lineAt, "has " + cells.length + " columns, the first has " + columns.size() + ": every row needs the same");
                }
                if (rows == MOST_ROWS) {
                    throw new BadInput(name, "rows", "are more than 20 million: cut the recording to the shots");
                }
                for (int c = 0; c < cells.length; c++) {
                    if (rows == columns.get(c).length) {
                        columns.set(c, Arrays.copyOf(columns.get(c), 2 * rows));
                    }
                    columns.get(c)[rows] = number(cells[c], decimalComma, name, lineAt, c);
                }
                finest = Math.min(finest, written(cells[0]));
                rows++;
            }
        } catch (MalformedInputException e) {
            throw new BadInput(name, "file", "is neither WAV nor text: record it as WAV, or save it as CSV", e);
        }
        return new Read(columns, rows, finest);
    }

    private static boolean isNumber(String cell) {
        try {
            Double.parseDouble(cell.strip());
            return true;
        } catch (NumberFormatException e) {
            return false;
        }
    }

    private static double number(String cell, boolean decimalComma, String name, int line, int column) {
        String text = cell.strip();
        double v;
        try {
            v = Double.parseDouble(decimalComma ? text.replace(',', '.') : text);
        } catch (NumberFormatException e) {
            v = Double.NaN;
        }
        if (!Double.isFinite(v) || Math.abs(v) > 1e30) {
            throw new BadInput(name, "line " + line, "column " + (column + 1) + " is \"" + (text.length() > 30 ? text.substring(0, 30) + "…" : text) + "\" and no number: mend or leave out that row");
        }
        return v;
    }

    /// @param finest step in which times are written, s
    private static Recording even(String name, List<double[]> columns, int rows, double finest) {
        double[] t = columns.getFirst();
        double whole = t[rows - 1] - t[0];
        double mean = whole / (rows - 1);
        double off = 0;
        for (int i = 0; i < rows; i++) {
            if (i > 0 && !(t[i] >= t[i - 1])) {
                throw new BadInput(name, "row " + (i + 1), "its time is earlier than that of the row before: times must rise");
            }
            off = Math.max(off, Math.abs(t[i] - t[0] - i * mean));
        }
        if (!(mean > 0)) {
            throw new BadInput(name, "times", "are all the same: give the time of every sample in seconds");
        }
        // Equal steps that were rounded when they were written are equal steps.
        if (off <= Math.max(EQUAL * mean, finest)) {
            return Recording.of(name, 1 / mean, Double.POSITIVE_INFINITY, columns.stream().skip(1).map(c -> evened(c, t, rows, rows, 0)).toArray(float[][]::new));
        }
        double[] steps = IntStream.range(1, rows).mapToDouble(i -> t[i] - t[i - 1]).filter(s -> s > 0).sorted().toArray();
        double usual = steps[steps.length / 2];
        if (whole / usual > MOST_FRAMES) {
            throw new BadInput(name, "times", String.format(Locale.ROOT, "go in steps of %.2g s over %.2g s: cut the recording to the shots", usual, whole));
        }
        int frames = (int) (whole / usual) + 1;
        return Recording.of(name, 1 / usual, Double.POSITIVE_INFINITY, columns.stream().skip(1).map(c -> evened(c, t, rows, frames, usual)).toArray(float[][]::new));
    }

    /// @param step of time wanted, s; 0 for the samples as they are
    private static float[] evened(double[] v, double[] t, int rows, int frames, double step) {
        float[] out = new float[frames];
        for (int i = 0, k = 0; i < frames; i++) {
            if (step <= 0) {
                out[i] = (float) v[i];
                continue;
            }
            double at = t[0] + i * step;
            while (k < rows - 2 && t[k + 1] < at) {
                k++;
            }
            double share = t[k + 1] > t[k] ? Math.clamp((at - t[k]) / (t[k + 1] - t[k]), 0, 1) : 0;
            out[i] = (float) (v[k] + share * (v[k + 1] - v[k]));
        }
        return out;
    }

    /// Step in which a number is written: 0.001 for three decimals.
    private static double written(String cell) {
        String text = cell.strip();
        int point = Math.max(text.indexOf('.'), text.indexOf(','));
        return text.indexOf('e') >= 0 || text.indexOf('E') >= 0 ? 0 : Math.pow(10, point < 0 ? 0 : point + 1 - text.length());
    }
}

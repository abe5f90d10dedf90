package stillglass.look;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;

/// Learned models that ship with the application, as lines of text.
public final class ModelText {
    private ModelText() {}

    /// @param beside a class of the package the file lies in
    /// @throws IllegalStateException when it was not shipped
    public static List<String> lines(Class<?> beside, String file) {
        try (InputStream in = beside.getResourceAsStream(file)) {
            if (in == null) {
                throw new IllegalStateException(file + " is missing from the application");
            }
            return new BufferedReader(new InputStreamReader(in, StandardCharsets.UTF_8)).lines().toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}

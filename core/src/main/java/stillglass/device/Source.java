package stillglass.device;

import java.util.Locale;
import stillglass.say.Said;

/// Where a reading or a picture came from.
public enum Source {
    TYPED,
    FILE,
    PASTED,
    /// The folder that is watched for new pictures.
    FOLDER,
    DEVICE,
    /// Made by a simulated device: in the demo and in practice only.
    SIMULATED;

    public Said said() {
        return Said.of("source." + name().toLowerCase(Locale.ROOT));
    }
}

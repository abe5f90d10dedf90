package stillglass.ticket.joints;

import java.util.Locale;
import stillglass.say.Said;

/// Trouble that is not mended.
/// @param seq number of the row that reported it
public record TroubleAt(long seq, String joint, Trouble kind, String note) {
    /// @param name of the joint
    public Said said(String name) {
        String key = "trouble." + kind.name().toLowerCase(Locale.ROOT).replace('_', '-');
        return note.isEmpty() ? Said.of(key, "joint", name) : Said.of(key + ".note", "joint", name, "note", note);
    }
}

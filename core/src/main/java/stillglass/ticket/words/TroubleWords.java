package stillglass.ticket.words;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import stillglass.assembly.Joint;
import stillglass.say.Said;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.joints.Trouble;
import stillglass.ticket.line.Cursor;

/// What went wrong at the joint in hand, and that it is over: `dropped, click ball`, `broken`, `not as drawn, two screws more`, `found it`, `mended click ball`.
final class TroubleWords implements Grammar {
    private static final Map<String, Trouble> KINDS = Map.of("dropped", Trouble.DROPPED, "broken", Trouble.BROKEN, "stripped", Trouble.BROKEN, "not as drawn", Trouble.NOT_AS_DRAWN);

    @Override
    public Optional<Reading> read(Cursor line, Setting in) {
        Optional<String> kind = line.takeOne(List.copyOf(KINDS.keySet()));
        if (kind.isPresent()) {
            line.take(":");
            String note = line.rest().orElse("");
            Trouble trouble = KINDS.getOrDefault(kind.get(), Trouble.BROKEN);
            return Optional.of(in.joint().map(j -> Reading.understood(said(j, trouble, note), new JointIntent.Report(j.id(), trouble, note))).orElse(Reading.unclear("say.no-joint")));
        }
        if (line.take("found it") || line.take("mended")) {
            Optional<String> words = line.rest();
            String joint = in.joint().map(Joint::id).orElse("");
            return Optional.of(Reading.understood(words.map(w -> Said.of("say.reads.mended.what", "what", w)).orElse(Said.of("say.reads.mended")), new JointIntent.Mend(joint, words)));
        }
        return Optional.empty();
    }

    private static Said said(Joint j, Trouble kind, String note) {
        String key = "trouble." + kind.name().toLowerCase(Locale.ROOT).replace('_', '-');
        return note.isEmpty() ? Said.of(key, "joint", j.name()) : Said.of(key + ".note", "joint", j.name(), "note", note);
    }

    @Override
    public List<String> examples(Setting in) {
        return in.joint().isPresent() ? List.of("dropped, ", "broken, ", "not as drawn, ", "found it", "mended") : List.of();
    }
}

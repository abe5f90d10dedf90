package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import stillglass.say.Said;

/// A photo of this step.
public record Photo(String photoId) implements Fact.OfPiece {
    @Override
    public String about() {
        return "photo";
    }

    @Override
    public Again again() {
        return Again.LOGGED;
    }

    @Override
    public boolean single() {
        return false;
    }

    @Override
    public Said said() {
        return Said.of("fact.photo");
    }

    @Override
    public Verdict against(Fact recorded, Scene scene) {
        return new Verdict.Agrees(Said.of("fact.photo.back"));
    }

    /// Photos are taken, not typed.
    @AutoService(FactKind.class)
    public static final class Kind implements FactKind {
        @Override
        public String name() {
            return "photo";
        }

        @Override
        public Class<Photo> type() {
            return Photo.class;
        }
    }
}

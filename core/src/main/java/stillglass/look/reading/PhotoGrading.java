package stillglass.look.reading;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import stillglass.look.Aperture;
import stillglass.look.Both;
import stillglass.look.Finding;
import stillglass.look.Lighting;
import stillglass.look.LinearPhoto;
import stillglass.look.PhotoEdges;
import stillglass.look.PhotoLight;
import stillglass.look.Progress;
import stillglass.look.kinds.KindModel;
import stillglass.look.rim.ApertureFinder;
import stillglass.say.Said;

/// Reads one photograph: aperture, clean glass, veil, what stands out, what it is.
public final class PhotoGrading {
    private PhotoGrading() {}

    /// What a photograph shows.
    /// @param aperture in pixels of the stored photo
    /// @param veilFraction scattered light in the aperture over the reference light, 0 to 1
    /// @param light what else it says of its light; what the glass keeps of a bright field is nothing where too little of the card is seen; without the exposure, which only the file knows
    /// @param sectorVeils veil in 32 sectors (4 rings of equal area, 8 directions from 12 clockwise), for comparisons
    /// @param edges how sharp rim and blades are
    /// @param maskWidth width of the working mask
    /// @param mask levels of [stillglass.look.FindingKind#maskLevel], row-major, working scale
    /// @param diagnostics what was assumed or is not good enough
    public record Graded(
            Lighting lighting,
            Aperture aperture,
            List<Finding> findings,
            double veilFraction,
            List<Double> sectorVeils,
            PhotoLight light,
            PhotoEdges edges,
            int maskWidth,
            Mask mask,
            List<Said> diagnostics) {
        public Graded {
            findings = List.copyOf(findings);
            sectorVeils = List.copyOf(sectorVeils);
            diagnostics = List.copyOf(diagnostics);
        }
    }

    /// The painted mask at working scale.
    public static final class Mask {
        private final byte[] levels;

        Mask(byte[] levels) {
            this.levels = levels;
        }

        public int level(int at) {
            return levels[at];
        }

        public int size() {
            return levels.length;
        }
    }

    /// Outcome: graded, or refused with a reason and a better way to take the photo.
    public sealed interface Outcome {
        record Seen(Graded graded) implements Outcome {}

        record Refused(Said why) implements Outcome {}
    }

    /// What is known beforehand.
    /// @param lighting empty to choose from the photo
    /// @param aperture empty to find it; in pixels of the stored photo
    /// @param referenceLight linear light of the bare lamp at the same exposure, if a lamp frame was taken
    /// @param before the clear aperture in a photo taken from that side before, in its pixels: where this one has a ring there, it is taken
    public record Given(Optional<Lighting> lighting, Optional<Aperture> aperture, OptionalDouble referenceLight, Optional<Aperture> before) {
        public static final Given NOTHING = new Given(Optional.empty(), Optional.empty(), OptionalDouble.empty());

        public Given(Optional<Lighting> lighting, Optional<Aperture> aperture, OptionalDouble referenceLight) {
            this(lighting, aperture, referenceLight, Optional.empty());
        }
    }

    /// The clear aperture in pixels of the stored photo, without grading what is in it.
    /// @return nothing when no round glass edge stands out
    public static Optional<Aperture> aperture(LinearPhoto photo) {
        return apertures(photo).stream().findFirst();
    }

    /// Rings that may be the clear aperture, the likeliest first, in pixels of the stored photo.
    public static List<Aperture> apertures(LinearPhoto photo) {
        return ApertureFinder.candidates(photo).stream().map(a -> a.ring().scaled(photo.scale())).toList();
    }

    /// Grades a photograph with the model that ships. Deterministic; about a second for 12 MP.
    /// @throws java.util.concurrent.CancellationException when `progress` asks to stop
    public static Outcome grade(LinearPhoto photo, Given given, Progress progress) {
        return grade(photo, given, KindModel.shipped(), progress);
    }

    /// The same with another model.
    public static Outcome grade(LinearPhoto photo, Given given, KindModel model, Progress progress) {
        return judge(surveyed(photo, given, progress), photo, given, model, progress);
    }

    /// Within the likeliest ring; where that holds what no glass does, within the next that does not.
    private static Optional<Survey> surveyed(LinearPhoto photo, Given given, Progress progress) {
        Optional<Survey> first = Survey.of(photo, given, progress);
        if (given.aperture().isPresent() || first.filter(s -> !PhotoQuality.noRim(s) && PhotoQuality.doubtful(s)).isEmpty()) {
            return first;
        }
        return ApertureFinder.candidates(photo).stream().skip(1).limit(MORE_RINGS).filter(r -> r.chance() >= LEAST_CHANCE)
                .map(r -> Survey.within(photo, r, first.orElseThrow().lens, given, progress))
                .filter(s -> !PhotoQuality.doubtful(s)).findFirst().or(() -> first);
    }

    /// What a model makes of a photo that was surveyed already.
    /// @param survey nothing when no round glass edge stands out
    public static Outcome judge(Optional<Survey> survey, LinearPhoto photo, Given given, KindModel model, Progress progress) {
        if (survey.isEmpty()) {
            return new Outcome.Refused(Said.of("photo.no-edge"));
        }
        Survey s = survey.get();
        Optional<Said> no = PhotoQuality.refusal(s, given.aperture().isPresent());
        if (no.isPresent()) {
            return new Outcome.Refused(no.get());
        }
        progress.at(0.8, "telling kinds apart");
        Veil veil = new Veil(s, given.referenceLight());
        FindingMaker maker = new FindingMaker(s, photo, veil, model);
        Both<List<Finding>, PhotoEdges> told = Both.of(maker::findings, () -> EdgeSharpness.of(photo, s.aperture, s.maps));
        List<Said> diagnostics = new ArrayList<>();
        if (given.referenceLight().isEmpty()) {
            diagnostics.add(Said.of("photo.no-lamp", "to", veil.relativeToSurroundings() ? "surroundings" : "exposure"));
        }
        diagnostics.addAll(PhotoQuality.remarks(s, photo));
        PhotoLight light = new PhotoLight(veil.reference(), Optional.empty(), s.lighting() == Lighting.BRIGHT ? veil.through(photo) : Optional.empty());
        byte[] mask = maker.mask(photo.width(), photo.height());
        progress.at(1, "done");
        return new Outcome.Seen(new Graded(s.lighting(), s.aperture.scaled(photo.scale()), told.one(), veil.mean(), veil.sectors(), light, told.other(),
                photo.width(), new Mask(mask), diagnostics));
    }

    /// Rings tried after the likeliest.
    private static final int MORE_RINGS = 2;
    /// Chance of a ring from which it is tried after the likeliest: on what is no lens there is always some ring with little in it.
    private static final double LEAST_CHANCE = 0.05;
}

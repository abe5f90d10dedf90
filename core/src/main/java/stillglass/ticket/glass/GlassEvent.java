package stillglass.ticket.glass;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import stillglass.device.Source;
import stillglass.grade.CheapTest;
import stillglass.grade.DepthReading;
import stillglass.look.Aperture;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.look.PhotoEdges;
import stillglass.look.PhotoLight;
import stillglass.say.Said;
import stillglass.ticket.story.Event;
import stillglass.ticket.story.Named;
import stillglass.ticket.story.Phase;

/// What was seen, and what was made of it. Kinds that are kept as they come are intents, too.
public sealed interface GlassEvent extends Event {
    /// @param fromRear whether it looks in from behind
    /// @param caption what it shows
    /// @param source empty in rows written before it was kept
    /// @param taken when, by the clock of the camera, where the file says so
    /// @param camera as it names itself in the file, where it does
    @Named("photo-kept")
    record PhotoKept(String photoId, Phase phase, boolean fromRear, String caption, Optional<Source> source, Optional<LocalDateTime> taken, Optional<String> camera) implements GlassEvent, GlassIntent.Kept {
        /// @param source where it came from
        public PhotoKept(String photoId, Phase phase, boolean fromRear, String caption, Source source) {
            this(photoId, phase, fromRear, caption, Optional.of(source), Optional.empty(), Optional.empty());
        }
    }

    /// Where the instrument's own controls stood when a photo was taken: a fault seen at one setting of a zoom need not be seen at another.
    /// @param zoomMm focal length a zoom stood at
    /// @param stop f-number the iris stood at
    /// @param focus where the focus stood: `near`, `infinity`, or a distance in words
    @Named("photo-set")
    record PhotoSet(String photoId, Optional<Double> zoomMm, Optional<Double> stop, Optional<String> focus) implements GlassEvent {
        private static final double MOST = 1e5;

        public PhotoSet {
            zoomMm.ifPresent(mm -> checked(mm, "a zoom setting in mm"));
            stop.ifPresent(f -> checked(f, "an f-number"));
        }

        private static void checked(double value, String what) {
            if (!(value > 0 && value < MOST)) {
                throw new IllegalArgumentException(what + " is " + value + ": give a positive number");
            }
        }

        public Said said() {
            List<Said> all = new ArrayList<>();
            zoomMm.ifPresent(mm -> all.add(Said.of("photo.set.zoom", "mm", mm)));
            stop.ifPresent(f -> all.add(Said.of("photo.set.stop", "stop", f)));
            focus.ifPresent(w -> all.add(Said.of("photo.set.focus", "at", w)));
            return all.size() == 1 ? all.getFirst() : Said.commas(all);
        }
    }

    /// A photo was taken with the lamp at another place than the others from its side, everything else being as it was.
    @Named("lamp-moved")
    record LampMoved(String photoId) implements GlassEvent {}

    /// Photos were taken one after another from one place while the camera's focus went evenly one way.
    @Named("photos-swept")
    record PhotosSwept(List<String> photoIds) implements GlassEvent {
        public PhotosSwept {
            photoIds = List.copyOf(photoIds);
        }
    }

    /// Of a sweep this photo is the one in which the blades of the iris are sharpest.
    @Named("blades-sharp")
    record BladesSharp(String photoId) implements GlassEvent {}

    /// The day of which a photo is, where its file does not say so or says it wrongly: somebody else's, or of an earlier visit.
    @Named("photo-dated")
    record PhotoDated(String photoId, LocalDate day) implements GlassEvent {}

    /// A mark was drawn on a photo, or an earlier one with that number changed.
    /// @param number from 0
    @Named("photo-marked")
    record PhotoMarked(String photoId, int number, PhotoMark mark) implements GlassEvent, GlassIntent.Kept {}

    /// The last mark of a photo was taken off.
    @Named("photo-unmarked")
    record PhotoUnmarked(String photoId, int number) implements GlassEvent, GlassIntent.Kept {}

    /// @param light what else it says of its light; empty in rows written before it was kept
    /// @param edges how sharp rim and blades are; empty in rows written before it was kept
    @Named("photo-graded")
    record PhotoGraded(String photoId, Lighting lighting, Aperture aperture, List<Finding> findings, double veil, List<Double> sectorVeils, List<Said> remarks, Optional<PhotoLight> light, Optional<PhotoEdges> edges)
            implements GlassEvent, GlassIntent.Kept {
        public PhotoGraded {
            findings = List.copyOf(findings);
            sectorVeils = List.copyOf(sectorVeils);
            remarks = List.copyOf(remarks);
        }

        public PhotoGraded(String photoId, Lighting lighting, Aperture aperture, List<Finding> findings, double veil, List<Double> sectorVeils, List<Said> remarks) {
            this(photoId, lighting, aperture, findings, veil, sectorVeils, remarks, Optional.empty());
        }

        public PhotoGraded(String photoId, Lighting lighting, Aperture aperture, List<Finding> findings, double veil, List<Double> sectorVeils, List<Said> remarks, Optional<PhotoLight> light) {
            this(photoId, lighting, aperture, findings, veil, sectorVeils, remarks, light, Optional.empty());
        }

        /// What else it says of its light; of photos that were read before that was kept, nothing.
        public PhotoLight lit() {
            return light.orElse(PhotoLight.UNKNOWN);
        }
    }

    /// A photo shows a white card in the place of the lens, or the bare lamp: veil is measured against it.
    /// @param light linear light of its middle
    /// @param exposure as its camera wrote it, relative
    @Named("card-measured")
    record CardMeasured(String photoId, double light, Optional<Double> exposure) implements GlassEvent, GlassIntent.Kept {
        public CardMeasured {
            if (!(light > 0 && light <= 1) || exposure.filter(e -> !(e > 0 && e < Double.POSITIVE_INFINITY)).isPresent()) {
                throw new IllegalArgumentException("light " + light + " at exposure " + exposure + " is no card's");
            }
        }

        /// Its light at the exposure of another photo.
        /// @return nothing where only one of both says how it was exposed
        public Optional<Double> at(Optional<Double> other) {
            return exposure.isPresent() != other.isPresent() ? Optional.empty() : Optional.of(light * other.orElse(1.0) / exposure.orElse(1.0));
        }
    }

    /// @param findingId photo id and number: `p1#2`
    @Named("finding-rekinded")
    record FindingRekinded(String findingId, FindingKind kind) implements GlassEvent {}

    /// How severe it is, as the technician sees it.
    /// @param severity 0 to 4, as [stillglass.ticket.condition.Extent] names them
    @Named("finding-severe")
    record FindingSevere(String findingId, int severity) implements GlassEvent {
        public FindingSevere {
            if (severity < 0 || severity > 4) {
                throw new IllegalArgumentException("a severity is " + severity + ": give 0 to 4");
            }
        }
    }

    @Named("finding-dismissed")
    record FindingDismissed(String findingId) implements GlassEvent {}

    /// @param surface index from 0
    @Named("finding-placed")
    record FindingPlaced(String findingId, int surface) implements GlassEvent {}

    /// The surface given for a finding no longer holds.
    @Named("finding-unplaced")
    record FindingUnplaced(String findingId) implements GlassEvent {}

    @Named("depth-read")
    record DepthRead(String findingId, DepthReading reading) implements GlassEvent {}

    /// A cheap test was done on a finding.
    /// @param test id in the table of tests
    /// @param kind the likeliest now
    /// @param chances of every kind now
    @Named("finding-tested")
    record FindingTested(String findingId, String test, CheapTest.Answer answer, FindingKind kind, Map<FindingKind, Double> chances) implements GlassEvent {
        public FindingTested {
            chances = Map.copyOf(chances);
        }
    }

    /// The outline was drawn anew by hand.
    @Named("finding-reshaped")
    record FindingReshaped(String findingId, List<Finding.Region> regions) implements GlassEvent {
        public FindingReshaped {
            regions = List.copyOf(regions);
        }
    }

    /// A finding was drawn by hand on a photo.
    @Named("finding-drawn")
    record FindingDrawn(String findingId, String photoId, Finding finding) implements GlassEvent {}

    /// Two findings are one fault; the second goes into the first.
    @Named("findings-merged")
    record FindingsMerged(String findingId, String gone) implements GlassEvent {}

    /// Every outline of a finding is a fault of its own.
    @Named("finding-split")
    record FindingSplit(String findingId) implements GlassEvent {}

    /// @param depthMm plane behind the rim on which the photo is sharp
    @Named("photo-focused")
    record PhotoFocused(String photoId, double depthMm) implements GlassEvent {
        private static final double MOST_MM = 500;

        public PhotoFocused {
            if (!possible(depthMm)) {
                throw new IllegalArgumentException("a photo focused at " + depthMm + " mm is out of range: give less than 500 mm");
            }
        }

        static boolean possible(double depthMm) {
            return Math.abs(depthMm) < MOST_MM;
        }
    }

    /// How far a photo is turned against an earlier one, by what turns with the mount.
    /// @param turnDeg clockwise
    /// @param sigmaDeg one standard deviation
    @Named("photo-turned")
    record PhotoTurned(String photoId, String against, double turnDeg, double sigmaDeg) implements GlassEvent, GlassIntent.Kept {}

    @Named("grade-overruled")
    record GradeOverruled(String findingId, int grade, String why) implements GlassEvent {}

    /// @param fault short form of a [stillglass.optics.misassembly.LensFault]
    @Named("misassembly-found")
    record MisassemblyFound(String fault) implements GlassEvent {}

    /// Every glass is where it should be.
    @Named("assembly-put-right")
    record AssemblyPutRight() implements GlassEvent {}
}

package stillglass.ticket.glass;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import stillglass.grade.CheapTest;
import stillglass.grade.DepthReading;
import stillglass.grade.TellApart;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.ticket.story.Intent;

/// What is to be made of photos and findings.
public sealed interface GlassIntent extends Intent {
    /// What is kept as it comes.
    sealed interface Kept extends GlassIntent
            permits GlassEvent.PhotoKept, GlassEvent.PhotoGraded, GlassEvent.CardMeasured, GlassEvent.PhotoTurned, GlassEvent.PhotoMarked, GlassEvent.PhotoUnmarked {}

    record Rekind(String findingId, FindingKind kind) implements GlassIntent {}

    /// Say how severe it is, 0 to 4.
    record Severe(String findingId, int severity) implements GlassIntent {}

    /// Answer the question that tells kinds apart.
    /// @param told what is known with the answer
    record AnswerTest(String findingId, String test, CheapTest.Answer answer, TellApart told) implements GlassIntent {}

    record Reshape(String findingId, List<Finding.Region> regions) implements GlassIntent {
        public Reshape {
            regions = List.copyOf(regions);
        }
    }

    /// Draw a fault that was not seen by the application.
    record Draw(String photoId, FindingKind kind, Finding.Region outline) implements GlassIntent {}

    /// @param gone goes into `findingId`
    record Merge(String findingId, String gone) implements GlassIntent {}

    record Split(String findingId) implements GlassIntent {}

    record Dismiss(String findingId) implements GlassIntent {}

    /// @param surface index from 0
    record Place(String findingId, int surface) implements GlassIntent {}

    /// How deep a finding seems to lie.
    record ReadDepth(String findingId, DepthReading reading) implements GlassIntent {}

    /// Say where a photo is sharp.
    /// @param number of the photo among those of the work before, from 1
    /// @param depthMm behind the rim
    record FocusPhoto(int number, double depthMm) implements GlassIntent {}

    /// Photos were taken one after another while the camera's focus went evenly one way.
    /// @param first number among those of the work before, from 1
    record Sweep(int first, int last) implements GlassIntent {}

    /// The blades of the iris are sharpest in a photo of a sweep.
    record SharpBlades(int number) implements GlassIntent {}

    /// Say where the controls stood when a photo was taken.
    /// @param number of the photo among those of the work before, from 1; empty for the last that was kept
    record SetPhoto(Optional<Integer> number, Optional<Double> zoomMm, Optional<Double> stop, Optional<String> focus) implements GlassIntent {}

    /// The lamp stood elsewhere when a photo was taken.
    /// @param number of the photo; empty for the last
    record MoveLamp(Optional<Integer> number) implements GlassIntent {}

    /// Say of which day a photo is.
    /// @param number of the photo among those of the work before, from 1; empty for the last that was kept
    record DatePhoto(Optional<Integer> number, LocalDate day) implements GlassIntent {}

    record OverruleGrade(String findingId, int grade, String why) implements GlassIntent {}

    /// Something was found assembled wrongly.
    /// @param fault short form of a [stillglass.optics.misassembly.LensFault]
    record FindAssembled(String fault) implements GlassIntent {}

    /// Every glass is where it should be.
    record AssembledRight() implements GlassIntent {}
}

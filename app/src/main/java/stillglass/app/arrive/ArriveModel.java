package stillglass.app.arrive;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import stillglass.app.checks.CheckList;
import stillglass.app.checks.CheckModel;
import stillglass.app.desk.Say;
import stillglass.app.desk.Sourced;
import stillglass.app.desk.Work;
import stillglass.app.theme.Words;
import stillglass.assembly.Build;
import stillglass.assembly.Instrument;
import stillglass.optics.LensSection;
import stillglass.optics.Paraxial;
import stillglass.plan.alike.AlikeModel;
import stillglass.prove.InfinityShims;
import stillglass.ticket.TicketState;
import stillglass.ticket.Wet;
import stillglass.ticket.course.CourseIntent;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.readings.Readings;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Stage;

/// What Arrive shows.
///
/// @param form sort of lens
/// @param facts name and value of each computed number
/// @param map whether it is known how it comes apart
/// @param alike a known model built alike whose map can be the start
/// @param builds generic constructions it may be built like, where no map is known
/// @param built the one that was chosen
/// @param with numbers of tickets it came with
/// @param infinity measured error and what it means, empty until measured
/// @param images whether it makes a picture, so that infinity can be measured
/// @param untried the function to try next
/// @param wet how it got wet and how far it has dried, where it did
public record ArriveModel(
        String form,
        List<Fact> facts,
        String map,
        Optional<Alike> alike,
        List<Build> builds,
        Optional<String> built,
        List<String> symptoms,
        String use,
        List<String> with,
        Optional<String> infinity,
        String infinityMeaning,
        boolean images,
        Optional<String> untried,
        Optional<Wet> wet,
        boolean done) {

    private static final int DIFFERENCES = 3;

    public record Fact(String name, String value) {}

    /// @param say how alike it is
    /// @param differences the first of what is not the same
    /// @param all of it
    public record Alike(String say, String differences, String all, CourseIntent.StartFrom start) {}

    public ArriveModel {
        builds = List.copyOf(builds);
        facts = List.copyOf(facts);
        symptoms = List.copyOf(symptoms);
        with = List.copyOf(with);
    }

    public static ArriveModel of(Work work) {
        TicketState s = work.state();
        Optional<ReadingEvent.InfinityMeasured> infinity = s.readings().infinity(Phase.BEFORE).map(Readings.Infinity::read);
        return new ArriveModel(
                work.section().map(l -> Words.capital(l.form())).orElse(Words.of(work.instrument().sort().images() ? "arrive.section.unknown" : "arrive.plain", work.instrument().sort().word())), work.section().map(ArriveModel::facts).orElse(List.of()),
                s.course().taken().map(t -> Words.of("arrive.taken", t.name(), work.instrument().joints().size())).orElse(work.mapped() ? Words.of("arrive.mapped", work.instrument().joints().size(), work.instrument().parts().size())
                        : Words.of("arrive.unmapped")),
                work.mapped() ? Optional.empty() : work.computed().alike().map(ArriveModel::alike),
                work.mapped() ? List.of() : Build.of(work.world().builds(), work.instrument().sort()),
                s.course().build().map(c -> c.build()),
                s.arrival().symptoms(), s.arrival().use(), s.arrival().with(),
                infinity.map(Sourced::error),
                infinity.flatMap(m -> work.section().map(l -> meaning(m.errorMm(), l))).orElse(""),
                work.instrument().sort().images(), CheckList.next(CheckModel.of(work, Phase.BEFORE)), Wet.of(s), s.done(Stage.ARRIVE));
    }

    private static Alike alike(AlikeModel a) {
        Instrument known = a.known().map();
        int shown = Math.min(DIFFERENCES, a.differences().size());
        List<String> differences = a.differences().stream().map(Words::say).toList();
        String all = differences.isEmpty() ? Words.of("arrive.alike.same") : Words.capital(String.join("; ", differences)) + ".";
        return new Alike(Words.of("arrive.alike", known.name(), 100 * a.likeness()), shown == a.differences().size() ? all
                : Words.of("arrive.alike.more", Words.capital(String.join("; ", differences.subList(0, shown))), a.differences().size() - shown), all, new CourseIntent.StartFrom(known.id(), known.name(), a.likeness()));
    }

    private static List<Fact> facts(LensSection lens) {
        Paraxial p = Paraxial.of(lens);
        long groups = lens.elements().stream().map(e -> e.group()).distinct().count();
        long cements = java.util.stream.IntStream.range(0, lens.surfaces().size()).filter(lens::cemented).count();
        List<Fact> facts = new ArrayList<>();
        facts.add(new Fact(Words.of("arrive.efl"), Words.of("mm.2", p.eflMm())));
        facts.add(new Fact(Words.of("arrive.bfd"), Words.of("mm.2", p.bfdMm())));
        facts.add(new Fact(Words.of("arrive.pupil"), Words.of("arrive.pupil.value", p.entrancePupil().diameterMm(), p.eflMm() / p.entrancePupil().diameterMm())));
        facts.add(new Fact(Words.of("arrive.glass"), Words.of("arrive.glass.value", lens.elements().size(), groups)));
        facts.add(new Fact(Words.of("arrive.cement"), cements == 0 ? Words.of(lens.cementKnown() ? "arrive.cements.none" : "arrive.cements.unknown") : Words.of("arrive.cements", (int) cements)));
        facts.add(new Fact(Words.of("arrive.circle"), Words.of("mm.1", lens.imageCircleMm())));
        if (lens.basis().estimate()) {
            facts.add(new Fact(Words.of("arrive.basis"), Words.of("arrive.basis.value", lens.basis().word())));
        }
        return facts;
    }

    static String meaning(double errorMm, LensSection lens) {
        double hidden = InfinityShims.hiddenMm(lens.fNumber(), InfinityShims.SMALL_FORMAT_CIRCLE_MM);
        boolean shows = Math.abs(errorMm) > hidden;
        return Words.of(shows ? "arrive.infinity.shows" : "arrive.infinity.hidden",
                Words.of(errorMm > 0 ? "arrive.behind" : "arrive.before"), hidden, lens.fNumber());
    }

    /// The next thing to ask.
    public Say say() {
        if (wet.filter(w -> !w.proven()).isPresent()) {
            return new Say(Words.of("arrive.say.wet"), Words.of("arrive.keys.wet"));
        }
        if (done) {
            return new Say(Words.of("arrive.say.done"), Words.of("keys.hint.look"));
        }
        if (symptoms.isEmpty()) {
            return new Say(Words.of("arrive.say.symptom"), Words.of("arrive.keys.type"));
        }
        if (untried.isPresent()) {
            return new Say(Words.of("arrive.say.check", untried.get()), Words.of("arrive.keys.tab"));
        }
        if (images && infinity.isEmpty()) {
            return new Say(Words.of("arrive.say.infinity"), Words.of("arrive.keys.read"));
        }
        return new Say(Words.of("arrive.say.finish"), Words.of("keys.hint.finish"));
    }
}

package stillglass.app.desk;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.concurrent.atomic.AtomicLong;
import stillglass.assembly.Instrument;
import stillglass.book.data.Shelf;
import stillglass.fault.ChartPicture;
import stillglass.fault.Diagnosis;
import stillglass.fault.LampLook;
import stillglass.fault.Observation;
import stillglass.fault.SlipEffect;
import stillglass.grade.DepthReading;
import stillglass.grade.OwnersUse;
import stillglass.look.Finding;
import stillglass.look.Progress;
import stillglass.look.ZoomWalk;
import stillglass.optics.Footprints;
import stillglass.optics.Glints;
import stillglass.optics.LensSection;
import stillglass.optics.Paraxial;
import stillglass.optics.misassembly.LensFault;
import stillglass.optics.sharpness.AssemblyEffect;
import stillglass.plan.Alternatives;
import stillglass.plan.Goal;
import stillglass.plan.WayIn;
import stillglass.plan.alike.AlikeModel;
import stillglass.ticket.Assessment;
import stillglass.ticket.Lead;
import stillglass.ticket.Recommendation;
import stillglass.ticket.Wanted;
import stillglass.ticket.TicketState;
import stillglass.ticket.glass.Known;
import stillglass.ticket.glass.Sights;
import stillglass.ticket.joints.Joints;
import stillglass.ticket.joints.Rework;
import stillglass.ticket.proof.BackIn;
import stillglass.ticket.proof.HeldGlass;
import stillglass.ticket.proof.Observed;
import stillglass.ticket.proof.SilentSlips;
import stillglass.ticket.readings.Readings;

/// Recomputes results when their inputs changed, away from the interface thread. A newer request cancels an older one.
final class Computing {
    private static final int MOST_KEPT = 400;

    /// Everything an assessment depends on besides the shelf.
    private record Key(
            String section, String instrument, Finding finding, Optional<Integer> surface, List<DepthReading> depths, boolean fromRear, Optional<Finding> otherSide, List<ZoomWalk.Sight> zooms, OwnersUse use) {}

    private record BeamKey(String section, List<String> assembly, Footprints.Picture picture, double visible) {}

    private record DiagnosisKey(LensSection section, List<Observation> seen, Set<String> touched) {}

    private static final double PICTURED = 0.05;
    private static final int MOST_PICTURED = 2;

    private record LampKey(LensSection section, List<LampLook.Seen> seen) {}

    private record SlipsKey(Readings readings, Joints joints, Instrument instrument, Optional<LensSection> section) {}

    private record PlanKey(WayIn.Request request, Alternatives.Sort way, List<String> order) {}

    private final Map<Key, Assessment> assessed = new LinkedHashMap<>(64, 0.75f, true) {
        private static final long serialVersionUID = 1;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Key, Assessment> eldest) {
            return size() > MOST_KEPT;
        }
    };
    private final AtomicLong newest = new AtomicLong();
    private Optional<PlanKey> planned = Optional.empty();
    private Optional<WayIn.Plan> plan = Optional.empty();
    private final Shelf shelf;
    private Optional<BeamKey> beamed = Optional.empty();
    private Optional<AssemblyEffect> assembly = Optional.empty();
    private Optional<Beams> beams = Optional.empty();
    private Optional<DiagnosisKey> diagnosed = Optional.empty();
    private Optional<Diagnosis> diagnosis = Optional.empty();
    private List<ChartPicture> charts = List.of();
    private Optional<LampKey> lampSeen = Optional.empty();
    private Optional<LampLook> lamp = Optional.empty();
    private Optional<SlipsKey> slipped = Optional.empty();
    private Optional<SilentSlips> slips = Optional.empty();
    private final Map<LensFault, Optional<SlipEffect>> slipEffects = new HashMap<>();

    Computing(Shelf shelf) {
        this.shelf = shelf;
    }

    /// Number of a new request, which makes all older ones stop.
    long next() {
        return newest.incrementAndGet();
    }

    /// Runs on the computing thread only.
    /// @return nothing when a newer request came in the meantime
    Optional<Work.Computed> compute(Work work, long request) {
        Progress watch = (share, doing) -> {
            if (newest.get() != request) {
                throw new CancellationException();
            }
        };
        try {
            watch.at(0, "");
            light(work);
            watch.at(0, "");
            List<Assessment> assessments = new ArrayList<>();
            for (Known known : work.state().glass().findings()) {
                assess(Sights.of(work.state().glass()).deep(known, work.section()), work, watch).ifPresent(assessments::add);
            }
            Optional<Recommendation> recommendation = work.state().glass().findings().isEmpty()
                            && Lead.of(work.state(), work.instrument()).isEmpty()
                            && assembly.isEmpty() && work.state().condition().bumps().isEmpty()
                    ? Optional.empty()
                    : Optional.of(Recommendation.of(work.state(), assessments, assembly, work.section(), work.instrument()));
            return Optional.of(new Work.Computed(assessments, plan(work, watch), recommendation, assembly, beams, alike(work), Rework.of(work.state().joints(), work.instrument(), watch), diagnosis(work, watch), back(work, watch), slips(work, watch), charts, lamp(work, watch)));
        } catch (CancellationException newer) {
            return Optional.empty();
        }
    }

    /// Rays and what a wrong assembly does, made anew when the assembly changed.
    private void light(Work work) {
        Optional<BeamKey> key = work.section().flatMap(l -> work.state().tag().sectionId().map(id -> new BeamKey(id, work.state().glass().assembly(), use(work).picture(l), use(work).rules(work.rules()).visibleShadow())));
        if (!beamed.equals(key)) {
            assembly = work.section().flatMap(lens -> AssemblyEffect.found(lens, work.state().glass().assembly()));
            beams = work.section().flatMap(lens -> key.map(k -> Beams.of(assembly.map(AssemblyEffect::asBuilt).orElse(lens), shelf.footprints(k.section(), k.picture()), k.visible())));
            beamed = key;
        }
    }

    private static OwnersUse use(Work work) {
        return OwnersUse.of(work.state().arrival().use());
    }

    /// Nothing where the optical section is not known.
    private Optional<Assessment> assess(Known known, Work work, Progress watch) {
        if (work.section().isEmpty() || work.state().tag().sectionId().isEmpty()) {
            return Optional.empty();
        }
        String section = work.state().tag().sectionId().get();
        boolean fromRear = work.state().glass().fromRear(known.photoId());
        Key key = new Key(section, work.state().tag().instrumentId() + " " + work.instrument().joints().size(), known.finding(), known.surface(), known.depths(), fromRear,
                known.otherSide().map(known.sights()::get), known.zooms(), use(work));
        Assessment found = assessed.get(key);
        if (found == null) {
            found = Assessment.of(known, fromRear, shelf.footprints(section, use(work).picture(work.section().get())), work.instrument(), work.rules(), use(work), watch);
            assessed.put(key, found);
        }
        return Optional.of(found.known().equals(known) ? found : found.of(known));
    }

    /// Nothing where the section is not known, or all that was measured is as it should be.
    private Optional<Diagnosis> diagnosis(Work work, Progress watch) {
        List<Observation> seen = work.section().isEmpty() ? List.of() : Observed.of(work.state().readings(), work.state().joints(), work.instrument());
        Optional<DiagnosisKey> key = seen.isEmpty() ? Optional.empty() : work.section().map(l -> new DiagnosisKey(HeldGlass.of(work.instrument(), l), seen, Observed.touched(work.state().readings(), work.state().joints(), work.instrument())));
        if (!diagnosed.equals(key)) {
            diagnosis = key.filter(k -> k.section.basis() != LensSection.Basis.TWO_PLANE && Paraxial.of(k.section).eflMm() > 0).flatMap(k -> diagnosed(k, watch));
            charts = diagnosis.map(d -> charts(d, key.orElseThrow().section, watch)).orElse(List.of());
            diagnosed = key;
        }
        return diagnosis;
    }

    /// The design and what leads, as a chart would look through them.
    private static List<ChartPicture> charts(Diagnosis d, LensSection section, Progress watch) {
        List<List<LensFault>> wanted = new ArrayList<>(List.of(List.of()));
        d.hypotheses().stream().filter(h -> !h.faults().isEmpty() && h.probability() > PICTURED).limit(MOST_PICTURED).forEach(h -> wanted.add(h.faults()));
        List<ChartPicture> out = new ArrayList<>();
        for (List<LensFault> faults : wanted) {
            watch.at(0, "");
            out.add(ChartPicture.of(section, faults, LensFault.Seating.RIM));
        }
        return out.size() > 1 ? out : List.of();
    }

    /// A section that brings nothing to a focus, as measured glasses may not yet, has nothing to be weighed against.
    private static Optional<Diagnosis> diagnosed(DiagnosisKey k, Progress watch) {
        try {
            return Optional.of(Diagnosis.of(k.section, k.seen, LensFault.Seating.RIM, false, k.touched, watch));
        } catch (IllegalArgumentException noFocus) {
            return Optional.empty();
        }
    }

    /// Looks since the lens was opened last.
    private Optional<LampLook> lamp(Work work, Progress watch) {
        List<LampLook.Seen> seen = work.state().readings().glints().stream().filter(g -> g.seq() > work.state().joints().lastOpened()).map(Readings.Glints::seen)
                .map(g -> new LampLook.Seen(new Glints.Stand(g.lampMm(), g.asideMm(), g.cameraMm()), g.shares())).toList();
        Optional<LampKey> key = seen.isEmpty() ? Optional.empty() : work.section().filter(l -> l.basis() != LensSection.Basis.TWO_PLANE).map(l -> new LampKey(l, seen));
        if (!lampSeen.equals(key)) {
            watch.at(0, "");
            lamp = key.map(k -> LampLook.of(k.section, k.seen));
            lampSeen = key;
        }
        return lamp;
    }

    private Optional<BackIn> back(Work work, Progress watch) {
        return diagnosis.flatMap(d -> diagnosed.flatMap(k -> BackIn.of(d, k.section, work.state().joints(), work.instrument(), watch)));
    }

    /// Slips that would stay silent, once closing has begun.
    private Optional<SilentSlips> slips(Work work, Progress watch) {
        TicketState s = work.state();
        Optional<SlipsKey> key = s.joints().order().stream().anyMatch(id -> s.joints().story(id).closed()) ? Optional.of(new SlipsKey(s.readings(), s.joints(), work.instrument(), work.section().map(l -> HeldGlass.of(work.instrument(), l)))) : Optional.empty();
        if (!slipped.equals(key)) {
            watch.at(0, "");
            if (!slipped.map(SlipsKey::section).equals(key.map(SlipsKey::section))) {
                slipEffects.clear();
            }
            slips = key.map(k -> SilentSlips.of(k.readings, k.joints, k.instrument, k.section, slipEffects));
            slipped = key;
        }
        return slips;
    }

    /// A model on the shelf built like one that is on no map.
    private Optional<AlikeModel> alike(Work work) {
        return work.mapped() ? Optional.empty() : work.section().flatMap(lens -> AlikeModel.best(lens, shelf.instrumentIds().stream().map(shelf::instrument)
                .flatMap(i -> i.sectionId().filter(shelf::hasSection).map(id -> new AlikeModel.Known(i, shelf.section(id))).stream()).toList()));
    }

    private Optional<WayIn.Plan> plan(Work work, Progress watch) {
        List<Goal> goals = work.goals();
        PlanKey key = new PlanKey(work.wayRequest(goals), work.state().course().way(), work.state().course().order());
        if (planned.filter(key::equals).isEmpty()) {
            plan = Wanted.plan(key.request(), work.state().course(), r -> work.tools().plan(r, watch));
            planned = Optional.of(key);
        }
        return plan;
    }
}

package stillglass.sim;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import stillglass.assembly.ClockPosition;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.care.AgentLadder;
import stillglass.care.CareTables;
import stillglass.care.GreaseDose;
import stillglass.device.Collimator;
import stillglass.device.Source;
import stillglass.optics.LensSection;
import stillglass.plan.Goal;
import stillglass.plan.PlanCost;
import stillglass.plan.Reached;
import stillglass.plan.Step;
import stillglass.plan.WayBack;
import stillglass.plan.WayIn;
import stillglass.prove.InfinityShims;
import stillglass.ticket.TicketState;
import stillglass.ticket.arrival.ArrivalEvent;
import stillglass.ticket.arrival.ArrivalIntent;
import stillglass.ticket.arrival.Tag;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.course.CourseIntent;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.facts.Lubricated;
import stillglass.ticket.glass.GlassIntent;
import stillglass.ticket.glass.PhotoMark;
import stillglass.ticket.joints.Closings;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.joints.Occurrence;
import stillglass.ticket.joints.ShimStack;
import stillglass.ticket.proof.ProofIntent;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.readings.Readings;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Intent;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Stage;

/// Tells the stories of the demo tickets, stage by stage. Each stage is made from the state that the stage before left,
/// so plan, record and rebuild follow from the same calculations a technician would see.
public final class DemoScript {
    private static final long HANDS = 5;

    private DemoScript() {}

    /// A ticket as it comes in.
    /// @param sort what the instrument is as a whole
    public static List<Deed> arrive(DemoTickets.Arrival a, LocalDate today, LensSection section, Instrument.Sort sort) {
        List<Intent> first = new ArrayList<>();
        first.add(new ArrivalIntent.Begin(new Tag(a.number(), a.title(), a.instrumentId(), sort, Optional.of(a.sectionId()), Optional.of(a.owner()), Optional.of(today.plusDays(a.dueInDays())))));
        a.symptoms().forEach(s -> first.add(new ArrivalEvent.SymptomNoted(s)));
        first.add(new ArrivalEvent.UseNoted(a.use()));
        first.add(new ReadingEvent.FunctionChecked(Phase.BEFORE, "iris", a.iris()));
        first.add(new ReadingEvent.FunctionChecked(Phase.BEFORE, "feel", a.feel()));
        Collimator.Reading r = VirtualCollimator.read(Bench.assembled(DemoTickets.truth(a.number(), section), section, DemoTickets.asFound(a.number()).stream().toList()), a.number().hashCode());
        first.add(new ReadingEvent.InfinityMeasured(Phase.BEFORE, r.errorMm(), r.sigmaMm(), Source.SIMULATED));
        List<Deed> acts = new ArrayList<>();
        acts.add(new Deed.Do(Stage.ARRIVE, new Act(first)));
        DemoTickets.asFound(a.number()).ifPresent(f -> acts.add(new Deed.Do(Stage.ARRIVE, new GlassIntent.FindAssembled(f))));
        return acts;
    }

    /// Deeds of one stage after arrival.
    /// @param state as the stages before left it
    /// @param now time of the deeds
    public static List<Deed> stage(Stage stage, TicketState state, LensSection section, Instrument instrument, CareTables care, Instant now) {
        List<Deed> acts = new ArrayList<>(switch (stage) {
            case ARRIVE -> List.<Deed>of();
            case LOOK -> List.<Deed>of(
                    new Deed.Shoot(Stage.LOOK, Phase.BEFORE, "As received, against the light, from the front", 4),
                    new Deed.MeasureDepths(Stage.LOOK),
                    new Deed.PlaceFindings(Stage.LOOK));
            case DECIDE -> List.<Deed>of(new Deed.TakeAdvice(Stage.DECIDE));
            case OPEN -> open(state, section, instrument);
            case CLEAN -> clean(state, section, instrument, care);
            case CLOSE -> close(state, instrument);
            case PROVE -> prove(state, section, instrument, now);
        });
        if (stage != Stage.PROVE) {
            acts.add(new Deed.Do(stage, new CourseIntent.FinishStage(stage, Optional.empty())));
        } else {
            acts.add(acts.size() - 1, new Deed.Do(stage, new CourseIntent.FinishStage(stage, Optional.empty())));
        }
        return acts;
    }

    private static List<Deed> open(TicketState state, LensSection section, Instrument instrument) {
        List<Deed> acts = new ArrayList<>();
        Set<String> photographed = new HashSet<>();
        List<Goal> goals = state.course().goals().stream().map(g -> Goal.parse(g, instrument, Optional.of(section))).toList();
        WayIn.plan(instrument, goals, Set.of(), Set.of(), PlanCost.USUAL).ifPresent(plan -> {
            for (Step step : plan.steps()) {
                switch (step) {
                    case Step.Mark m -> acts.add(new Deed.Do(Stage.OPEN,
                            new JointIntent.KeepReference(m.reference().id(), m.reference().how(), Optional.of(ClockPosition.of(12)))));
                    case Step.Catch c -> {}
                    case Step.MakeSafe m -> {}
                    case Step.Set s -> {}
                    case Step.Protect p -> {}
                    case Step.Open o -> {
                        List<Fact> facts = VirtualHands.observe(o.joint(), instrument, HANDS);
                        // One ring is photographed with marks before it moves.
                        if (o.joint().hold() instanceof Hold.RetainingRing && photographed.isEmpty()) {
                            photographed.add(o.joint().id());
                            acts.add(new Deed.PhotographStep(Stage.OPEN, o.joint().id(), List.of(
                                    new PhotoMark(0.16, 0.09, 0.395, 0.140, "first letter"), new PhotoMark(0.10, 0.66, 0.276, 0.518, "rubbed spot"))));
                        }
                        if (!facts.isEmpty()) {
                            acts.add(new Deed.Do(Stage.OPEN, new JointIntent.Note(o.joint().id(), facts)));
                        }
                        acts.add(new Deed.Do(Stage.OPEN, new JointIntent.Open(o.joint().id(), false)));
                    }
                }
            }
        });
        return acts;
    }

    private static List<Deed> clean(TicketState state, LensSection section, Instrument instrument, CareTables care) {
        List<Deed> acts = new ArrayList<>();
        for (Part part : Reached.parts(instrument, Optional.of(section), state.joints().order())) {
            Optional<String> soil = switch (part.kind()) {
                case GLASS -> Optional.of(part.id().equals("E1") ? "fungus" : "haze");
                case HELICOID -> Optional.of("old-grease");
                case CELL, RING, BARREL, SPACER, SHIM, MOUNT, BLADES, KEY, COVER, COVERING, PLATE, LEVER, SPRING, GEAR, SHUTTER, MIRROR, PRISM, SCREEN, RIBBON,
                        SMALL -> Optional.empty();
            };
            soil.flatMap(care::soil).ifPresent(s -> {
                AgentLadder ladder = AgentLadder.of(care, part.materials(), s);
                ladder.rungs().stream()
                        .max(Comparator.comparingDouble(AgentLadder.Rung::removes))
                        .ifPresent(r -> acts.add(new Deed.Do(Stage.CLEAN, new CareEvent.PartCleaned(part.id(), s.id(), r.agent().id(), true))));
            });
        }
        return acts;
    }

    /// Closes everything; each function is tried as soon as all it needs is closed.
    private static List<Deed> close(TicketState state, Instrument instrument) {
        List<Deed> acts = new ArrayList<>();
        Set<String> open = new HashSet<>(state.joints().openNow());
        List<Joint> untried = new ArrayList<>();
        for (WayBack.Step step : WayBack.order(instrument, state.joints().standing())) {
            Joint j = step.joint();
            boolean loose = step instanceof WayBack.Step.LeaveLoose;
            if (step instanceof WayBack.Step.Close || loose) {
                readyToShut(state, j, acts);
            }
            acts.add(new Deed.Do(Stage.CLOSE, Closings.intent(step)));
            if (step instanceof WayBack.Step.Close || step instanceof WayBack.Step.Tighten) {
                open.remove(j.id());
                j.close().test().ifPresent(t -> untried.add(j));
            }
            for (Joint waiting : List.copyOf(untried)) {
                waiting.close().test().filter(t -> t.needs().stream().noneMatch(open::contains)).ifPresent(t -> {
                    untried.remove(waiting);
                    acts.add(new Deed.Do(Stage.CLOSE, new JointIntent.Test(Optional.of(waiting.id()), t.what(), true, "")));
                });
            }
        }
        return acts;
    }

    /// What has to be stated, greased and set before a joint closes.
    private static void readyToShut(TicketState state, Joint j, List<Deed> acts) {
        for (Fact f : state.joints().story(j.id()).waiting().stream().map(Occurrence::fact).toList()) {
            acts.add(new Deed.Do(Stage.CLOSE, new JointIntent.State(j.id(), f)));
        }
        if (j.close().greased() && j.hold() instanceof Hold.Thread t) {
            GreaseDose dose = GreaseDose.usual(t);
            acts.add(new Deed.Do(Stage.CLOSE, new JointIntent.Grease(j.id(), Optional.of(dose.massMg()), "light damping grease")));
        }
        j.close().points().forEach(p -> acts.add(new Deed.Do(Stage.CLOSE, new JointIntent.State(j.id(), Lubricated.of(p)))));
        j.close().setFirst().ifPresent(p -> acts.add(new Deed.Do(Stage.CLOSE, new JointIntent.SetControls(j.id()))));
    }

    private static List<Deed> prove(TicketState state, LensSection section, Instrument instrument, Instant now) {
        List<Deed> acts = new ArrayList<>();
        double error = state.readings().infinity(Phase.BEFORE).map(Readings.Infinity::read).map(ReadingEvent.InfinityMeasured::errorMm).orElse(0.0);
        Optional<ShimStack> stack = ShimStack.ofInfinity(state.joints(), instrument);
        double fitted = stack.flatMap(ShimStack::totalNowMm).orElse(0.0);
        InfinityShims.choose(error, fitted, InfinityShims.USUAL_STOCK, 0.01).ifPresent(chosen -> {
            acts.add(new Deed.Do(Stage.PROVE, new JointIntent.FitShims(stack.map(ShimStack::place), chosen.pieces())));
            Collimator.Reading after = VirtualCollimator.read(
                    DemoTickets.truth(state.tag().number(), section).withInfinityError(Bench.errorWith(
                            DemoTickets.truth(state.tag().number(), section).infinityErrorMm(), fitted, chosen.totalMm())), 77);
            acts.add(new Deed.Do(Stage.PROVE, new ReadingEvent.InfinityMeasured(Phase.AFTER, after.errorMm(), after.sigmaMm(), Source.SIMULATED)));
        });
        acts.add(new Deed.Do(Stage.PROVE, Act.of(
                new ReadingEvent.FunctionChecked(Phase.AFTER, "iris", "snaps open and closed, blades dry"),
                new ReadingEvent.FunctionChecked(Phase.AFTER, "feel", "even drag from stop to stop"))));
        acts.add(new Deed.Shoot(Stage.PROVE, Phase.AFTER, "After the work, against the light, from the front", 4));
        acts.add(new Deed.Do(Stage.PROVE, new ProofIntent.Sign("M. at the bench", now, Optional.empty())));
        return acts;
    }
}

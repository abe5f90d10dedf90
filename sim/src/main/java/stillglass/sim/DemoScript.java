package stillglass.sim;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
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
import stillglass.optics.LensSection;
import stillglass.plan.Goal;
import stillglass.plan.PlanCost;
import stillglass.plan.Reached;
import stillglass.plan.Step;
import stillglass.plan.WayBack;
import stillglass.plan.WayIn;
import stillglass.prove.InfinityShims;
import stillglass.ticket.Fact;
import stillglass.ticket.Intent;
import stillglass.ticket.Phase;
import stillglass.ticket.PhotoMark;
import stillglass.ticket.Recommendation;
import stillglass.ticket.Stage;
import stillglass.ticket.TicketEvent;
import stillglass.ticket.TicketState;

/// Tells the stories of the demo tickets, stage by stage. Each stage is made from the state that the stage before left,
/// so plan, record and rebuild follow from the same calculations a technician would see.
public final class DemoScript {
    private static final long HANDS = 5;

    private DemoScript() {}

    /// A ticket as it comes in.
    public static List<Act> arrive(DemoTickets.Arrival a, LocalDate today, LensSection section) {
        List<TicketEvent.Plain> first = new ArrayList<>();
        a.symptoms().forEach(s -> first.add(new TicketEvent.SymptomNoted(s)));
        first.add(new TicketEvent.UseNoted(a.use()));
        first.add(new TicketEvent.FunctionChecked(Phase.BEFORE, "iris", a.iris()));
        first.add(new TicketEvent.FunctionChecked(Phase.BEFORE, "feel", a.feel()));
        Collimator.Reading r = VirtualCollimator.read(DemoTickets.truth(a.number(), section), a.number().hashCode());
        first.add(new TicketEvent.InfinityMeasured(Phase.BEFORE, r.errorMm(), r.sigmaMm()));
        List<Act> acts = new ArrayList<>();
        acts.add(new Act.Do(Stage.ARRIVE, new Intent.Begin(
                new TicketEvent.Opened(a.number(), a.title(), a.instrumentId(), a.sectionId(), a.owner(), today.plusDays(a.dueInDays())),
                first)));
        DemoTickets.asFound(a.number()).ifPresent(f -> acts.add(new Act.Do(Stage.ARRIVE, new Intent.FindAssembled(f))));
        return acts;
    }

    /// Acts of one stage after arrival.
    /// @param state as the stages before left it
    /// @param recommendation what was advised, needed from Decide on
    /// @param now time of the acts
    public static List<Act> stage(
            Stage stage, TicketState state, LensSection section, Instrument instrument, CareTables care,
            Optional<Recommendation> recommendation, Instant now) {
        List<Act> acts = new ArrayList<>(switch (stage) {
            case ARRIVE -> List.<Act>of();
            case LOOK -> List.<Act>of(
                    new Act.Shoot(Stage.LOOK, Phase.BEFORE, "As received, against the light, from the front", 4),
                    new Act.MeasureDepths(Stage.LOOK),
                    new Act.PlaceFindings(Stage.LOOK));
            case DECIDE -> List.<Act>of(new Act.TakeAdvice(Stage.DECIDE));
            case OPEN -> open(state, section, instrument);
            case CLEAN -> clean(state, section, instrument, care);
            case CLOSE -> close(state, instrument);
            case PROVE -> prove(state, section, now);
        });
        if (stage != Stage.PROVE) {
            acts.add(new Act.Do(stage, new Intent.FinishStage(stage, Optional.empty())));
        } else {
            acts.add(acts.size() - 1, new Act.Do(stage, new Intent.FinishStage(stage, Optional.empty())));
        }
        return acts;
    }

    private static List<Act> open(TicketState state, LensSection section, Instrument instrument) {
        List<Act> acts = new ArrayList<>();
        Set<String> photographed = new HashSet<>();
        List<Goal> goals = state.goals().stream().map(g -> Goal.parse(g, instrument, Optional.of(section))).toList();
        WayIn.plan(instrument, goals, Set.of(), Set.of(), PlanCost.USUAL).ifPresent(plan -> {
            for (Step step : plan.steps()) {
                switch (step) {
                    case Step.Mark m -> acts.add(new Act.Do(Stage.OPEN,
                            new Intent.KeepReference(m.reference().id(), m.reference().how(), ClockPosition.of(12))));
                    case Step.Catch c -> {}
                    case Step.MakeSafe m -> {}
                    case Step.Protect p -> {}
                    case Step.Open o -> {
                        List<Fact> facts = VirtualHands.observe(o.joint(), instrument, HANDS);
                        // One ring is photographed with marks before it moves.
                        if (o.joint().hold() instanceof Hold.RetainingRing && photographed.isEmpty()) {
                            photographed.add(o.joint().id());
                            acts.add(new Act.PhotographStep(Stage.OPEN, o.joint().id(), List.of(
                                    new PhotoMark(0.16, 0.09, 0.395, 0.140, "first letter"), new PhotoMark(0.10, 0.66, 0.276, 0.518, "rubbed spot"))));
                        }
                        if (!facts.isEmpty()) {
                            acts.add(new Act.Do(Stage.OPEN, new Intent.NoteFacts(o.joint().id(), facts)));
                        }
                        acts.add(new Act.Do(Stage.OPEN, new Intent.OpenJoint(o.joint().id(), false)));
                    }
                }
            }
        });
        return acts;
    }

    private static List<Act> clean(TicketState state, LensSection section, Instrument instrument, CareTables care) {
        List<Act> acts = new ArrayList<>();
        for (Part part : Reached.parts(instrument, section, state.opened())) {
            Optional<String> soil = switch (part.kind()) {
                case GLASS -> Optional.of(part.id().equals("E1") ? "fungus" : "haze");
                case HELICOID -> Optional.of("old-grease");
                case CELL, RING, BARREL, SPACER, SHIM, MOUNT, BLADES, KEY, COVER, COVERING, PLATE, LEVER, SPRING, GEAR, SHUTTER, MIRROR, PRISM, SCREEN, RIBBON,
                        SMALL -> Optional.empty();
            };
            soil.flatMap(care::soil).ifPresent(s -> {
                AgentLadder ladder = AgentLadder.of(care, part.materials(), s);
                ladder.rungs().stream()
                        .max(java.util.Comparator.comparingDouble(AgentLadder.Rung::removes))
                        .ifPresent(r -> acts.add(new Act.Do(Stage.CLEAN, new Intent.Clean(part.id(), s.id(), r.agent().id(), true))));
            });
        }
        return acts;
    }

    private static List<Act> close(TicketState state, Instrument instrument) {
        List<Act> acts = new ArrayList<>();
        for (WayBack.Step step : WayBack.order(instrument, state.standing())) {
            Joint j = step.joint();
            if (step instanceof WayBack.Step.Close || step instanceof WayBack.Step.LeaveLoose) {
                readyToShut(state, j, acts);
            }
            acts.add(new Act.Do(Stage.CLOSE, stillglass.ticket.Closing.intent(step)));
            if (step instanceof WayBack.Step.Close || step instanceof WayBack.Step.Tighten) {
                j.close().test().ifPresent(t ->
                        acts.add(new Act.Do(Stage.CLOSE, new Intent.Keep(new TicketEvent.TestPassed(j.id(), t)))));
            }
        }
        return acts;
    }

    /// What has to be stated, greased and set before a joint closes.
    private static void readyToShut(TicketState state, Joint j, List<Act> acts) {
        for (Fact f : stillglass.ticket.Closing.wanted(state, j.id())) {
            acts.add(new Act.Do(Stage.CLOSE, new Intent.StateFact(j.id(), f)));
        }
        if (j.close().greased() && j.hold() instanceof Hold.Thread t) {
            GreaseDose dose = GreaseDose.usual(t);
            acts.add(new Act.Do(Stage.CLOSE, new Intent.Keep(new TicketEvent.Greased(j.id(), dose.massMg(), "light damping grease"))));
        }
        j.close().setFirst().ifPresent(p -> acts.add(new Act.Do(Stage.CLOSE, new Intent.SetControls(j.id()))));
    }

    private static List<Act> prove(TicketState state, LensSection section, Instant now) {
        List<Act> acts = new ArrayList<>();
        double error = state.infinity(Phase.BEFORE).map(TicketEvent.InfinityMeasured::errorMm).orElse(0.0);
        double fitted = state.shimsFoundMm();
        InfinityShims.choose(error, fitted, InfinityShims.USUAL_STOCK, 0.01).ifPresent(stack -> {
            acts.add(new Act.Do(Stage.PROVE, new Intent.Keep(new TicketEvent.ShimsFitted(stack.pieces()))));
            Collimator.Reading after = VirtualCollimator.read(
                    DemoTickets.truth(state.tag().number(), section).withInfinityError(Bench.errorWith(
                            DemoTickets.truth(state.tag().number(), section).infinityErrorMm(), fitted, stack.totalMm())), 77);
            acts.add(new Act.Do(Stage.PROVE, new Intent.Keep(
                    new TicketEvent.InfinityMeasured(Phase.AFTER, after.errorMm(), after.sigmaMm()))));
        });
        acts.add(new Act.Do(Stage.PROVE, new Intent.Keep(List.of(
                new TicketEvent.FunctionChecked(Phase.AFTER, "iris", "snaps open and closed, blades dry"),
                new TicketEvent.FunctionChecked(Phase.AFTER, "feel", "even drag from stop to stop")))));
        acts.add(new Act.Shoot(Stage.PROVE, Phase.AFTER, "After the work, against the light, from the front", 4));
        acts.add(new Act.Do(Stage.PROVE, new Intent.Sign("M. at the bench", now)));
        return acts;
    }
}

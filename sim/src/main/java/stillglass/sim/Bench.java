package stillglass.sim;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.IntStream;
import stillglass.assembly.Instrument;
import stillglass.optics.LensSection;
import stillglass.optics.sharpness.AssemblyEffect;
import stillglass.sim.truth.HiddenTruth;
import stillglass.ticket.TicketState;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.joints.ShimStack;
import stillglass.ticket.story.Phase;

/// The instrument on the virtual bench as the work so far has left it.
public final class Bench {
    private Bench() {}

    /// Hidden truth now: glass that was cleaned is clean, shims that were changed have moved infinity.
    public static HiddenTruth now(TicketState state, LensSection section, Instrument instrument) {
        HiddenTruth truth = DemoTickets.truth(state.tag().number(), section);
        Set<Integer> clean = new LinkedHashSet<>();
        for (CareEvent.PartCleaned c : state.care().cleaned()) {
            if (c.gone() && instrument.part(c.part()).filter(p -> p.element().isPresent()).isPresent()) {
                instrument.withContents(c.part()).forEach(p -> p.element().ifPresent(e -> section.element(e).ifPresent(
                        g -> IntStream.rangeClosed(g.firstSurface(), g.lastSurface()).forEach(clean::add))));
            }
        }
        Optional<ShimStack> stack = ShimStack.ofInfinity(state.joints(), instrument);
        double found = stack.flatMap(ShimStack::totalFoundMm).orElse(0.0);
        HiddenTruth fitted = truth.cleaned(clean).withInfinityError(errorWith(truth.infinityErrorMm(), found, stack.flatMap(ShimStack::totalNowMm).orElse(found)));
        return assembled(fitted, section, state.glass().assembly());
    }

    /// What a wrong assembly does to infinity, as it is traced; where nothing focuses any more the error stays as it is.
    /// @param shortForms of its faults
    static HiddenTruth assembled(HiddenTruth truth, LensSection section, List<String> shortForms) {
        OptionalDouble shift = AssemblyEffect.found(section, shortForms).map(AssemblyEffect::focusShiftMm).orElse(OptionalDouble.empty());
        return shift.isEmpty() ? truth : truth.withInfinityError(truth.infinityErrorMm() + shift.getAsDouble());
    }

    /// Infinity error once the shims changed: more shim brings the image forward by as much.
    static double errorWith(double errorMm, double fittedMm, double nowMm) {
        return errorMm - (nowMm - fittedMm);
    }

    /// Surface on which a kind of fault really lies, for putting demo findings in place.
    public static List<HiddenTruth.GlassFault> faults(TicketState state, LensSection section) {
        return DemoTickets.truth(state.tag().number(), section).faults();
    }

    /// Seed of the next simulated photo: the same scene, another exposure.
    public static long photoSeed(TicketState state, Phase phase) {
        return state.tag().number().hashCode() * 31L + state.glass().photos().size() * 7L + phase.ordinal();
    }
}

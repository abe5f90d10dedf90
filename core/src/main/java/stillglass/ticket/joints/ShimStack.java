package stillglass.ticket.joints;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import stillglass.assembly.Instrument;
import stillglass.assembly.Part;
import stillglass.ticket.facts.Shims;

/// A stack of shims at a named place, with its history. What nobody counted is not known; none is an empty list.
///
/// @param place part id, the words that were typed, or the joint where nothing else was said
/// @param found as it was found, when somebody counted
/// @param fitted what was put there since, in order
public record ShimStack(String place, Optional<List<Double>> found, List<List<Double>> fitted) {
    public ShimStack {
        found = found.map(List::copyOf);
        fitted = fitted.stream().map(List::copyOf).toList();
    }

    /// What is there now; empty while it is not known.
    public Optional<List<Double>> now() {
        return fitted.isEmpty() ? found : Optional.of(fitted.getLast());
    }

    public Optional<Double> totalNowMm() {
        return now().map(ShimStack::total);
    }

    public Optional<Double> totalFoundMm() {
        return found.map(ShimStack::total);
    }

    private static double total(List<Double> pieces) {
        return pieces.stream().mapToDouble(Double::doubleValue).sum();
    }

    /// Stacks somebody spoke of, in the order they were.
    static List<ShimStack> noted(Joints joints) {
        Map<String, ShimStack> all = new LinkedHashMap<>();
        for (JointStory s : joints.stories().values()) {
            s.facts().stream().filter(Shims.class::isInstance).map(Shims.class::cast).forEach(f -> {
                String place = f.place().orElse(s.joint());
                all.put(place, new ShimStack(place, Optional.of(f.piecesMm()), joints.shims().getOrDefault(place, List.of())));
            });
        }
        joints.shims().forEach((place, history) -> all.putIfAbsent(place, new ShimStack(place, Optional.empty(), history)));
        return List.copyOf(all.values());
    }

    /// Stacks somebody spoke of, and those the instrument is known to have. A stack noted at the joint that frees a known stack is that one.
    public static List<ShimStack> of(Joints joints, Instrument instrument) {
        Map<String, ShimStack> all = new LinkedHashMap<>();
        for (Part p : instrument.parts()) {
            if (p.kind() == Part.Kind.SHIM) {
                all.put(p.id(), new ShimStack(p.id(), Optional.empty(), List.of()));
            }
        }
        for (ShimStack s : noted(joints)) {
            String place = instrument.joint(s.place()).flatMap(j -> j.frees().stream().filter(all::containsKey).findFirst()).orElse(s.place());
            ShimStack known = all.get(place);
            List<List<Double>> history = new ArrayList<>(known == null ? List.of() : known.fitted());
            history.addAll(s.fitted());
            all.put(place, new ShimStack(place, s.found().or(() -> known == null ? Optional.empty() : known.found()), history));
        }
        return List.copyOf(all.values());
    }

    /// The stack that moves the whole lens against the film, where somebody said which it is or the instrument is known to have one. Any other moves other things.
    public static Optional<ShimStack> ofInfinity(Joints joints, Instrument instrument) {
        Optional<String> place = joints.infinityPlace().or(instrument::infinityShims);
        return of(joints, instrument).stream().filter(s -> place.filter(s.place()::equals).isPresent()).findFirst();
    }
}

package stillglass.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import stillglass.assembly.Joint;
import stillglass.assembly.Side;
import stillglass.look.Progress;

/// Ways to the same goals that differ in kind, to be held side by side: the best one, without turning to the front or to the rear,
/// and with everything that can come out.
public record Alternatives(List<Way> ways) {
    /// Sorts of way.
    public enum Sort {
        BEST,
        FROM_FRONT,
        FROM_REAR,
        /// Every joint that has a place on the map.
        FULL_STRIP;

        public String word() {
            return name().toLowerCase(Locale.ROOT).replace('_', ' ');
        }
    }

    /// @param sort what makes it different; the best one may be one of the others too
    public record Way(Sort sort, WayIn.Plan plan) {}

    public Alternatives {
        ways = List.copyOf(ways);
    }

    /// @throws java.util.concurrent.CancellationException when `progress` asks to stop
    public static Alternatives of(WayIn.Request request, Progress progress) {
        List<Way> ways = new ArrayList<>();
        for (Sort sort : Sort.values()) {
            WayIn.plan(restricted(request, sort), progress).filter(p -> !p.joints().isEmpty()).ifPresent(p -> ways.add(new Way(sort, p)));
        }
        return new Alternatives(ways);
    }

    /// What is asked for when the way is to be of one sort.
    public static WayIn.Request restricted(WayIn.Request request, Sort sort) {
        return switch (sort) {
            case BEST -> request;
            case FROM_FRONT -> request.without(on(request, Side.REAR));
            case FROM_REAR -> request.without(on(request, Side.FRONT));
            case FULL_STRIP -> new WayIn.Request(request.instrument(),
                    request.instrument().joints().stream().filter(j -> !request.forbidden().contains(j.id())).map(j -> (Goal) new Goal.OpenJoint(j.id())).toList(),
                    request.open(), request.marked(), request.forbidden(), request.hand(), request.weights());
        };
    }

    private static Set<String> on(WayIn.Request request, Side side) {
        return request.instrument().joints().stream().filter(j -> j.side() == side).map(Joint::id).collect(Collectors.toSet());
    }
}

package stillglass.assembly;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;

/// A model of camera or lens as the shelf knows it.
///
/// @param id stable identifier
/// @param maker who made it
/// @param name what it is called
/// @param sort what it is as a whole
/// @param sectionId identifier of its optical section, where it has one and that is known; for a body, of the lens it is tried with
/// @param flangeFocalMm mount face to film, where that is known
/// @param maxExtensionMm focus travel, where that is known
/// @param parts everything that can lie on the tray
/// @param joints everything that can be opened
/// @param references what can be lost
/// @param net the instrument unfolded, for bodies and shutters
/// @param infinityShims part that is the stack of shims which moves the whole lens against the film, where that is known
public record Instrument(
        String id,
        String maker,
        String name,
        Sort sort,
        Optional<String> sectionId,
        Optional<Double> flangeFocalMm,
        Optional<Double> maxExtensionMm,
        List<Part> parts,
        List<Joint> joints,
        List<Reference> references,
        Optional<Net> net,
        Optional<String> infinityShims) {

    /// One of which nothing is known but what it is.
    public static Instrument unknown(String id, String name, Sort sort) {
        return new Instrument(id, "", name, sort, Optional.empty(), Optional.empty(), Optional.empty(), List.of(), List.of(), List.of(), Optional.empty(), Optional.empty());
    }

    /// One of whose joints nothing is known.
    /// @param glasses parts known from its section
    public static Instrument unopened(String id, String name, Sort sort, String sectionId, double flangeFocalMm, List<Part> glasses) {
        return new Instrument(id, "", name, sort, Optional.of(sectionId), Optional.of(flangeFocalMm), Optional.empty(), glasses, List.of(), List.of(), Optional.empty(), Optional.empty());
    }

    /// Something that must be marked before the joint that loses it.
    /// @param how what to do to keep it
    /// @param kind what sort of reference it is
    public record Reference(String id, String name, String how, Kind kind) {}

    /// Sorts of instrument.
    public enum Sort {
        LENS,
        ZOOM,
        /// Lens, shutter and body in one.
        CAMERA,
        /// A leaf shutter by itself.
        SHUTTER,
        /// Two cells in a leaf shutter, for a large-format board.
        PAIR,
        BODY,
        /// A viewfinder or range finder by itself.
        FINDER,
        /// Only a part: a self-timer, an escapement, a mount.
        PART;

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }

        /// Whether it makes a picture by glass of its own, so that infinity can be measured on it.
        public boolean images() {
            return this == LENS || this == ZOOM || this == CAMERA || this == PAIR;
        }
    }

    /// Sorts of reference.
    public enum Kind {
        INFINITY,
        HELICOID_ENTRY,
        IRIS_COUPLING,
        ECCENTRIC_COLLAR,
        PROUD_HEIGHT,
        RING_CLOCK,
        TURNS_FROM_STOP,
        SCALE_ZERO,
        SPRING_PRELOAD,
        /// How a stack or a set of like parts lay.
        ORDER,
        /// Where a lever, fork or tab stood.
        POSITION;

        public String word() {
            return name().toLowerCase(Locale.ROOT).replace('_', ' ');
        }
    }

    public Instrument {
        parts = List.copyOf(parts);
        joints = List.copyOf(joints);
        references = List.copyOf(references);
        Set<String> partIds = distinct(parts.stream().map(Part::id).toList(), "part");
        Set<String> jointIds = distinct(joints.stream().map(Joint::id).toList(), "joint");
        Set<String> referenceIds = distinct(references.stream().map(Reference::id).toList(), "reference");
        for (Joint j : joints) {
            known(j.behind().named(), jointIds, j, "joint");
            known(j.frees(), partIds, j, "part");
            known(j.loses(), referenceIds, j, "reference");
            known(j.close().looseUntil().stream().toList(), jointIds, j, "joint");
            known(j.close().refit().stream().toList(), jointIds, j, "joint");
            known(j.close().before(), jointIds, j, "joint");
            known(j.close().test().map(Joint.Test::needs).orElse(Set.of()), jointIds, j, "joint");
        }
        infinityShims.filter(s -> !partIds.contains(s)).ifPresent(s -> {
            throw new IllegalArgumentException("infinity is moved by the shims " + s + ", which are no part");
        });
        net.ifPresent(n -> n.parts().forEach((p, place) -> {
            if (!partIds.contains(p) || !partIds.containsAll(place.under().stream().toList())) {
                throw new IllegalArgumentException("the net has a place for " + p + place.under().map(u -> " under " + u).orElse("") + ", which is no part");
            }
        }));
        for (Part p : parts) {
            p.within().ifPresent(cell -> {
                if (!partIds.contains(cell)) {
                    throw new IllegalArgumentException("part " + p.id() + " lies within " + cell + ", which is no part");
                }
            });
        }
        refuseCircles(parts);
        refuseNever(joints, j -> Set.of(), "can never be opened");
        // Played backwards a rebuild is a way in: what must be closed after a joint must then come off before it.
        refuseNever(joints, j -> j.close().before(), "can never be closed");
    }

    /// Opens whatever can be until nothing more can: circles with a way in from outside are none.
    /// @param more joints that must be open before one besides those that lie over it
    private static void refuseNever(List<Joint> joints, Function<Joint, Set<String>> more, String never) {
        Set<String> open = new HashSet<>();
        List<Joint> left = new ArrayList<>(joints);
        while (left.removeIf(j -> j.behind().open(open) && open.containsAll(more.apply(j)) && open.add(j.id()))) {
            // Every round opens at least one more.
        }
        if (!left.isEmpty()) {
            Joint j = left.getFirst();
            Set<String> waits = new TreeSet<>(j.behind().named());
            waits.addAll(more.apply(j));
            waits.removeAll(open);
            throw new IllegalArgumentException("joint " + j.id() + " " + never + ": it waits for " + String.join(", ", waits) + ", and that for it; check \"after\" and \"before\"");
        }
    }

    /// A part lies within a cell, and that within another, but none within itself.
    private static void refuseCircles(List<Part> parts) {
        Map<String, String> within = new HashMap<>();
        parts.forEach(p -> p.within().ifPresent(cell -> within.put(p.id(), cell)));
        for (String part : within.keySet()) {
            Set<String> around = new LinkedHashSet<>();
            for (String cell = part; cell != null; cell = within.get(cell)) {
                if (!around.add(cell)) {
                    throw new IllegalArgumentException("part " + cell + " lies within itself, by way of " + String.join(", ", around) + "; check \"within\"");
                }
            }
        }
    }

    private static Set<String> distinct(List<String> ids, String what) {
        Set<String> seen = new HashSet<>();
        for (String id : ids) {
            if (!seen.add(id)) {
                throw new IllegalArgumentException("two " + what + "s are called " + id);
            }
        }
        return seen;
    }

    private static void known(Iterable<String> named, Set<String> ids, Joint joint, String what) {
        for (String id : named) {
            if (!ids.contains(id)) {
                throw new IllegalArgumentException(
                        "joint " + joint.id() + " names the " + what + " " + id + ", which is not in the instrument");
            }
        }
    }

    /// The same model with other parts and joints.
    public Instrument with(List<Part> otherParts, List<Joint> otherJoints) {
        return new Instrument(id, maker, name, sort, sectionId, flangeFocalMm, maxExtensionMm, otherParts, otherJoints, references, net, infinityShims);
    }

    /// Whether the stack of shims at a place moves infinity, as far as is known.
    /// @param place part id
    public boolean movesInfinity(String place) {
        return infinityShims.filter(place::equals).isPresent();
    }

    public Optional<Joint> joint(String jointId) {
        return joints.stream().filter(j -> j.id().equals(jointId)).findFirst();
    }

    public Optional<Part> part(String partId) {
        return parts.stream().filter(p -> p.id().equals(partId)).findFirst();
    }

    public Optional<Part> partOfElement(String element) {
        return parts.stream().filter(p -> p.element().filter(element::equals).isPresent()).findFirst();
    }

    public Optional<Reference> reference(String referenceId) {
        return references.stream().filter(r -> r.id().equals(referenceId)).findFirst();
    }

    /// The joint whose opening lets a part leave.
    public Optional<Joint> freedBy(String partId) {
        return joints.stream().filter(j -> j.frees().contains(partId)).findFirst();
    }

    /// A part and all that leaves with it because it lies within it, or within something that does.
    public List<Part> withContents(String partId) {
        return parts.stream().filter(p -> liesIn(p, partId, parts.size())).toList();
    }

    private boolean liesIn(Part part, String cell, int depth) {
        return part.id().equals(cell)
                || depth > 0 && part.within().flatMap(this::part).filter(p -> liesIn(p, cell, depth - 1)).isPresent();
    }
}

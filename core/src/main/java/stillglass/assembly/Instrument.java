package stillglass.assembly;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/// A model of camera or lens as the shelf knows it.
///
/// @param id stable identifier
/// @param maker who made it
/// @param name what it is called
/// @param sort what it is as a whole
/// @param sectionId identifier of its optical section; for a body, of the lens it is tried with
/// @param flangeFocalMm mount face to film
/// @param maxExtensionMm focus travel
/// @param parts everything that can lie on the tray
/// @param joints everything that can be opened
/// @param references what can be lost
/// @param net the instrument unfolded, for bodies and shutters
public record Instrument(
        String id,
        String maker,
        String name,
        Sort sort,
        String sectionId,
        double flangeFocalMm,
        double maxExtensionMm,
        List<Part> parts,
        List<Joint> joints,
        List<Reference> references,
        Optional<Net> net) {

    /// One that is not unfolded.
    public Instrument(
            String id, String maker, String name, Sort sort, String sectionId, double flangeFocalMm, double maxExtensionMm, List<Part> parts,
            List<Joint> joints, List<Reference> references) {
        this(id, maker, name, sort, sectionId, flangeFocalMm, maxExtensionMm, parts, joints, references, Optional.empty());
    }

    /// Something that must be marked before the joint that loses it.
    /// @param how what to do to keep it
    /// @param kind what sort of reference it is
    public record Reference(String id, String name, String how, Kind kind) {}

    /// Sorts of instrument.
    public enum Sort {
        LENS,
        /// Lens, shutter and body in one.
        CAMERA,
        BODY
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
        }
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
        Map<String, Joint> byId = new LinkedHashMap<>();
        joints.forEach(j -> byId.put(j.id(), j));
        Set<String> opened = new HashSet<>();
        Set<String> shut = new HashSet<>();
        joints.forEach(j -> refuseCircle(j, byId, o -> o.behind().named(), "check its \"after\"", new HashSet<>(), opened));
        joints.forEach(j -> refuseCircle(j, byId, Instrument::closingAfter, "it would have to close before what must close before it; check \"before\"",
                new HashSet<>(), shut));
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

    /// @param next joints that come before (opening) or after (closing) one
    private static void refuseCircle(
            Joint joint, Map<String, Joint> byId, Function<Joint, Set<String>> next, String why, Set<String> path, Set<String> done) {
        if (done.contains(joint.id())) {
            return;
        }
        if (!path.add(joint.id())) {
            throw new IllegalArgumentException("joint " + joint.id() + " waits for itself: " + why);
        }
        for (String id : next.apply(joint)) {
            Joint other = byId.get(id);
            if (other != null) {
                refuseCircle(other, byId, next, why, path, done);
            }
        }
        path.remove(joint.id());
        done.add(joint.id());
    }

    /// Joints that close only once this one is closed.
    private static Set<String> closingAfter(Joint joint) {
        Set<String> later = new HashSet<>(joint.after());
        later.addAll(joint.close().before());
        return later;
    }

    /// The same model with other parts and joints.
    public Instrument with(List<Part> otherParts, List<Joint> otherJoints) {
        return new Instrument(id, maker, name, sort, sectionId, flangeFocalMm, maxExtensionMm, otherParts, otherJoints, references, net);
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

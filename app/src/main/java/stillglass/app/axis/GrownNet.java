package stillglass.app.axis;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import stillglass.app.desk.Work;
import stillglass.app.draw.PartForm;
import stillglass.app.theme.Words;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Net;
import stillglass.assembly.Part;
import stillglass.assembly.Side;
import stillglass.ticket.joints.JointStory;
import stillglass.ticket.story.Stage;
import stillglass.ticket.words.Next;

/// The unfolded picture of a body no net is known of: it has a side once something was said to be on it, and there lies what came off, in order. Nothing in it is measured.
final class GrownNet {
    /// Sides of a body as they are drawn; in the proportions bodies have, for none was measured.
    private static final double WIDTH = 150;
    private static final double HEIGHT = 90;
    private static final double DEPTH = 46;

    private final Work work;
    private final Map<Side, List<Thing>> sides = new EnumMap<>(Side.class);

    private record Thing(String name, PartForm form, NetModel.Standing standing, int number, String partId) {}

    private GrownNet(Work work) {
        this.work = work;
    }

    /// @return nothing before any side was named, and for what is no body
    static Optional<NetModel> of(Work work) {
        if (work.instrument().sort() != Instrument.Sort.BODY || work.section().isPresent() || work.instrument().joints().stream().noneMatch(j -> Net.FLAT.contains(j.side()))) {
            return Optional.empty();
        }
        GrownNet net = new GrownNet(work);
        net.gather();
        return net.sides.isEmpty() ? Optional.empty() : Optional.of(new NetModel(NetModel.ORDER.stream().filter(net.sides::containsKey).map(net::face).toList()));
    }

    private void gather() {
        int number = 0;
        Optional<String> inHand = work.inHand().map(Joint::id);
        for (String id : work.state().joints().firstOrder()) {
            number++;
            Optional<Joint> joint = work.instrument().joint(id);
            if (joint.isPresent()) {
                Joint j = joint.get();
                JointStory told = work.state().joints().story(id);
                Optional<Part> part = j.frees().stream().flatMap(p -> work.instrument().part(p).stream()).findFirst();
                NetModel.Standing standing = inHand.filter(id::equals).isPresent() ? NetModel.Standing.NEXT : told.open() ? NetModel.Standing.OUT : NetModel.Standing.IN;
                add(j, new Thing(j.name(), part.map(p -> PartForm.of(j.name(), p)).orElseGet(() -> PartForm.of(j.name())), standing, number, part.map(Part::id).orElse("")));
            }
        }
        boolean opening = work.state().joints().closed().isEmpty() && work.stage().compareTo(Stage.OPEN) <= 0;
        Next.expected(work.state(), work.world()).filter(n -> opening).ifPresent(n -> add(n.joint(), new Thing(n.joint().name(), PartForm.of(n.joint().name()), NetModel.Standing.EXPECTED, 0, "")));
    }

    /// What is around it or was not said to be anywhere lies at the front.
    private void add(Joint j, Thing thing) {
        sides.computeIfAbsent(Net.FLAT.contains(j.side()) ? j.side() : Side.FRONT, s -> new ArrayList<>()).add(thing);
    }

    private NetModel.Face face(Side side) {
        List<Thing> things = sides.getOrDefault(side, List.of());
        double width = side == Side.LEFT || side == Side.RIGHT ? DEPTH : WIDTH;
        double height = side == Side.TOP || side == Side.BOTTOM ? DEPTH : HEIGHT;
        int columns = Math.max(1, (int) Math.round(Math.sqrt(things.size() * width / height)));
        int rows = (things.size() + columns - 1) / columns;
        List<NetModel.Tile> tiles = new ArrayList<>();
        for (int i = 0; i < things.size(); i++) {
            Thing t = things.get(i);
            Net.Place place = new Net.Place(side, width * ((i % columns + 0.5) / columns - 0.5), height * (0.5 - (i / columns + 0.5) / rows), width / columns, height / rows, false, 0, Optional.empty());
            tiles.add(new NetModel.Tile(t.partId(), Words.capital(t.name()), place, t.form() == PartForm.GLASS ? AxisModel.Look.GLASS : AxisModel.Look.METAL, false, t.standing(), t.number(),
                    !t.partId().isEmpty() && work.selection().part(t.partId()), Optional.of(t.form())));
        }
        return new NetModel.Face(side, width, height, tiles, List.of(), List.of());
    }
}

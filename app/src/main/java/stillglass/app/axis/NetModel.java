package stillglass.app.axis;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import stillglass.app.desk.Work;
import stillglass.app.draw.PartForm;
import stillglass.app.theme.Words;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Net;
import stillglass.assembly.Part;
import stillglass.assembly.Point;
import stillglass.assembly.Side;
import stillglass.ticket.facts.Lubricated;
import stillglass.ticket.joints.Closings;
import stillglass.ticket.story.Stage;

/// The instrument unfolded: its sides with what is in its place, what is out, and the screws that can be reached.
///
/// @param faces sides on which anything is, in the order in which they are laid beside each other
public record NetModel(List<Face> faces) {
    /// Sides in the order of a strip around the instrument, then what is above and below.
    static final List<Side> ORDER = List.of(Side.LEFT, Side.FRONT, Side.RIGHT, Side.REAR, Side.TOP, Side.BOTTOM);

    /// Round parts of these kinds are open in the middle.
    private static final Set<Part.Kind> RINGS = Set.of(Part.Kind.RING, Part.Kind.MOUNT, Part.Kind.SHIM, Part.Kind.SPACER, Part.Kind.CELL);

    /// How a thing stands.
    public enum Standing {
        IN,
        /// It moves next.
        NEXT,
        OUT,
        /// Expected next, seen by nobody.
        EXPECTED
    }

    /// @param tiles parts, the lowest first
    /// @param dots points that take something or stay dry, while it is put together
    public record Face(Side side, double widthMm, double heightMm, List<Tile> tiles, List<Head> heads, List<Dot> dots) {
        public Face {
            tiles = List.copyOf(tiles);
            heads = List.copyOf(heads);
            dots = List.copyOf(dots);
        }
    }

    /// A point of contact.
    /// @param standing next while it is to be seen to now, in once it was, out before its turn
    public record Dot(String spoken, double xMm, double yMm, Point.Wants wants, Standing standing) {}

    /// A part.
    /// @param ring whether one looks through its middle
    /// @param number order in which it left, 0 while it is in its place
    /// @param form what it is drawn as, with its name, where its true outline is not known
    public record Tile(String partId, String name, Net.Place place, AxisModel.Look look, boolean ring, Standing standing, int number, boolean selected, Optional<PartForm> form) {}

    /// A screw.
    public record Head(String cell, String spoken, double xMm, double yMm, Standing standing) {}

    public NetModel {
        faces = List.copyOf(faces);
    }

    /// The unfolded picture, where there is one and it is the one wanted: always for a body, of a camera while it is taken apart and put together.
    public static Optional<NetModel> of(Work work) {
        Instrument i = work.instrument();
        boolean apart = work.stage() == Stage.OPEN || work.stage() == Stage.CLEAN || work.stage() == Stage.CLOSE;
        boolean usual = i.sort() == Instrument.Sort.BODY || apart;
        return i.net().isPresent() ? i.net().filter(n -> usual != work.viewing().otherPicture()).map(n -> of(work, n)) : GrownNet.of(work);
    }

    private static NetModel of(Work work, Net net) {
        Instrument instrument = work.instrument();
        Set<String> open = work.state().joints().openNow();
        List<String> away = away(work, open);
        Set<String> next = AxisModel.nextParts(work);
        Map<String, Integer> depths = new HashMap<>();
        List<Face> faces = new ArrayList<>();
        for (Side side : ORDER) {
            List<Tile> tiles = new ArrayList<>();
            for (Part p : instrument.parts()) {
                net.part(p.id()).filter(x -> x.side() == side && x.under().filter(u -> !away.contains(u)).isEmpty()).ifPresent(place -> {
                    int number = away.indexOf(p.id()) + 1;
                    tiles.add(new Tile(p.id(), Words.capital(p.name()), place, AxisModel.look(p), RINGS.contains(p.kind()), number > 0 ? Standing.OUT : next.contains(p.id()) ? Standing.NEXT : Standing.IN,
                            number, work.selection().part(p.id()), Optional.empty()));
                });
            }
            tiles.sort(Comparator.comparingInt((Tile t) -> t.place().layer()).thenComparingInt(t -> -depth(t.partId(), instrument, depths))
                    .thenComparingDouble(t -> -t.place().widthMm() * t.place().heightMm()));
            List<Head> heads = heads(side, work, net, open);
            if (!tiles.isEmpty() || !heads.isEmpty()) {
                faces.add(new Face(side, net.width(side), net.height(side), tiles, heads, dots(side, work, open)));
            }
        }
        return new NetModel(faces);
    }

    /// Parts that are out, with what they hold, in the order they left.
    private static List<String> away(Work work, Set<String> open) {
        Set<String> out = new LinkedHashSet<>();
        for (String id : work.state().joints().order()) {
            if (open.contains(id)) {
                work.instrument().joint(id).ifPresent(j -> j.frees().forEach(out::add));
            }
        }
        Set<String> held = new HashSet<>();
        out.forEach(id -> work.instrument().withContents(id).forEach(p -> held.add(p.id())));
        out.addAll(held.stream().sorted().toList());
        return List.copyOf(out);
    }

    /// Screws that can be reached now, and the homes of those that are out.
    private static List<Head> heads(Side side, Work work, Net net, Set<String> open) {
        Optional<String> next = switch (work.stage()) {
            case OPEN -> work.nextToOpen().map(Joint::id);
            case CLOSE -> work.nextToClose().map(s -> s.joint().id());
            case ARRIVE, LOOK, DECIDE, CLEAN, PROVE -> Optional.empty();
        };
        List<Head> heads = new ArrayList<>();
        for (Joint j : work.instrument().joints()) {
            if (j.side() == side && j.hold() instanceof Hold.Screws s && j.behind().open(open)) {
                Standing standing = next.filter(j.id()::equals).isPresent() ? Standing.NEXT : open.contains(j.id()) ? Standing.OUT : Standing.IN;
                s.holes().forEach(h -> net.screw(h.cell()).ifPresent(at -> heads.add(
                        new Head(h.cell(), Words.of("net.screw", h.cell(), j.name(), h.lengthMm()), at.x(), at.y(), standing))));
            }
        }
        return heads;
    }

    /// Points of joints that are open, while it is put together.
    private static List<Dot> dots(Side side, Work work, Set<String> open) {
        if (work.stage() != Stage.CLOSE) {
            return List.of();
        }
        Optional<String> next = work.nextToClose().map(s -> s.joint().id());
        List<Dot> all = new ArrayList<>();
        for (Joint j : work.instrument().joints().stream().filter(x -> open.contains(x.id())).toList()) {
            List<Point> due = Closings.due(j, work.state().joints().story(j.id()));
            for (Point p : j.close().points()) {
                p.at().filter(at -> at.side() == side).ifPresent(at -> all.add(new Dot(Words.sentence(Lubricated.of(p).said()), at.x(), at.y(), p.wants(),
                        !due.contains(p) ? Standing.IN : next.filter(j.id()::equals).isPresent() ? Standing.NEXT : Standing.OUT)));
            }
        }
        return all;
    }

    /// How many joints lie over a part, at least.
    private static int depth(String part, Instrument instrument, Map<String, Integer> known) {
        return instrument.freedBy(part).map(j -> depth(j, instrument, known)).orElse(99);
    }

    private static int depth(Joint j, Instrument instrument, Map<String, Integer> known) {
        Integer found = known.get(j.id());
        if (found != null) {
            return found;
        }
        int all = j.behind().all().stream().flatMap(id -> instrument.joint(id).stream()).mapToInt(o -> depth(o, instrument, known) + 1).max().orElse(0);
        int one = j.behind().oneOf().stream()
                .mapToInt(set -> set.stream().flatMap(id -> instrument.joint(id).stream()).mapToInt(o -> depth(o, instrument, known) + 1).min().orElse(0)).max().orElse(0);
        known.put(j.id(), Math.max(all, one));
        return Math.max(all, one);
    }

    /// The side on which something moves next.
    public Optional<Face> inHand() {
        return faces.stream().filter(f -> f.tiles().stream().anyMatch(t -> t.standing() == Standing.NEXT) || f.heads().stream().anyMatch(h -> h.standing() == Standing.NEXT)).findFirst();
    }

    /// Parts from side to side, for walking with keys.
    List<Tile> walk() {
        return faces.stream().flatMap(f -> f.tiles().stream()).toList();
    }
}

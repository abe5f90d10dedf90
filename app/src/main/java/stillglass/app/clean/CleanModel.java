package stillglass.app.clean;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import stillglass.app.desk.Say;
import stillglass.app.desk.Selection;
import stillglass.app.desk.Work;
import stillglass.app.theme.Words;
import stillglass.assembly.Material;
import stillglass.assembly.Part;
import stillglass.care.AgentLadder;
import stillglass.care.CareOutcomes;
import stillglass.care.CareTables;
import stillglass.care.knack.Act;
import stillglass.care.knack.Knack;
import stillglass.care.knack.Trait;
import stillglass.plan.MetalPairs;
import stillglass.plan.Reached;
import stillglass.day.Chore;
import stillglass.ticket.Corroding;
import stillglass.ticket.Ways;
import stillglass.ticket.care.BathChain;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.story.Stage;

/// What Clean shows.
///
/// @param groups everything within reach, by where it goes
/// @param part the one in hand
/// @param route where it goes, and why
/// @param materials what a solvent could reach on it, and with which controls it is reached
/// @param unknown whether nobody has said what it is made of
/// @param faces of a glass, to clean one by itself; empty for anything else
/// @param soilWhy what it is, and why these agents
/// @param soilCaution before it is touched, empty for none
/// @param rungs the ladder, first pass first
/// @param spare what may be tried as well
/// @param lacking what would be tried if there were any here
/// @param barred what would have helped but would hurt
/// @param chance that the soil is gone at the top
/// @param school in which order agents are tried
/// @param knacks what a hand should know at it
public record CleanModel(
        List<Group> groups,
        Optional<String> part,
        String partName,
        String route,
        String materials,
        boolean unknown,
        List<FaceChip> faces,
        List<SoilItem> soils,
        String soil,
        String soilWhy,
        String soilCaution,
        List<Rung> rungs,
        List<Rung> spare,
        List<Rung> lacking,
        List<Barred> barred,
        String chance,
        CareTables.School school,
        boolean gone,
        boolean done,
        List<Knack> knacks) {

    /// Soils that come of metals eating each other.
    private static final Set<String> CORRODED = Set.of("verdigris", "rust", "salt", "leakage");

    /// Parts whose two faces are cleaned one by one.
    private static final Set<Part.Kind> FACED = EnumSet.of(Part.Kind.GLASS, Part.Kind.MIRROR, Part.Kind.PRISM, Part.Kind.SCREEN);

    /// Parts that go the same way.
    /// @param bath what a load of tin or tank begins with, where its clock does not run; empty otherwise
    public record Group(String name, List<PartChip> parts, Optional<Bath> bath) {
        public Group {
            parts = List.copyOf(parts);
        }
    }

    /// @param chain of the load
    /// @param words what its first clock counts
    public record Bath(BathChain chain, String words) {}

    /// @param state for the mark before the name: nothing tried, some left, or gone
    public record PartChip(String id, String name, Progress progress, boolean chosen) {}

    public enum Progress {
        UNTOUCHED,
        TRIED,
        CLEAN
    }

    /// @param face empty for the whole glass
    public record FaceChip(Optional<CareEvent.Face> face, String name, boolean chosen) {}

    public record SoilItem(String id, String name, boolean chosen) {}

    /// @param next the first that was not tried yet
    /// @param how tool and way of a pass, empty where nobody wrote it
    /// @param result what became of it where it was tried
    public record Rung(String agent, String name, String removes, String reason, String how, String caution, double minutes, boolean next, String result) {}

    public record Barred(String name, String reason) {}

    public CleanModel {
        groups = List.copyOf(groups);
        faces = List.copyOf(faces);
        soils = List.copyOf(soils);
        rungs = List.copyOf(rungs);
        spare = List.copyOf(spare);
        lacking = List.copyOf(lacking);
        barred = List.copyOf(barred);
        knacks = List.copyOf(knacks);
    }

    /// What the technician chose.
    /// @param soil what it is taken for; the most likely one when empty
    /// @param face of a glass; empty for all of it
    record Chosen(Optional<String> soil, Optional<CareEvent.Face> face) {
        static final Chosen NOTHING = new Chosen(Optional.empty(), Optional.empty());
    }

    /// @param soil what the part in hand is taken to be soiled with; the most likely when empty
    public static CleanModel of(Work work, Optional<String> soil) {
        return of(work, new Chosen(soil, Optional.empty()));
    }

    static CleanModel of(Work work, Chosen chosen) {
        List<Part> reached = Reached.parts(work.instrument(), work.section(), work.state().joints().order());
        Optional<Part> inHand = reached.stream().filter(p -> work.selection().part(p.id())).findFirst()
                .or(() -> reached.stream().filter(p -> wantsCleaning(p) && progress(p, work) != Progress.CLEAN).findFirst())
                .or(() -> reached.stream().findFirst());
        Routes routes = Routes.of(reached, work);
        List<Group> groups = routes.groups().stream().map(g -> new Group(g.name(), g.parts().stream()
                .map(p -> new PartChip(p.id(), p.name(), progress(p, work), inHand.filter(p::equals).isPresent())).toList(), g.chain().filter(c -> c.running(work.state().care()).isEmpty()).map(c -> bath(c, work)))).toList();
        if (inHand.isEmpty()) {
            return new CleanModel(groups, Optional.empty(), "", "", "", false, List.of(), List.of(), "", "", "", List.of(), List.of(), List.of(), List.of(), "", work.care().school(), false, work.state().done(Stage.CLEAN), List.of());
        }
        Part part = inHand.get();
        String soilId = chosen.soil.filter(s -> work.care().soil(s).isPresent()).orElseGet(() -> likelySoil(part, work));
        CareTables.Soil soil = work.care().soil(soilId).orElseThrow();
        boolean twoFaces = FACED.contains(part.kind()) || Arrays.stream(CareEvent.Face.values()).anyMatch(f -> work.state().care().made(part.id(), f).isPresent());
        Optional<CareEvent.Face> face = twoFaces ? chosen.face : Optional.empty();
        Set<Material> materials = face.flatMap(f -> work.state().care().made(part.id(), f)).orElseGet(() -> materials(part, work));
        AgentLadder ladder = AgentLadder.of(work.care(), materials, soil);
        List<CareEvent.PartCleaned> passes = work.state().care().passes(part.id(), soilId, face);
        boolean gone = passes.stream().anyMatch(CareEvent.PartCleaned::gone);
        return new CleanModel(
                groups, Optional.of(part.id()), part.name(), routes.why(part),
                materials(part, materials, soil, work), unknown(part, work), twoFaces ? faces(face) : List.of(),
                work.care().soils().stream().map(s -> new SoilItem(s.id(), s.name(), s.id().equals(soilId))).toList(),
                soil.name(), soil.why(), soil.caution(), rungs(ladder, soil, passes, gone, work),
                ladder.spare().stream().map(r -> rung(r, soil, passes, false, work)).toList(),
                ladder.lacking().stream().map(r -> rung(r, soil, passes, false, work)).toList(),
                ladder.barred().stream().map(b -> new Barred(b.agent().name(), Words.of("clean.barred", b.material().word(), Words.say(b.reason())))).toList(),
                ladder.chance() > 0.99 ? Words.of("clean.over99") : Words.of("percent.0", 100 * ladder.chance()), work.care().school(), gone, work.state().done(Stage.CLEAN), gone ? List.of() : knacks(part, soilId, work));
    }

    /// By what it is, what is on it, and whether it is off or still sits where it sat.
    private static List<Knack> knacks(Part part, String soil, Work work) {
        Set<Trait> traits = Trait.of(part);
        traits.addAll(Trait.ofSoil(soil));
        traits.add(work.instrument().freedBy(part.id()).filter(j -> work.state().joints().openNow().contains(j.id())).isPresent() ? Trait.LOOSE : Trait.IN_PLACE);
        return work.care().knacks().at(Act.CLEAN, traits);
    }

    private static List<FaceChip> faces(Optional<CareEvent.Face> chosen) {
        List<FaceChip> all = new ArrayList<>(List.of(new FaceChip(Optional.empty(), Words.of("clean.face.both"), chosen.isEmpty())));
        for (CareEvent.Face f : CareEvent.Face.values()) {
            all.add(new FaceChip(Optional.of(f), Words.of("clean.face", f.word()), chosen.filter(f::equals).isPresent()));
        }
        return all;
    }

    /// What a solvent could reach, and where controls must stand so that the part is reached at all.
    private static String materials(Part part, Set<Material> materials, CareTables.Soil soil, Work work) {
        String made = Words.of(unknown(part, work) ? "clean.materials.unknown" : "clean.materials", String.join(", ", materials.stream().sorted().map(Material::word).toList()));
        List<String> controls = work.instrument().freedBy(part.id()).map(j -> j.behind().with()).orElse(Map.of()).entrySet().stream().sorted(Map.Entry.comparingByKey())
                .map(c -> Words.of("clean.control", c.getKey(), c.getValue())).toList();
        // Told where there is a reason to look: of a sound part it would only take room from the ladder.
        List<MetalPairs> all = CORRODED.contains(soil.id()) ? Corroding.pairs(work.state(), work.instrument()) : Corroding.of(work.state(), work.instrument());
        List<MetalPairs> metals = all.stream().filter(m -> m.about(part)).toList();
        String with = controls.isEmpty() ? made : Words.of("clean.with", made, String.join(", ", controls));
        return metals.isEmpty() ? with : with + " " + MetalPairs.said(metals).stream().map(Words::sentence).collect(Collectors.joining(" "));
    }

    /// Materials of the part and of what cannot be taken out of it.
    static Set<Material> materials(Part part, Work work) {
        return work.state().care().materials(work.instrument(), part.id(), work.state().joints().openNow());
    }

    static boolean unknown(Part part, Work work) {
        return Ways.unknown(part, work.state());
    }

    private static Bath bath(BathChain chain, Work work) {
        Chore first = chain.links().getFirst();
        return new Bath(chain, Words.of("clean.bath", Words.say(first.said()), BathChain.minutes(first, work.care()).orElse(first.usualMinutes())));
    }

    private static boolean wantsCleaning(Part p) {
        return p.kind() == Part.Kind.GLASS || p.kind() == Part.Kind.HELICOID;
    }

    private static Progress progress(Part p, Work work) {
        Map<String, CareEvent.PartCleaned> last = new LinkedHashMap<>();
        work.state().care().cleaned().stream().filter(c -> c.part().equals(p.id())).forEach(c -> last.put(c.soil() + c.face(), c));
        return last.isEmpty() ? Progress.UNTOUCHED : last.values().stream().allMatch(CareEvent.PartCleaned::gone) ? Progress.CLEAN : Progress.TRIED;
    }

    /// What was found on its faces, or what its kind usually carries.
    private static String likelySoil(Part part, Work work) {
        Optional<String> seen = work.instrument().withContents(part.id()).stream()
                .flatMap(p -> p.element().stream())
                .flatMap(e -> work.section().flatMap(l -> l.element(e)).stream())
                .flatMap(e -> work.computed().assessments().stream()
                        .filter(a -> a.surface() == e.firstSurface() || a.surface() == e.lastSurface()))
                .map(a -> a.known().finding().kind().word())
                .filter(k -> work.care().soil(k).isPresent())
                .findFirst();
        return switch (part.kind()) {
            case GLASS -> seen.orElse("dust");
            case HELICOID -> "old-grease";
            case MIRROR, PRISM, SCREEN -> "dust";
            case COVER, COVERING -> "grime";
            case CELL, RING, BARREL, SPACER, SHIM, MOUNT, BLADES, KEY, PLATE, LEVER, SPRING, GEAR, SHUTTER, RIBBON, SMALL -> "oil";
        };
    }

    private static List<Rung> rungs(AgentLadder ladder, CareTables.Soil soil, List<CareEvent.PartCleaned> passes, boolean gone, Work work) {
        List<Rung> rungs = new ArrayList<>();
        boolean nextFound = gone;
        for (AgentLadder.Rung r : ladder.rungs()) {
            long done = passes.stream().filter(c -> c.agent().equals(r.agent().id())).count();
            boolean next = !nextFound && done < r.pass();
            nextFound |= next;
            rungs.add(rung(r, soil, passes, next, work));
        }
        return rungs;
    }

    private static Rung rung(AgentLadder.Rung r, CareTables.Soil soil, List<CareEvent.PartCleaned> passes, boolean next, Work work) {
        CareTables.Agent a = r.agent();
        Optional<CareEvent.PartCleaned> result = passes.stream().filter(c -> c.agent().equals(a.id())).skip(r.pass() - 1L).findFirst();
        CareOutcomes.Count here = work.care().outcomes().of(soil.id(), a.id());
        String removes = Words.of(r.pass() > 1 ? "clean.removes.rest" : "clean.removes", 100 * r.removes());
        return new Rung(a.id(), r.pass() > 1 ? Words.of("clean.again", a.name()) : a.name(), here.passes() == 0 ? removes : Words.of("clean.here", removes, here.gone(), here.passes()),
                Words.of(r.briefly() ? "clean.briefly" : "clean.fine", Words.say(r.reason())), a.tool().isEmpty() ? a.how() : Words.of("clean.how", Words.capital(a.tool()), a.how()), a.caution(), a.minutes(), next,
                result.map(c -> c.left().map(n -> Words.of("clean.left", n)).orElse(Words.of(c.gone() ? "clean.gone" : "clean.still"))).orElse(""));
    }

    /// All of them as they stand in the list.
    public List<PartChip> parts() {
        return groups.stream().flatMap(g -> g.parts().stream()).toList();
    }

    public Optional<Rung> next() {
        return rungs.stream().filter(Rung::next).findFirst();
    }

    public Say say() {
        if (part.isEmpty()) {
            return new Say(Words.of("clean.say.nothing"), Words.of("keys.hint.open"));
        }
        boolean left = parts().stream().anyMatch(p -> p.progress() == Progress.TRIED);
        if (gone && !left) {
            return done ? new Say(Words.of("clean.say.done"), Words.of("keys.hint.close")) : new Say(Words.of("clean.say.gone", partName), Words.of("clean.keys.gone"));
        }
        return next().map(r -> new Say(Words.of("clean.say.next", r.name().toLowerCase(Locale.ROOT), partName), Words.of(unknown ? "clean.keys.unknown" : "clean.keys")))
                .orElseGet(() -> new Say(Words.of(gone ? "clean.say.gone" : "clean.say.top", partName), Words.of("clean.keys.gone")));
    }

    /// The part before or after the one in hand, as they stand in the list.
    public Optional<Selection> step(int by) {
        List<PartChip> parts = parts();
        for (int i = 0; i < parts.size(); i++) {
            if (parts.get(i).chosen()) {
                return Optional.of(new Selection.OfPart(parts.get(Math.floorMod(i + by, parts.size())).id()));
            }
        }
        return Optional.empty();
    }
}

package stillglass.app.clean;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import stillglass.app.desk.Say;
import stillglass.app.desk.Selection;
import stillglass.app.desk.Work;
import stillglass.app.theme.Words;
import stillglass.assembly.Material;
import stillglass.assembly.Part;
import stillglass.care.AgentLadder;
import stillglass.care.CareTables;
import stillglass.plan.Inside;
import stillglass.plan.Reached;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.joints.LearnedMap;
import stillglass.ticket.story.Stage;

/// What Clean shows.
///
/// @param parts everything within reach
/// @param part the one in hand
/// @param materials what a solvent could reach on it, and with which controls it is reached
/// @param rungs the ladder, weakest first
/// @param barred what would have helped but would hurt
/// @param chance that the soil is gone at the top
public record CleanModel(
        List<PartChip> parts,
        Optional<String> part,
        String partName,
        String materials,
        List<SoilChip> soils,
        String soil,
        List<Rung> rungs,
        List<Barred> barred,
        String chance,
        boolean gone,
        boolean done) {

    /// @param state for the mark before the name: nothing tried, some left, or gone
    public record PartChip(String id, String name, Progress progress, boolean chosen) {}

    public enum Progress {
        UNTOUCHED,
        TRIED,
        CLEAN
    }

    public record SoilChip(String id, String name, boolean chosen) {}

    /// @param next the weakest that was not tried yet
    /// @param result "still there" or "gone" where it was tried
    public record Rung(String agent, String name, String removes, String reason, String caution, double minutes, boolean next, String result) {}

    public record Barred(String name, String reason) {}

    public CleanModel {
        parts = List.copyOf(parts);
        soils = List.copyOf(soils);
        rungs = List.copyOf(rungs);
        barred = List.copyOf(barred);
    }

    /// @param chosenSoil what the technician takes it for; the most likely one when empty
    public static CleanModel of(Work work, Optional<String> chosenSoil) {
        List<Part> reached = Reached.parts(work.instrument(), work.section(), work.state().joints().order());
        Optional<Part> inHand = reached.stream().filter(p -> work.selection().part(p.id())).findFirst()
                .or(() -> reached.stream().filter(p -> wantsCleaning(p) && progress(p, work) != Progress.CLEAN).findFirst())
                .or(() -> reached.stream().findFirst());
        List<PartChip> chips = reached.stream()
                .map(p -> new PartChip(p.id(), p.name(), progress(p, work), inHand.filter(p::equals).isPresent()))
                .toList();
        if (inHand.isEmpty()) {
            return new CleanModel(chips, Optional.empty(), "", "", List.of(), "", List.of(), List.of(), "", false, work.state().done(Stage.CLEAN));
        }
        Part part = inHand.get();
        String soilId = chosenSoil.filter(s -> work.care().soil(s).isPresent()).orElseGet(() -> likelySoil(part, work));
        CareTables.Soil soil = work.care().soil(soilId).orElseThrow();
        Set<Material> materials = materials(part, work);
        AgentLadder ladder = AgentLadder.of(work.care(), materials, soil);
        boolean gone = tried(part, soilId, work).stream().anyMatch(CareEvent.PartCleaned::gone);
        return new CleanModel(
                chips, Optional.of(part.id()), part.name(),
                materials(part, materials, work),
                work.care().soils().stream().map(s -> new SoilChip(s.id(), s.name(), s.id().equals(soilId))).toList(),
                soil.name(), rungs(ladder, part, soilId, gone, work),
                ladder.barred().stream().map(b -> new Barred(b.agent().name(), Words.of("clean.barred", b.material().word(), Words.say(b.reason())))).toList(),
                ladder.chance() > 0.99 ? Words.of("clean.over99") : Words.of("percent.0", 100 * ladder.chance()), gone, work.state().done(Stage.CLEAN));
    }

    /// What a solvent could reach, and where controls must stand so that the part is reached at all.
    private static String materials(Part part, Set<Material> materials, Work work) {
        String made = Words.of(LearnedMap.takenForDelicate(part) ? "clean.materials.unknown" : "clean.materials", String.join(", ", materials.stream().sorted().map(Material::word).toList()));
        List<String> controls = work.instrument().freedBy(part.id()).map(j -> j.behind().with()).orElse(Map.of()).entrySet().stream().sorted(Map.Entry.comparingByKey())
                .map(c -> Words.of("clean.control", c.getKey(), c.getValue())).toList();
        return controls.isEmpty() ? made : Words.of("clean.with", made, String.join(", ", controls));
    }

    /// Materials of the part and of what cannot be taken out of it.
    private static Set<Material> materials(Part part, Work work) {
        return Inside.materials(work.instrument(), part.id(), work.state().joints().openNow());
    }

    private static boolean wantsCleaning(Part p) {
        return p.kind() == Part.Kind.GLASS || p.kind() == Part.Kind.HELICOID;
    }

    private static List<CareEvent.PartCleaned> tried(Part part, String soil, Work work) {
        return work.state().care().cleaned().stream().filter(c -> c.part().equals(part.id()) && c.soil().equals(soil)).toList();
    }

    private static Progress progress(Part p, Work work) {
        List<CareEvent.PartCleaned> all = work.state().care().cleaned().stream().filter(c -> c.part().equals(p.id())).toList();
        return all.isEmpty() ? Progress.UNTOUCHED : all.getLast().gone() ? Progress.CLEAN : Progress.TRIED;
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
            case MIRROR, PRISM, SCREEN, COVER, COVERING -> "dust";
            case CELL, RING, BARREL, SPACER, SHIM, MOUNT, BLADES, KEY, PLATE, LEVER, SPRING, GEAR, SHUTTER, RIBBON, SMALL -> "oil";
        };
    }

    private static List<Rung> rungs(AgentLadder ladder, Part part, String soil, boolean gone, Work work) {
        List<Rung> rungs = new ArrayList<>();
        boolean nextFound = gone;
        for (AgentLadder.Rung r : ladder.rungs()) {
            Optional<CareEvent.PartCleaned> result = tried(part, soil, work).stream().filter(c -> c.agent().equals(r.agent().id())).reduce((a, b) -> b);
            boolean next = !nextFound && result.isEmpty();
            nextFound |= next;
            rungs.add(new Rung(r.agent().id(), r.agent().name(), Words.of("clean.removes", 100 * r.removes()),
                    Words.of(r.briefly() ? "clean.briefly" : "clean.fine", Words.say(r.reason())), r.agent().caution(), r.agent().minutes(), next,
                    result.map(c -> Words.of(c.gone() ? "clean.gone" : "clean.still")).orElse("")));
        }
        return rungs;
    }

    public Optional<Rung> next() {
        return rungs.stream().filter(Rung::next).findFirst();
    }

    public Say say() {
        if (part.isEmpty()) {
            return new Say(Words.of("clean.say.nothing"), Words.of("keys.hint.open"));
        }
        boolean left = parts.stream().anyMatch(p -> p.progress() == Progress.TRIED);
        if (gone && !left) {
            return done ? new Say(Words.of("clean.say.done"), Words.of("keys.hint.close")) : new Say(Words.of("clean.say.gone", partName), Words.of("clean.keys.gone"));
        }
        return next().map(r -> new Say(Words.of("clean.say.next", r.name().toLowerCase(Locale.ROOT), partName), Words.of("clean.keys")))
                .orElseGet(() -> new Say(Words.of(gone ? "clean.say.gone" : "clean.say.top", partName), Words.of("clean.keys.gone")));
    }

    /// The part before or after the one in hand.
    public Optional<Selection> step(int by) {
        for (int i = 0; i < parts.size(); i++) {
            if (parts.get(i).chosen()) {
                return Optional.of(new Selection.OfPart(parts.get(Math.floorMod(i + by, parts.size())).id()));
            }
        }
        return Optional.empty();
    }
}

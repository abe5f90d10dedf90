package stillglass.book.data;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.stream.Stream;
import stillglass.assembly.Build;
import stillglass.assembly.Instrument;
import stillglass.book.BadInput;
import stillglass.book.file.SafeFile;
import stillglass.care.CareTables;
import stillglass.grade.CheapTest;
import stillglass.grade.GradeRules;
import stillglass.optics.Footprints;
import stillglass.optics.LensSection;
import stillglass.ticket.arrival.Tag;

/// Lens sections, maps of instruments, and the shop's tables: what ships with the application, or the shop's own.
///
/// Read lazily and kept; all of it is immutable. A section without an instrument gets an empty one, which has
/// glasses but no joints: it is opened without a map.
public final class Shelf {
    private static final List<String> SECTIONS = List.of(
            "fell_52_f2", "rill_57_f14", "tarn_50_f35", "moraine_31_f35", "hawthorn_105_f28", "sedge_75_f45", "shoal_50_f5");
    private static final List<String> BUILDS = List.of("prime-one-helicoid", "prime-two-helicoids", "front-from-behind", "unit-set-screws", "zoom-three-screws", "zoom-collars", "zoom-cam-barrel", "leaf-front-cell",
            "leaf-pair", "folding-camera", "reflex-curtains", "finder-body", "digital-body");
    /// Own files of a sort that are read.
    private static final int MOST_OWN = 2000;
    /// Lenses whose beams are kept; which were used last stay.
    private static final int MOST_TRACED = 40;
    private static final List<String> INSTRUMENTS = List.of("ostrel_52_f2", "corvane_zoom_35_70", "pellam_folding_75", "ostrel_reflex");

    private record Traced(String section, Footprints.Picture picture) {}

    private final Map<String, LensSection> sections = new ConcurrentHashMap<>();
    private final Map<Traced, Footprints> footprints = Collections.synchronizedMap(new LinkedHashMap<>(64, 0.75f, true) {
        private static final long serialVersionUID = 1;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Traced, Footprints> eldest) {
            return size() > MOST_TRACED;
        }
    });
    private final Map<String, Instrument> instruments = new ConcurrentHashMap<>();
    private final List<String> sectionIds;
    private final List<String> instrumentIds;
    private final GradeRules rules;
    private final List<String> complaints;
    private Optional<Path> shop = Optional.empty();
    private final List<Build> builds = BUILDS.stream().map(InstrumentJson::build).toList();
    private final CareTables care = RulesJson.shippedCare();
    private final List<CheapTest> tests = RulesJson.shippedTests();

    /// What ships, all of it on the shelf: for the demo, for practice, for checking.
    public Shelf() {
        this(SECTIONS, INSTRUMENTS, RulesJson.shippedGrade(), List.of());
    }

    private Shelf(List<String> sectionIds, List<String> instrumentIds, GradeRules rules, List<String> complaints) {
        this.sectionIds = new CopyOnWriteArrayList<>(sectionIds);
        this.instrumentIds = new CopyOnWriteArrayList<>(instrumentIds);
        this.rules = rules;
        this.complaints = List.copyOf(complaints);
    }

    /// The shop's own: its grade rules, and the sections and maps in its folder. Nothing of the demo stands on it; a ticket that was begun on a model
    /// of the demo still finds it.
    /// @param folder with `grade-rules.json`, `shelf/lenses` and `shelf/instruments`, each of which may be missing; a file that cannot be read is left alone and
    ///     complained about
    public static Shelf ofShop(Path folder) {
        List<String> complaints = new ArrayList<>();
        GradeRules rules = RulesJson.shippedGrade();
        Path ownRules = folder.resolve("grade-rules.json");
        if (Files.exists(ownRules)) {
            try {
                rules = RulesJson.grade(ownRules);
            } catch (BadInput e) {
                complaints.add("Your grade rules were not used, the usual ones hold. " + e.getMessage());
            }
        }
        Map<String, LensSection> lenses = new TreeMap<>();
        Map<String, Instrument> maps = new TreeMap<>();
        for (Path f : files(folder.resolve("shelf").resolve("lenses"), complaints)) {
            taken(() -> lenses.put(stem(f), LensJson.read(f)), complaints);
        }
        for (Path f : files(folder.resolve("shelf").resolve("instruments"), complaints)) {
            taken(() -> {
                Instrument i = InstrumentJson.read(f);
                if (maps.put(i.id(), i) != null) {
                    throw new BadInput(String.valueOf(f.getFileName()), "id", "two files in this folder describe " + i.id() + ": keep one");
                }
            }, complaints);
        }
        Shelf shelf = new Shelf(List.copyOf(lenses.keySet()), List.copyOf(maps.keySet()), rules, complaints);
        shelf.shop = Optional.of(folder);
        shelf.sections.putAll(lenses);
        shelf.instruments.putAll(maps);
        return shelf;
    }

    /// The shop's own, and what ships beside it: for the command line, where a model is named and none is shown.
    /// @param folder as in [#ofShop(Path)]
    public static Shelf ofShopAndShipped(Path folder) {
        Shelf shelf = ofShop(folder);
        SECTIONS.stream().filter(s -> !shelf.sectionIds.contains(s)).forEach(shelf.sectionIds::add);
        INSTRUMENTS.stream().filter(i -> !shelf.instrumentIds.contains(i)).forEach(shelf.instrumentIds::add);
        return shelf;
    }

    private static void taken(Runnable read, List<String> complaints) {
        try {
            read.run();
        } catch (BadInput e) {
            complaints.add("A file on your shelf was left alone. " + e.getMessage());
        }
    }

    private static List<Path> files(Path folder, List<String> complaints) {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (Stream<Path> all = Files.list(folder)) {
            List<Path> files = all.filter(f -> f.toString().endsWith(".json") && Files.isRegularFile(f)).sorted().limit(MOST_OWN + 1).toList();
            if (files.size() > MOST_OWN) {
                complaints.add("Only the first " + MOST_OWN + " files in " + folder + " were read.");
            }
            return files.subList(0, Math.min(MOST_OWN, files.size()));
        } catch (IOException e) {
            complaints.add("The folder " + folder + " could not be read: " + e.getMessage());
            return List.of();
        }
    }

    private static String stem(Path file) {
        String name = String.valueOf(file.getFileName());
        return name.substring(0, name.length() - ".json".length());
    }

    /// Lays the shipped grade rules down for editing where there are none yet.
    public static void offerRules(Path ownRules) {
        if (!Files.exists(ownRules) && ownRules.getParent() != null && Files.isDirectory(ownRules.getParent())) {
            SafeFile.write(ownRules, CheckedJson.shipped("/stillglass/book/grade-rules.json").getBytes(StandardCharsets.UTF_8));
        }
    }

    /// What was wrong with the shop's own files, in words.
    public List<String> complaints() {
        return complaints;
    }

    /// Identifiers of the sections on the shelf.
    public List<String> sectionIds() {
        return List.copyOf(sectionIds);
    }

    /// Keeps an own section as a file on the shop's shelf, so that further jobs can be begun on it and others be given it.
    /// @throws stillglass.book.BadInput when it cannot be written
    public void keep(String id, LensSection section, String json) {
        add(id, section);
        shop.ifPresent(folder -> {
            Path lenses = folder.resolve("shelf").resolve("lenses");
            try {
                Files.createDirectories(lenses);
            } catch (IOException e) {
                throw new BadInput(id, "folder", "the shelf cannot be made (" + e.getMessage() + ")");
            }
            SafeFile.write(lenses.resolve(id + ".json"), json.getBytes(StandardCharsets.UTF_8));
            if (!sectionIds.contains(id)) {
                sectionIds.add(id);
            }
        });
    }

    /// Identifiers of the instruments on the shelf.
    public List<String> instrumentIds() {
        return List.copyOf(instrumentIds);
    }

    /// The shop's own maps as files; none on the shelf of the demo.
    public Optional<OwnMaps> maps(InstantSource clock) {
        return shop.map(folder -> new OwnMaps(folder, clock));
    }

    /// Puts an own map on the shelf, or its newer version in its place.
    public void put(Instrument map) {
        instruments.put(map.id(), map);
        if (!instrumentIds.contains(map.id())) {
            instrumentIds.add(map.id());
        }
    }

    /// @throws IllegalStateException for an identifier that is not on the shelf
    public LensSection section(String id) {
        return sections.computeIfAbsent(id, key -> {
            if (!SECTIONS.contains(key)) {
                throw new IllegalStateException("there is no section “" + key + "” on the shelf");
            }
            return LensJson.shipped(key);
        });
    }

    /// Traced beams of a section, kept once traced; some tens of milliseconds the first time.
    /// @throws IllegalStateException for an identifier that is not on the shelf
    public Footprints footprints(String sectionId) {
        return footprints(sectionId, Footprints.Picture.distant(section(sectionId)));
    }

    /// The same of another picture than that of distant things on the usual frame.
    public Footprints footprints(String sectionId, Footprints.Picture picture) {
        return footprints.computeIfAbsent(new Traced(sectionId, picture), t -> Footprints.of(section(t.section), t.picture, () -> {}));
    }

    /// The instrument of that identifier, or one without joints made from the section of that name.
    public Instrument instrument(String id) {
        return instruments.computeIfAbsent(id, key -> INSTRUMENTS.contains(key)
                ? InstrumentJson.shipped(key)
                : Unmapped.of(key, section(key)));
    }

    /// What is known of the model a ticket hangs on: its map, its glasses, or nothing but its name.
    public Instrument instrument(Tag tag) {
        return hasMap(tag.instrumentId()) || hasSection(tag.instrumentId()) ? instrument(tag.instrumentId())
                : tag.sectionId().filter(this::hasSection).map(s -> instrument(s)).orElseGet(() -> Instrument.unknown(tag.instrumentId(), tag.title(), tag.sort()));
    }

    private boolean hasMap(String id) {
        return INSTRUMENTS.contains(id) || instrumentIds.contains(id);
    }

    /// Whether there is a section of that identifier.
    public boolean hasSection(String id) {
        return SECTIONS.contains(id) || sections.containsKey(id);
    }

    /// The instrument on the shelf that has this section, if one is mapped.
    public Optional<String> mappedFor(String sectionId) {
        return instrumentIds.stream().filter(i -> instrument(i).sort() != Instrument.Sort.BODY && instrument(i).sectionId().filter(sectionId::equals).isPresent()).findFirst();
    }

    /// Takes in a section read from a file, so that a ticket can refer to it.
    public void add(String id, LensSection section) {
        sections.putIfAbsent(id, section);
    }

    public GradeRules gradeRules() {
        return rules;
    }

    /// Cheap tests and how often each kind answers yes.
    public List<CheapTest> tests() {
        return tests;
    }

    /// Generic constructions, which stand on every shelf.
    public List<Build> builds() {
        return builds;
    }

    public CareTables care() {
        return care;
    }
}

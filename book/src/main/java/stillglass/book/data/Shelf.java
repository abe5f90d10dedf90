package stillglass.book.data;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import stillglass.assembly.Instrument;
import stillglass.book.BadInput;
import stillglass.book.file.SafeFile;
import stillglass.care.CareTables;
import stillglass.grade.CheapTest;
import stillglass.grade.GradeRules;
import stillglass.optics.Footprints;
import stillglass.optics.LensSection;
import stillglass.ticket.arrival.Tag;

/// What ships with the application: lens sections, instruments, and the shop's tables.
///
/// Read lazily and kept; all of it is immutable. A section without an instrument gets an empty one, which has
/// glasses but no joints: it is opened without a map.
public final class Shelf {
    private static final List<String> SECTIONS = List.of(
            "fell_52_f2", "rill_57_f14", "tarn_50_f35", "moraine_28_f35", "hawthorn_105_f28", "sedge_75_f45", "shoal_50_f5");
    private static final List<String> INSTRUMENTS = List.of("ostrel_52_f2", "corvane_zoom_35_70", "pellam_folding_75", "ostrel_reflex");

    private final Map<String, LensSection> sections = new ConcurrentHashMap<>();
    private final Map<String, Footprints> footprints = new ConcurrentHashMap<>();
    private final Map<String, Instrument> instruments = new ConcurrentHashMap<>();
    private final GradeRules rules;
    private final Optional<String> complaint;
    private final CareTables care = RulesJson.shippedCare();
    private final List<CheapTest> tests = RulesJson.shippedTests();

    /// What ships, nothing of the shop's own.
    public Shelf() {
        rules = RulesJson.shippedGrade();
        complaint = Optional.empty();
    }

    /// With the shop's own grade rules.
    /// @param ownRules a file that may be missing; one that cannot be read is left alone, the shipped rules hold and
    ///     [#complaint] says why
    public Shelf(Path ownRules) {
        GradeRules found = RulesJson.shippedGrade();
        Optional<String> trouble = Optional.empty();
        if (Files.exists(ownRules)) {
            try {
                found = RulesJson.grade(ownRules);
            } catch (BadInput e) {
                trouble = Optional.of("Your grade rules were not used, the usual ones hold. " + e.getMessage());
            }
        }
        rules = found;
        complaint = trouble;
    }

    /// Lays the shipped grade rules down for editing where there are none yet.
    public static void offerRules(Path ownRules) {
        if (!Files.exists(ownRules) && ownRules.getParent() != null && Files.isDirectory(ownRules.getParent())) {
            SafeFile.write(ownRules, CheckedJson.shipped("/stillglass/book/grade-rules.json").getBytes(StandardCharsets.UTF_8));
        }
    }

    /// What was wrong with the shop's own files, in words.
    public Optional<String> complaint() {
        return complaint;
    }

    /// Identifiers of the sections on the shelf.
    public List<String> sectionIds() {
        return SECTIONS;
    }

    /// Identifiers of the instruments on the shelf.
    public List<String> instrumentIds() {
        return INSTRUMENTS;
    }

    /// @throws IllegalStateException for an identifier that is not on the shelf
    public LensSection section(String id) {
        return sections.computeIfAbsent(id, LensJson::shipped);
    }

    /// Traced beams of a section, kept once traced; some tens of milliseconds the first time.
    /// @throws IllegalStateException for an identifier that is not on the shelf
    public Footprints footprints(String sectionId) {
        return footprints.computeIfAbsent(sectionId, id -> Footprints.of(section(id), () -> {}));
    }

    /// The instrument of that identifier, or one without joints made from the section of that name.
    public Instrument instrument(String id) {
        return instruments.computeIfAbsent(id, key -> INSTRUMENTS.contains(key)
                ? InstrumentJson.shipped(key)
                : Unmapped.of(key, section(key)));
    }

    /// What is known of the model a ticket hangs on: its map, its glasses, or nothing but its name.
    public Instrument instrument(Tag tag) {
        return INSTRUMENTS.contains(tag.instrumentId()) || hasSection(tag.instrumentId()) ? instrument(tag.instrumentId())
                : tag.sectionId().filter(this::hasSection).map(s -> instrument(s)).orElseGet(() -> Instrument.unknown(tag.instrumentId(), tag.title(), tag.sort()));
    }

    /// Whether there is a section of that identifier.
    public boolean hasSection(String id) {
        return SECTIONS.contains(id) || sections.containsKey(id);
    }

    /// The instrument on the shelf that has this section, if one is mapped.
    public Optional<String> mappedFor(String sectionId) {
        return INSTRUMENTS.stream().filter(i -> instrument(i).sort() != Instrument.Sort.BODY && instrument(i).sectionId().filter(sectionId::equals).isPresent()).findFirst();
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

    public CareTables care() {
        return care;
    }
}

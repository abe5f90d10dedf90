package stillglass.book.data;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import stillglass.assembly.Instrument;
import stillglass.care.CareTables;
import stillglass.grade.GradeRules;
import stillglass.optics.Footprints;
import stillglass.optics.LensSection;

/// What ships with the application: lens sections, instruments, and the shop's tables.
///
/// Read lazily and kept; all of it is immutable. A section without an instrument gets an empty one, which has
/// glasses but no joints: it is opened without a map.
public final class Shelf {
    private static final List<String> SECTIONS = List.of(
            "fell_52_f2", "rill_57_f14", "tarn_50_f35", "moraine_28_f35", "hawthorn_105_f28", "sedge_75_f45");
    private static final List<String> INSTRUMENTS = List.of("ostrel_52_f2");

    private final Map<String, LensSection> sections = new ConcurrentHashMap<>();
    private final Map<String, Footprints> footprints = new ConcurrentHashMap<>();
    private final Map<String, Instrument> instruments = new ConcurrentHashMap<>();
    private final GradeRules rules = RulesJson.shippedGrade();
    private final CareTables care = RulesJson.shippedCare();

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

    /// The instrument on the shelf that has this section, if one is mapped.
    public Optional<String> mappedFor(String sectionId) {
        return INSTRUMENTS.stream().filter(i -> instrument(i).sectionId().equals(sectionId)).findFirst();
    }

    /// Takes in a section read from a file, so that a ticket can refer to it.
    public void add(String id, LensSection section) {
        sections.putIfAbsent(id, section);
    }

    public GradeRules gradeRules() {
        return rules;
    }

    public CareTables care() {
        return care;
    }
}

package stillglass.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.ArchCondition;
import com.tngtech.archunit.lang.ConditionEvents;
import com.tngtech.archunit.lang.SimpleConditionEvent;
import com.tngtech.archunit.library.dependencies.SliceAssignment;
import com.tngtech.archunit.library.dependencies.SliceIdentifier;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Random;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/// The rules of the house, kept as code.
class HouseRulesTest {
    private static final JavaClasses ALL = new ClassFileImporter()
            .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
            .importPackages("stillglass");
    private static final String[] CORE = {"stillglass.say..", "stillglass.optics..", "stillglass.assembly..", "stillglass.look..", "stillglass.grade..", "stillglass.plan..",
        "stillglass.ticket..", "stillglass.care..", "stillglass.prove..", "stillglass.fault..", "stillglass.device..", "stillglass.day.."};
    private static final Path ROOT = root();

    private static Path root() {
        Path here = Path.of("").toAbsolutePath();
        return Files.exists(here.resolve("still-glass")) ? here : here.getParent();
    }

    @Test
    void arrowsBetweenModulesPointInward() {
        layeredArchitecture().consideringOnlyDependenciesInAnyPackage("stillglass..")
                .layer("core").definedBy(CORE)
                .layer("book").definedBy("stillglass.book..")
                .layer("sim").definedBy("stillglass.sim..")
                .layer("cli").definedBy("stillglass.cli..")
                .layer("app").definedBy("stillglass.app..")
                .whereLayer("app").mayNotBeAccessedByAnyLayer()
                .whereLayer("cli").mayOnlyBeAccessedByLayers("app")
                .whereLayer("book").mayOnlyBeAccessedByLayers("cli", "app")
                .whereLayer("sim").mayOnlyBeAccessedByLayers("cli", "app")
                .check(ALL);
    }

    @Test
    void packagesOfTheCoreAreLayers() {
        layeredArchitecture().consideringOnlyDependenciesInAnyPackage("stillglass..")
                .layer("words").definedBy("stillglass.say..")
                .layer("ground").definedBy("stillglass.optics..", "stillglass.assembly..", "stillglass.vector..")
                .layer("senses").definedBy("stillglass.look..", "stillglass.care..", "stillglass.prove..")
                .layer("judgement").definedBy("stillglass.grade..", "stillglass.plan..", "stillglass.fault..")
                .layer("job").definedBy("stillglass.ticket..")
                .layer("outside").definedBy("stillglass.book..", "stillglass.sim..", "stillglass.cli..", "stillglass.app..")
                .whereLayer("job").mayOnlyBeAccessedByLayers("outside")
                .whereLayer("judgement").mayOnlyBeAccessedByLayers("job", "outside")
                .whereLayer("senses").mayOnlyBeAccessedByLayers("judgement", "job", "outside")
                .whereLayer("ground").mayOnlyBeAccessedByLayers("senses", "judgement", "job", "outside")
                .check(ALL);
        noClasses().that().resideInAPackage("stillglass.device").should().dependOnClassesThat()
                .resideInAnyPackage("stillglass.optics..", "stillglass.assembly..", "stillglass.look..", "stillglass.ticket..").check(ALL);
    }

    /// The judge of how photos are read shares the record of a photo with the renderer that was learned on, and nothing else.
    @Test
    void theSecondRendererOwesTheFirstNothing() {
        noClasses().that().resideInAPackage("stillglass.sim.second..").should().dependOnClassesThat(com.tngtech.archunit.base.DescribedPredicate.describe("the first renderer",
                c -> c.getPackageName().startsWith("stillglass.sim") && !c.getPackageName().startsWith("stillglass.sim.second") && !c.getName().startsWith("stillglass.sim.photo.Shot"))).check(ALL);
        noClasses().that().resideInAPackage("stillglass.sim.photo..").should().dependOnClassesThat().resideInAPackage("stillglass.sim.second..").check(ALL);
    }

    /// What is simulated is made in one room, and only the demo and the pictures of it go there: nothing a technician's own book is opened with can make a reading up.
    @Test
    void onlyTheDemoReachesWhatIsSimulated() {
        noClasses().that().resideInAPackage("stillglass.app..").and().resideOutsideOfPackages("stillglass.app.practice", "stillglass.app.screens")
                .should().dependOnClassesThat().resideInAnyPackage("stillglass.sim..").check(ALL);
        noClasses().that().resideOutsideOfPackages("stillglass.app", "stillglass.app.practice", "stillglass.app.screens")
                .should().dependOnClassesThat().resideInAnyPackage("stillglass.app.practice").check(ALL);
    }

    /// A room for each subject: the story is known to all, no subject knows the grammar, and facts know no joint's history.
    @Test
    void roomsOfTheTicketAreLayers() {
        String[] subjects = {"arrival", "readings", "glass", "condition", "joints", "care", "course", "agenda", "proof"};
        String[] rooms = Stream.of(subjects).map(r -> "stillglass.ticket." + r).toArray(String[]::new);
        layeredArchitecture().consideringOnlyDependenciesInAnyPackage("stillglass.ticket..")
                .layer("story").definedBy("stillglass.ticket.story")
                .layer("line").definedBy("stillglass.ticket.line")
                .layer("facts").definedBy("stillglass.ticket.facts")
                .layer("subjects").definedBy(rooms)
                .layer("ticket").definedBy("stillglass.ticket")
                .layer("grammar").definedBy("stillglass.ticket.words")
                .whereLayer("grammar").mayNotBeAccessedByAnyLayer()
                .whereLayer("ticket").mayOnlyBeAccessedByLayers("grammar")
                .whereLayer("subjects").mayOnlyBeAccessedByLayers("ticket", "grammar")
                .whereLayer("facts").mayOnlyBeAccessedByLayers("subjects", "ticket", "grammar")
                .check(ALL);
    }

    /// At every depth: packages as they are, and taken together by their first names.
    @Test
    void thereAreNoCycles() {
        int deepest = ALL.stream().mapToInt(c -> c.getPackageName().split("\\.").length).max().orElseThrow();
        for (int depth = 2; depth <= deepest; depth++) {
            slices().assignedFrom(new ByFirstNames(depth)).should().beFreeOfCycles().check(ALL);
        }
    }

    private record ByFirstNames(int depth) implements SliceAssignment {
        @Override
        public SliceIdentifier getIdentifierOf(JavaClass c) {
            List<String> names = List.of(c.getPackageName().split("\\."));
            return SliceIdentifier.of(names.subList(0, Math.min(depth, names.size())));
        }

        @Override
        public String getDescription() {
            return "packages by their first " + depth + " names";
        }
    }

    @Test
    void theCoreKnowsNoWindowNoFileNoDatabaseAndNoWallClock() {
        // What was learned ships as resources, each of which one class reads.
        noClasses().that().resideInAnyPackage(CORE).and().haveSimpleNameNotEndingWith("ModelText")
                .should().dependOnClassesThat().resideInAnyPackage("javafx..", "java.io..", "java.nio..", "java.sql..", "java.awt..", "javax..", "tools.jackson..")
                .orShould().callMethod(Instant.class, "now")
                .orShould().callMethod(LocalDate.class, "now")
                .orShould().callMethod(System.class, "currentTimeMillis")
                .orShould().callMethod(Math.class, "random")
                .orShould().dependOnClassesThat().areAssignableTo(Random.class)
                .check(ALL);
    }

    @Test
    void modelsOfViewsKnowNoToolkit() {
        noClasses().that().haveSimpleNameEndingWith("Model").should().dependOnClassesThat().resideInAnyPackage("javafx.scene..", "javafx.stage..").check(ALL);
    }

    @Test
    void onlyTheBookTouchesTheDatabase() {
        noClasses().that().resideOutsideOfPackage("stillglass.book..").should().dependOnClassesThat()
                .resideInAnyPackage("org.jdbi..", "org.sqlite..", "org.flywaydb..", "com.openhtmltopdf..").check(ALL);
    }

    @Test
    void everyPackageHasItsDoorSign() {
        classes().that().resideInAPackage("stillglass..").should(new ArchCondition<>("live in a package with a package-info") {
            @Override
            public void check(JavaClass c, ConditionEvents events) {
                if (c.getPackage().tryGetPackageInfo().isEmpty()) {
                    events.add(SimpleConditionEvent.violated(c, c.getPackageName() + " has no package-info"));
                }
            }
        }).check(ALL);
    }

    /// Files of the project, by their names below its root: wherever that lies, whatever separates names there.
    private static List<Path> sources(String ending) throws IOException {
        try (Stream<Path> all = Files.walk(ROOT)) {
            return all.filter(p -> p.toString().endsWith(ending) && Stream.of(names(p)).noneMatch("target"::equals)).toList();
        }
    }

    private static String[] names(Path p) {
        Path below = ROOT.relativize(p);
        return IntStream.range(0, below.getNameCount()).mapToObj(i -> below.getName(i).toString()).toArray(String[]::new);
    }

    private static boolean ofTheWindow(Path p) {
        return ROOT.relativize(p).startsWith(Path.of("app", "src", "main"));
    }

    @Test
    void noFileIsLongerThanTheHouseAllows() throws IOException {
        for (Path p : sources(".java")) {
            assertThat(Files.readAllLines(p)).as(p.toString()).hasSizeLessThanOrEqualTo(450);
        }
    }

    @Test
    void coloursLiveInTheTokenSheetOnlyAndNoStyleIsInline() throws IOException {
        Pattern hex = Pattern.compile("#[0-9a-fA-F]{6}");
        for (Path p : sources(".css")) {
            if (ofTheWindow(p) && !p.endsWith("tokens.css")) {
                assertThat(hex.matcher(Files.readString(p)).find()).as(p.toString()).isFalse();
            }
        }
        for (Path p : sources(".java")) {
            if (ofTheWindow(p)) {
                assertThat(Files.readString(p)).as(p.toString()).doesNotContain("setStyle(");
            }
        }
    }
}

package stillglass.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.ResourceBundle;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/// The rules of the house, kept as code.
class HouseRulesTest {
    private static final JavaClasses ALL = new ClassFileImporter()
            .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
            .importPackages("stillglass");
    private static final Path ROOT = root();

    private static Path root() {
        Path here = Path.of("").toAbsolutePath();
        return Files.exists(here.resolve("still-glass")) ? here : here.getParent();
    }

    @Test
    void arrowsBetweenModulesPointInward() {
        layeredArchitecture().consideringOnlyDependenciesInAnyPackage("stillglass..")
                .layer("core").definedBy("stillglass.optics..", "stillglass.assembly..", "stillglass.look..", "stillglass.grade..", "stillglass.plan..",
                        "stillglass.ticket..", "stillglass.care..", "stillglass.prove..", "stillglass.device..")
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
                .layer("ground").definedBy("stillglass.optics..", "stillglass.assembly")
                .layer("senses").definedBy("stillglass.look..", "stillglass.care", "stillglass.prove")
                .layer("judgement").definedBy("stillglass.grade", "stillglass.plan")
                .layer("job").definedBy("stillglass.ticket")
                .layer("outside").definedBy("stillglass.book..", "stillglass.sim..", "stillglass.cli..", "stillglass.app..")
                .whereLayer("job").mayOnlyBeAccessedByLayers("outside")
                .whereLayer("judgement").mayOnlyBeAccessedByLayers("job", "outside")
                .whereLayer("senses").mayOnlyBeAccessedByLayers("judgement", "job", "outside")
                .check(ALL);
        noClasses().that().resideInAPackage("stillglass.device").should().dependOnClassesThat()
                .resideInAnyPackage("stillglass.optics..", "stillglass.assembly", "stillglass.look", "stillglass.ticket").check(ALL);
    }

    @Test
    void thereAreNoCycles() {
        slices().matching("stillglass.(*)..").should().beFreeOfCycles().check(ALL);
    }

    @Test
    void theCoreKnowsNoWindowNoFileNoDatabaseAndNoWallClock() {
        noClasses().that().resideInAnyPackage("stillglass.optics..", "stillglass.assembly", "stillglass.look", "stillglass.grade", "stillglass.plan",
                        "stillglass.ticket", "stillglass.care", "stillglass.prove", "stillglass.device")
                .should().dependOnClassesThat().resideInAnyPackage("javafx..", "java.io..", "java.nio..", "java.sql..", "java.awt..", "javax..", "tools.jackson..")
                .orShould().callMethod(java.time.Instant.class, "now")
                .orShould().callMethod(java.time.LocalDate.class, "now")
                .orShould().callMethod(System.class, "currentTimeMillis")
                .orShould().callMethod(Math.class, "random")
                .orShould().dependOnClassesThat().areAssignableTo(java.util.Random.class)
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
        classes().that().resideInAPackage("stillglass..").should(new com.tngtech.archunit.lang.ArchCondition<>("live in a package with a package-info") {
            @Override
            public void check(com.tngtech.archunit.core.domain.JavaClass c, com.tngtech.archunit.lang.ConditionEvents events) {
                if (c.getPackage().tryGetPackageInfo().isEmpty()) {
                    events.add(com.tngtech.archunit.lang.SimpleConditionEvent.violated(c, c.getPackageName() + " has no package-info"));
                }
            }
        }).check(ALL);
    }

    private static List<Path> sources(String ending) throws IOException {
        try (Stream<Path> all = Files.walk(ROOT)) {
            return all.filter(p -> p.toString().endsWith(ending) && !p.toString().contains("target")).toList();
        }
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
            if (p.toString().contains("app") && !p.endsWith("tokens.css")) {
                assertThat(hex.matcher(Files.readString(p)).find()).as(p.toString()).isFalse();
            }
        }
        for (Path p : sources(".java")) {
            if (p.toString().contains("/app/src/main/")) {
                assertThat(Files.readString(p)).as(p.toString()).doesNotContain("setStyle(");
            }
        }
    }

    @Test
    void everyWordThatIsAskedForIsInTheBundleAndNoneIsIdle() throws IOException {
        Set<String> known = ResourceBundle.getBundle("stillglass.app.words").keySet();
        Set<String> asked = new HashSet<>();
        StringBuilder all = new StringBuilder();
        Pattern literal = Pattern.compile("Words\\.(?:of|count)\\(\\s*\"([^\"]+)\"([,)])");
        for (Path p : sources(".java")) {
            if (p.toString().contains("/app/src/main/")) {
                String text = Files.readString(p);
                all.append(text);
                Matcher m = literal.matcher(text);
                while (m.find()) {
                    asked.add(m.group(1));
                }
            }
        }
        Set<String> missing = new TreeSet<>();
        for (String key : asked) {
            if (!known.contains(key) && !known.contains(key + ".one")) {
                missing.add(key);
            }
        }
        assertThat(missing).as("asked for but not in the bundle").isEmpty();
        Set<String> idle = new TreeSet<>();
        for (String key : known) {
            String stem = key.replaceAll("\\.(one|many|does)$", "");
            boolean whole = all.indexOf("\"" + key + "\"") >= 0 || all.indexOf("\"" + stem + "\"") >= 0;
            // Keys that end in something computed: "hazard." + name.
            int dot = stem.lastIndexOf('.');
            boolean built = dot > 0 && all.indexOf("\"" + stem.substring(0, dot + 1) + "\"") >= 0;
            if (!whole && !built) {
                idle.add(key);
            }
        }
        assertThat(idle).as("in the bundle but never asked for").isEmpty();
    }
}

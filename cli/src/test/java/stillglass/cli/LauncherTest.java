package stillglass.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardWatchEventKinds;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/// The launcher script in a checkout of its own, with a Java machine and a Maven that only write down what they were asked for.
class LauncherTest {
    @TempDir
    Path folder;

    private Path root;
    private Path jdk;
    private Path tools;
    private Path asked;

    /// @param text both outputs
    private record Ended(int status, String text) {}

    @BeforeEach
    void checkout() throws IOException {
        Assumptions.assumeTrue(Files.isExecutable(Path.of("/bin/sh")), "a shell is needed");
        root = Files.createDirectories(folder.resolve("a check out (1) & more"));
        asked = folder.resolve("asked");
        Path script = Path.of("").toAbsolutePath().getParent().resolve("still-glass");
        executable(root.resolve("still-glass"), Files.readString(script));
        Files.writeString(root.resolve("pom.xml"), "<project/>");
        for (String module : List.of("core", "book", "sim", "cli", "app")) {
            Files.createDirectories(root.resolve(module + "/src/main"));
            Files.writeString(root.resolve(module + "/pom.xml"), "<project/>");
        }
        Files.createDirectories(root.resolve("docs/formats"));
        jdk = folder.resolve("jdk 25");
        Files.createDirectories(jdk.resolve("bin"));
        Files.writeString(jdk.resolve("release"), "JAVA_VERSION=\"25.0.3\"\n");
        executable(jdk.resolve("bin/javac"), "#!/bin/sh\n");
        executable(jdk.resolve("bin/java"), "#!/bin/sh\nprintf '%s\\n' \"java $*\" >>\"" + asked + "\"\nlast=; for a in \"$@\"; do case \"$last\" in prepare) sleep 0.4; echo told >\"$a\" ;; esac; last=$a; done\n"
                + "case \"$*\" in *AOTCacheOutput=*) f=${1#-XX:AOTCacheOutput=}; echo classes >\"$f\" ;; esac\n");
        tools = Files.createDirectories(folder.resolve("tools"));
        maven("mkdir -p app/target; jar=\"" + folder + "/lib/one.jar\"; echo x >app/target/app-0.1.0.jar; printf '%s' \"$PWD/core/target/core.jar:$jar\" >app/target/launch.classpath;"
                + " mkdir -p core/target \"" + folder + "/lib\"; echo x >core/target/core.jar; echo x >\"$jar\"");
    }

    private void maven(String work) throws IOException {
        executable(tools.resolve("mvn"), "#!/bin/sh\nprintf '%s\\n' \"mvn $*\" >>\"" + asked + "\"\n" + work + "\n");
    }

    private static void executable(Path file, String text) throws IOException {
        Files.writeString(file, text);
        assertThat(file.toFile().setExecutable(true)).isTrue();
    }

    private Process begun(Map<String, String> environment, String... line) throws IOException {
        List<String> command = new ArrayList<>(List.of(root.resolve("still-glass").toString()));
        command.addAll(List.of(line));
        ProcessBuilder b = new ProcessBuilder(command).redirectErrorStream(true).directory(folder.toFile());
        b.environment().keySet().removeIf(k -> k.startsWith("STILL_GLASS") || k.equals("DISPLAY") || k.equals("WAYLAND_DISPLAY") || k.startsWith("LC_") || k.equals("LANG"));
        b.environment().put("PATH", tools + ":/usr/bin:/bin");
        b.environment().put("STILL_GLASS_JDK", jdk.toString());
        b.environment().put("STILL_GLASS_WARM_AFTER", "0");
        environment.forEach((k, v) -> {
            if (v.isEmpty()) {
                b.environment().remove(k);
            } else {
                b.environment().put(k, v);
            }
        });
        return b.start();
    }

    private static Ended ended(Process p) throws Exception {
        String text = new String(p.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(p.waitFor(60, TimeUnit.SECONDS)).isTrue();
        return new Ended(p.exitValue(), text);
    }

    private Ended run(String... line) throws Exception {
        return ended(begun(Map.of(), line));
    }

    private List<String> asked(String whom) throws IOException {
        return Files.exists(asked) ? Files.readAllLines(asked).stream().filter(l -> l.startsWith(whom + " ")).toList() : List.of();
    }

    private List<String> verbs() throws IOException {
        return asked("java").stream().filter(l -> l.contains("stillglass.cli.Main")).toList();
    }

    /// A start leaves work behind it that still writes; the folder is taken away only when that has ended.
    @AfterEach
    void whatWorksBehindAStartHasEnded() throws Exception {
        Path lock = root.resolve("app/target/warm.lock");
        awaited(lock, () -> !Files.exists(lock));
    }

    /// Waits until what is made in the background is there.
    private void warmed() throws Exception {
        Path made = root.resolve("app/target/app.aot.size");
        awaited(made, () -> Files.exists(made));
        assertThat(made).exists();
    }

    /// Waits until something came or went in the folder of a file.
    private static void awaited(Path file, BooleanSupplier so) throws Exception {
        if (so.getAsBoolean()) {
            return;
        }
        try (var watch = file.getFileSystem().newWatchService()) {
            file.getParent().register(watch, StandardWatchEventKinds.ENTRY_CREATE, StandardWatchEventKinds.ENTRY_DELETE);
            while (!so.getAsBoolean()) {
                var key = watch.poll(60, TimeUnit.SECONDS);
                assertThat(key).as("something is done in the background about %s", file).isNotNull();
                key.reset();
            }
        }
    }

    @Test
    void itBuildsOnceInAFolderWithSpacesAndThenNoMore() throws Exception {
        assertThat(run("lens", "a b.json").status).isZero();
        assertThat(asked("mvn")).singleElement().asString().contains("package").contains("-Dquick");
        assertThat(run("lens", "c.json").status).isZero();
        assertThat(asked("mvn")).hasSize(1);
        assertThat(verbs()).hasSize(2).allMatch(l -> l.contains(root.resolve("core/target/core.jar").toString()));
        Files.writeString(root.resolve("book/src/main/New.java"), "class New {}");
        Files.setLastModifiedTime(root.resolve("book/src/main/New.java"), java.nio.file.attribute.FileTime.from(java.time.Instant.now().plusSeconds(5)));
        run("lens", "c.json");
        assertThat(asked("mvn")).as("what changed is built").hasSize(2);
    }

    @Test
    void afterTheTestsNothingIsBuiltAgain() throws Exception {
        assertThat(run("test", "-ntp").status).isZero();
        assertThat(asked("mvn")).singleElement().asString().contains("verify").contains("-ntp");
        run("plan", "x.json");
        assertThat(asked("mvn")).hasSize(1);
    }

    @Test
    void aMovedCheckoutRunsFromWhereItLiesNow() throws Exception {
        run("lens", "a.json");
        whatWorksBehindAStartHasEnded();
        Path moved = folder.resolve("moved");
        Files.move(root, moved);
        root = moved;
        assertThat(run("lens", "b.json").status).isZero();
        assertThat(asked("mvn")).hasSize(1);
        assertThat(verbs().getLast()).contains(moved.resolve("core/target/core.jar").toString()).doesNotContain("a check out");
    }

    @Test
    void whatWasStoppedWhileItWorkedBehindAStartIsBegunAnew() throws Exception {
        run("lens", "a.json");
        warmed();
        whatWorksBehindAStartHasEnded();
        Process gone = new ProcessBuilder("/bin/sh", "-c", "exit 0").start();
        gone.waitFor();
        Files.delete(root.resolve("app/target/app.aot.size"));
        Files.writeString(Files.createDirectory(root.resolve("app/target/warm.lock")).resolve("pid"), gone.pid() + "\n");
        run("lens", "b.json");
        warmed();
    }

    @Test
    void withoutAHomeFolderAndInTheLocaleOfCItRuns() throws Exception {
        executable(jdk.resolve("bin/java"), "#!/bin/sh\necho \"java $* locale=${LC_ALL:-}\" >>\"" + asked + "\"\n");
        assertThat(ended(begun(Map.of("HOME", "", "LANG", "C"), "lens", "前玉.json")).status).isZero();
        assertThat(verbs()).singleElement().asString().contains("locale=C.UTF-8").contains("前玉.json");
    }

    @Test
    void aWrongJdkIsSaid() throws Exception {
        assertThat(ended(begun(Map.of("STILL_GLASS_JDK", folder.resolve("none").toString()), "lens"))).satisfies(e -> {
            assertThat(e.status).isEqualTo(2);
            assertThat(e.text).contains("STILL_GLASS_JDK is").contains("no JDK 25");
        });
        Files.writeString(jdk.resolve("release"), "JAVA_VERSION=\"17.0.1\"\n");
        assertThat(run("lens").text).contains("no JDK 25");
    }

    @Test
    void aLibraryThatIsGoneIsFetchedAgainOrSaid() throws Exception {
        run("lens", "a.json");
        Files.delete(folder.resolve("lib/one.jar"));
        assertThat(run("lens", "a.json").status).isZero();
        assertThat(asked("mvn")).as("fetched again").hasSize(2);
        maven("true");
        Files.delete(folder.resolve("lib/one.jar"));
        Ended e = run("lens", "a.json");
        assertThat(e.status).isEqualTo(2);
        assertThat(e.text).contains("a library is missing after the build").contains("one.jar");
    }

    @Test
    void withoutANetworkTheFirstStartSaysSo() throws Exception {
        maven("echo '[ERROR] Could not transfer artifact org.x:y from central: Unknown host repo'; exit 1");
        Ended e = run("demo");
        assertThat(e.status).isEqualTo(2);
        assertThat(e.text).contains("is there a network?").doesNotContain("[ERROR]");
        assertThat(root.resolve("app/target/launch.lock")).doesNotExist();
    }

    @Test
    void aBuildThatFailsSaysWhereItsLogIs() throws Exception {
        maven("echo '[ERROR] A.java:[1,2] wrong'; exit 1");
        Ended e = run("lens", "a.json");
        assertThat(e.status).isEqualTo(2);
        assertThat(e.text).contains("A.java:[1,2] wrong").contains("target/build.log");
    }

    @Test
    void withoutMavenTheScriptThatIsCheckedInIsUsed() throws Exception {
        Files.delete(tools.resolve("mvn"));
        executable(root.resolve("mvnw"), "#!/bin/sh\necho \"mvnw $*\" >>\"" + asked + "\"\nexit 1\n");
        Path programs = Files.createDirectories(folder.resolve("programs"));
        for (String p : List.of("sed", "find", "head", "dirname", "uname", "date", "cat", "rm", "mv", "mkdir", "mktemp", "touch", "tr", "wc", "grep", "tail", "cksum", "cut", "sleep", "readlink", "sh")) {
            executable(programs.resolve(p), "#!/bin/sh\nPATH=/usr/bin:/bin exec " + p + " \"$@\"\n");
        }
        assertThat(ended(begun(Map.of("PATH", programs.toString()), "lens", "a.json")).status).isEqualTo(2);
        assertThat(asked("mvnw")).singleElement().asString().contains("package");
    }

    /// The launcher of a system without a shell, run from its source as there; its Java machine is the one of this test, so nothing of ours is started.
    private Ended start(String... line) throws Exception {
        List<String> command = new ArrayList<>(List.of(Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                Path.of("").toAbsolutePath().getParent().resolve("launcher").resolve("Start.java").toString()));
        command.addAll(List.of(line));
        ProcessBuilder b = new ProcessBuilder(command).redirectErrorStream(true).directory(folder.toFile());
        b.environment().put("STILL_GLASS_ROOT", root.toString());
        b.environment().put("PATH", tools + ":/usr/bin:/bin");
        return ended(b.start());
    }

    @Test
    void theLauncherWithoutAShellBuildsWhatChangedAndReadsAClassPathOfAnyLength() throws Exception {
        StringBuilder many = new StringBuilder();
        for (int i = 0; i < 3000; i++) {
            many.append(':').append(folder).append("/lib/library-number-").append(i).append(".jar");
        }
        Files.writeString(folder.resolve("long"), many);
        maven("mkdir -p app/target lib; echo x >app/target/app-0.1.0.jar; mkdir -p core/target \"" + folder + "/lib\"; echo x >core/target/core.jar;"
                + " printf '%s' \"$PWD/core/target/core.jar\" >app/target/launch.classpath; cat \"" + folder + "/long\" >>app/target/launch.classpath;"
                + " { cat \"" + folder + "/long\"; echo; } | tr ':' '\\n' | while read -r f; do [ -z \"$f\" ] || : >\"$f\"; done");
        Ended first = start("lens", "a.json");
        assertThat(first.text).contains("building").contains("stillglass.cli.Main");
        assertThat(asked("mvn")).hasSize(1);
        start("lens", "a.json");
        assertThat(asked("mvn")).as("nothing has changed").hasSize(1);
        Path moved = folder.resolve("moved too");
        Files.move(root, moved);
        root = moved;
        assertThat(start("lens", "a.json").text).doesNotContain("building");
        Files.setLastModifiedTime(Files.writeString(root.resolve("core/src/main/New.java"), "x"), java.nio.file.attribute.FileTime.from(java.time.Instant.now().plusSeconds(5)));
        start("lens", "a.json");
        assertThat(asked("mvn")).hasSize(2);
        assertThat(start().status).isEqualTo(2);
        maven("echo 'Could not transfer artifact: Unknown host'; exit 1");
        Files.delete(root.resolve("app/target/launch.stamp"));
        assertThat(start("demo").text).contains("is there a network?");
    }

    @Test
    void anArchiveThatIsTornIsSetAsideAndMadeAgain() throws Exception {
        run("lens", "a.json");
        warmed();
        Path archive = root.resolve("app/target/cli.aot");
        run("lens", "b.json");
        assertThat(verbs().getLast()).contains("-XX:AOTCache=" + archive);
        Files.writeString(archive, "cl");
        whatWorksBehindAStartHasEnded();
        // Another start is said to be making archives, so that this one begins no work behind it that could be done before it looks.
        Path making = Files.createDirectories(root.resolve("app/target/warm.lock"));
        Files.writeString(making.resolve("pid"), String.valueOf(ProcessHandle.current().pid()));
        assertThat(run("lens", "c.json").status).isZero();
        assertThat(verbs().getLast()).doesNotContain("-XX:AOTCache=");
        assertThat(root.resolve("app/target/cli.aot.aside")).exists();
        assertThat(archive).doesNotExist();
        Files.delete(making.resolve("pid"));
        Files.delete(making);
        run("lens", "d.json");
        whatWorksBehindAStartHasEnded();
        assertThat(archive).as("made again").hasContent("classes");
    }

    @Test
    void twoFirstStartsAtOnceBuildAndTellOnce() throws Exception {
        Process one = begun(Map.of(), "demo");
        Process two = begun(Map.of(), "demo");
        assertThat(ended(one).status).isZero();
        assertThat(ended(two).status).isZero();
        assertThat(asked("mvn")).hasSize(1);
        assertThat(asked("java").stream().filter(l -> l.contains(" prepare "))).hasSize(1);
        assertThat(asked("java").stream().filter(l -> l.endsWith(" demo"))).hasSize(2).allMatch(l -> l.contains("-Dstillglass.demo=" + root.resolve("app/target/demo/open.sqlite")));
        assertThat(root.resolve("app/target/launch.lock")).doesNotExist();
    }

    @Test
    void aLockOfAProcessThatIsGoneIsTakenOver() throws Exception {
        Files.createDirectories(root.resolve("app/target/launch.lock"));
        Files.writeString(root.resolve("app/target/launch.lock/pid"), "999999999");
        assertThat(run("lens", "a.json").status).isZero();
    }
}

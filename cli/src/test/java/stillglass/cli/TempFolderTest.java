package stillglass.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/// The program as a process where the temporary folder of the system is missing, full, or nothing in it may be run.
class TempFolderTest {
    @TempDir
    Path folder;

    private record Ended(int status, String out, String err) {}

    private Ended say(String temp, String home) throws Exception {
        Path in = Files.writeString(folder.resolve("lines"), "begin lens, Brook 35 mm, stiff focus\n");
        Path err = folder.resolve("err");
        List<String> command = new ArrayList<>(List.of(Path.of(System.getProperty("java.home"), "bin", "java").toString(), "--enable-native-access=ALL-UNNAMED", "--sun-misc-unsafe-memory-access=allow",
                "-XX:TieredStopAtLevel=1", "-Djava.io.tmpdir=" + temp, "-Duser.home=" + home, "-cp", System.getProperty("java.class.path"), Main.class.getName(), "say", "--book", folder.resolve("book.sqlite").toString()));
        Process p = new ProcessBuilder(command).redirectInput(in.toFile()).redirectError(err.toFile()).start();
        String out = new String(p.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(p.waitFor(60, TimeUnit.SECONDS)).isTrue();
        return new Ended(p.exitValue(), out, Files.readString(err));
    }

    private static boolean run(String... command) throws InterruptedException {
        try {
            return new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(ProcessBuilder.Redirect.DISCARD).start().waitFor() == 0;
        } catch (IOException noSuchCommand) {
            return false;
        }
    }

    @Test
    void withoutTheTemporaryFolderTheOwnCacheServes() throws Exception {
        Ended e = say(folder.resolve("none").resolve("such").toString(), folder.toString());
        assertThat(e.status).as(e.err).isZero();
        assertThat(e.out).contains("\"status\":\"kept\"");
        // The Java machine itself says one line about it.
        assertThat(e.err.lines().filter(l -> !l.contains("java.io.tmpdir directory does not exist"))).as("no chatter").isEmpty();
    }

    @Test
    void whereNothingMayBeRunTheOwnCacheServes() throws Exception {
        Path noexec = Files.createDirectories(folder.resolve("noexec"));
        Assumptions.assumeTrue(run("mount", "-t", "tmpfs", "-o", "noexec,size=9m", "tmpfs", noexec.toString()), "nothing can be mounted here");
        try {
            Ended e = say(noexec.toString(), folder.toString());
            assertThat(e.status).as(e.err).isZero();
            assertThat(e.out).contains("\"status\":\"kept\"");
        } finally {
            run("umount", noexec.toString());
        }
    }

    @Test
    void whereItCanBeUnpackedNowhereTheSentenceBlamesTheFoldersAndNotTheBook() throws Exception {
        Path full = Files.createDirectories(folder.resolve("full"));
        Assumptions.assumeTrue(run("mount", "-t", "tmpfs", "-o", "size=16k", "tmpfs", full.toString()), "nothing can be mounted here");
        try {
            Ended e = say(full.toString(), full.resolve("no home").toString());
            assertThat(e.status).isEqualTo(2);
            assertThat(e.err.lines()).singleElement().asString().contains("database engine could not be unpacked in " + full).contains("No logbook was touched");
            assertThat(folder.resolve("book.sqlite")).doesNotExist();
        } finally {
            run("umount", full.toString());
        }
    }
}

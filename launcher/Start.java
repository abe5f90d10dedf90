import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/// What `still-glass.cmd` hands over to: builds what changed and runs, on a system without a shell. Run from its source: `java launcher/Start.java VERB …`.
public final class Start {
    private static final int LEAST_JAVA = 25;
    private static final List<String> WINDOW = List.of("demo", "run", "screenshots");
    private static final List<String> SOURCES = List.of("pom.xml", "core", "vector", "book", "sim", "cli", "app", "docs/formats");

    private final Path root;
    private final Path target;
    private final Path machine = Path.of(System.getProperty("java.home"), "bin", "java");

    private Start(Path root) {
        this.root = root;
        target = root.resolve("app").resolve("target");
    }

    public static void main(String[] args) throws Exception {
        Path root = Path.of(System.getenv().getOrDefault("STILL_GLASS_ROOT", "")).toAbsolutePath().normalize();
        System.exit(new Start(root).run(List.of(args)));
    }

    private int run(List<String> line) throws Exception {
        if (Runtime.version().feature() < LEAST_JAVA) {
            return said("this is Java " + Runtime.version().feature() + ", and JDK " + LEAST_JAVA + " or newer is needed: set STILL_GLASS_JDK to the folder of one.");
        }
        if (line.isEmpty()) {
            return said("name a verb: demo | run | test | screenshots DIR | say | lens | grade | plan | clocking | report | shelf");
        }
        String verb = line.getFirst();
        if (verb.equals("test")) {
            Instant before = Instant.now();
            List<String> words = new ArrayList<>(List.of("-B", "verify"));
            words.addAll(line.subList(1, line.size()));
            int status = maven(words, false);
            if (status == 0) {
                stamped(before);
            }
            return status;
        }
        if (!fresh()) {
            say("building (this takes a minute the first time) …");
            Instant before = Instant.now();
            if (maven(List.of("-q", "-B", "-pl", "app", "-am", "package", "-Dmaven.test.skip=true", "-Dquick"), true) != 0) {
                String log = Files.readString(root.resolve("target").resolve("build.log"));
                return said(log.toLowerCase(Locale.ROOT).matches("(?s).*(unknown host|could not transfer|connection refused|network is unreachable).*")
                        ? "the libraries could not be fetched: is there a network? It is needed once, then never again." : "the build failed; the whole log is in target/build.log");
            }
            stamped(before);
        }
        Optional<Path> lacking = libraries().stream().map(Path::of).filter(l -> !Files.exists(l)).findFirst();
        if (lacking.isPresent()) {
            return said("a library is missing after the build: " + lacking.get());
        }
        List<String> jvm = new ArrayList<>(List.of(machine.toString(), "-Xmx2g", "-Xss4m", "--enable-native-access=ALL-UNNAMED", "--sun-misc-unsafe-memory-access=allow"));
        if (verb.equals("demo")) {
            Path told = target.resolve("demo").resolve(at(line) + ".sqlite");
            if (!Files.exists(told) || Files.getLastModifiedTime(told).compareTo(Files.getLastModifiedTime(target.resolve("launch.stamp"))) < 0) {
                say("telling the demo story (once after each build) …");
                Files.createDirectories(told.getParent());
                Path part = told.resolveSibling(at(line) + ".part");
                Files.deleteIfExists(part);
                if (started(jvm, "stillglass.app.Launcher", List.of("prepare", part.toString(), "--at", at(line))) != 0) {
                    return said("the demo could not be prepared");
                }
                Files.move(part, told, java.nio.file.StandardCopyOption.REPLACE_EXISTING);
            }
            jvm.add("-Dstillglass.demo=" + told);
        }
        return started(jvm, WINDOW.contains(verb) ? "stillglass.app.Launcher" : "stillglass.cli.Main", line);
    }

    private static String at(List<String> line) {
        int i = line.indexOf("--at");
        return i >= 0 && i + 1 < line.size() ? line.get(i + 1).toLowerCase(Locale.ROOT) : "open";
    }

    /// The class path may be longer than a command line: it goes through a file, whose rules make a backslash double.
    private int started(List<String> jvm, String main, List<String> line) throws Exception {
        Path arguments = Files.createTempFile("still-glass", ".args");
        try {
            Files.writeString(arguments, "-cp \"" + String.join(File.pathSeparator, libraries()).replace("\\", "\\\\") + "\"\n");
            List<String> command = new ArrayList<>(jvm);
            command.add("@" + arguments);
            command.add(main);
            command.addAll(line);
            return new ProcessBuilder(command).inheritIO().start().waitFor();
        } finally {
            Files.deleteIfExists(arguments);
        }
    }

    /// Modules of this checkout wherever it lies now, then what was fetched.
    private List<String> libraries() throws IOException {
        List<String> all = new ArrayList<>(List.of(target.resolve("app-0.1.0.jar").toString()));
        String was = Files.readAllLines(target.resolve("launch.stamp")).getFirst();
        for (String each : Files.readString(target.resolve("launch.classpath")).strip().split(File.pathSeparator)) {
            all.add(each.startsWith(was + File.separator) ? root + each.substring(was.length()) : each);
        }
        return all;
    }

    private void stamped(Instant before) throws IOException {
        Path stamp = target.resolve("launch.stamp");
        Files.writeString(stamp, root + "\n");
        Files.setLastModifiedTime(stamp, FileTime.from(before));
    }

    private boolean fresh() throws IOException {
        Path stamp = target.resolve("launch.stamp");
        if (!Files.exists(stamp) || Files.size(stamp) == 0 || !Files.exists(target.resolve("launch.classpath")) || libraries().stream().anyMatch(l -> !Files.exists(Path.of(l)))) {
            return false;
        }
        FileTime built = Files.getLastModifiedTime(stamp);
        for (String s : SOURCES) {
            Path start = root.resolve(s);
            if (Files.exists(start)) {
                try (Stream<Path> all = Files.walk(start)) {
                    if (all.filter(f -> !f.toString().contains(File.separator + "target") && !f.toString().contains(File.separator + "test" + File.separator) && Files.isRegularFile(f)).anyMatch(f -> newer(f, built))) {
                        return false;
                    }
                }
            }
        }
        return true;
    }

    private static boolean newer(Path file, FileTime than) {
        try {
            return Files.getLastModifiedTime(file).compareTo(than) > 0;
        } catch (IOException e) {
            return true;
        }
    }

    /// Maven where it is installed, else the script that was checked in, which fetches it once.
    private int maven(List<String> words, boolean logged) throws Exception {
        boolean windows = File.separatorChar == '\\';
        Optional<Path> installed = Stream.of(System.getenv().getOrDefault("PATH", "").split(File.pathSeparator)).filter(d -> !d.isBlank()).map(d -> Path.of(d, windows ? "mvn.cmd" : "mvn")).filter(Files::isRegularFile).findFirst();
        List<String> command = new ArrayList<>(List.of(installed.orElse(root.resolve(windows ? "mvnw.cmd" : "mvnw")).toString()));
        command.addAll(words);
        ProcessBuilder b = new ProcessBuilder(command).directory(root.toFile());
        Map<String, String> environment = b.environment();
        environment.put("JAVA_HOME", System.getProperty("java.home"));
        if (logged) {
            Files.createDirectories(root.resolve("target"));
            b.redirectErrorStream(true).redirectOutput(root.resolve("target").resolve("build.log").toFile());
        } else {
            b.inheritIO();
        }
        return b.start().waitFor();
    }

    private static void say(String sentence) {
        System.err.println("still-glass: " + sentence);
    }

    private static int said(String sentence) {
        say(sentence);
        return 2;
    }
}

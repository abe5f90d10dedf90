package stillglass.benchmarks.look;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Function;
import java.util.stream.LongStream;
import stillglass.optics.LensSection;
import stillglass.sim.photo.RandomScene;

/// What a model learns from: photos of the tidy bench and of any room, taken once, measured, and kept in a file so that the learning can be tried again without taking them again.
///
/// @param tidy scenes of the tidy bench, seeds from 0
/// @param wide scenes of any room, seeds from 0
/// @param kept file of what was measured, a line each
record Examples(int tidy, int wide, Optional<Path> kept) {
    /// @param number of the scene, those of the tidy bench first
    record Scene(int number, RandomScene scene) {}

    /// @param at place of the file among the arguments; the two numbers come first
    static Examples of(String[] args, int at) {
        return new Examples(Integer.parseInt(args[0]), Integer.parseInt(args[1]), args.length > at ? Optional.of(Path.of(args[at])) : Optional.empty());
    }

    /// @param read what a line says
    /// @param line of an example
    /// @param measure a scene
    <E> List<E> all(Function<String, E> read, Function<E, String> line, Function<Scene, List<E>> measure) throws IOException {
        if (kept.isPresent() && Files.exists(kept.get())) {
            return Files.readAllLines(kept.get()).stream().map(read).toList();
        }
        List<E> out = all(measure);
        if (kept.isPresent()) {
            Files.write(kept.get(), out.stream().map(line).toList());
        }
        return out;
    }

    /// The same, kept nowhere.
    <E> List<E> all(Function<Scene, List<E>> measure) {
        List<LensSection> lenses = Seeds.lenses();
        AtomicInteger done = new AtomicInteger();
        return LongStream.range(0, tidy + (long) wide).parallel().boxed().flatMap(i -> {
            List<E> of = measure.apply(new Scene(i.intValue(), i < tidy ? RandomScene.of(i, lenses) : RandomScene.wide(i - tidy, lenses)));
            if (done.incrementAndGet() % 100 == 0) {
                System.err.println(done.get() + " of " + (tidy + wide));
            }
            return of.stream();
        }).toList();
    }
}

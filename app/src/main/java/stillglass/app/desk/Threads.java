package stillglass.app.desk;

import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.logging.Level;
import java.util.logging.Logger;
import stillglass.app.theme.Words;
import stillglass.book.BadInput;
import stillglass.book.BookTrouble;
import stillglass.book.OneLine;

/// The two threads behind the interface: one owns the logbook, one computes. Whatever goes wrong on them is told in a sentence.
public final class Threads {
    private static final int LAST_ACTS_SECONDS = 10;

    private final ScheduledExecutorService book = Executors.newSingleThreadScheduledExecutor(r -> Thread.ofPlatform().daemon().name("book").unstarted(r));
    private final ExecutorService compute = Executors.newSingleThreadExecutor(r -> Thread.ofPlatform().daemon().name("compute").unstarted(r));
    private static volatile Optional<Path> log = Optional.empty();

    private final Consumer<String> trouble;
    private String told = "";

    /// @param trouble hears what went wrong, as a sentence for people
    Threads(Consumer<String> trouble) {
        this.trouble = trouble;
    }

    <T> CompletableFuture<T> onBook(Supplier<T> work) {
        return heard(CompletableFuture.supplyAsync(work, book));
    }

    <T> CompletableFuture<T> compute(Supplier<T> work) {
        return heard(CompletableFuture.supplyAsync(work, compute));
    }

    /// Computes what nobody waits for; nothing once the window is closed.
    void whenIdle(Runnable work) {
        if (!compute.isShutdown()) {
            heard(CompletableFuture.runAsync(work, compute));
        }
    }

    /// Looks at the book again and again.
    void every(long milliseconds, Runnable work) {
        book.scheduleWithFixedDelay(() -> {
            try {
                work.run();
                told = "";
            } catch (RuntimeException e) {
                // The same again and again is said once.
                String sentence = sentence(e);
                if (!sentence.equals(told)) {
                    told = sentence;
                    trouble.accept(sentence);
                }
            }
        }, milliseconds, milliseconds, TimeUnit.MILLISECONDS);
    }

    private <T> CompletableFuture<T> heard(CompletableFuture<T> future) {
        future.whenComplete((done, wrong) -> {
            if (wrong != null && !(wrong instanceof RejectedExecutionException)) {
                trouble.accept(sentence(wrong));
            }
        });
        return future;
    }

    /// Where it is written down what went wrong inside, from now on.
    public static void writtenTo(Path folder) {
        log = Optional.of(folder);
    }

    /// Writes down what nobody expected.
    /// @return one sentence about it
    public static String unexpected(Throwable wrong) {
        Logger.getLogger("stillglass").log(Level.SEVERE, "not expected", wrong);
        String what = OneLine.of(String.valueOf(wrong));
        return log.map(file -> Words.of("trouble.program.logged", what, file)).orElse(Words.of("trouble.program", what));
    }

    static String sentence(Throwable wrong) {
        Throwable cause = wrong instanceof CompletionException && wrong.getCause() != null ? wrong.getCause() : wrong;
        return switch (cause) {
            case BadInput b -> String.valueOf(b.getMessage());
            case BookTrouble t -> String.valueOf(t.getMessage());
            case CancellationException c -> Words.of("trouble.stopped");
            case OutOfMemoryError o -> Words.of("trouble.memory");
            default -> unexpected(cause);
        };
    }

    /// Waits for what was asked of the book.
    /// @return whether all of it was done
    boolean close() {
        book.shutdown();
        compute.shutdown();
        try {
            return book.awaitTermination(LAST_ACTS_SECONDS, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return false;
        }
    }
}

package stillglass.look;

import java.util.concurrent.ForkJoinTask;
import java.util.function.Supplier;

/// Two things that do not need one another, worked out at the same time where a core is free.
///
/// @param one what was worked out by the thread that asked
/// @param other what was worked out beside it
public record Both<A, B>(A one, B other) {
    /// When one of them fails, what it threw is thrown, and the other is given up unless it has begun.
    public static <A, B> Both<A, B> of(Supplier<A> one, Supplier<B> other) {
        ForkJoinTask<B> beside = ForkJoinTask.adapt(other::get).fork();
        try {
            A first = one.get();
            return new Both<>(first, beside.join());
        } finally {
            beside.cancel(false);
        }
    }
}

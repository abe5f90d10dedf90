package stillglass.app.day;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.util.Duration;
import stillglass.app.desk.BenchDays;
import stillglass.app.desk.Desk;
import stillglass.day.Shop;
import stillglass.ticket.BenchDay;

/// Keeps the plan of the day up to what really happened: planned anew a moment after an act, and as time goes on. Sleeps in a shop that has never said its hours nor looked at its day. On the interface thread.
public final class DayKeeper {
    private static final Duration AFTER_AN_ACT = Duration.millis(1500);
    private static final Duration AS_TIME_GOES_ON = Duration.minutes(2);

    private final Desk desk;
    private final PauseTransition soon = new PauseTransition(AFTER_AN_ACT);
    private final PauseTransition later = new PauseTransition(AS_TIME_GOES_ON);
    private final List<Runnable> watchers = new ArrayList<>();
    private final List<Runnable> subscriptions = new ArrayList<>();
    private Optional<BenchDays.Planned> planned = Optional.empty();
    private boolean awake;
    private long newest;

    public DayKeeper(Desk desk) {
        this.desk = desk;
        soon.setOnFinished(e -> again());
        later.setOnFinished(e -> again());
        subscriptions.add(desk.watch(w -> acted()));
        subscriptions.add(desk.watchBook(this::acted));
        desk.benchDays().said().thenAcceptAsync(said -> {
            if (said) {
                wake();
            }
        }, Platform::runLater);
    }

    private void acted() {
        if (awake) {
            soon.playFromStart();
        }
    }

    /// From now on the day is planned.
    void wake() {
        awake = true;
        again();
    }

    /// Plans anew at once.
    void again() {
        long request = ++newest;
        soon.stop();
        later.playFromStart();
        desk.benchDays().plan().thenAcceptAsync(p -> {
            if (request == newest) {
                put(p);
            }
        }, Platform::runLater);
    }

    /// A better plan of the same day takes the place of the one there is.
    /// @return false where the day has changed since, and it does not
    boolean better(BenchDay from, BenchDay found) {
        Optional<BenchDays.Planned> same = planned.filter(p -> p.day() == from);
        same.ifPresent(p -> put(new BenchDays.Planned(found, p.said())));
        return same.isPresent();
    }

    private void put(BenchDays.Planned p) {
        planned = Optional.of(p);
        watchers.forEach(Runnable::run);
    }

    void keep(Shop shop) {
        desk.benchDays().keep(shop).thenRunAsync(this::wake, Platform::runLater);
    }

    Optional<BenchDays.Planned> planned() {
        return planned;
    }

    /// Hears of every new plan.
    public void watch(Runnable watcher) {
        watchers.add(watcher);
    }

    /// What hands take up now or next, in a few words; nothing while the day is not planned, or nothing is to be done.
    /// @param here the ticket that is shown: it is not named
    public Optional<String> next(Optional<String> here) {
        return planned.flatMap(p -> DayModel.next(p.day(), here));
    }

    /// Ends what would keep the window alive.
    public void dispose() {
        soon.stop();
        later.stop();
        subscriptions.forEach(Runnable::run);
    }
}

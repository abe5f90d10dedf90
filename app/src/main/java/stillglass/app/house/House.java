package stillglass.app.house;

import java.util.List;
import stillglass.app.arrive.ArriveView;
import stillglass.app.clean.CleanView;
import stillglass.app.close.CloseView;
import stillglass.app.day.DayKeeper;
import stillglass.app.day.DayPage;
import stillglass.app.decide.DecideView;
import stillglass.app.desk.Asker;
import stillglass.app.desk.Desk;
import stillglass.app.look.LookView;
import stillglass.app.look.PhotoCache;
import stillglass.app.open.OpenView;
import stillglass.app.pages.BookPage;
import stillglass.app.prove.ProveView;
import stillglass.app.shell.Shell;
import stillglass.app.station.Station;
import stillglass.app.theme.Theme;

/// Furnishes the window: the one place that knows every station and page.
public final class House {
    private House() {}

    public static Shell furnish(Desk desk, Asker asker, Theme theme) {
        Shell shell = new Shell(desk, theme);
        PhotoCache photos = new PhotoCache(desk);
        BookPage book = new BookPage(desk, asker, shell::showWork, shell::show, shell::showDay, shell.inbox()::watch, shell.wire()::connect);
        Runnable measure = () -> {
            book.measureOptics();
            shell.showBook();
        };
        List<Station> stations = List.of(new ArriveView(desk, asker, measure), new LookView(desk, asker, photos, shell::type), new DecideView(desk, photos), new OpenView(desk, asker, photos, shell::type),
                new CleanView(desk, asker, shell::type), new CloseView(desk, asker, photos, shell::type), new ProveView(desk, asker, photos));
        stations.forEach(shell::register);
        shell.registerBook(book);
        DayKeeper keeper = new DayKeeper(desk);
        DayPage day = new DayPage(desk, asker, keeper, shell::showWork, shell::show);
        shell.registerDay(day, keeper::next, day::openNext, keeper::dispose);
        keeper.watch(shell::showNext);
        return shell;
    }
}

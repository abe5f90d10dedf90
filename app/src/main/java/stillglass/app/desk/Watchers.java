package stillglass.app.desk;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;

/// Those who hear of what happens on the desk; on the interface thread.
final class Watchers {
    private final List<Consumer<Work>> works = new ArrayList<>();
    private final List<Consumer<String>> complaints = new ArrayList<>();
    private final List<Runnable> books = new ArrayList<>();

    Runnable watch(Consumer<Work> watcher) {
        works.add(watcher);
        return () -> works.remove(watcher);
    }

    Runnable complain(Consumer<String> watcher) {
        complaints.add(watcher);
        return () -> complaints.remove(watcher);
    }

    Runnable book(Runnable watcher) {
        books.add(watcher);
        return () -> books.remove(watcher);
    }

    void show(Work work) {
        List.copyOf(works).forEach(w -> w.accept(work));
    }

    void complain(String sentence) {
        List.copyOf(complaints).forEach(c -> c.accept(sentence));
    }

    void bookChanged() {
        List.copyOf(books).forEach(Runnable::run);
    }
}

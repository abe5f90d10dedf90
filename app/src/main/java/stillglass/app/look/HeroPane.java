package stillglass.app.look;

import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import stillglass.app.desk.Desk;
import stillglass.app.desk.Viewing;
import stillglass.app.desk.Work;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;

/// The large picture of Look, one of five, with the photos to choose from above it.
final class HeroPane {
    private final Desk desk;
    private final PhotoCache cache;
    private final PhotoPane photo;
    private final UnrolledPane unrolled;
    private final WipePane wipe = new WipePane();
    private final GuidePane guide = new GuidePane();
    private final FlowPane chips = new FlowPane(6, 6);
    private final StackPane stack = new StackPane();
    private final VBox empty;
    private final Runnable askCard;
    private final Node condition;
    private final VBox node;
    /// Whether there is a section by which light can be drawn to scale.
    private boolean optics;
    private Optional<LookModel> shown = Optional.empty();

    /// @param condition the page of what is not glass
    /// @param askCard asks for a photo of the card or the lamp
    HeroPane(Desk desk, PhotoCache cache, PhotoPane photo, UnrolledPane unrolled, Node condition, VBox empty, Runnable askCard) {
        this.desk = desk;
        this.cache = cache;
        this.photo = photo;
        this.unrolled = unrolled;
        this.empty = empty;
        this.askCard = askCard;
        this.condition = condition;
        photo.setId("photo");
        unrolled.setId("unrolled");
        wipe.setId("wipe");
        guide.setId("guide");
        stack.setMinWidth(0);
        chips.setPrefWrapLength(520);
        VBox.setVgrow(stack, javafx.scene.layout.Priority.ALWAYS);
        node = Build.column(7, chips, stack);
        node.setMinWidth(0);
    }

    Node node() {
        return node;
    }

    WipePane wipe() {
        return wipe;
    }

    void show(LookModel m, Work work) {
        shown = Optional.of(m);
        optics = work.section().isPresent();
        chips(m);
        String ticket = work.state().tag().number();
        switch (m.hero()) {
            case PHOTO -> {
                stack.getChildren().setAll(m.photo().isEmpty() ? List.of(photo, empty) : List.of(photo));
                if (m.photo().isEmpty()) {
                    photo.show(Optional.empty(), Optional.empty(), List.of());
                }
                m.photo().ifPresent(shot -> cache.load(ticket, shot.photoId()).thenAccept(loaded -> {
                    if (shown.filter(m::equals).isPresent()) {
                        photo.show(loaded, Optional.of(shot.aperture()), m.rows());
                    }
                }));
            }
            case UNROLLED -> {
                unrolled.show(m.rows());
                stack.getChildren().setAll(unrolled);
            }
            case WIPE -> {
                stack.getChildren().setAll(wipe);
                m.wipe().ifPresent(w -> cache.load(ticket, w.before().photoId()).thenAccept(before -> cache.load(ticket, w.after().photoId()).thenAccept(after -> {
                    if (shown.filter(m::equals).isPresent()) {
                        wipe.show(w, before, after);
                    }
                })));
            }
            case LIGHTING -> {
                m.guide().ifPresent(g -> work.section().ifPresent(l -> guide.show(g, l)));
                stack.getChildren().setAll(guide);
            }
            case CONDITION -> stack.getChildren().setAll(condition);
        }
    }

    /// Of more photos than these only the first is called one.
    private static final int MOST_NAMED = 3;

    private void chips(LookModel m) {
        chips.getChildren().clear();
        int number = 1;
        for (LookModel.ShotChip s : m.shots()) {
            int n = number++;
            Button b = Build.button(s.focus().map(f -> Words.of("look.shot.focus", n, f)).orElse(m.shots().size() > MOST_NAMED && n > 1 ? Words.of("look.shot.next", n) : Words.of("look.shot", n)) + (s.set().isEmpty() ? "" : " · " + s.set()), "",
                    () -> desk.view(v -> v.onPhoto(s.photoId())), "chip");
            b.setTooltip(new javafx.scene.control.Tooltip(s.caption()));
            b.setId("shot-" + n);
            chosen(b, s.chosen() && m.hero() == Viewing.Hero.PHOTO);
            chips.getChildren().add(b);
        }
        if (m.photo().isPresent()) {
            hero(m, Viewing.Hero.UNROLLED, "look.hero.unrolled", "U");
        }
        if (m.wipe().isPresent()) {
            hero(m, Viewing.Hero.WIPE, "look.hero.wipe", "W");
        }
        if (optics) {
            hero(m, Viewing.Hero.LIGHTING, "look.hero.lighting", "G");
        }
        hero(m, Viewing.Hero.CONDITION, "look.hero.condition", "I");
        if (m.images() && m.hero() == Viewing.Hero.PHOTO) {
            Button b = Build.button(Words.of(m.card() ? "look.card.taken" : "look.card.take"), "K", askCard, "chip");
            b.setId("card");
            b.setTooltip(new javafx.scene.control.Tooltip(Words.of("look.card.how")));
            chips.getChildren().add(b);
        }
        if (m.photo().isPresent() && m.hero() == Viewing.Hero.PHOTO) {
            Button b = Build.button(Words.of("look.hero.loupe"), "Z", this::loupe, "chip");
            b.setId("loupe");
            chosen(b, photo.loupe());
            chips.getChildren().add(b);
        }
    }

    private void hero(LookModel m, Viewing.Hero hero, String words, String key) {
        Button b = Build.button(Words.of(words), key, () -> desk.view(v -> v.showing(hero)), "chip");
        b.setId("hero-" + hero.name().toLowerCase(java.util.Locale.ROOT));
        chosen(b, m.hero() == hero);
        chips.getChildren().add(b);
    }

    private static void chosen(Button b, boolean on) {
        if (on) {
            b.getStyleClass().add("chosen");
        }
    }

    void loupe() {
        photo.loupe(!photo.loupe());
        shown.ifPresent(this::chips);
    }
}

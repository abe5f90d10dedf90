package stillglass.app.day;

import java.time.DayOfWeek;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Consumer;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import stillglass.app.theme.Build;
import stillglass.app.theme.Words;
import stillglass.day.Shop;

/// Who is there when, and what there is to work with, to be typed.
final class ShopSheet {
    private final Consumer<Shop> keep;
    private final TextField hands = new TextField();
    private final TextField hour = new TextField();
    private final Map<String, TextField> things = new HashMap<>();
    private final Map<DayOfWeek, TextField> week = new EnumMap<>(DayOfWeek.class);
    private final Label wrong = Build.label("", "danger");
    private final VBox node;

    /// @param keep hears what was said
    /// @param away puts the sheet away
    ShopSheet(Consumer<Shop> keep, Runnable away) {
        this.keep = keep;
        GridPane counts = grid();
        int row = 0;
        add(counts, row++, Words.of("day.shop.hands"), hands, "shop-hands", 4);
        add(counts, row++, Words.of("day.shop.hour"), hour, "shop-hour", 4);
        hour.setPromptText(Words.of("day.shop.hour.unknown"));
        for (String t : Shop.THINGS) {
            TextField f = new TextField();
            things.put(t, f);
            add(counts, row++, Words.of("day.shop." + t), f, "shop-" + t, 4);
        }
        GridPane days = grid();
        for (DayOfWeek d : DayOfWeek.values()) {
            TextField f = new TextField();
            f.setPromptText(Words.of("day.shop.shut"));
            week.put(d, f);
            add(days, d.ordinal(), d.getDisplayName(TextStyle.FULL, Locale.ENGLISH), f, "shop-" + d.name().toLowerCase(Locale.ROOT), 22);
        }
        wrong.setId("shop-wrong");
        node = Build.sheet(Words.of("day.shop.heading"), Words.of("day.shop.sub"), Build.flowing(60, counts, days), wrong,
                Build.row(12, Build.button(Words.of("day.shop.keep"), "Enter", this::read, "primary"), Build.button(Words.of("day.shop.away"), "Esc", away)));
        node.setId("shop-sheet");
        node.setMaxSize(VBox.USE_PREF_SIZE, VBox.USE_PREF_SIZE);
        node.addEventHandler(KeyEvent.KEY_PRESSED, e -> {
            if (e.getCode() == KeyCode.ESCAPE) {
                away.run();
                e.consume();
            }
        });
    }

    private static GridPane grid() {
        GridPane g = new GridPane();
        g.setHgap(14);
        g.setVgap(6);
        return g;
    }

    private void add(GridPane grid, int row, String name, TextField field, String id, int columns) {
        Label label = Build.line(name);
        label.setLabelFor(field);
        field.setId(id);
        field.setAccessibleText(name);
        field.setPrefColumnCount(columns);
        field.setOnAction(e -> read());
        grid.addRow(row, label, field);
    }

    VBox node() {
        return node;
    }

    void show(Shop shop) {
        hands.setText(Integer.toString(shop.hands()));
        hour.setText(shop.hourCosts().map(h -> h == Math.rint(h) ? Long.toString(Math.round(h)) : Double.toString(h)).orElse(""));
        things.forEach((t, f) -> f.setText(Integer.toString(shop.things().getOrDefault(t, 0))));
        week.forEach((d, f) -> f.setText(shop.hours(d)));
        wrong.setText("");
        hands.requestFocus();
    }

    private void read() {
        try {
            List<String> lines = new ArrayList<>(List.of("hands " + hands.getText().strip(), "hour " + hour.getText().strip()));
            things.forEach((t, f) -> lines.add(t + " " + f.getText().strip()));
            week.forEach((d, f) -> lines.add(d.name() + " " + f.getText()));
            keep.accept(Shop.parse(String.join("\n", lines)));
        } catch (IllegalArgumentException cannot) {
            wrong.setText(Words.capital(String.valueOf(cannot.getMessage())) + ".");
        }
    }
}

package stillglass.day;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import stillglass.say.Said;

/// What is to be done to a thing on the bench, as far as a day is planned by it.
public enum Chore {
    LOOK(20, true),
    DECIDE(10, true),
    OPEN(45, true),
    /// In a tin of spirit, under its lid.
    SOAK(30, false),
    /// In a tank.
    BATHE(10, false),
    RINSE(5, true),
    DRY(45, false),
    /// By hand.
    CLEAN(60, true),
    /// A part that is lacking, at the lathe or the file.
    MAKE(90, true),
    CLOSE(60, true),
    PROVE(30, true),
    /// Glue that sets, parts that are on their way, a clock that runs.
    WAIT(60, false);

    private final double usualMinutes;
    private final boolean attended;

    Chore(double usualMinutes, boolean attended) {
        this.usualMinutes = usualMinutes;
        this.attended = attended;
    }

    /// What is taken before anything is known: a figure of ours, not measured.
    public double usualMinutes() {
        return usualMinutes;
    }

    /// Whether it needs hands all the time.
    public boolean attended() {
        return attended;
    }

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    public Said said() {
        return Said.of("chore." + word());
    }

    /// The chore a task does, by how tasks are called: `soak`, `soak 2`.
    public static Optional<Chore> of(String task) {
        String first = task.strip().split("\\s+", 2)[0];
        return Arrays.stream(values()).filter(c -> c.word().equals(first)).findFirst();
    }
}

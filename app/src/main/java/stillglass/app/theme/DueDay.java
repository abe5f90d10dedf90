package stillglass.app.theme;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.Locale;

/// The day something is due, with its year where that does not go without saying.
public final class DueDay {
    private static final DateTimeFormatter NEAR = DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);
    private static final DateTimeFormatter FAR = DateTimeFormatter.ofPattern("EEE d MMM yyyy", Locale.ENGLISH);
    private static final long NEAR_DAYS = 300;

    private DueDay() {}

    public static String words(LocalDate day, LocalDate today) {
        return (Math.abs(ChronoUnit.DAYS.between(today, day)) < NEAR_DAYS ? NEAR : FAR).format(day);
    }
}

package stillglass.assembly;

import java.util.Locale;

/// An angle on glass or ring as the bench says it: hours seen from the front, index at 12.
/// @param hours at least 0, below 12
public record ClockPosition(double hours) {
    public ClockPosition {
        if (!(hours >= 0 && hours < 12)) {
            throw new IllegalArgumentException("clock position is " + hours + ": hours run from 0 to below 12");
        }
    }

    /// Any number of hours folded onto the dial; 12 becomes 0.
    public static ClockPosition of(double hours) {
        double folded = hours % 12;
        return new ClockPosition((folded + 12) % 12);
    }

    /// The position of a point seen from the front, x to the right and y up.
    public static ClockPosition at(double x, double y) {
        return of(Math.atan2(x, y) / Math.PI * 6);
    }

    public double radians() {
        return hours * Math.PI / 6;
    }

    /// Shortest way round between two positions, 0 to 6 hours.
    public double apartHours(ClockPosition other) {
        double d = Math.abs(hours - other.hours);
        return Math.min(d, 12 - d);
    }

    /// "12", "4", "1:30".
    @Override
    public String toString() {
        int minutes = (int) Math.round(hours * 60) % 720;
        int hour = minutes / 60 == 0 ? 12 : minutes / 60;
        return minutes % 60 == 0 ? Integer.toString(hour) : String.format(Locale.ROOT, "%d:%02d", hour, minutes % 60);
    }
}

package stillglass.care;

import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/// A grease or an agent the shop owns.
///
/// @param grease laid and weighed; anything else is an agent, wiped or bathed in and not measured
/// @param name as it is said when it is used, without its batch
/// @param amount when it was bought, g of grease or ml of an agent; empty where nobody said
/// @param batch what its maker calls the filling; empty where nobody said
/// @param bought on what day; empty where nobody said
/// @param cost of all of it, in whatever the shop counts in; empty where nobody said
public record Good(boolean grease, String name, Optional<Double> amount, Optional<String> batch, Optional<LocalDate> bought, Optional<Double> cost) {
    private static final double MOST = 100_000;
    private static final int LONGEST = 60;
    private static final Pattern NAME = Pattern.compile("(grease|agent)\\s+([^,]+)", Pattern.CASE_INSENSITIVE);
    private static final Pattern AMOUNT = Pattern.compile("(\\d+(?:\\.\\d+)?)\\s*(g|ml)", Pattern.CASE_INSENSITIVE);
    private static final Pattern BATCH = Pattern.compile("batch\\s+(.+)", Pattern.CASE_INSENSITIVE);
    private static final Pattern BOUGHT = Pattern.compile("bought\\s+(.+)", Pattern.CASE_INSENSITIVE);
    private static final Pattern COST = Pattern.compile("costs?\\s+(\\d+(?:\\.\\d+)?)", Pattern.CASE_INSENSITIVE);

    public Good {
        check(name, "a name");
        batch.ifPresent(b -> check(b, "a batch"));
        if (amount.filter(a -> !(a > 0 && a <= MOST)).isPresent() || cost.filter(c -> !(c > 0 && c <= MOST)).isPresent()) {
            throw new IllegalArgumentException(name + ": give an amount and a cost above nothing and up to 100000, or leave them out");
        }
    }

    private static void check(String text, String what) {
        if (text.isBlank() || text.length() > LONGEST || text.contains(",") || text.chars().anyMatch(Character::isISOControl)) {
            throw new IllegalArgumentException("“" + text + "” is not " + what + ": give one line of up to " + LONGEST + " letters without a comma");
        }
    }

    /// What it is called where it was used: a batch is part of that.
    public String called() {
        return batch.map(b -> name + " batch " + b).orElse(name);
    }

    /// What a gram or a millilitre of it costs, where both are known.
    public Optional<Double> unitCost() {
        return cost.flatMap(c -> amount.map(a -> c / a));
    }

    /// Whether a use goes by this name: where no batch was said of the good, any batch of that name is meant.
    public boolean is(String used) {
        String u = used.strip().toLowerCase(Locale.ROOT);
        String mine = called().toLowerCase(Locale.ROOT);
        return u.equals(mine) || batch.isEmpty() && u.startsWith(mine + " batch ");
    }

    /// `grease light damping, 10 g, batch 12, bought 2026-05-01, costs 18`; all but the name may be left out.
    /// @throws IllegalArgumentException saying which part means nothing
    public static Good parse(String line) {
        List<String> parts = new ArrayList<>(List.of(line.strip().split("\\s*,\\s*")));
        Matcher first = NAME.matcher(parts.removeFirst());
        if (!first.matches()) {
            throw new IllegalArgumentException("“" + line.strip() + "” names nothing: begin with grease or agent and its name");
        }
        boolean grease = first.group(1).equalsIgnoreCase("grease");
        Optional<Double> amount = Optional.empty();
        Optional<String> batch = Optional.empty();
        Optional<LocalDate> bought = Optional.empty();
        Optional<Double> cost = Optional.empty();
        for (String part : parts) {
            Matcher a = AMOUNT.matcher(part);
            Matcher b = BATCH.matcher(part);
            Matcher d = BOUGHT.matcher(part);
            Matcher c = COST.matcher(part);
            if (a.matches()) {
                if (a.group(2).equalsIgnoreCase("g") != grease) {
                    throw new IllegalArgumentException("“" + part + "”: grease is told in g, agents in ml");
                }
                amount = Optional.of(Double.parseDouble(a.group(1)));
            } else if (b.matches()) {
                batch = Optional.of(b.group(1).strip());
            } else if (d.matches()) {
                bought = Optional.of(day(d.group(1).strip()));
            } else if (c.matches()) {
                cost = Optional.of(Double.parseDouble(c.group(1)));
            } else {
                throw new IllegalArgumentException("“" + part + "” was not understood: write 10 g (or ml), batch 12, bought 2026-05-01, costs 18");
            }
        }
        return new Good(grease, first.group(2).strip(), amount, batch, bought, cost);
    }

    private static LocalDate day(String text) {
        try {
            return LocalDate.parse(text);
        } catch (DateTimeParseException e) {
            throw new IllegalArgumentException("“" + text + "” is no day: write it as 2026-05-01", e);
        }
    }

    /// As a line that [#parse] reads.
    public String line() {
        StringBuilder out = new StringBuilder(grease ? "grease " : "agent ").append(name);
        amount.ifPresent(a -> out.append(", ").append(number(a)).append(grease ? " g" : " ml"));
        batch.ifPresent(b -> out.append(", batch ").append(b));
        bought.ifPresent(d -> out.append(", bought ").append(d));
        cost.ifPresent(c -> out.append(", costs ").append(number(c)));
        return out.toString();
    }

    private static String number(double x) {
        return x == Math.rint(x) ? Long.toString(Math.round(x)) : new java.math.BigDecimal(Double.toString(x)).toPlainString();
    }
}

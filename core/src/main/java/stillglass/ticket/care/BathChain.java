package stillglass.ticket.care;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import stillglass.care.CareTables;
import stillglass.care.Route;
import stillglass.day.Chore;
import stillglass.say.Said;

/// What a load goes through by the clock: a tin soaks, airs, bathes, is rinsed and dries; what goes into the tank at once begins there. Each clock, when it has rung and is taken off, begins the next.
///
/// @param route tin or tank
/// @param load its number, from 1
public record BathChain(Route route, int load) {
    /// Agents a load is soaked and bathed in.
    public static final String SOAKED_IN = "naphtha";
    public static final String BATHED_IN = "soap";
    private static final Pattern NAME = Pattern.compile("bath-(tin|tank)-(\\d{1,3})-([a-z]+)");

    public BathChain {
        if (route != Route.TIN && route != Route.TANK) {
            throw new IllegalArgumentException("nothing bathes by the clock on the way “" + route.word() + "”: give tin or tank");
        }
    }

    /// What comes after what.
    public List<Chore> links() {
        return route == Route.TIN ? List.of(Chore.SOAK, Chore.BATHE, Chore.RINSE, Chore.DRY) : List.of(Chore.BATHE, Chore.RINSE, Chore.DRY);
    }

    /// Minutes of a link by the shop's table; empty where it says nothing.
    public static Optional<Double> minutes(Chore link, CareTables care) {
        return switch (link) {
            case SOAK -> care.agent(SOAKED_IN).map(CareTables.Agent::minutes).filter(m -> m >= 1);
            case BATHE -> care.agent(BATHED_IN).map(CareTables.Agent::minutes).filter(m -> m >= 1);
            default -> Optional.empty();
        };
    }

    /// The first clock.
    public CareEvent.TimerSet begin(CareTables care, Instant now) {
        return clock(links().getFirst(), care, now);
    }

    private CareEvent.TimerSet clock(Chore link, CareTables care, Instant now) {
        double minutes = minutes(link, care).orElse(link.usualMinutes());
        return new CareEvent.TimerSet(name(link), Said.of("chain." + route.word() + "." + link.word(), "load", load), now.plusSeconds(Math.round(minutes * 60)));
    }

    private String name(Chore link) {
        return "bath-" + route.word() + "-" + load + "-" + link.word();
    }

    /// The clock that follows one that has rung; nothing after the last, or where it is no clock of a load.
    public static Optional<CareEvent.TimerSet> next(CareEvent.TimerSet rung, CareTables care, Instant now) {
        Matcher m = NAME.matcher(rung.timer());
        if (!m.matches() || rung.ends().isAfter(now)) {
            return Optional.empty();
        }
        BathChain chain = new BathChain(m.group(1).equals(Route.TIN.word()) ? Route.TIN : Route.TANK, Integer.parseInt(m.group(2)));
        List<Chore> links = chain.links();
        int at = links.stream().map(Chore::word).toList().indexOf(m.group(3));
        return at < 0 || at + 1 >= links.size() ? Optional.empty() : Optional.of(chain.clock(links.get(at + 1), care, now));
    }

    /// The link whose clock runs or has rung, where one does.
    public Optional<Chore> running(Care care) {
        return links().stream().filter(l -> care.timers().containsKey(name(l))).findFirst();
    }

    /// The clock of a link that runs or has rung.
    public Optional<CareEvent.TimerSet> clock(Chore link, Care care) {
        return Optional.ofNullable(care.timers().get(name(link)));
    }
}

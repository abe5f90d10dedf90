package stillglass.ticket.worth;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import stillglass.day.Durations;
import stillglass.day.Outlook;
import stillglass.say.Said;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Grown;

/// What a job is worth, as far as somebody said. Immutable.
///
/// @param said empty while nobody has said
/// @param toMake parts that have to be made or bought, by name
/// @param spentOn what parts that are there by now have cost
/// @param destroyed what was decided to be destroyed, in order
/// @param paid what was paid for it, where it was bought and somebody said
public record Worth(Optional<WorthEvent.WorthSaid> said, Map<String, WorthEvent.PartToMake> toMake, double spentOn, List<WorthEvent.DestroyingDecided> destroyed, Optional<WorthEvent.PaidSaid> paid) {
    private static final int MOST_PARTS = 100;
    /// Nobody has said anything.
    public static final Worth NONE = new Worth(Optional.empty(), Map.of(), 0, List.of(), Optional.empty());

    public Worth {
        toMake = Grown.kept(toMake);
        destroyed = List.copyOf(destroyed);
    }

    /// The state after one more event.
    public Worth after(WorthEvent happened) {
        return switch (happened) {
            case WorthEvent.WorthSaid e -> new Worth(Optional.of(e), toMake, spentOn, destroyed, paid);
            case WorthEvent.PartToMake e -> new Worth(said, Grown.by(toMake, key(e.name()), e), spentOn, destroyed, paid);
            case WorthEvent.PartMade e -> new Worth(said, Grown.less(toMake, key(e.name())), spentOn + Optional.ofNullable(toMake.get(key(e.name()))).flatMap(WorthEvent.PartToMake::cost).orElse(0.0), destroyed, paid);
            case WorthEvent.DestroyingDecided e -> new Worth(said, toMake, spentOn, Grown.by(destroyed, e), paid);
            case WorthEvent.PaidSaid e -> new Worth(said, toMake, spentOn, destroyed, Optional.of(e));
        };
    }

    /// Decides an intent: an event, or a refusal that says what to do instead.
    public Decision decide(WorthIntent intent) {
        return switch (intent) {
            case WorthEvent.PartMade m when !toMake.containsKey(key(m.name())) -> toMake.isEmpty() ? Decision.refused("worth.none-to-make") : Decision.refused("worth.not-to-make", "name", m.name(), "parts", toMake.values().stream().map(WorthEvent.PartToMake::name).toList());
            case WorthEvent.PartToMake m when toMake.size() >= MOST_PARTS && !toMake.containsKey(key(m.name())) -> Decision.refused("worth.many", "most", MOST_PARTS);
            case WorthEvent.DestroyingDecided d when d.why().isBlank() -> Decision.refused("worth.why", "how", d.how().said(), "what", d.what());
            case WorthEvent e -> Decision.accepted(e);
        };
    }

    /// What an outlook leaves out because nobody said it, in sentences.
    public List<Said> unsaid() {
        List<Said> all = new ArrayList<>();
        if (said.filter(s -> s.chance().isEmpty()).isPresent()) {
            all.add(Said.of("worth.unsaid.chance"));
        }
        List<String> parts = toMake.values().stream().filter(p -> p.minutes().isEmpty() || p.cost().isEmpty()).map(WorthEvent.PartToMake::name).toList();
        if (!parts.isEmpty()) {
            all.add(Said.of("worth.unsaid.parts", "parts", parts));
        }
        return all;
    }

    /// What it is worth and what is lacking, in sentences. The shop's own business: no report tells it.
    public List<Said> told() {
        List<Said> all = new ArrayList<>();
        said.ifPresent(w -> all.add(Said.of("worth.sum", "worth", w.worth(), "percent", 100 * w.chance().orElse(1.0))));
        if (!toMake.isEmpty()) {
            all.add(Said.of("worth.making", "parts", Said.commas(toMake.values().stream().map(WorthEvent.PartToMake::said).toList())));
        }
        paid.ifPresent(p -> all.add(p.backUntil().map(d -> Said.of("worth.paid.back", "paid", p.paid(), "day", d.toString())).orElse(Said.of("worth.paid", "paid", p.paid()))));
        double lost = destroyed.stream().mapToDouble(d -> d.loses().orElse(0.0)).sum();
        if (!destroyed.isEmpty()) {
            all.add(Said.of("worth.lost", "what", Said.commas(destroyed.stream().map(d -> Said.of("worth.one-destroyed", "how", d.how().said(), "what", d.what())).toList()), "lost", lost));
        }
        return all;
    }

    /// Whether it goes back while it may: that returns what was paid, against what going on is likely to leave.
    /// @param going what going on takes and pays
    /// @return nothing where it may not go back any more, or nobody said what to weigh
    public Optional<Said> back(Optional<Outlook> going, Optional<Double> hour, LocalDate today) {
        Optional<LocalDate> until = paid.flatMap(WorthEvent.PaidSaid::backUntil).filter(d -> !d.isBefore(today));
        return until.flatMap(d -> going.flatMap(o -> hour.map(h -> {
            double leaves = (o.paysHours() - o.leftHours()) * h;
            return Said.of(leaves < paid.orElseThrow().paid() ? "worth.back.send" : "worth.back.keep", "day", d.toString(), "paid", paid.orElseThrow().paid(), "leaves", leaves);
        })));
    }

    private static String key(String name) {
        return name.strip().toLowerCase(Locale.ROOT);
    }

    /// Whether going on pays; nothing while nobody has said what it is worth or what an hour costs. What parts that are there have cost, and what is destroyed already, is gone whichever way it is decided.
    /// @param left attended chores that are left
    /// @param hour what an hour at the bench costs
    public Optional<Outlook> outlook(List<Durations.Estimate> left, Optional<Double> hour) {
        List<Durations.Estimate> all = new ArrayList<>(left);
        toMake.values().forEach(p -> p.minutes().ifPresent(m -> all.add(Durations.Estimate.said(m))));
        double outlay = toMake.values().stream().mapToDouble(p -> p.cost().orElse(0.0)).sum();
        return said.flatMap(s -> hour.map(h -> Outlook.of(all, new Outlook.Stake(s.worth(), s.chance().orElse(1.0), outlay, h))));
    }
}

package stillglass.cli;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import picocli.CommandLine;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.book.BadInput;
import stillglass.book.log.Logbook;
import stillglass.book.log.Tickets;
import stillglass.care.Goods;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.facts.Lubricated;
import stillglass.ticket.joints.JointEvent;
import stillglass.ticket.story.World;

/// `used LOGBOOK [WORDS]`: where an agent, a grease or a batch of one went, over all tickets, the newest first: what is looked for when one turns out bad.
@CommandLine.Command(name = "used", description = "Lists where agents and greases went, over all tickets, the newest first.", mixinStandardHelpOptions = true)
final class UsedVerb extends Verb {
    @CommandLine.Parameters(index = "0", paramLabel = "LOGBOOK", description = "logbook file")
    private Path book = Path.of("");

    @CommandLine.Parameters(index = "1..*", arity = "0..*", paramLabel = "WORDS", description = "all of which the name holds: “helicoid grease batch 12”; everything without")
    private List<String> words = new ArrayList<>();

    /// @param mg laid, where it was weighed
    /// @param gone whether a pass took the soil; empty for grease, and for what was flushed where it sits
    /// @param cost of what was laid, where the shop said what all of it cost
    private record Row(LocalDate day, String ticket, String what, String where, Optional<Double> mg, Optional<Boolean> gone, Optional<Double> cost) {}

    @Override
    public Integer call() {
        if (!Files.isRegularFile(book)) {
            throw new BadInput(String.valueOf(book.getFileName()), "file", "there is no such logbook: check the path " + book);
        }
        try (ShopBook shop = ShopBook.open(book, InstantSource.system(), "used", err())) {
            List<Row> rows = rows(shop.tickets());
            List<Goods.Went> goods = shop.tickets().went().stream().filter(g -> named(g.good().called())).toList();
            if (json()) {
                out().println(new Answer().put("used", rows.stream().map(UsedVerb::answer).toList()).number("mg", rows.stream().flatMap(r -> r.mg.stream()).mapToDouble(m -> m).sum())
                        .put("goods", goods.stream().map(UsedVerb::answer).toList()).json());
            } else {
                rows.forEach(r -> out().printf(Locale.ROOT, "%s  %-10s %-30s %s%s%s%n", r.day, r.ticket, r.what, r.where, r.mg.map(m -> String.format(Locale.ROOT, "  %.1f mg", m)).orElse(""),
                        r.cost.map(c -> String.format(Locale.ROOT, ", cost %.2f", c)).orElse("")));
                goods.forEach(g -> out().printf(Locale.ROOT, "owned: %s; used %d times%s%n", g.good().line(), g.uses(), g.left().map(l -> String.format(Locale.ROOT, ", %s %.0f %% left", g.unweighed() > 0 ? "at most" : "about", 100 * l)).orElse("")));
                if (rows.isEmpty()) {
                    out().println(words.isEmpty() ? "nothing was cleaned or greased on any ticket" : "nothing of that name was used on any ticket");
                }
            }
        }
        return 0;
    }

    private static Map<String, Object> answer(Goods.Went g) {
        Answer a = new Answer().put("good", g.good().line()).put("called", g.good().called()).put("uses", g.uses()).put("unweighed", g.unweighed());
        g.left().ifPresent(l -> a.put("left_at_most", l));
        return a.fields();
    }

    private boolean named(String what) {
        return words.stream().allMatch(w -> what.toLowerCase(Locale.ROOT).contains(w.toLowerCase(Locale.ROOT)));
    }

    private static Map<String, Object> answer(Row r) {
        Answer a = new Answer().put("day", r.day.toString()).put("ticket", r.ticket).put("what", r.what).put("where", r.where);
        r.mg.ifPresent(m -> a.put("mg", m));
        r.gone.ifPresent(g -> a.put("gone", g));
        r.cost.ifPresent(c -> a.put("cost", c));
        return a.fields();
    }

    private List<Row> rows(Tickets tickets) {
        Map<String, World> worlds = new HashMap<>();
        Goods goods = tickets.goods();
        List<Row> rows = new ArrayList<>();
        // Only tickets in which it was used are read.
        tickets.uses().stream().filter(u -> named(u.use().called())).forEach(u -> rows.add(row(u.pass(), u.use(), goods, worlds.computeIfAbsent(u.pass().ticket(), n -> tickets.world(tickets.open(n))))));
        rows.sort(Comparator.comparing(Row::day).reversed());
        return rows;
    }

    private static Row row(Logbook.Pass p, Goods.Use use, Goods goods, World world) {
        LocalDate day = p.at().atZone(ZoneId.systemDefault()).toLocalDate();
        String where = switch (p.event()) {
            case JointEvent.Greased g -> world.instrument().joint(g.joint()).map(Joint::name).orElse(g.joint());
            case CareEvent.GreaseChanged g -> world.instrument().joint(g.joint()).map(Joint::name).orElse(g.joint());
            case JointEvent.Stated st when st.fact() instanceof Lubricated l -> l.point();
            case CareEvent.PartCleaned c -> world.instrument().part(c.part()).map(Part::name).orElse(c.part());
            case CareEvent.Flushed f -> f.place().word();
            default -> throw new IllegalStateException(p.event().getClass().getName() + " uses nothing");
        };
        return new Row(day, p.ticket(), use.called(), where, use.mg(), p.event() instanceof CareEvent.PartCleaned c ? Optional.of(c.gone()) : Optional.empty(), goods.cost(use));
    }
}

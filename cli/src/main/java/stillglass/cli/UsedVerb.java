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
import stillglass.care.CareTables;
import stillglass.ticket.care.CareEvent;
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
    /// @param gone whether a pass took the soil; empty for grease
    private record Row(LocalDate day, String ticket, String what, String where, Optional<Double> mg, Optional<Boolean> gone) {}

    @Override
    public Integer call() {
        if (!Files.isRegularFile(book)) {
            throw new BadInput(String.valueOf(book.getFileName()), "file", "there is no such logbook: check the path " + book);
        }
        try (ShopBook shop = ShopBook.open(book, InstantSource.system(), "used", err())) {
            List<Row> rows = rows(shop.tickets(), shop.shelf().care());
            if (json()) {
                out().println(new Answer().put("used", rows.stream().map(UsedVerb::answer).toList()).number("mg", rows.stream().flatMap(r -> r.mg.stream()).mapToDouble(m -> m).sum()).json());
            } else {
                rows.forEach(r -> out().printf(Locale.ROOT, "%s  %-10s %-30s %s%s%n", r.day, r.ticket, r.what, r.where, r.mg.map(m -> String.format(Locale.ROOT, "  %.1f mg", m)).orElse("")));
                if (rows.isEmpty()) {
                    out().println(words.isEmpty() ? "nothing was cleaned or greased on any ticket" : "nothing of that name was used on any ticket");
                }
            }
        }
        return 0;
    }

    private static Map<String, Object> answer(Row r) {
        Answer a = new Answer().put("day", r.day.toString()).put("ticket", r.ticket).put("what", r.what).put("where", r.where);
        r.mg.ifPresent(m -> a.put("mg", m));
        r.gone.ifPresent(g -> a.put("gone", g));
        return a.fields();
    }

    private List<Row> rows(Tickets tickets, CareTables care) {
        Map<String, World> worlds = new HashMap<>();
        List<Row> rows = new ArrayList<>();
        for (Logbook.Pass p : tickets.used()) {
            String what = switch (p.event()) {
                case JointEvent.Greased g -> g.grease();
                case CareEvent.PartCleaned c -> care.agent(c.agent()).map(CareTables.Agent::name).orElse(c.agent());
                default -> "";
            };
            // Only tickets in which it was used are read.
            if (words.stream().allMatch(w -> what.toLowerCase(Locale.ROOT).contains(w.toLowerCase(Locale.ROOT)))) {
                rows.add(row(p, what, worlds.computeIfAbsent(p.ticket(), n -> tickets.world(tickets.open(n)))));
            }
        }
        rows.sort(Comparator.comparing(Row::day).reversed());
        return rows;
    }

    private static Row row(Logbook.Pass p, String what, World world) {
        LocalDate day = p.at().atZone(ZoneId.systemDefault()).toLocalDate();
        return switch (p.event()) {
            case JointEvent.Greased g -> new Row(day, p.ticket(), what, world.instrument().joint(g.joint()).map(Joint::name).orElse(g.joint()), g.massMg(), Optional.empty());
            case CareEvent.PartCleaned c -> new Row(day, p.ticket(), what, world.instrument().part(c.part()).map(Part::name).orElse(c.part()), Optional.empty(), Optional.of(c.gone()));
            default -> throw new IllegalStateException(p.event().getClass().getName() + " uses nothing");
        };
    }
}

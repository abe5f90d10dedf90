package stillglass.ticket.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.function.Supplier;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.assembly.ClockPosition;
import stillglass.say.Wording;
import stillglass.ticket.Job;
import stillglass.ticket.facts.Ball;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.facts.LetGo;
import stillglass.ticket.facts.Proud;
import stillglass.ticket.facts.Screw;
import stillglass.ticket.facts.Shims;
import stillglass.ticket.facts.Stuck;
import stillglass.ticket.facts.Turns;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.story.Intent;

/// Lines made with their meaning: the generator first chooses what is meant, then how a technician may put it, and the line must be read as that or not at all.
class GeneratedLinesTest {
    private static final List<String> ADJECTIVES = List.of("front", "rear", "inner", "outer", "upper", "lower", "small", "brass", "black", "second");
    private static final List<String> NOUNS = List.of("name ring", "retainer", "spacer", "cell", "mount plate", "grip", "helicoid", "cover", "screw cover", "ball race", "spring plate", "shim cup", "mark ring", "turns ring",
            "test lever", "note plate", "clock disc", "lens hood", "focus ring", "stop ring", "set ring", "done lever");

    private final SplittableRandom random;

    GeneratedLinesTest() {
        random = new SplittableRandom(20261126);
    }

    /// What is meant, and a line that says it.
    private record Meant(String line, List<Fact> facts) {}

    private <T> T any(List<T> of) {
        return of.get(random.nextInt(of.size()));
    }

    private static String plain(double v) {
        return v == Math.rint(v) ? Long.toString(Math.round(v)) : String.format(Locale.ROOT, "%s", v);
    }

    /// A number as one may type it: point or comma, with or without its leading zero, a fraction where it is one.
    private String number(double v) {
        String s = plain(v);
        return switch (random.nextInt(4)) {
            case 0 -> s.replace('.', ',');
            case 1 -> s.startsWith("0.") ? s.substring(1) : s;
            case 2 -> fraction(v).orElse(s);
            default -> s;
        };
    }

    private static Optional<String> fraction(double v) {
        double quarters = v * 4;
        if (quarters != Math.rint(quarters) || v == Math.rint(v)) {
            return Optional.empty();
        }
        int whole = (int) v;
        String part = switch ((int) Math.round((v - whole) * 4)) {
            case 1 -> "1/4";
            case 2 -> "1/2";
            default -> "3/4";
        };
        return Optional.of(whole == 0 ? part : whole + " " + part);
    }

    private double step(double from, double to, double by) {
        int steps = (int) Math.round((to - from) / by);
        return Math.round((from + by * random.nextInt(steps + 1)) * 1000) / 1000.0;
    }

    private String mm() {
        return any(List.of("", " mm", "mm"));
    }

    private String hours(ClockPosition at) {
        double h = at.hours() == 0 ? 12 : at.hours();
        String colon = String.format(Locale.ROOT, "%d:%02d", (int) h, (int) Math.round((h - (int) h) * 60));
        return switch (random.nextInt(4)) {
            case 0 -> plain(h * 30 % 360) + "°";
            case 1 -> plain(h) + " o'clock";
            case 2 -> colon;
            default -> colon + " o'clock";
        };
    }

    private Meant turns() {
        double v = step(0.25, 12, 0.25);
        String n = number(v);
        return new Meant(any(List.of("turns " + n, n + " turns", n + " turn")), List.of(new Turns(v)));
    }

    private Meant letGo() {
        ClockPosition at = ClockPosition.of(step(0.5, 11.5, 0.5));
        return new Meant(any(List.of("lets go ", "lets go at ", "let go at ")) + hours(at), List.of(new LetGo(at)));
    }

    private Meant ball() {
        double v = step(0.5, 4, 0.5);
        int many = 1 + random.nextInt(3);
        List<Fact> all = new ArrayList<>();
        for (int i = 0; i < many; i++) {
            all.add(new Ball(v));
        }
        return new Meant((many == 1 ? any(List.of("ball ", "1 ball ")) : many + " balls ") + number(v) + mm(), all);
    }

    private Meant proud() {
        double v = step(0.05, 2, 0.05);
        return random.nextBoolean() ? new Meant("proud " + number(v) + mm(), List.of(new Proud(v))) : new Meant(number(v) + " mm below", List.of(new Proud(-v)));
    }

    private Meant shims() {
        List<Double> pieces = new ArrayList<>();
        StringBuilder line = new StringBuilder(any(List.of("shim", "shims")));
        for (int i = 0; i <= random.nextInt(3); i++) {
            double v = step(0.02, 0.6, 0.01);
            pieces.add(v);
            line.append(' ').append(v < 1 && random.nextBoolean() ? plain(v).substring(1) : plain(v));
        }
        return new Meant(line.toString(), List.of(new Shims(pieces)));
    }

    private Meant screws() {
        double v = step(1, 12, 0.1);
        int many = 1 + random.nextInt(5);
        String drive = any(List.of("slot", "cross", "hex"));
        String side = any(List.of("", " front", " rear"));
        String length = random.nextInt(6) == 0 ? plain(Math.round(v / 25.4 * 1e4) / 1e4) + " in" : number(v) + mm();
        double meant = length.endsWith("in") ? Math.round(v / 25.4 * 1e4) / 1e4 * 25.4 : v;
        String comma = any(List.of(", ", " "));
        List<Fact> all = new ArrayList<>();
        for (int i = 1; i <= many; i++) {
            all.add(new Screw("X" + i, drive, meant));
        }
        // "5 screws slot 1/4" would not say whether a quarter or one of four is meant.
        return new Meant(many + (many == 1 ? " screw" : " screws") + side + comma + drive + ", " + length, all);
    }

    private Meant stuck() {
        String agent = any(List.of("naphtha", "isopropanol", "warm air", "rubber sheet"));
        double wait = step(5, 60, 5);
        return new Meant("stuck, " + agent + ", wait " + plain(wait) + any(List.of("m", " min", " minutes")), List.of(new Stuck(agent, wait)));
    }

    private Meant any() {
        List<Supplier<Meant>> kinds = List.of(this::turns, this::letGo, this::ball, this::proud, this::shims, this::screws, this::stuck);
        return any(kinds).get();
    }

    private static List<Fact> noted(Reading r) {
        return r instanceof Reading.Understood u ? u.act().intents().stream().filter(JointIntent.Note.class::isInstance).flatMap(i -> ((JointIntent.Note) i).facts().stream()).toList() : List.of();
    }

    private static boolean same(List<Fact> a, List<Fact> b) {
        if (a.size() != b.size()) {
            return false;
        }
        for (int i = 0; i < a.size(); i++) {
            boolean close = a.get(i) instanceof Screw x && b.get(i) instanceof Screw y && x.cell().equals(y.cell()) && x.drive().equals(y.drive()) && Math.abs(x.lengthMm().orElse(0.0) - y.lengthMm().orElse(9.0)) < 1e-9;
            if (!close && !a.get(i).equals(b.get(i))) {
                return false;
            }
        }
        return true;
    }

    /// Six thousand lines about a joint on no map.
    @Test
    void noFactIsMisread() {
        Setting setting = Job.unknown().say("off ring").setting();
        int both = 0;
        for (int n = 0; n < 6000; n++) {
            Meant one = any();
            Meant other = random.nextInt(3) == 0 ? any() : new Meant("", List.of());
            // Facts of one kind in a line would not say where one ends.
            boolean two = !other.facts().isEmpty() && other.facts().getFirst().getClass() != one.facts().getFirst().getClass() && !one.line().startsWith("shim") && !one.line().startsWith("stuck");
            String line = two ? one.line() + ", " + other.line() : one.line();
            List<Fact> meant = new ArrayList<>(one.facts());
            if (two) {
                meant.addAll(other.facts());
                both++;
            }
            Reading r = SayLine.read(line, setting);
            assertThat(r).as("“%s” means %s, and was not understood: %s", line, meant, r instanceof Reading.Unclear u ? Wording.core().say(u.why()) : "").isInstanceOf(Reading.Understood.class);
            assertThat(same(noted(r), meant)).as("“%s” means %s, and was read as %s", line, meant, noted(r)).isTrue();
        }
        assertThat(both).isGreaterThan(800);
    }

    /// Things may be called anything: names hold words that mean something else by themselves.
    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4})
    void noNameIsMisread(int seed) {
        SplittableRandom own = new SplittableRandom(seed);
        for (int n = 0; n < 60; n++) {
            Job job = Job.unknown();
            List<String> names = new ArrayList<>();
            for (int k = 0; k < 6; k++) {
                String name = (own.nextBoolean() ? ADJECTIVES.get(own.nextInt(ADJECTIVES.size())) + " " : "") + NOUNS.get(own.nextInt(NOUNS.size()));
                if (!names.contains(name)) {
                    names.add(name);
                    job.say("off " + name + ", thread");
                }
            }
            for (String name : names) {
                String id = name.replace(' ', '-');
                Reading r = job.read("for " + name + ": ball 1.5");
                assertThat(r).as("“for %s: ball 1.5” among %s", name, names).isInstanceOf(Reading.Understood.class);
                assertThat(((Reading.Understood) r).act().intents()).as("%s among %s", name, names).containsExactly((Intent) Job.note(id, new Ball(1.5)));
            }
        }
    }

    /// A line with a word too many, wherever it stands, records nothing of it silently.
    @Test
    void noWordIsSwallowed() {
        Setting setting = Job.unknown().say("off ring").setting();
        for (int n = 0; n < 1500; n++) {
            Meant one = any();
            String line = one.line() + any(List.of(" ", ", ")) + "quux";
            Reading r = SayLine.read(line, setting);
            boolean kept = r instanceof Reading.Understood && noted(r).toString().contains("quux");
            assertThat(r instanceof Reading.Unclear u && Wording.core().say(u.why()).contains("quux") || kept).as("“%s” was read as %s", line, r).isTrue();
        }
    }
}

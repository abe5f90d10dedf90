package stillglass.cli;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import picocli.CommandLine;
import stillglass.book.BadInput;
import stillglass.book.data.Shelf;
import stillglass.care.knack.Act;
import stillglass.care.knack.Knack;
import stillglass.care.knack.Trait;

/// `knacks ACT [WORDS]`: what a hand should know when it opens, cleans, flushes, greases or closes what is called so; everything for that act without words.
@CommandLine.Command(name = "knacks", description = "Tells what a hand should know at an act, with the reasons.", mixinStandardHelpOptions = true)
final class KnacksVerb extends Verb {
    @CommandLine.Parameters(index = "0", paramLabel = "ACT", description = "open, clean, flush, grease or close")
    private String act = "";

    @CommandLine.Parameters(index = "1..*", arity = "0..*", paramLabel = "WORDS", description = "what is in hand, as the bench calls it: “retainer of E1”; all there is without")
    private List<String> words = new ArrayList<>();

    @Override
    public Integer call() {
        Act at = Act.ofWord(act).orElseThrow(() -> new BadInput(act, "ACT", "there is no such act: give one of " + Arrays.stream(Act.values()).map(Act::word).collect(Collectors.joining(", "))));
        Set<Trait> inHand = words.isEmpty() ? EnumSet.allOf(Trait.class) : Trait.of(String.join(" ", words));
        List<Knack> fit = new Shelf().care().knacks().at(at, inHand);
        if (json()) {
            out().println(new Answer().put("act", at.word()).put("in_hand", words.isEmpty() ? List.of() : inHand.stream().map(Trait::word).toList()).put("knacks", fit.stream().map(KnacksVerb::answer).toList()).json());
        } else {
            fit.forEach(k -> out().println(k.what() + "\n    " + k.why()));
            if (fit.isEmpty()) {
                out().println("nothing is known of what is called so");
            }
        }
        return 0;
    }

    private static Map<String, Object> answer(Knack k) {
        return new Answer().put("id", k.id()).put("what", k.what()).put("why", k.why()).fields();
    }
}

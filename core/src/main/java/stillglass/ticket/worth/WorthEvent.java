package stillglass.ticket.worth;

import java.time.LocalDate;
import java.util.Optional;
import stillglass.say.Said;
import stillglass.ticket.story.Event;
import stillglass.ticket.story.Named;

/// What a job is worth, and what it costs beside hours. Kept as it comes, when it can be. Money is in whatever the shop counts in.
public sealed interface WorthEvent extends Event, WorthIntent {
    /// Largest sum, and longest making, that is taken for one.
    double MOST = 1e7;

    /// Whether there is such a sum.
    static boolean sum(double money) {
        return money >= 0 && money <= MOST;
    }

    /// @param worth of the thing when it is done
    /// @param chance that it comes out well, as the technician sees it; empty where nobody said
    @Named("worth-said")
    record WorthSaid(double worth, Optional<Double> chance) implements WorthEvent {
        public WorthSaid {
            if (!sum(worth) || chance.filter(c -> !(c > 0 && c <= 1)).isPresent()) {
                throw new IllegalArgumentException("worth " + worth + " with a chance of " + chance.orElse(1.0) + " is out of range: give 0 or more and a chance up to 1");
            }
        }
    }

    /// What was paid for it, and until when it may go back for that.
    /// @param backUntil empty where it may not, or nobody said
    @Named("paid-said")
    record PaidSaid(double paid, Optional<LocalDate> backUntil) implements WorthEvent {
        public PaidSaid {
            if (!sum(paid)) {
                throw new IllegalArgumentException("paid " + paid + " is out of range: give 0 or more");
            }
        }
    }

    /// A part that has to be made or bought; one of that name is told anew.
    /// @param minutes of making it, where somebody said
    /// @param cost of material or of the part, where somebody said
    @Named("part-to-make")
    record PartToMake(String name, Optional<Double> minutes, Optional<Double> cost) implements WorthEvent {
        public PartToMake {
            if (name.isBlank() || minutes.filter(m -> !(m > 0 && m <= MOST)).isPresent() || cost.filter(c -> !sum(c)).isPresent()) {
                throw new IllegalArgumentException("a part “" + name + "” of " + minutes.orElse(0.0) + " minutes and " + cost.orElse(0.0) + " is out of range");
            }
        }

        /// What is told while it is not there.
        public Said lacking() {
            return Said.of("worth.lacking", "part", name);
        }

        public Said said() {
            return minutes.isPresent() || cost.isPresent() ? Said.of("worth.part", "name", name, "minutes", minutes.orElse(0.0), "cost", cost.orElse(0.0)) : Said.text(name);
        }
    }

    /// It is there now.
    @Named("part-made")
    record PartMade(String name) implements WorthEvent {}

    /// Something is destroyed so that the rest can be saved: decided, with the reason, before it is done.
    /// @param loses what that loses, in money, where somebody said
    @Named("destroying-decided")
    record DestroyingDecided(How how, String what, Optional<Double> loses, String why) implements WorthEvent {
        public DestroyingDecided {
            if (what.isBlank() || loses.filter(c -> !sum(c)).isPresent()) {
                throw new IllegalArgumentException("destroying “" + what + "”, which loses " + loses.orElse(0.0) + ", is out of range");
            }
        }

        public Said said() {
            return Said.of("worth.destroyed", "how", how.said(), "what", what, "why", why);
        }
    }
}

package stillglass.ticket.care;

import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import stillglass.assembly.Material;
import stillglass.care.Cavities;
import stillglass.care.Route;
import stillglass.care.RunIn;
import stillglass.care.seals.Channel;
import stillglass.plan.Routed;
import stillglass.say.Said;
import stillglass.ticket.condition.Place;
import stillglass.ticket.story.Event;
import stillglass.ticket.story.Named;

/// What was done to parts off the instrument, and clocks that run for it. Kinds that are kept as they come are intents, too.
public sealed interface CareEvent extends Event, CareIntent {
    /// A face of a glass.
    enum Face {
        FRONT,
        REAR;

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /// One pass.
    /// @param gone whether the soil is gone
    /// @param face of a glass that was cleaned; empty for all of the part
    /// @param left specks or spots that are left under the lamp, where they were counted
    @Named("part-cleaned")
    record PartCleaned(String part, String soil, String agent, boolean gone, Optional<Face> face, Optional<Integer> left) implements CareEvent {
        private static final int MOST = 100_000;

        public PartCleaned {
            if (!possible(left)) {
                throw new IllegalArgumentException(left.orElse(0) + " is no number of specks: give 0 to " + MOST);
            }
        }

        public PartCleaned(String part, String soil, String agent, boolean gone) {
            this(part, soil, agent, gone, Optional.empty(), Optional.empty());
        }

        /// Whether so many can be left.
        public static boolean possible(Optional<Integer> left) {
            return left.filter(n -> n < 0 || n > MOST).isEmpty();
        }
    }

    /// What a part is made of, as somebody sees it; said again it replaces what was said before.
    /// @param face of which it was said, where both differ: the front of a beam splitter bears a wipe, its silvered back none; empty for all of the part
    @Named("made-of")
    record MadeOf(String part, List<Material> materials, Optional<Face> face) implements CareEvent {
        public MadeOf {
            materials = List.copyOf(materials);
        }

        public MadeOf(String part, List<Material> materials) {
            this(part, materials, Optional.empty());
        }
    }

    /// Which way a part goes through cleaning, as the technician says; said again it replaces what was said before.
    /// @param why empty where nobody said
    @Named("route-said")
    record RouteSaid(String part, Route route, String why) implements CareEvent {
        /// As a part's way.
        public Routed routed() {
            return new Routed(route, why.isBlank() ? Said.of("route.why.said") : Said.of("route.why.said.because", "why", why));
        }
    }

    /// Blades or leaves were flushed where they sit and worked through their range, or a train of wheels got a drop and was tried.
    /// @param shows whether oil still showed, or the train still dragged; empty where nobody said
    /// @param closeMs how long they took to close afterwards, or the train to run down, where it was measured
    @Named("flushed")
    record Flushed(Place place, String agent, Optional<Boolean> shows, Optional<Double> closeMs) implements CareEvent {
        private static final double MOST_MS = 60_000;

        public Flushed {
            if (!possible(closeMs)) {
                throw new IllegalArgumentException("a closing time of " + closeMs.orElse(0.0) + " ms is out of range: give more than 0 and less than a minute");
            }
        }

        /// Whether it can take so long.
        public static boolean possible(Optional<Double> ms) {
            return ms.filter(t -> !(t > 0 && t < MOST_MS)).isEmpty();
        }
    }

    /// A channel of a light seal, measured; one of that name is measured anew.
    @Named("channel-measured")
    record ChannelMeasured(Channel channel) implements CareEvent {}

    /// A piece of foam there is to cut seals from.
    @Named("foam-there")
    record FoamThere(double widthMm, double heightMm, double thicknessMm) implements CareEvent {
        private static final double MOST_MM = 2000;
        private static final double THICKEST_MM = 50;

        public FoamThere {
            if (!possible(widthMm, heightMm, thicknessMm)) {
                throw new IllegalArgumentException("foam of " + widthMm + " x " + heightMm + " mm, " + thicknessMm + " mm thick, is out of range: give up to 2000 mm and up to 50 mm thick");
            }
        }

        /// Whether there can be such a piece.
        public static boolean possible(double widthMm, double heightMm, double thicknessMm) {
            return widthMm > 0 && heightMm > 0 && widthMm <= MOST_MM && heightMm <= MOST_MM && thicknessMm > 0 && thicknessMm <= THICKEST_MM;
        }
    }

    /// Ultraviolet light on yellow glass.
    /// @param hours of it
    /// @param at when they were over
    @Named("ultraviolet")
    record Ultraviolet(double hours, Instant at) implements CareEvent {
        private static final double MOST_H = 10_000;

        public Ultraviolet {
            if (!possible(hours)) {
                throw new IllegalArgumentException(hours + " hours of light are out of range: give more than 0 and at most " + MOST_H);
            }
        }

        /// Whether anything was lit so long.
        public static boolean possible(double hours) {
            return hours > 0 && hours <= MOST_H;
        }
    }

    /// What a wet thing weighs.
    /// @param stepG least step of the balance, as it was read
    @Named("weighed")
    record Weighed(Instant at, double grams, double stepG) implements CareEvent {
        private static final double MOST_G = 1e5;

        public Weighed {
            if (!possible(grams) || !(stepG > 0 && stepG <= 1000)) {
                throw new IllegalArgumentException(grams + " g in steps of " + stepG + " g is no weighing: give grams above 0");
            }
        }

        /// Whether anything weighs so much.
        public static boolean possible(double grams) {
            return grams > 0 && grams < MOST_G;
        }
    }

    /// A greased thread was run through its travel and judged.
    /// @param joint whose thread
    /// @param travels from end to end since it was judged last
    /// @param nmm torque in N·mm, where it was measured
    /// @param feel by hand, where that was said
    @Named("run-in")
    record RanIn(String joint, int travels, Optional<Double> nmm, Optional<RunIn.Feel> feel) implements CareEvent {
        private static final double MOST_NMM = 1e5;
        private static final int MOST_TRAVELS = 1000;

        public RanIn {
            if (!possible(travels, nmm)) {
                throw new IllegalArgumentException("a torque of " + nmm.orElse(0.0) + " N·mm after " + travels + " travels is out of range");
            }
        }

        /// Whether it can have been run and turned so.
        public static boolean possible(int travels, Optional<Double> nmm) {
            return travels > 0 && travels <= MOST_TRAVELS && nmm.filter(t -> !(t > 0 && t < MOST_NMM)).isEmpty();
        }
    }

    /// Grease was brought onto a thread that runs, or wiped off.
    /// @param mg more; less than 0 for what was wiped off; empty where it was not weighed
    /// @param more whether it was more
    @Named("grease-changed")
    record GreaseChanged(String joint, Optional<Double> mg, boolean more) implements CareEvent {
        private static final double MOST_MG = 1e5;

        public GreaseChanged {
            if (mg.filter(m -> !(Math.abs(m) < MOST_MG)).isPresent()) {
                throw new IllegalArgumentException(mg.orElse(0.0) + " mg of grease are out of range");
            }
        }
    }

    /// The torque a thread is wanted to turn with.
    @Named("torque-wanted")
    record TorqueWanted(String joint, RunIn.Band band) implements CareEvent {}

    /// Something was done to a part in cleaning that should not have been. It is told to the owner.
    /// @param agent with which, where that was said
    @Named("part-harmed")
    record PartHarmed(String part, Optional<String> agent, String what) implements CareEvent {}

    /// A cavity of something wet that is still shut; one of that name is told anew.
    @Named("cavity-named")
    record CavityNamed(Cavities.Cavity cavity) implements CareEvent {}

    /// A cavity is open and can dry.
    @Named("cavity-opened")
    record CavityOpened(String name) implements CareEvent {}

    /// @param timer its name; one of that name is set anew
    /// @param label what is waited for
    @Named(value = "timer-set", version = 2)
    record TimerSet(String timer, Said label, Instant ends) implements CareEvent {
        /// What somebody waits for in words of his own.
        public static TimerSet own(String what, Instant now, double minutes) {
            return new TimerSet("own-" + what.toLowerCase(Locale.ROOT), Said.text(what), now.plusSeconds(Math.round(minutes * 60)));
        }

        /// What was flushed stands open until then.
        public static TimerSet drying(Place place, Instant ends) {
            return new TimerSet("dry-" + place.word(), Said.of("timer.dry", "place", place.said()), ends);
        }
    }

    @Named("timer-cleared")
    record TimerCleared(String timer) implements CareEvent {}
}

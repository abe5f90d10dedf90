package stillglass.ticket;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.care.CareTables;
import stillglass.grade.MayLie;
import stillglass.optics.LensSection;
import stillglass.optics.misassembly.LensFault;
import stillglass.plan.Goal;

/// Decides an intent against the state: events, or a refusal that says what to do instead.
public sealed interface Decision {
    record Accepted(List<TicketEvent> events) implements Decision {
        public Accepted {
            events = List.copyOf(events);
        }
    }

    record Refused(String why) implements Decision {}

    /// What a decision may look at besides the state.
    record World(Instrument instrument, LensSection section, CareTables care) {}

    static Decision decide(TicketState state, Intent intent, World world) {
        return switch (intent) {
            case Intent.Begin b -> begin(state, b);
            case Intent.Keep k -> keep(state, k, world);
            case Intent.Rekind r -> rekind(state, r, world);
            case Intent.ReadDepth d -> withFinding(state, d.findingId(), new TicketEvent.DepthRead(d.findingId(), d.reading()));
            case Intent.FindAssembled f -> findAssembled(state, f, world);
            case Intent.AssembledRight r -> state.assembly().isEmpty()
                    ? new Refused("Nothing was noted as assembled wrongly.")
                    : accepted(new TicketEvent.AssemblyPutRight());
            case Intent.FocusPhoto f -> focusPhoto(state, f);
            case Intent.AnswerTest a -> withFinding(state, a.findingId(),
                    new TicketEvent.FindingTested(a.findingId(), a.test(), a.answer(), a.told().likeliest(), a.told().chances()));
            case Intent.Reshape r -> Outlining.reshape(state, r);
            case Intent.Draw d -> Outlining.draw(state, d, world);
            case Intent.Merge m -> Outlining.merge(state, m);
            case Intent.Split s -> Outlining.split(state, s);
            case Intent.Dismiss d -> withFinding(state, d.findingId(), new TicketEvent.FindingDismissed(d.findingId()));
            case Intent.Place p -> place(state, p, world);
            case Intent.OverruleGrade o -> overruleGrade(state, o);
            case Intent.ChooseGoals g -> chooseGoals(g, world);
            case Intent.StartFrom f -> world.instrument().joints().size() > state.found().size()
                    ? new Refused("This model has a map already: " + world.instrument().joints().size() + " joints.")
                    : accepted(new TicketEvent.ModelTaken(f.instrumentId(), f.name(), f.likeness()));
            case Intent.ChooseWay w -> accepted(new TicketEvent.WayChosen(w.sort()));
            case Intent.Reorder r -> reorder(state, r, world);
            case Intent.KeepReference k -> keepReference(state, k, world);
            case Intent.NoteFacts n -> noteFacts(state, n, world);
            case Intent.PhotographStep p -> photographStep(state, p, world);
            case Intent.OpenJoint o -> open(state, o, world);
            case Intent.FindJoint f -> find(f, world);
            case Intent.Clean c -> clean(state, c, world);
            case Intent.StateFact s -> state(state, s, world);
            case Intent.CloseJoint c -> Closing.close(state, c, world);
            case Intent.Tighten t -> state.loose().contains(t.joint())
                    ? accepted(new TicketEvent.JointTightened(t.joint()))
                    : new Refused(nameOf(t.joint(), world) + " is not waiting to be tightened.");
            case Intent.SetControls s -> Closing.setControls(state, s, world);
            case Intent.Refit r -> Closing.refit(state, r, world);
            case Intent.TakeOff t -> Closing.takeOff(state, t, world);
            case Intent.Zero z -> Closing.zero(state, z, world);
            case Intent.Report r -> report(r, world);
            case Intent.Mend m -> mend(state, m, world);
            case Intent.FinishStage f -> finish(state, f, world);
            case Intent.Sign s -> sign(state, s);
            case Intent.Undo u -> state.lastUndoable()
                    .<Decision>map(n -> accepted(new TicketEvent.Undone(n)))
                    .orElse(new Refused("There is nothing to take back."));
        };
    }

    static Decision accepted(TicketEvent... events) {
        return new Accepted(List.of(events));
    }

    static String nameOf(String joint, World world) {
        return world.instrument().joint(joint).map(Joint::name).orElse(joint);
    }

    private static Decision begin(TicketState state, Intent.Begin b) {
        if (!state.tag().number().isEmpty()) {
            return new Refused("This ticket is already open as " + state.tag().number() + ".");
        }
        List<TicketEvent> events = new ArrayList<>();
        events.add(b.tag());
        events.addAll(b.first());
        return new Accepted(events);
    }

    private static Decision keep(TicketState state, Intent.Keep k, World world) {
        List<TicketEvent> events = new ArrayList<>(k.happened());
        for (TicketEvent.Plain e : k.happened()) {
            if (e instanceof TicketEvent.PhotoGraded g) {
                Optional<TicketEvent.PhotoKept> photo = k.happened().stream()
                        .filter(o -> o instanceof TicketEvent.PhotoKept p && p.photoId().equals(g.photoId()))
                        .map(TicketEvent.PhotoKept.class::cast).findFirst()
                        .or(() -> state.photo(g.photoId()).map(TicketState.Photo::kept));
                if (photo.isEmpty()) {
                    return new Refused("Photo " + g.photoId() + " is not in this ticket.");
                }
                events.addAll(Outlining.bothSides(state, photo.get(), g.findings(), world.section()));
            }
        }
        return new Accepted(events);
    }

    private static Decision focusPhoto(TicketState state, Intent.FocusPhoto f) {
        List<TicketState.Photo> photos = state.photos().stream().filter(p -> p.graded().isPresent() && p.kept().phase() == Phase.BEFORE).toList();
        return f.number() < 1 || f.number() > photos.size()
                ? new Refused("There is no photo " + f.number() + ": " + (photos.isEmpty() ? "take one first." : "they run from 1 to " + photos.size() + "."))
                : accepted(new TicketEvent.PhotoFocused(photos.get(f.number() - 1).kept().photoId(), f.depthMm()));
    }

    static Decision withFinding(TicketState state, String id, TicketEvent event) {
        return state.finding(id).isPresent() ? accepted(event) : new Refused("Finding " + id + " is no longer there.");
    }

    private static Decision place(TicketState state, Intent.Place p, World world) {
        if (p.surface() < 0 || p.surface() >= world.section().surfaces().size()) {
            return new Refused("There is no surface " + (p.surface() + 1) + " in " + world.section().name() + ".");
        }
        Optional<String> not = state.finding(p.findingId())
                .flatMap(k -> MayLie.notOn(k.finding().kind(), world.section(), p.surface()));
        return not.isPresent()
                ? new Refused("Not there: " + not.get() + ". Change its kind first.")
                : withFinding(state, p.findingId(), new TicketEvent.FindingPlaced(p.findingId(), p.surface()));
    }

    /// A kind that the lens rules out is refused; one that its present surface rules out loses the surface.
    private static Decision rekind(TicketState state, Intent.Rekind r, World world) {
        Optional<String> nowhere = MayLie.nowhere(r.kind(), world.section());
        if (nowhere.isPresent()) {
            return new Refused("It cannot be " + r.kind().word() + ": " + nowhere.get() + ".");
        }
        TicketEvent kind = new TicketEvent.FindingRekinded(r.findingId(), r.kind());
        boolean clash = state.finding(r.findingId())
                .flatMap(Known::surface)
                .flatMap(s -> MayLie.notOn(r.kind(), world.section(), s))
                .isPresent();
        return clash ? accepted(kind, new TicketEvent.FindingUnplaced(r.findingId())) : withFinding(state, r.findingId(), kind);
    }

    private static Decision findAssembled(TicketState state, Intent.FindAssembled f, World world) {
        if (state.assembly().contains(f.fault())) {
            return new Refused("That is noted already: " + LensFault.parse(f.fault()) + ".");
        }
        List<LensFault> all = new ArrayList<>(state.assembly().stream().map(LensFault::parse).toList());
        try {
            all.add(LensFault.parse(f.fault()));
            LensFault.apply(world.section(), all, LensFault.Seating.RIM);
        } catch (IllegalArgumentException e) {
            return new Refused(e.getMessage() + ".");
        }
        return accepted(new TicketEvent.MisassemblyFound(f.fault()));
    }

    private static Decision overruleGrade(TicketState state, Intent.OverruleGrade o) {
        if (o.grade() < 0 || o.grade() > 4) {
            return new Refused("Grades run from 0 to 4, " + o.grade() + " is none.");
        }
        if (o.why().isBlank()) {
            return new Refused("Say why: the computed grade stays beside yours.");
        }
        return withFinding(state, o.findingId(), new TicketEvent.GradeOverruled(o.findingId(), o.grade(), o.why()));
    }

    private static Decision chooseGoals(Intent.ChooseGoals g, World world) {
        for (String goal : g.goals()) {
            try {
                if (Goal.parse(goal, world.instrument(), Optional.of(world.section()))
                        .doors(world.instrument())
                        .isEmpty()) {
                    return new Refused("No joint on the map leads to " + goal + ".");
                }
            } catch (IllegalArgumentException e) {
                return new Refused(e.getMessage() + ".");
            }
        }
        return accepted(new TicketEvent.GoalsChosen(g.goals()));
    }

    private static Decision keepReference(TicketState state, Intent.KeepReference k, World world) {
        if (world.instrument().reference(k.reference()).isEmpty()) {
            return new Refused("The map has no reference " + k.reference() + ".");
        }
        for (Joint j : world.instrument().joints()) {
            if (j.loses().contains(k.reference()) && state.openNow().contains(j.id())) {
                return new Refused("Too late: " + j.name() + " is open and the reference went with it. Close it again or find it anew.");
            }
        }
        return accepted(new TicketEvent.ReferenceKept(k.reference(), k.how(), k.at()));
    }

    private static Decision noteFacts(TicketState state, Intent.NoteFacts n, World world) {
        if (world.instrument().joint(n.joint()).isEmpty()) {
            return new Refused("The map has no joint " + n.joint() + ".");
        }
        if (state.closed().contains(n.joint())) {
            return new Refused(nameOf(n.joint(), world) + " is closed again; state what you see instead.");
        }
        return new Accepted(n.facts().stream()
                .map(f -> (TicketEvent) new TicketEvent.FactNoted(n.joint(), f))
                .toList());
    }

    private static Decision find(Intent.FindJoint f, World world) {
        String id = LearnedMap.id(f.name());
        if (id.isEmpty()) {
            return new Refused("What came off? Give it a name.");
        }
        return world.instrument().joint(id).isPresent()
                ? new Refused(f.name() + " is on the map: open it there.")
                : accepted(new TicketEvent.JointFound(id, f.name(), f.hold(), f.side(), f.tool(), f.name()), new TicketEvent.JointOpened(id, false));
    }

    private static Decision reorder(TicketState state, Intent.Reorder r, World world) {
        Set<String> open = new LinkedHashSet<>(state.opened());
        for (String id : r.joints()) {
            Optional<Joint> joint = world.instrument().joint(id);
            if (joint.isEmpty()) {
                return new Refused("The map has no joint " + id + ".");
            }
            Optional<String> waits = waitsFor(joint.get(), open, world);
            if (waits.isPresent()) {
                return new Refused("Not there: " + joint.get().name() + " waits for " + waits.get() + ".");
            }
            open.add(id);
        }
        return accepted(new TicketEvent.OrderChosen(r.joints()));
    }

    /// The trouble at the joint in hand; where there is none, the only one there is.
    private static Decision mend(TicketState state, Intent.Mend m, World world) {
        List<String> troubled = state.troubles().stream().map(TicketEvent.Troubled::joint).toList();
        if (troubled.contains(m.joint())) {
            return accepted(new TicketEvent.Mended(m.joint()));
        }
        return switch (troubled.size()) {
            case 0 -> new Refused("Nothing is wrong with " + nameOf(m.joint(), world) + ".");
            case 1 -> accepted(new TicketEvent.Mended(troubled.getFirst()));
            default -> new Refused("Which one? There is trouble at " + String.join(", ", troubled.stream().map(j -> nameOf(j, world)).toList()) + ".");
        };
    }

    private static Decision report(Intent.Report r, World world) {
        return world.instrument().joint(r.joint()).isEmpty()
                ? new Refused("The map has no joint " + r.joint() + ".")
                : accepted(new TicketEvent.Troubled(r.joint(), r.kind(), r.note().strip()));
    }

    private static Decision open(TicketState state, Intent.OpenJoint o, World world) {
        Optional<Joint> found = world.instrument().joint(o.joint());
        if (found.isEmpty()) {
            return new Refused("The map has no joint " + o.joint() + ".");
        }
        Joint joint = found.get();
        Set<String> open = state.openNow();
        if (open.contains(joint.id())) {
            return new Refused(joint.name() + " is open already.");
        }
        Optional<String> waits = waitsFor(joint, open, world);
        if (waits.isPresent() && !o.anyway()) {
            return new Refused(joint.name() + " waits for " + waits.get() + ". If it is off already, say so: \"" + joint.name() + " anyway\".");
        }
        Set<String> lost = new LinkedHashSet<>(joint.loses());
        lost.removeAll(state.references().keySet());
        if (!lost.isEmpty() && !o.anyway()) {
            String name = world.instrument().reference(lost.iterator().next()).map(Instrument.Reference::name).orElse("");
            return new Refused("Mark first: " + joint.name() + " loses " + name + ".");
        }
        List<TicketEvent> events = new ArrayList<>();
        events.add(new TicketEvent.JointOpened(joint.id(), waits.isPresent()));
        lost.forEach(l -> events.add(new TicketEvent.Overruled("reference " + l, "opened without a mark")));
        return new Accepted(events);
    }

    /// What still bars the way to a joint, in words.
    static Optional<String> waitsFor(Joint joint, Set<String> open, World world) {
        List<String> first = new ArrayList<>(joint.after().stream().filter(id -> !open.contains(id)).sorted().map(id -> nameOf(id, world)).toList());
        joint.behind().oneOf().stream().filter(s -> s.stream().noneMatch(open::contains))
                .forEach(s -> first.add(String.join(" or ", s.stream().sorted().map(id -> nameOf(id, world)).toList())));
        return first.isEmpty() ? Optional.empty() : Optional.of(String.join(", ", first));
    }

    private static Decision clean(TicketState state, Intent.Clean c, World world) {
        if (world.instrument().part(c.part()).isEmpty()) {
            return new Refused("The map has no part " + c.part() + ".");
        }
        return accepted(new TicketEvent.PartCleaned(c.part(), c.soil(), c.agent(), c.gone()));
    }

    private static Decision photographStep(TicketState state, Intent.PhotographStep p, World world) {
        boolean putBack = p.kept().phase() == Phase.AFTER;
        Decision about = p.about() instanceof Fact.Clocked c ? state(state, new Intent.StateFact(p.joint(), c), world)
                : putBack ? accepted(new TicketEvent.FactStated(p.joint(), p.about(), true, "Photo of it put back"))
                : noteFacts(state, new Intent.NoteFacts(p.joint(), List.of(p.about())), world);
        if (!(about instanceof Accepted told)) {
            return about;
        }
        List<TicketEvent> events = new ArrayList<>(List.of(p.kept()));
        events.addAll(told.events());
        return new Accepted(events);
    }

    private static Decision state(TicketState state, Intent.StateFact s, World world) {
        Optional<Joint> joint = world.instrument().joint(s.joint());
        if (joint.isEmpty() || !state.openNow().contains(s.joint())) {
            return new Refused(nameOf(s.joint(), world) + " is not open, there is nothing to compare.");
        }
        Optional<Fact.Moved> next = Closing.wanted(state, s.joint()).stream().filter(Fact.Moved.class::isInstance).map(Fact.Moved.class::cast).findFirst();
        if (s.fact() instanceof Fact.Moved m && next.filter(n -> !n.what().equals(m.what())).isPresent()) {
            return new Refused("Not yet: the " + next.get().what() + " was moved after it and goes back before it.");
        }
        Comparison c = Comparison.of(state.facts(s.joint()), s.fact(), joint.get(), world.instrument());
        return switch (c) {
            case Comparison.Agrees a -> accepted(new TicketEvent.FactStated(s.joint(), s.fact(), true, a.say()));
            case Comparison.Differs d ->
                accepted(new TicketEvent.FactStated(s.joint(), s.fact(), false, d.mistake() + " " + d.wouldDo()));
            case Comparison.NothingRecorded n -> new Refused(n.say());
        };
    }

    private static Decision finish(TicketState state, Intent.FinishStage f, World world) {
        Ledger ledger = Ledger.of(state, world.instrument());
        boolean needsZero = f.stage() == Stage.CLOSE || f.stage() == Stage.PROVE;
        if (needsZero && !ledger.zero() && f.despite().filter(w -> !w.isBlank()).isEmpty()) {
            return new Refused("Not yet: " + ledger.say() + ". Give a reason to call it done all the same.");
        }
        List<TicketEvent> events = new ArrayList<>();
        if (needsZero && !ledger.zero()) {
            events.add(new TicketEvent.Overruled("ledger: " + ledger.say(), f.despite().orElseThrow()));
        }
        events.add(new TicketEvent.StageDone(f.stage()));
        return new Accepted(events);
    }

    private static Decision sign(TicketState state, Intent.Sign s) {
        if (s.by().isBlank()) {
            return new Refused("Sign with a name: the report says who proved it.");
        }
        if (state.infinity(Phase.AFTER).isEmpty()) {
            return new Refused("Measure infinity after the work first: a report without proof is a promise.");
        }
        return accepted(new TicketEvent.ReportSigned(s.by().strip(), s.at()));
    }
}

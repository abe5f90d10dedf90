package stillglass.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import stillglass.assembly.Material;
import stillglass.assembly.Part;
import stillglass.care.CareTables;
import stillglass.care.Route;
import stillglass.say.Wording;

class RoutedTest {
    private static CareTables.Agent agent(String id, Set<Material> briefly, Set<Material> never) {
        Map<Material, CareTables.Bears> bears = new EnumMap<>(Material.class);
        for (Material m : Material.values()) {
            bears.put(m, never.contains(m) ? CareTables.Bears.NEVER : briefly.contains(m) ? CareTables.Bears.BRIEFLY : CareTables.Bears.FINE);
        }
        return new CareTables.Agent(id, id, bears, Map.of(Material.BLACK_PAINT, "no soak"), "", 5, false);
    }

    private static final CareTables CARE = new CareTables(List.of(
            agent("soap", EnumSet.of(Material.STEEL, Material.BLACK_PAINT, Material.COATED_GLASS), EnumSet.of(Material.SILVERED_MIRROR, Material.FELT, Material.BALSAM)),
            agent("naphtha", EnumSet.of(Material.BLACK_PAINT, Material.PLASTIC), EnumSet.of(Material.SILVERED_MIRROR, Material.FELT, Material.BALSAM))), List.of(), List.of());

    private static Part part(String name, Part.Kind kind, Optional<String> fragile, Material... of) {
        return new Part(name.replace(' ', '_'), name, kind, Set.of(of), List.of(), Optional.empty(), Optional.empty(), false, fragile);
    }

    private static Routed routed(Part part, Part... inside) {
        List<Part> whole = new ArrayList<>(List.of(part));
        whole.addAll(List.of(inside));
        return Routed.of(part, whole, Inside.materials(whole), part.materials().isEmpty(), CARE);
    }

    private static Route route(Part part, Part... inside) {
        return routed(part, inside).route();
    }

    private static Optional<String> sound() {
        return Optional.empty();
    }

    @Test
    void withoutSpiritNothingGoesIntoTheTin() {
        Part helicoid = part("helicoid", Part.Kind.HELICOID, sound(), Material.BRASS);
        assertThat(Routed.of(helicoid, List.of(helicoid), helicoid.materials(), false, CARE.without(Set.of("naphtha"))).route()).isEqualTo(Route.TANK);
    }

    @Test
    void whatAPartIsMadeOfSaysWhereItGoes() {
        assertThat(route(part("mount", Part.Kind.MOUNT, sound(), Material.BRASS))).isEqualTo(Route.TANK);
        assertThat(route(part("helicoid", Part.Kind.HELICOID, sound(), Material.BRASS))).as("it was greased").isEqualTo(Route.TIN);
        assertThat(route(part("name ring", Part.Kind.RING, sound(), Material.BLACK_PAINT))).isEqualTo(Route.HAND);
        assertThat(route(part("mirror", Part.Kind.MIRROR, sound(), Material.SILVERED_MIRROR))).isEqualTo(Route.NEVER_WET);
        assertThat(route(part("E1", Part.Kind.GLASS, sound(), Material.COATED_GLASS))).isEqualTo(Route.HAND);
        assertThat(route(part("cemented pair", Part.Kind.GLASS, sound(), Material.COATED_GLASS, Material.BALSAM))).as("cement is wiped about, not kept from all wet").isEqualTo(Route.HAND);
    }

    @Test
    void whatItIsComesBeforeWhatItIsMadeOf() {
        assertThat(route(part("iris blades", Part.Kind.BLADES, sound(), Material.STEEL))).isEqualTo(Route.ALONE);
        assertThat(route(part("mount screws", Part.Kind.SMALL, sound(), Material.STEEL))).isEqualTo(Route.STAYS);
        assertThat(route(part("cam follower block", Part.Kind.SMALL, sound(), Material.BRASS))).as("of no known kind, not small").isEqualTo(Route.TANK);
        assertThat(route(part("return spring", Part.Kind.SPRING, sound(), Material.STEEL))).isEqualTo(Route.HAND);
        assertThat(route(part("stop-down lever spring", Part.Kind.SMALL, sound(), Material.BRASS))).as("by its name").isEqualTo(Route.HAND);
        assertThat(route(part("scale", Part.Kind.RING, Optional.of("cracks when cold"), Material.BRASS))).isEqualTo(Route.HAND);
    }

    /// What cannot be taken out of it decides with it.
    @Test
    void whatIsStillInsideDecidesToo() {
        Part cell = part("cell", Part.Kind.CELL, sound(), Material.BRASS);
        assertThat(route(cell)).isEqualTo(Route.TANK);
        assertThat(route(cell, part("E2", Part.Kind.GLASS, sound(), Material.COATED_GLASS))).isEqualTo(Route.HAND);
        assertThat(route(cell, part("light trap", Part.Kind.COVERING, sound(), Material.FELT))).isEqualTo(Route.NEVER_WET);
    }

    @Test
    void whatNobodyKnowsIsTakenForDelicateAndSaysSo() {
        Routed r = routed(part("thing", Part.Kind.RING, sound()));
        assertThat(r.route()).isEqualTo(Route.HAND);
        assertThat(Wording.core().say(r.why())).contains("Nobody has said");
        assertThat(Wording.core().say(routed(part("mount", Part.Kind.MOUNT, sound(), Material.STEEL)).why())).contains("dried at once");
    }

    @Test
    void lookAlikesSteelAndWhatBreaksBatheApart() {
        Part front = part("front ring", Part.Kind.RING, sound(), Material.BRASS);
        Part rear = part("rear ring", Part.Kind.RING, sound(), Material.BRASS);
        Part mount = part("mount", Part.Kind.MOUNT, sound(), Material.BRASS);
        Part steel = part("plate", Part.Kind.PLATE, sound(), Material.STEEL);
        Part scale = part("scale", Part.Kind.RING, Optional.of("cracks"), Material.BRASS);
        assertThat(BathMates.apart(front, front.materials(), rear, rear.materials())).isTrue();
        assertThat(BathMates.apart(front, front.materials(), mount, mount.materials())).isFalse();
        assertThat(BathMates.apart(steel, steel.materials(), mount, mount.materials())).isTrue();
        assertThat(BathMates.apart(scale, scale.materials(), mount, mount.materials())).isTrue();
    }
}

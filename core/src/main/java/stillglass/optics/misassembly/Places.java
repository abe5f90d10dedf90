package stillglass.optics.misassembly;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import stillglass.optics.LensSection;
import stillglass.optics.Seat;
import stillglass.optics.Seat.Rests;
import stillglass.optics.Surface;

/// What moves along when something between the glasses, or a glass itself, is longer or shorter than it should be.
///
/// Displacements are counted in the barrel, whose iris stays. A glass on a shoulder stays on it; one that rests on its neighbour goes where that goes; a cell goes as a whole. Where nobody said what
/// holds a place, glasses before the iris rest on the one behind and those behind it on the one before: a stack on either side, as most are.
final class Places {
    private final LensSection lens;
    private final int stop;
    private final List<Place> all = new ArrayList<>();

    /// A single glass or cemented group where it stands.
    private record Place(int first, int last, Rests rests, Optional<String> cell) {}

    Places(LensSection lens) {
        this.lens = lens;
        stop = lens.stopIndex();
        List<int[]> blocks = lens.blocks();
        for (int i = 0; i < blocks.size(); i++) {
            int[] b = blocks.get(i);
            Optional<Seat> seat = lens.seats().isEmpty() ? Optional.empty() : lens.seats().get(i);
            all.add(new Place(b[0], b[1], seat.map(Seat::rests).orElse(b[0] < stop ? Rests.ON_BEHIND : Rests.ON_BEFORE), seat.flatMap(Seat::cell)));
        }
    }

    /// Whether the glasses of a run of surfaces are laid in against something behind them, so that they lift forwards.
    boolean liftsForwards(int first) {
        return IntStream.range(0, all.size()).filter(i -> all.get(i).first <= first && all.get(i).last >= first).mapToObj(i -> all.get(i).rests)
                .map(r -> r == Rests.REAR || r == Rests.ON_BEHIND).findFirst().orElse(first < stop);
    }

    /// A glass that is longer at its rim than the one that belongs there, put in with all rims at the distances they had: sets it where its seat has it.
    /// @param first its first surface
    /// @param longerMm by how much more its rims are apart
    LensSection settled(int first, double longerMm) {
        int at = IntStream.range(0, all.size()).filter(i -> all.get(i).first == first).findFirst().orElseThrow();
        double[] front = new double[all.size()];
        double[] rear = new double[all.size()];
        boolean fromFront = all.get(at).rests == Rests.FRONT || all.get(at).rests == Rests.ON_BEFORE;
        if (fromFront) {
            rear[at] = longerMm;
            carry(at, +1, longerMm, front, rear);
        } else {
            front[at] = -longerMm;
            carry(at, -1, -longerMm, front, rear);
        }
        return moved(front, rear);
    }

    /// A distance between two glasses that is longer than it should be: whichever side rests on it goes.
    /// @param gap counted from 1
    LensSection widened(int gap, double mm) {
        int behind = IntStream.range(0, all.size()).filter(i -> all.get(i).first >= gap).findFirst().orElse(all.size());
        int before = behind - 1;
        double[] front = new double[all.size()];
        double[] rear = new double[all.size()];
        boolean acrossIris = before >= 0 && behind < all.size() && all.get(before).last < stop && all.get(behind).first > stop;
        boolean rearward = acrossIris ? gap > stop : rearward(before, behind);
        int from = rearward ? behind : before;
        if (from < 0 || from >= all.size()) {
            return lens;
        }
        double by = rearward ? mm : -mm;
        // A cell goes as a whole when the distance is not inside it.
        boolean inside = before >= 0 && behind < all.size() && sameCell(before, behind);
        if (!inside && all.get(from).cell.isPresent()) {
            for (int i = 0; i < all.size(); i++) {
                if (sameCell(i, from)) {
                    front[i] = by;
                    rear[i] = by;
                }
            }
            int far = from;
            while (far + (rearward ? 1 : -1) >= 0 && far + (rearward ? 1 : -1) < all.size() && sameCell(far + (rearward ? 1 : -1), from)) {
                far += rearward ? 1 : -1;
            }
            carry(far, rearward ? +1 : -1, by, front, rear);
        } else {
            front[from] = by;
            rear[from] = by;
            carry(from, rearward ? +1 : -1, by, front, rear);
        }
        return moved(front, rear);
    }

    /// Which side of a distance goes: the one that rests on the other; where neither does, the one further from the iris.
    private boolean rearward(int before, int behind) {
        if (before < 0) {
            return true;
        }
        if (behind >= all.size()) {
            return false;
        }
        boolean cells = !sameCell(before, behind);
        boolean behindOn = all.get(behind).rests == Rests.ON_BEFORE && !(cells && all.get(behind).cell.isPresent());
        boolean beforeOn = all.get(before).rests == Rests.ON_BEHIND && !(cells && all.get(before).cell.isPresent());
        if (behindOn != beforeOn) {
            return behindOn;
        }
        return all.get(behind).first > stop;
    }

    private boolean sameCell(int one, int other) {
        return all.get(one).cell.isPresent() && all.get(one).cell.equals(all.get(other).cell);
    }

    /// Takes along what rests on the one before it in this direction. The iris stays, and what is behind it rests on it.
    private void carry(int from, int step, double by, double[] front, double[] rear) {
        for (int i = from + step; i >= 0 && i < all.size(); i += step) {
            boolean rests = all.get(i).rests == (step > 0 ? Rests.ON_BEFORE : Rests.ON_BEHIND);
            boolean acrossIris = (all.get(i).first > stop) != (all.get(i - step).first > stop);
            boolean ownCell = all.get(i).cell.isPresent() && !sameCell(i, i - step);
            if (!rests || acrossIris || ownCell) {
                return;
            }
            front[i] += by;
            rear[i] += by;
        }
    }

    /// The lens with every place where it went, the iris and the film staying.
    private LensSection moved(double[] front, double[] rear) {
        List<Surface> surfaces = new ArrayList<>(lens.surfaces());
        double[] change = new double[surfaces.size()];
        Arrays.fill(change, 0);
        for (int i = 0; i < all.size(); i++) {
            Place p = all.get(i);
            if (p.first > 0) {
                change[p.first - 1] += front[i];
            }
            change[p.last] -= rear[i];
        }
        for (int i = 0; i < change.length; i++) {
            surfaces.set(i, surfaces.get(i).withThickness(surfaces.get(i).thicknessMm() + change[i]));
        }
        return lens.withSurfaces(surfaces, lens.elements());
    }
}

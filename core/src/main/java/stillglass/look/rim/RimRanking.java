package stillglass.look.rim;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import stillglass.look.Aperture;

/// From what the network says of every row about every centre to rings: those on which there is an edge, and where the network speaks for a place without one, that.
final class RimRanking {
    private static final int ROWS = RingProfile.RADII;
    /// Rows that are one ring.
    private static final int NEAR = 2;
    private static final int MOST = 40;
    /// Rows of which less is said are not counted.
    private static final double LEAST = 5e-4;

    private RimRanking() {}

    /// What is said of a photo.
    /// @param told the likeliest rings, the likeliest first
    /// @param rows all rows of which anything is said, each with what is said of it alone
    record Said(List<Ranked> told, List<Ranked> rows) {
        Said {
            told = List.copyOf(told);
            rows = List.copyOf(rows);
        }
    }

    /// A ring and how likely it is the rim.
    /// @param profile which of the profiles
    record Ranked(Aperture ring, int profile, int row, double chance) {}

    /// The likeliest first.
    /// @param photo the profiles about all its centres
    static List<Ranked> of(RimNet net, List<RingProfile> photo) {
        return Asked.of(net, photo).said().told;
    }

    /// The profiles about all centres of a photo, each with what a network scores its rows: what was asked once need not be asked again when another centre comes.
    record Asked(RimNet net, List<RingProfile> profiles, List<float[]> scores) {
        Asked {
            profiles = List.copyOf(profiles);
            scores = List.copyOf(scores);
        }

        static Asked of(RimNet net, List<RingProfile> profiles) {
            return new Asked(net, List.of(), List.of()).and(profiles);
        }

        Asked and(List<RingProfile> more) {
            return more.isEmpty() ? this : new Asked(net, Stream.concat(profiles.stream(), more.stream()).toList(), Stream.concat(scores.stream(), more.parallelStream().map(p -> net.new Pass().forward(p.channels))).toList());
        }

        Said said() {
            return RimRanking.said(profiles, RimNet.chances(scores));
        }
    }

    private static Said said(List<RingProfile> photo, double[][] chance) {
        List<Ranked> all = new ArrayList<>();
        List<Ranked> rows = new ArrayList<>();
        for (int f = 0; f < chance.length; f++) {
            boolean[] ring = rings(photo.get(f), chance[f]);
            double[] gathered = gathered(ring, chance[f]);
            for (int i = 0; i < ROWS; i++) {
                if (chance[f][i] > LEAST) {
                    rows.add(new Ranked(photo.get(f).ring(i), f, i, chance[f][i]));
                }
                if (ring[i]) {
                    all.add(new Ranked(photo.get(f).ring(i), f, i, gathered[i]));
                }
            }
        }
        all.sort(Comparator.comparingDouble(Ranked::chance).reversed());
        return new Said(all.subList(0, Math.min(MOST, all.size())), rows);
    }

    /// Rows that are told: edges, and where the chance is highest.
    private static boolean[] rings(RingProfile profile, double[] chance) {
        boolean[] ring = profile.edges();
        for (int i = 0; i < ROWS; i++) {
            ring[i] |= highest(chance, i);
        }
        return ring;
    }

    /// What is said of rows close by counts for the nearest that is told.
    static double[] gathered(boolean[] ring, double[] chance) {
        double[] out = new double[ROWS];
        for (int i = 0; i < ROWS; i++) {
            int to = nearest(ring, i);
            if (to >= 0) {
                out[to] += chance[i];
            }
        }
        return out;
    }

    private static boolean highest(double[] chance, int i) {
        for (int j = Math.max(0, i - NEAR); j <= Math.min(ROWS - 1, i + NEAR); j++) {
            if (chance[j] > chance[i] || chance[j] == chance[i] && j < i) {
                return false;
            }
        }
        return true;
    }

    /// The ring to which a row belongs, -1 where none is near.
    private static int nearest(boolean[] ring, int i) {
        for (int d = 0; d <= NEAR; d++) {
            if (i - d >= 0 && ring[i - d]) {
                return i - d;
            }
            if (i + d < ROWS && ring[i + d]) {
                return i + d;
            }
        }
        return -1;
    }
}

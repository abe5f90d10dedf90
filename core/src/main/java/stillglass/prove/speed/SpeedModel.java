package stillglass.prove.speed;

import java.util.List;
import org.ejml.simple.SimpleMatrix;

/// Bells over the departures at ten speeds, a doubling apart from 1 s to 1/512 s, some for each fault: mild, middling and strong.
///
/// @param bells of all faults
public record SpeedModel(List<Bell> bells) {
    public static final int NODES = 10;

    /// @param share among those of its fault
    /// @param mean departures at the nodes, EV
    /// @param covariance of them
    public record Bell(SpeedFault fault, double share, SimpleMatrix mean, SimpleMatrix covariance) {}

    public SpeedModel {
        bells = List.copyOf(bells);
    }

    /// How much of each node a speed has: between two nodes both, in proportion.
    /// @param nominalS what the setting says, s
    static double[] nodes(double nominalS) {
        double at = Math.clamp(-Math.log(nominalS) / Math.log(2), 0, NODES - 1);
        int low = (int) Math.min(NODES - 2, Math.floor(at));
        double[] out = new double[NODES];
        out[low] = 1 - (at - low);
        out[low + 1] = at - low;
        return out;
    }

    /// Exposure at a node, s.
    public static double nominal(int node) {
        return Math.pow(2, -node);
    }
}

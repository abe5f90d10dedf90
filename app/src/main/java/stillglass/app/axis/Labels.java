package stillglass.app.axis;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/// Keeps labels in a column apart: each as near to where it wants to be as the others let it, in their order.
final class Labels {
    private Labels() {}

    /// @param wanted centre each label would like
    /// @param height of a label
    /// @param top first allowed centre
    /// @param bottom last allowed centre
    /// @return centres in the order given, at least `height` apart where there is room, evenly closer where there is not
    static double[] apart(double[] wanted, double height, double top, double bottom) {
        List<Integer> order = new ArrayList<>();
        for (int i = 0; i < wanted.length; i++) {
            order.add(i);
        }
        order.sort(Comparator.comparingDouble(i -> wanted[i]));
        double step = wanted.length > 1 ? Math.min(height, (bottom - top) / (wanted.length - 1)) : height;
        double[] at = new double[wanted.length];
        double last = Double.NEGATIVE_INFINITY;
        for (int k = 0; k < order.size(); k++) {
            int i = order.get(k);
            at[i] = Math.max(Math.max(top, wanted[i]), last + step);
            last = at[i];
        }
        double limit = bottom;
        for (int k = order.size() - 1; k >= 0; k--) {
            int i = order.get(k);
            at[i] = Math.min(at[i], limit);
            limit = at[i] - step;
        }
        return at;
    }
}

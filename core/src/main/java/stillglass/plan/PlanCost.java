package stillglass.plan;

/// What the planner weighs, in minutes. Editable by the shop.
///
/// @param toolChange minutes lost taking up another tool
/// @param turnOver minutes lost turning the instrument
/// @param perRisk minutes one is willing to spend to avoid certain damage
/// @param perReference minutes to mark a reference and to find it again when closing
public record PlanCost(double toolChange, double turnOver, double perRisk, double perReference) {
    public PlanCost {
        if (!(toolChange >= 0) || !(turnOver >= 0) || !(perRisk >= 0) || !(perReference >= 0)) {
            throw new IllegalArgumentException("costs cannot be negative");
        }
    }

    /// Half a minute a tool, a minute a turn, ten hours of work against a spoilt instrument, two minutes a reference.
    public static final PlanCost USUAL = new PlanCost(0.5, 1.0, 600, 2.0);
}

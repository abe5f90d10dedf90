package stillglass.plan;

import java.util.List;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;

/// One thing to do on the way in.
public sealed interface Step {
    /// Keep a reference before it is lost.
    /// @param before the joint that would lose it
    record Mark(Instrument.Reference reference, Joint before) implements Step {}

    /// Be ready for what may jump, roll or fall.
    record Catch(List<Joint.Hazard> hazards, Joint before) implements Step {}

    /// Open a joint.
    /// @param newTool whether another tool is taken up
    /// @param turnOver whether the instrument is turned to another side
    record Open(Joint joint, boolean newTool, boolean turnOver) implements Step {}
}

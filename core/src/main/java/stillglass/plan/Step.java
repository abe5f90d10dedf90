package stillglass.plan;

import java.util.List;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.say.Said;

/// One thing to do on the way in.
public sealed interface Step {
    /// Keep a reference before it is lost.
    /// @param before the joint that would lose it
    record Mark(Instrument.Reference reference, Joint before) implements Step {}

    /// Be ready for what may jump, roll or fall.
    record Catch(List<Joint.Hazard> hazards, Joint before) implements Step {}

    /// Bring the instrument to a state in which the work is safe.
    /// @param what to do
    /// @param why the reason
    /// @param before the first joint that asks for it
    record MakeSafe(Said what, Said why, Joint before) implements Step {}

    /// Bring a control to where a joint can be reached.
    record Set(Said what, Said why, Joint before) implements Step {}

    /// Cover, tape or go gently.
    record Protect(Said what, Said why, Joint before) implements Step {}

    /// Open a joint.
    /// @param newTool whether another tool is taken up
    /// @param turnOver whether the instrument is turned to another side
    record Open(Joint joint, boolean newTool, boolean turnOver) implements Step {}
}

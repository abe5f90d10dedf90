package stillglass.prove.trace;

/// A light sensor behind the shutter, or a microphone beside it, that is listened to while the shutter is fired.
@FunctionalInterface
public interface Recorder {
    /// Records some shots at a speed; may block for as long as they take.
    /// @param nominalS what the setting says, s
    Recording record(double nominalS);
}

package stillglass.plan;

/// How much may still be looked at for one plan, in joints looked at. Counted, not timed: the same question has the same answer on every machine.
final class Effort {
    /// Some three seconds of one core. Maps of a real instrument, 40 to 100 joints, need a tenth of it.
    private static final long USUAL = 400_000_000;

    private final long most;
    private long spent;

    private Effort(long most) {
        this.most = most;
    }

    static Effort usual() {
        return new Effort(USUAL);
    }

    void spend(long joints) {
        spent += joints;
    }

    boolean gone() {
        return spent >= most;
    }

    /// Whether what is meant for choosing joints is used up; the rest is for their order.
    boolean halfGone() {
        return spent >= most / 2;
    }
}

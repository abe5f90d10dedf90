package stillglass.sim.photo;

/// Colour of a light, 1 in each channel where it has none.
record Tint(double red, double green, double blue) {
    static final Tint NONE = new Tint(1, 1, 1);

    /// @param channel 0 red, 1 green, 2 blue
    double of(int channel) {
        return channel == 0 ? red : channel == 1 ? green : blue;
    }
}

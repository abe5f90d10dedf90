package stillglass.look;

/// A photograph's light at every pixel it was kept with, for what is too fine for the working scale.
public interface StoredLight {
    int width();

    int height();

    /// Relative luminance in linear light, 0 to 1 (Rec. 709 weights).
    /// @param x column, 0 to width - 1
    /// @param y row, 0 to height - 1
    float light(int x, int y);

    /// The same as it is to be looked at.
    /// @param orientation EXIF orientation, 1 to 8; 1 is upright already
    default StoredLight turned(int orientation) {
        if (orientation == 1) {
            return this;
        }
        StoredLight stored = this;
        boolean across = orientation >= 5;
        return new StoredLight() {
            @Override
            public int width() {
                return across ? stored.height() : stored.width();
            }

            @Override
            public int height() {
                return across ? stored.width() : stored.height();
            }

            @Override
            public float light(int x, int y) {
                int at = LinearPhoto.source(orientation, x, y, stored.width(), stored.height());
                return stored.light(at % stored.width(), at / stored.width());
            }
        };
    }
}

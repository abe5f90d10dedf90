package stillglass.device;

/// An inspection camera in front of the lens.
@FunctionalInterface
public interface PhotoCamera {
    /// A picture as a PNG, JPEG or TIFF file in memory.
    /// @param name file name for the record
    record Picture(String name, byte[] bytes, Source source) {
        @Override
        public boolean equals(Object o) {
            return o instanceof Picture p && name.equals(p.name) && source == p.source && java.util.Arrays.equals(bytes, p.bytes);
        }

        @Override
        public int hashCode() {
            return name.hashCode();
        }
    }

    /// Takes one picture; may block for as long as the device needs.
    Picture take();
}

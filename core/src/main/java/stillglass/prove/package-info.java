/// Proof: is it right, and by how much not.
///
/// [InfinityShims] turns a focus error into shims from stock; [VeilChange] compares two photographs' veils with an
/// interval. Millimetres; shares of light 0 to 1.
@NullMarked
package stillglass.prove;

import org.jspecify.annotations.NullMarked;

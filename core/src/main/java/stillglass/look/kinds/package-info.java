/// What a patch of a photograph may be, from what can be measured on it, with reasons.
///
/// Start at [KindModel]: evidence for each kind is a sum of one curve per [Feature], so that each verdict can say what spoke for it.
/// The curves come from a small text file that was learned on photos of the virtual bench; how well they do is in docs/methods/look.md.
/// Lengths are in radii of the clear aperture, light is relative. No pixels here: those are in [stillglass.look.reading].
@NullMarked
package stillglass.look.kinds;

import org.jspecify.annotations.NullMarked;

/// A second renderer of inspection photos, written apart from `sim.photo` and never learned on: the judge of how photos are read.
///
/// Rays are cast through a barrel of stacked planes, faults are drawn on sheets and shaded by their own rules, and pictures go through a phone's processing. It shares the record of a photo and its truth with the first, and nothing else.
@NullMarked
package stillglass.sim.second;

import org.jspecify.annotations.NullMarked;

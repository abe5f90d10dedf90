/// From a photograph of a lens to findings: what is in there, where, and how much.
///
/// Start at [Finding]; a photo is read by [stillglass.look.reading.PhotoGrading]. Pixels are linear light at a working scale; everything handed on is in units of the
/// clear aperture (centre 0, rim 1, y up, seen from the side the photo was taken), so it survives rescaling.
/// Standard image operators come from BoofCV; what the shapes mean is decided in [stillglass.look.kinds].
///
/// Not here: reading files (see the book), what a finding does to a picture (see `grade`).
@NullMarked
package stillglass.look;

import org.jspecify.annotations.NullMarked;

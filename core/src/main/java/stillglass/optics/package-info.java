/// Traces light through centred spherical and plane surfaces.
///
/// Start at [LensSection] (what a lens is), then [Paraxial] (first-order numbers) and [ExactTrace] (rays). What a
/// picture would look like is in `optics.sharpness`, wrong assembly in `optics.misassembly`, sections made from
/// measurements in `optics.measured`.
///
/// Millimetres throughout, wavelengths in nanometres, angles in radians, light travelling along +z from the
/// left. A radius is positive when its centre lies on the image side. Surface indices count from 0 here; the
/// interface and the command line count gaps from 1.
///
/// What does not live here: drawing, files, faults on glass (see `grade`), mechanical parts (see `assembly`).
/// Source of the ray equations: W. T. Welford, *Aberrations of Optical Systems*, 1986, chapter 4.
@NullMarked
package stillglass.optics;

import org.jspecify.annotations.NullMarked;

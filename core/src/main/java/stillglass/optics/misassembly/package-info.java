/// Makes a wrongly assembled lens out of a right one.
///
/// Start at [LensFault]: a value that says what was done wrong, reads itself from one word and prints itself in the
/// field's words. A glass in the wrong place seats on its rims by default; a mode keeps the vertex distances instead.
/// Millimetres; gaps are counted from 1 as the bench counts them. What a wrong lens does to a picture: see
/// `optics.sharpness`. Guessing which fault explains a measurement does not live here.
@NullMarked
package stillglass.optics.misassembly;

import org.jspecify.annotations.NullMarked;

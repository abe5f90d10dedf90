/// What the window's frame shows in its middle: the seven work areas and the pages beside them. Start at [Station].
///
/// The frame knows them by this small interface only; who they are is said where the window is put together.
@NullMarked
package stillglass.app.station;

import org.jspecify.annotations.NullMarked;

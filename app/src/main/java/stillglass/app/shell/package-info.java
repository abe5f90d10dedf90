/// The window around the stages: tag, thread of lenses, status, Axis, work area and Say line. Start at [Shell].
/// Keys are handled here; a [Station] draws one stage.
@NullMarked
package stillglass.app.shell;

import org.jspecify.annotations.NullMarked;

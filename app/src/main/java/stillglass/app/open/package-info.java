/// Open: what comes off in which order, and what must be marked first? Start at [OpenModel]; [OpenView] draws it with
/// [Descent] and [Tray]. [Doing] puts joints into bench words and serves Close and bench mode too.
@NullMarked
package stillglass.app.open;

import org.jspecify.annotations.NullMarked;

/// The window. [Launcher] starts it, [StillGlassApp] opens it on a logbook, [stillglass.app.shell.Shell] is what one sees;
/// [stillglass.app.desk.Desk] stands between it and the core. One package for each stage.
@NullMarked
package stillglass.app;

import org.jspecify.annotations.NullMarked;

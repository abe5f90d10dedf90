/// Pictures of every main view from the demo data, for the documentation. Start at [Screenshots].
@NullMarked
package stillglass.app.screens;

import org.jspecify.annotations.NullMarked;

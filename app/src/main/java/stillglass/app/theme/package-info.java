/// The look and the words. Start at [Theme]; sheets lie beside words.properties in the resources. [Build] puts nodes together.
@NullMarked
package stillglass.app.theme;

import org.jspecify.annotations.NullMarked;

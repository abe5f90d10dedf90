/// Functions tried, before the work and after it: one key each. Start at [CheckList].
@NullMarked
package stillglass.app.checks;

import org.jspecify.annotations.NullMarked;

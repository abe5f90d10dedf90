/// Close: is every part back, right way round, in the right entry, with the right grease? Start at [CloseModel].
@NullMarked
package stillglass.app.close;

import org.jspecify.annotations.NullMarked;

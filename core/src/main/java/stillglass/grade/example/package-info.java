/// A picture of a scene of our own, as a lens takes it with what is in it and without.
@NullMarked
package stillglass.grade.example;

import org.jspecify.annotations.NullMarked;

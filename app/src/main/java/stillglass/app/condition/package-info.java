/// What is wrong with what is not glass: blades, barrel, slots, screws, foam; the page of Look beside the photo.
@NullMarked
package stillglass.app.condition;

import org.jspecify.annotations.NullMarked;

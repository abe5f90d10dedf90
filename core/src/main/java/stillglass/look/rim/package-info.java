/// Which ring on a photo of a lens is the rim of its glass.
///
/// Start at [ApertureFinder]. Edges vote for centres ([RingCentres]); rings that share one are a family ([RingFamilies]); about each family the light is followed from the middle to the outside of the barrel ([RingProfile]), and a network that was learned from many mounts tells the rim ([RimNet], [RimRanking], [RimLearning]).
@NullMarked
package stillglass.look.rim;

import org.jspecify.annotations.NullMarked;

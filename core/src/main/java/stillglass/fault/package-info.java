/// What is wrong with an assembly: which fault explains what was measured ([Diagnosis]), and at which entry a helicoid was started ([EntryFinder]).
///
/// Faults are values of `optics.misassembly`; what they do is traced by `optics.sharpness`. Here they are weighed against measurements. Millimetres, the film fixed to the mount.
@NullMarked
package stillglass.fault;

import org.jspecify.annotations.NullMarked;

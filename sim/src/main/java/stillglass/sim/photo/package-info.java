/// The inspection camera of the virtual bench: photographs of a lens with hidden faults, together with the truth about them.
///
/// Start at [InspectionCamera]; [Pose] says where camera, lamp and focus stand and [Sensor] what the camera makes of the light.
/// Each kind of fault has a painter ([Fungus], [Specks], [Lines], [Films], [RimFaults]) that lays what it scatters into a [Layer] in the
/// units of its surface; [SurfaceView] carries that through the glass in front to the picture. Light is added up linearly, and only the
/// sensor turns it into picture values. Nothing here is known to the code that reads photographs.
@NullMarked
package stillglass.sim.photo;

import org.jspecify.annotations.NullMarked;

/// The Axis: the instrument to scale across the upper part of the window, the same picture at every stage.
///
/// [AxisModel] says what is drawn, in millimetres; [AxisView] places and draws it; [Labels] keeps labels apart. Clicking a part
/// selects it everywhere. Nothing is computed about light here.
@NullMarked
package stillglass.app.axis;

import org.jspecify.annotations.NullMarked;

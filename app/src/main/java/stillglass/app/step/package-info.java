/// Photos of steps: taken while a joint is opened, marked by lines with words, and compared with a photo of the same joint put back. Start at
/// [StepPhotos]; [StepPhotoView] draws it with [MarkedPhoto] and serves Open and Close.
@NullMarked
package stillglass.app.step;

import org.jspecify.annotations.NullMarked;

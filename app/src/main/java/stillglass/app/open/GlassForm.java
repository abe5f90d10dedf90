package stillglass.app.open;

import stillglass.optics.Element;
import stillglass.optics.LensSection;

/// How a glass or cemented group bulges, for small drawings of it.
///
/// @param front sag of its front face at the clear rim over its diameter, positive when it bulges forward
/// @param rear the same of its rear face, positive when it bulges backward
public record GlassForm(double front, double rear) {
    public static GlassForm of(LensSection section, Element e) {
        int last = e.cementedWith().isEmpty()
                ? e.lastSurface()
                : section.element(e.cementedWith().getFirst()).map(Element::lastSurface).orElse(e.lastSurface());
        return new GlassForm(sag(section, e.firstSurface()) / e.diameterMm(), -sag(section, last) / e.diameterMm());
    }

    private static double sag(LensSection section, int surface) {
        return section.surfaces().get(surface).sagMm(section.surfaces().get(surface).semiDiameterMm());
    }
}

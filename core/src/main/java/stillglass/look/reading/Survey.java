package stillglass.look.reading;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import stillglass.look.Aperture;
import stillglass.look.ApertureMap;
import stillglass.look.Finding;
import stillglass.look.LeastSquares;
import stillglass.look.Lighting;
import stillglass.look.LinearPhoto;
import stillglass.look.Progress;
import stillglass.look.closeup.CloseUp;
import stillglass.look.glance.Glance;
import stillglass.look.kinds.Features;
import stillglass.look.kinds.Sight;
import stillglass.look.rim.ApertureFinder;

/// All that stands out of the glass in a photo, measured but not yet judged.
public final class Survey {
    /// Pixels beyond this distance from the centre show what surrounds the lens.
    private static final double SURROUNDINGS = 1.12;

    final Aperture aperture;
    /// How likely that is the rim; 1 where it was said or taken from the photo before.
    final double rimChance;
    /// How likely the photo shows a lens at all.
    final double lens;
    final Maps maps;
    final List<Candidate> candidates;
    /// Light of the brightest fifth of what surrounds the lens: the card or the lamp's box.
    final double around;
    /// Mean light inside.
    final double inside;

    /// Light of the brightest twenty-fifth of what surrounds the lens.
    final double brightest;

    private Survey(ApertureFinder.Ring rim, double lens, Maps maps, List<Candidate> candidates, double around, double inside, double brightest) {
        aperture = rim.ring();
        rimChance = rim.chance();
        this.lens = lens;
        this.maps = maps;
        this.candidates = candidates;
        this.around = around;
        this.inside = inside;
        this.brightest = brightest;
    }

    /// Something that stands out.
    /// @param places up to a few hundred places that belong to it, aperture units
    public record Sighting(Sight sight, Features features, List<Finding.Point> places, CloseUp closeUp) {
        public Sighting {
            places = List.copyOf(places);
        }
    }

    /// @return nothing when no round glass edge stands out
    public static Optional<Survey> of(LinearPhoto photo, PhotoGrading.Given given, Progress progress) {
        progress.at(0.05, "finding the clear aperture");
        Optional<ApertureFinder.Found> found = given.aperture()
                .map(a -> new ApertureFinder.Found(new ApertureFinder.Ring(a.scaled(1 / photo.scale()), 1), 1))
                .or(() -> ApertureFinder.find(photo, given.before().map(b -> b.scaled(1 / photo.scale()))));
        return found.map(f -> within(photo, f.rim(), f.lens(), given, progress));
    }

    /// @param rim in working pixels, whatever else is given
    /// @param lens how likely the photo shows one
    static Survey within(LinearPhoto photo, ApertureFinder.Ring rim, double lens, PhotoGrading.Given given, Progress progress) {
        Aperture a = rim.ring();
        float[] light = photo.luminance();
        progress.at(0.3, "flattening the lamp");
        GlassFrame frame = new GlassFrame(photo, a);
        double inside = inside(frame, 0.5);
        double around = around(light, photo.width(), a, 0.8);
        double brightest = around(light, photo.width(), a, 0.96);
        Lighting lighting = given.lighting().orElseGet(() -> LightingChoice.of(frame, around, brightest));
        Maps maps = new Maps(frame, lighting);
        progress.at(0.55, "looking for specks, threads and films");
        return new Survey(rim, lens, maps, CandidateFinder.find(maps, around), around, inside, brightest);
    }

    private static double inside(GlassFrame frame, double quantile) {
        double[] values = new double[GlassFrame.PIXELS / 53 + 1];
        int n = 0;
        for (int i = 0; i < GlassFrame.PIXELS; i += 53) {
            if (frame.r[i] < 0.9) {
                values[n++] = frame.light[i];
            }
        }
        return n == 0 ? 0 : LeastSquares.quantile(Arrays.copyOf(values, n), quantile);
    }

    private static double around(float[] light, int width, Aperture a, double quantile) {
        ApertureMap map = a.map();
        double[] values = new double[light.length / 61 + 1];
        int n = 0;
        for (int i = 0; i < light.length; i += 61) {
            if (map.unitRadius(i % width, i / width) > SURROUNDINGS) {
                values[n++] = light[i];
            }
        }
        return n < 30 ? 0 : LeastSquares.quantile(Arrays.copyOf(values, n), quantile);
    }

    public Lighting lighting() {
        return maps.lighting;
    }

    /// In pixels of the working photo.
    public Aperture aperture() {
        return aperture;
    }

    /// The glass seen whole.
    public Glance glance() {
        return Glances.of(maps, new RimArcs(maps));
    }

    public List<Sighting> sightings() {
        List<Sighting> out = new ArrayList<>();
        CloseUps closeUps = new CloseUps(maps);
        for (Candidate c : candidates) {
            List<Finding.Point> places = new ArrayList<>();
            int stride = Math.max(1, c.pixels().length / 300);
            for (int i = 0; i < c.pixels().length; i += stride) {
                places.add(new Finding.Point(GlassFrame.x(c.pixels()[i]), GlassFrame.y(c.pixels()[i])));
            }
            out.add(new Sighting(c.sight(), c.features(), places, closeUps.of(c)));
        }
        return out;
    }
}

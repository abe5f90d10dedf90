package stillglass.look.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.look.Aperture;
import stillglass.look.Finding;
import stillglass.look.FocusSweep;
import stillglass.look.Lighting;
import stillglass.look.LinearPhoto;
import stillglass.look.PhotoEdges;
import stillglass.look.Progress;

/// A lens of three planes, each drawn sharp and spread out by discs before they are laid over one another, as behind a camera's round pupil.
class EdgeSharpnessTest {
    private static final int W = 460;
    private static final int H = 400;
    private static final double R = 160;
    private static final Aperture RIM = new Aperture(W / 2.0, H / 2.0, R, R, 0);

    /// How much of each pixel something covers, drawn with anti-aliasing and spread by a disc.
    private static float[] cover(Consumer<Graphics2D> drawing, double disc) {
        BufferedImage image = new BufferedImage(W, H, BufferedImage.TYPE_BYTE_GRAY);
        Graphics2D g = image.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        g.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
        g.setColor(Color.WHITE);
        g.translate(W / 2.0, H / 2.0);
        g.scale(R, -R);
        drawing.accept(g);
        g.dispose();
        byte[] bytes = ((DataBufferByte) image.getRaster().getDataBuffer()).getData();
        float[] out = new float[W * H];
        for (int i = 0; i < out.length; i++) {
            out[i] = (bytes[i] & 255) / 255f;
        }
        return spread(out, disc);
    }

    /// Plain sum over every pixel of the disc.
    private static float[] spread(float[] in, double disc) {
        int reach = (int) Math.ceil(disc);
        List<int[]> places = new ArrayList<>();
        for (int dy = -reach; dy <= reach; dy++) {
            for (int dx = -reach; dx <= reach; dx++) {
                if (dx * dx + dy * dy <= disc * disc) {
                    places.add(new int[] {dx, dy});
                }
            }
        }
        float[] out = new float[in.length];
        IntStream.range(0, H).parallel().forEach(y -> {
            for (int x = 0; x < W; x++) {
                float sum = 0;
                for (int[] p : places) {
                    sum += in[Math.clamp(y + p[1], 0, H - 1) * W + Math.clamp(x + p[0], 0, W - 1)];
                }
                out[y * W + x] = sum / places.size();
            }
        });
        return out;
    }

    private static void polygon(Graphics2D g, double radius) {
        Path2D p = new Path2D.Double();
        for (int k = 0; k < 7; k++) {
            double a = 2 * Math.PI * k / 7;
            if (k == 0) {
                p.moveTo(radius * Math.cos(a), radius * Math.sin(a));
            } else {
                p.lineTo(radius * Math.cos(a), radius * Math.sin(a));
            }
        }
        p.closePath();
        g.fill(p);
    }

    private static void colony(Graphics2D g, long seed) {
        SplittableRandom r = new SplittableRandom(seed);
        g.setStroke(new BasicStroke(0.012f));
        for (int t = 0; t < 26; t++) {
            Path2D thread = new Path2D.Double();
            double way = 2 * Math.PI * r.nextDouble();
            double x = 0.16;
            double y = 0.1;
            thread.moveTo(x, y);
            for (int s = 0; s < 9; s++) {
                way += 0.6 * (r.nextDouble() - 0.5);
                x += 0.022 * Math.cos(way);
                y += 0.022 * Math.sin(way);
                thread.lineTo(x, y);
            }
            g.draw(thread);
        }
    }

    /// Against the light: black glass, blades a little brighter, mount brighter still, a colony that glows.
    private static LinearPhoto photo(double rim, double blades, double fault, long seed) {
        float[] hole = cover(g -> g.fill(new Ellipse2D.Double(-1, -1, 2, 2)), rim);
        float[] open = cover(g -> polygon(g, 0.7), blades);
        float[] threads = cover(g -> colony(g, 4), fault);
        SplittableRandom random = new SplittableRandom(seed);
        int[] rgb = new int[W * H];
        for (int i = 0; i < rgb.length; i++) {
            double far = 0.012 + 0.5 * threads[i];
            double inside = open[i] * far + (1 - open[i]) * 0.05;
            double light = hole[i] * inside + (1 - hole[i]) * 0.2;
            double srgb = light <= 0.0031308 ? 12.92 * light : 1.055 * Math.pow(light, 1 / 2.4) - 0.055;
            int v = (int) Math.clamp(Math.round(255 * srgb + 0.8 * random.nextGaussian()), 0, 255);
            rgb[i] = v << 16 | v << 8 | v;
        }
        return LinearPhoto.ofSrgb(W, H, rgb);
    }

    private static PhotoEdges edges(LinearPhoto photo) {
        return EdgeSharpness.of(photo, RIM, new Maps(new GlassFrame(photo, RIM), Lighting.AGAINST));
    }

    /// A straight edge spread by a disc of radius ρ rises by 2/(πρ) of itself a pixel at its steepest.
    @ParameterizedTest
    @ValueSource(doubles = {2, 3.5})
    void anEdgeIsAsSharpAsTheDiscLetsItBe(double disc) {
        assertThat(edges(photo(disc, 1, 1, 1)).rim().orElseThrow()).as("rim").isCloseTo(R * 2 / (Math.PI * disc), within(0.15 * R * 2 / (Math.PI * disc)));
        assertThat(edges(photo(1, disc, 1, 2)).blades().orElseThrow()).as("blades").isCloseTo(R * 2 / (Math.PI * disc), within(0.2 * R * 2 / (Math.PI * disc)));
    }

    @Test
    void whatCannotBeSeenIsNotTold() {
        LinearPhoto even = LinearPhoto.ofSrgb(W, H, IntStream.generate(() -> 0x303030).limit(W * H).toArray());
        assertThat(edges(even)).isEqualTo(PhotoEdges.UNKNOWN);
        // One level of 255 brighter beyond the rim, which is the picture's own step.
        LinearPhoto step = LinearPhoto.ofSrgb(W, H, IntStream.range(0, W * H).map(i -> Math.hypot(i % W - W / 2.0, i / W - H / 2.0) < R ? 0x303030 : 0x313131).toArray());
        assertThat(edges(step).rim()).isEmpty();
        LinearPhoto photo = photo(1, 1, 1, 1);
        Aperture beyond = new Aperture(W, 0, 300, 300, 0);
        assertThat(EdgeSharpness.of(photo, beyond, new Maps(new GlassFrame(photo, beyond), Lighting.AGAINST)).rim()).as("most of it lies outside the photo").isEmpty();
    }

    /// Whole photos, read as they come: what is sharp with the colony tells on which side of the blades it lies.
    @ParameterizedTest
    @ValueSource(doubles = {3, 6.2})
    void aSweepOfPhotosTellsTheSideOfTheBlades(double sharpAt) {
        double bladesAt = 4.6;
        double rimAt = 2.3;
        List<FocusSweep.Seen> seen = new ArrayList<>();
        for (int step = 1; step <= 7; step++) {
            LinearPhoto photo = photo(disc(step, rimAt), disc(step, bladesAt), disc(step, sharpAt), step);
            PhotoGrading.Given given = new PhotoGrading.Given(Optional.of(Lighting.AGAINST), Optional.of(RIM), OptionalDouble.empty());
            if (PhotoGrading.grade(photo, given, Progress.SILENT) instanceof PhotoGrading.Outcome.Seen s) {
                Optional<Double> fault = s.graded().findings().stream().filter(f -> Math.hypot(f.x() - 0.16, f.y() - 0.1) < 0.15).map(Finding::sharpness).max(Double::compare);
                seen.add(new FocusSweep.Seen(step, fault, s.graded().edges(), Optional.empty()));
            }
        }
        FocusSweep sweep = FocusSweep.of(seen).orElseThrow();
        assertThat(sweep.rim().orElseThrow().at()).isCloseTo(rimAt, within(0.5));
        assertThat(sweep.blades().orElseThrow().at()).isCloseTo(bladesAt, within(0.5));
        assertThat(sweep.fault().at()).isCloseTo(sharpAt, within(Math.max(0.7, 2 * sweep.fault().sigma())));
        assertThat(sweep.side()).contains(sharpAt < bladesAt ? FocusSweep.Side.BEFORE_BLADES : FocusSweep.Side.BEHIND_BLADES);
    }

    private static double disc(int step, double sharp) {
        return 1 + 1.3 * Math.abs(step - sharp);
    }
}

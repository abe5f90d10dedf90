package stillglass.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static stillglass.cli.Ran.run;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.DoubleBinaryOperator;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.zip.CRC32;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import stillglass.book.data.Shelf;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.sim.photo.InspectionCamera;
import stillglass.sim.photo.Pose;
import stillglass.sim.truth.HiddenTruth;
import tools.jackson.databind.JsonNode;

/// The verbs that measure from photos, on files drawn here.
class PhotoVerbsTest {
    private static final int W = 300;
    private static final int H = 240;

    @TempDir
    Path folder;

    /// @param light of a pixel, linear
    private BufferedImage drawn(DoubleBinaryOperator light, long seed) {
        Random random = new Random(seed);
        BufferedImage image = new BufferedImage(W, H, BufferedImage.TYPE_BYTE_GRAY);
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                double v = Math.clamp(light.applyAsDouble(x, y) + 0.001 * random.nextGaussian(), 0, 1);
                image.getRaster().setSample(x, y, 0, Math.round(255 * (v <= 0.0031308 ? 12.92 * v : 1.055 * Math.pow(v, 1 / 2.4) - 0.055)));
            }
        }
        return image;
    }

    private Path png(String name, BufferedImage image) throws IOException {
        Path file = folder.resolve(name);
        ImageIO.write(image, "png", file.toFile());
        return file;
    }

    /// With the exposure time a camera writes: an eXIf chunk before the end of the file (TIFF 6.0, EXIF 2.3 tag 33434).
    private Path exposed(String name, BufferedImage image, int thousandths) throws IOException {
        return tagged(name, image, 0x829A, thousandths);
    }

    private Path tagged(String name, BufferedImage image, int tag, int thousandths) throws IOException {
        ByteBuffer exif = ByteBuffer.allocate(52).order(ByteOrder.LITTLE_ENDIAN);
        exif.put((byte) 'I').put((byte) 'I').putShort((short) 42).putInt(8).putShort((short) 1).putShort((short) 0x8769).putShort((short) 4).putInt(1).putInt(26).putInt(0);
        exif.putShort((short) 1).putShort((short) tag).putShort((short) 5).putInt(1).putInt(44).putInt(0).putInt(thousandths).putInt(1000);
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(image, "png", png);
        byte[] bytes = png.toByteArray();
        ByteBuffer chunk = ByteBuffer.allocate(12 + exif.capacity());
        chunk.putInt(exif.capacity()).put("eXIf".getBytes(StandardCharsets.ISO_8859_1)).put(exif.array());
        CRC32 crc = new CRC32();
        crc.update(chunk.array(), 4, 4 + exif.capacity());
        chunk.putInt((int) crc.getValue());
        int end = bytes.length - 12;
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.write(bytes, 0, end);
        out.write(chunk.array());
        out.write(bytes, end, 12);
        return Files.write(folder.resolve(name), out.toByteArray());
    }

    private BufferedImage patch(double veil, double stops, long seed) {
        return drawn((x, y) -> 0.4 * Math.pow(2, stops) * ((Math.abs(x - 148) < 15 && Math.abs(y - 122) < 14 ? 0 : 1) + veil) / (1 + veil), seed);
    }

    @Test
    void veilIsReadNarrowedByASecondExposureAndComparedWithAfter() throws IOException {
        Path one = exposed("one.png", patch(0.05, 0, 1), 10);
        Path longer = exposed("longer.png", patch(0.05, 3, 2), 80);
        JsonNode alone = run("veil", one, "--json").json();
        JsonNode both = run("veil", one, longer, "--json").json();
        double truth = 0.05 / 1.05;
        assertThat(alone.get("veil").get("share").asDouble()).isCloseTo(truth, within(2 * alone.get("veil").get("sigma").asDouble()));
        assertThat(both.get("veil").get("share").asDouble()).isCloseTo(truth, within(0.05 * truth));
        assertThat(both.get("veil").get("sigma").asDouble()).isLessThan(alone.get("veil").get("sigma").asDouble() / 2);
        JsonNode change = run("veil", one, "--after", exposed("after.png", patch(0.02, 0, 3), 10), "--json").json().get("change");
        assertThat(change.get("telling").asBoolean()).isTrue();
        assertThat(change.get("share").asDouble()).isCloseTo(0.02 / 1.02 - truth, within(0.005));
        assertThat(run("veil", one, "--after", exposed("same.png", patch(0.05, 0, 4), 10)).out()).contains("no change is told");
        assertThat(run("veil", png("cut.png", patch(0.05, 3, 1)))).satisfies(r -> {
            assertThat(r.status()).isEqualTo(1);
            assertThat(r.out()).contains("cut at white");
        });
        assertThat(run("veil", one, "--black", "tar").status()).isEqualTo(2);
        assertThat(run("veil", one, png("bare.png", patch(0.05, 1, 1))).out()).contains("did not write");
    }

    /// One hazy lens, photographed a stop shorter and a stop and a half longer: beside a card it has one veil.
    @Test
    void veilBesideACardIsTheSameAtAnyExposure() throws IOException {
        HiddenTruth hazy = new HiddenTruth(List.of(new HiddenTruth.GlassFault(FindingKind.HAZE, 0, 0, 0, 1, 0.12, 5)), 0);
        Pose pose = new Pose(800, 640, 0.5, 0.5, 0.42, 6, Lighting.AGAINST, 5);
        // A white card throws all of the light; two stops shorter it is not burnt out.
        Path card = exposed("card.png", drawn((x, y) -> 0.25, 9), 250);
        Map<String, Double> veils = new LinkedHashMap<>();
        for (double stops : new double[] {-1, 0, 1.5}) {
            Path photo = exposed("at" + stops + ".png", InspectionCamera.photograph(new Shelf().section("fell_52_f2"), hazy, pose.exposed(stops)).picture(), (int) Math.round(1000 * Math.pow(2, stops)));
            veils.put("beside the card " + stops, run("grade", photo, "--out", folder.resolve("out"), "--lighting", "against", "--lamp", card, "--json").json().get("photos").get(0).get("veil_fraction").asDouble());
            veils.put("alone " + stops, run("grade", photo, "--out", folder.resolve("out"), "--lighting", "against", "--json").json().get("photos").get(0).get("veil_fraction").asDouble());
        }
        double usual = veils.getOrDefault("beside the card 0.0", 0.0);
        assertThat(usual).isBetween(0.05, 0.2);
        assertThat(veils.get("beside the card -1.0")).as("%s", veils).isCloseTo(usual, within(0.05 * usual));
        assertThat(veils.get("beside the card 1.5")).as("%s", veils).isCloseTo(usual, within(0.05 * usual));
        assertThat(veils.get("alone 1.5")).as("without a card it follows the exposure").isGreaterThan(4 * veils.getOrDefault("alone -1.0", 1.0));
    }

    @Test
    void aCardThatCannotBeComparedWithIsSaidSo() throws IOException {
        Path photo = exposed("glass.png", patch(0.05, 0, 1), 10);
        Path out = folder.resolve("out");
        assertThat(run("grade", photo, "--out", out, "--lamp", exposed("white.png", drawn((x, y) -> 1, 1), 10)).err()).contains("white.png").contains("burnt out").hasLineCount(1);
        assertThat(run("grade", photo, "--out", out, "--lamp", exposed("black.png", drawn((x, y) -> 0, 1), 10)).err()).contains("black.png").contains("dark").hasLineCount(1);
        assertThat(run("grade", photo, "--out", out, "--lamp", png("bare-card.png", drawn((x, y) -> 0.3, 1))).err()).contains("bare-card.png").contains("exposure").hasLineCount(1);
        assertThat(run("grade", photo, "--out", out, "--lamp", folder.resolve("none.png")).err()).contains("none.png").hasLineCount(1);
    }

    @Test
    void aToneThatIsNotSrgbIsMeasuredForSharpness() throws IOException {
        DoubleBinaryOperator ramp = (x, y) -> Math.pow(0.02 + 0.38 * x / W, 0.8);
        DoubleBinaryOperator twice = (x, y) -> Math.pow(2 * (0.02 + 0.38 * x / W), 0.8);
        Path less = exposed("less.png", drawn(ramp, 1), 10);
        Path more = exposed("more.png", drawn(twice, 2), 20);
        Path edge = png("edge.png", drawn((x, y) -> Math.pow(0.05 + 0.6 * Math.clamp(((x - 150.2) * Math.cos(0.12) + (y - 120) * Math.sin(0.12)) / 6 + 0.5, 0, 1), 0.8), 3));
        JsonNode right = run("sharpness", edge, "--tone", less, more, "--json").json();
        assertThat(right.get("tone_power").asDouble()).isCloseTo(0.8, within(0.01));
        // sin(x)/x of a smear of six pixels is a half at 0.6034 / 6.
        assertThat(right.get("mtf50_cpp").asDouble()).isCloseTo(0.6034 / 6, within(0.002));
        assertThat(run("sharpness", edge, "--tone", less, png("bare.png", drawn(twice, 2))).err()).contains("bare.png: exposure: is not written");
    }

    /// A camera that writes a gamma of 1: its values are light already.
    @Test
    void theGammaThatACameraWroteIsUndone() throws IOException {
        BufferedImage image = new BufferedImage(W, H, BufferedImage.TYPE_BYTE_GRAY);
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                image.getRaster().setSample(x, y, 0, Math.round(255 * (0.05 + 0.6 * Math.clamp(((x - 150.2) * Math.cos(0.12) + (y - 120) * Math.sin(0.12)) / 6 + 0.5, 0, 1))));
            }
        }
        assertThat(run("sharpness", tagged("linear.png", image, 0xA500, 1000), "--json").json().get("mtf50_cpp").asDouble()).isCloseTo(0.6034 / 6, within(0.001));
        assertThat(run("sharpness", png("plain.png", image), "--json").json().get("mtf50_cpp").asDouble()).as("read as sRGB it is another edge").isNotCloseTo(0.6034 / 6, within(0.002));
    }

    private BufferedImage opening(double radius, double leverDeg, long seed) {
        return drawn((x, y) -> {
            double r = Math.hypot(x - 150, y - 120);
            double off = Math.IEEEremainder(Math.toDegrees(Math.atan2(x - 150, 120 - y)) - leverDeg, 360);
            double ground = r > 80 && r < 105 && Math.abs(off) < 4 ? 0.4 : 0.1;
            double in = Math.clamp(radius - r + 0.5, 0, 1);
            return 0.75 * in + ground * (1 - in);
        }, seed);
    }

    @Test
    void couplingSaysWhetherForkAndPinMet() throws IOException {
        Path wide = png("wide.png", opening(64, 20, 1));
        JsonNode met = run("coupling", "--stops", "2.8,5.6", wide, png("met.png", opening(32, 55, 2)), "--json").json();
        assertThat(met.get("meets").asString()).isEqualTo("meets");
        assertThat(met.get("lever_deg").asDouble()).isCloseTo(35, within(0.5));
        assertThat(met.get("ev_error").asDouble()).isCloseTo(0, within(0.05));
        assertThat(run("coupling", "--stops", "2.8,5.6", wide, png("apart.png", opening(64, 55, 2))).out()).contains("have not met");
        assertThat(run("coupling", "--stops", "2.8", wide, wide).status()).isEqualTo(2);
        assertThat(run("coupling", "--stops", "2.8,4", wide, png("grey.png", drawn((x, y) -> 0.4, 1))).status()).isEqualTo(1);
    }

    @Test
    void closingIsReadFromATraceAndFromABurst() throws IOException {
        String rows = IntStream.range(0, 4000).mapToObj(i -> i * 0.0005 + "," + (0.2 + 0.6 * Math.clamp(1 - (i * 0.0005 - 0.8) / 0.04, 0, 1) + 0.001 * (i % 3))).collect(Collectors.joining("\n"));
        JsonNode trace = run("closing", Files.writeString(folder.resolve("iris.csv"), rows), "--json").json();
        assertThat(trace.get("closing_s").asDouble()).isCloseTo(0.9 * 0.04, within(0.0015));
        assertThat(trace.get("ev_closed").asDouble()).isCloseTo(-2, within(0.05));
        Object[] burst = new Object[14];
        burst[0] = "closing";
        double[] radii = {64, 64, 64, 64, 56, 44, 34, 32, 32, 32};
        for (int i = 0; i < radii.length; i++) {
            burst[i + 1] = png("b" + i + ".png", opening(radii[i], 0, i));
        }
        burst[11] = "--fps";
        burst[12] = "120";
        burst[13] = "--json";
        assertThat(run(burst).json().get("closing_s").asDouble()).isCloseTo(3.2 / 120, within(0.8 / 120));
        Path still = Files.writeString(folder.resolve("still.csv"), IntStream.range(0, 400).mapToObj(i -> i * 0.001 + ",1").collect(Collectors.joining("\n")));
        assertThat(run("closing", still).status()).isEqualTo(1);
        assertThat(run("closing", folder.resolve("iris.csv"), folder.resolve("iris.csv")).status()).isEqualTo(2);
    }

    @Test
    void bladesThatAreWetAreFoundAndFocusOverTheFrameIsRead() throws IOException {
        Path blades = png("blades.png", drawn((x, y) -> {
            double r = Math.hypot(x - 150, y - 120);
            double wet = Math.hypot(x - 210, y - 120) < 9 ? 1.8 : 1;
            return r < 32 ? 0.01 : r > 110 ? 0.5 : 0.22 * wet;
        }, 4));
        JsonNode f = run("blades", blades, "--count", "6", "--rim", "3.2", "--json").json();
        assertThat(f.get("places")).hasSize(1);
        assertThat(f.get("places").get(0).get("towards_deg").asDouble()).isCloseTo(90, within(4.0));
        assertThat(run("blades", blades, "--count", "2", "--rim", "3.2").status()).isEqualTo(2);
        assertThat(run("sharpness", blades, "--stops", "4").err()).contains("--at");
        assertThat(run("sharpness", blades, "--at", "0,1").err()).contains("2 positions for 1 photos");
        assertThat(run("sharpness", blades, "--at", "nan").status()).isEqualTo(2);
    }
}

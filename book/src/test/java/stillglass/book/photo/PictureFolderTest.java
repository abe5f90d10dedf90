package stillglass.book.photo;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class PictureFolderTest {
    private static final Instant SINCE = Instant.parse("2026-11-28T09:00:00Z");

    @TempDir
    Path folder;

    private static byte[] picture(int shade) throws IOException {
        BufferedImage image = new BufferedImage(40, 30, BufferedImage.TYPE_INT_RGB);
        for (int x = 0; x < 40; x++) {
            image.setRGB(x, shade % 30, 0x010203 * (shade % 80));
        }
        image.setRGB(shade % 40, (shade / 40) % 30, 0xffffff);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        return out.toByteArray();
    }

    private Path put(String name, byte[] bytes, int second) throws IOException {
        Path f = Files.write(folder.resolve(name), bytes);
        Files.setLastModifiedTime(f, FileTime.from(SINCE.plusSeconds(second)));
        return f;
    }

    private static List<String> names(PictureFolder.Look look) {
        return look.pictures().stream().map(PictureFolder.Arrived::name).toList();
    }

    @Test
    void whatIsNewAndWholeIsHandedOverOnce() throws Exception {
        put("old.png", picture(1), -60);
        put("a.png", picture(2), 10);
        put("notes.txt", new byte[] {1}, 10);
        PictureFolder watched = new PictureFolder(folder, SINCE);
        assertThat(watched.look().pictures()).as("it may still be written").isEmpty();
        assertThat(names(watched.look())).containsExactly("a.png");
        assertThat(watched.look().pictures()).isEmpty();
    }

    @Test
    void aFileThatStillGrowsIsWaitedFor() throws Exception {
        byte[] whole = picture(3);
        put("b.png", Arrays.copyOf(whole, 40), 10);
        PictureFolder watched = new PictureFolder(folder, SINCE);
        watched.look();
        put("b.png", Arrays.copyOf(whole, whole.length / 2), 11);
        assertThat(watched.look()).satisfies(l -> assertThat(l.pictures()).isEmpty()).satisfies(l -> assertThat(l.troubles()).isEmpty());
        put("b.png", whole, 12);
        watched.look();
        assertThat(names(watched.look())).containsExactly("b.png");
    }

    @Test
    void aTruncatedOneIsNamedOnceAndComesWhenItIsWhole() throws Exception {
        byte[] whole = picture(4);
        put("torn.png", Arrays.copyOf(whole, whole.length / 2), 10);
        put("empty.jpg", new byte[0], 10);
        PictureFolder watched = new PictureFolder(folder, SINCE);
        watched.look();
        assertThat(watched.look().troubles()).singleElement().asString().contains("torn.png");
        assertThat(watched.look().troubles()).isEmpty();
        put("torn.png", whole, 20);
        watched.look();
        assertThat(names(watched.look())).containsExactly("torn.png");
    }

    @Test
    void theSamePictureUnderAnotherNameIsPassedOver() throws Exception {
        put("IMG_1.png", picture(5), 10);
        put("IMG_1 copy.png", picture(5), 12);
        PictureFolder watched = new PictureFolder(folder, SINCE);
        watched.look();
        assertThat(watched.look().pictures()).hasSize(1);
    }

    /// All of them come, none twice, and no look reads more than a few.
    @Test
    void fiveHundredPicturesComeAFewAtATime() throws Exception {
        for (int i = 0; i < 500; i++) {
            put(String.format("p%03d.png", i), picture(i + 100), i);
        }
        PictureFolder watched = new PictureFolder(folder, SINCE);
        List<String> all = new ArrayList<>();
        PictureFolder.Look look = watched.look();
        int looks = 0;
        do {
            look = watched.look();
            assertThat(look.pictures()).hasSizeLessThanOrEqualTo(8);
            all.addAll(names(look));
            looks++;
        } while (look.more() && looks < 200);
        assertThat(all).hasSize(500).doesNotHaveDuplicates();
    }

    @Test
    void aFolderThatIsGoneIsSaidOnce() throws Exception {
        PictureFolder watched = new PictureFolder(folder.resolve("none"), SINCE);
        assertThat(watched.look().troubles()).singleElement().asString().contains("none");
        assertThat(watched.look().troubles()).isEmpty();
        Files.createDirectory(folder.resolve("none"));
        assertThat(watched.look().troubles()).isEmpty();
    }

    /// A phone whose clock is an hour slow or fast: its pictures all differ by that and a little.
    @Test
    void aClockAnHourOffShowsInWhenPicturesArrive() {
        for (int off : List.of(-60, 60)) {
            CameraClock clock = new CameraClock(ZoneOffset.UTC);
            LocalDateTime taken = LocalDateTime.of(2026, 11, 28, 9, 0);
            for (int i = 0; i < 5; i++) {
                clock.saw(taken.plusMinutes(i), taken.plusMinutes(i).toInstant(ZoneOffset.UTC).plus(Duration.ofMinutes(off)).plusSeconds(20 + 30 * i));
            }
            assertThat(Duration.between(taken.toInstant(ZoneOffset.UTC).plus(Duration.ofMinutes(off)), clock.corrected(taken)).abs()).isLessThan(Duration.ofMinutes(1));
        }
        CameraClock right = new CameraClock(ZoneOffset.UTC);
        right.saw(LocalDateTime.of(2026, 11, 28, 9, 0), Instant.parse("2026-11-28T09:03:00Z"));
        assertThat(right.slowBy()).as("three minutes are the way from the phone").isZero();
    }
}

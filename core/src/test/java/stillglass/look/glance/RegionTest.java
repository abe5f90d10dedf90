package stillglass.look.glance;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class RegionTest {
    @Test
    void everyPartCountsAsOftenAsItIsCovered() {
        int last = Glance.PARTS * Glance.PARTS - 1;
        Region region = Region.of(new int[] {last, 7, 7, 30, 7, 0, 30, 7});

        assertThat(region.parts).containsExactly(0, 7, 30, last);
        assertThat(region.shares).containsExactly(1 / 8f, 4 / 8f, 2 / 8f, 1 / 8f);
    }
}

package stillglass.app.theme;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DueDayTest {
    @ParameterizedTest
    @CsvSource({"2026-12-04,Fri 4 Dec", "9999-12-31,Fri 31 Dec 9999", "2027-01-05,Tue 5 Jan", "1970-01-01,Thu 1 Jan 1970", "2027-11-27,Sat 27 Nov 2027"})
    void theYearIsSaidWhereItDoesNotGoWithoutSaying(LocalDate day, String words) {
        assertThat(DueDay.words(day, LocalDate.of(2026, 11, 27))).isEqualTo(words);
    }
}

package flailbeat.core.format.smf;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class MutationTest {
  @TempDir private Path folder;

  @Test
  void whatever_is_wrong_with_a_file_it_is_read_or_refused_in_words() throws Exception {
    MutationReport report = new MutationReport(20_261_126, folder);
    for (int i = 0; i < 1000; i++) {
      report.one(i);
    }
    assertThat(report.read()).isGreaterThan(200);
    assertThat(report.refused()).isGreaterThan(200);
    assertThat(report.longestNanos()).as("no hang").isLessThan(2_000_000_000L);
  }
}

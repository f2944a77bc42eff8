package flailbeat.app.cli;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.quantize.QuantizePlan;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.quantize.Quantizer;
import flailbeat.core.time.Grid;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What is told in JSON of what was quantized. */
class QuantizeReportTest {
  @Test
  void of_two_tracks_the_one_that_goes_its_own_way_is_told_as_that_though_it_is_the_first() {
    QuantizeSettings song = QuantizeSettings.standard();
    QuantizeSettings own = song.withGrid(Grid.parse("1/8T"));
    QuantizePlan none =
        Quantizer.of(song, TempoMap.of(TempoMap.DEFAULT), MeterMap.of(Meter.COMMON))
            .plan(List.of(), List.of());
    QuantizeReport told =
        QuantizeReport.of(
            0,
            480,
            new AutoGrid.Chosen(
                song,
                List.of(
                    new AutoGrid.Piece(0, List.of(), own), new AutoGrid.Piece(1, List.of(), song))),
            List.of(none, none));
    assertThat(told.grid()).isEqualTo("1/16");
    assertThat(told.ownGrids()).containsExactly(new QuantizeReport.OwnGrid(1, "1/8T", 50, 0));
  }
}

package flailbeat.core.demo;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.quantize.QuantizePlan;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.quantize.Quantizer;
import flailbeat.core.time.TickRange;
import java.util.List;
import org.junit.jupiter.api.Test;

class HarbourLampsTest {
  private final Song song = HarbourLamps.song();

  @Test
  void it_is_the_same_every_time_and_fills_sixteen_bars() {
    assertThat(HarbourLamps.song()).isEqualTo(song);
    assertThat(song.tempos().tempoAt(0).bpm()).isEqualTo(96);
    assertThat(song.meters().wholeBars(new TickRange(0, song.end())).length()).isEqualTo(16 * 3840);
    assertThat(song.tracks())
        .extracting(Track::name)
        .containsExactly("Lamps", "Hull", "Deckhands", "Fog");
  }

  @Test
  void the_lead_is_late_with_three_doubtful_notes_and_the_bass_is_on_the_grid() {
    QuantizePlan lamps = plan(song.tracks().get(0));
    assertThat(lamps.timing().lagMs()).isBetween(30.0, 45.0);
    assertThat(lamps.timing().spreadMs()).isBetween(15.0, 32.0);
    assertThat(lamps.doubtful()).isEqualTo(3);
    assertThat(lamps.otherReadings()).isEmpty();
    assertThat(plan(song.tracks().get(1)).moved()).isZero();
  }

  private QuantizePlan plan(Track track) {
    return Quantizer.of(QuantizeSettings.recommended(), song.tempos(), song.meters())
        .plan(track.notes(), List.of());
  }

  @Test
  void there_are_ghost_notes_and_uneven_chords() {
    assertThat(song.tracks().get(2).notes()).extracting(Note::velocity).contains(28, 92);
    assertThat(song.tracks().get(3).notes().stream().map(Note::velocity).distinct().count())
        .isGreaterThan(10);
  }
}

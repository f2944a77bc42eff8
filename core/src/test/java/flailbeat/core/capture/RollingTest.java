package flailbeat.core.capture;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.event.Performed.NoteOff;
import flailbeat.core.event.Performed.NoteOn;
import flailbeat.core.model.Played;
import flailbeat.core.time.TempoMap;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** At 120 bpm a quarter of 960 ticks lasts half a second. */
class RollingTest {
  private static final Rolling.Place STILL = new Rolling.Place(0, 0, Optional.empty());

  private static final TempoMap TEMPO = TempoMap.of(TempoMap.DEFAULT);
  private static final long MS = 1_000_000;

  private final Rolling rolling = new Rolling();

  private void play(int pitch, long atMs, long forMs, long run) {
    rolling.accept(
        new NoteOn(atMs * MS, pitch, 90), new Rolling.Place(run, -10_000 * MS, Optional.empty()));
    rolling.accept(
        new NoteOff((atMs + forMs) * MS, pitch),
        new Rolling.Place(run, -10_000 * MS, Optional.empty()));
  }

  private Rolling.Phrase phrase(long nowMs) {
    return rolling.lastPhrase(TEMPO, 3840, nowMs * MS);
  }

  @Test
  void a_phrase_played_to_nothing_goes_to_the_place_at_the_songs_tempo() {
    play(60, 1000, 250, 0);
    play(62, 1500, 250, 0);
    assertThat(phrase(3000).inTime()).isFalse();
    assertThat(phrase(3000).notes())
        .containsExactly(
            new NewNote(60, 90, new Played(3840, 4320)),
            new NewNote(62, 90, new Played(4800, 5280)));
  }

  @Test
  void a_phrase_played_while_the_song_ran_lies_where_it_was_heard() {
    play(60, 11_000, 250, 7);
    assertThat(phrase(12_000).inTime()).isTrue();
    assertThat(phrase(12_000).notes()).containsExactly(new NewNote(60, 90, new Played(1920, 2400)));
  }

  @Test
  void a_silence_of_over_four_seconds_begins_another_phrase() {
    play(60, 0, 100, 0);
    play(62, 4090, 100, 0);
    assertThat(phrase(5000).notes()).hasSize(2);
    play(64, 8200, 100, 0);
    assertThat(phrase(9000).notes()).extracting(NewNote::pitch).containsExactly(64);
  }

  @Test
  void a_long_note_is_no_silence() {
    play(48, 0, 9000, 0);
    play(60, 12_000, 100, 0);
    assertThat(phrase(13_000).notes()).hasSize(2);
  }

  @Test
  void starting_and_stopping_the_song_begins_another_phrase() {
    play(60, 0, 100, 0);
    play(62, 500, 100, 1);
    play(64, 900, 100, 1);
    assertThat(phrase(1000).notes()).extracting(NewNote::pitch).containsExactly(62, 64);
    play(65, 1100, 100, 0);
    assertThat(phrase(2000).notes()).extracting(NewNote::pitch).containsExactly(65);
  }

  @Test
  void what_is_held_is_kept_up_to_now_and_goes_on() {
    rolling.accept(new NoteOn(0, 60, 90), STILL);
    assertThat(phrase(500).notes()).containsExactly(new NewNote(60, 90, new Played(3840, 4800)));
    rolling.accept(new NoteOff(1000 * MS, 60), STILL);
    assertThat(phrase(2000).notes()).containsExactly(new NewNote(60, 90, new Played(3840, 5760)));
  }

  /** Sixteen keys down at once, thirty presses a second for ten minutes and more. */
  @Test
  void memory_stays_flat_and_ten_minutes_are_there() {
    for (int i = 0; i < 60_000; i++) {
      int pitch = 40 + i % 16;
      rolling.accept(new NoteOff(i * 33 * MS, pitch), STILL);
      rolling.accept(new NoteOn(i * 33 * MS, pitch, 90), STILL);
    }
    assertThat(rolling.size()).isBetween(18_000, 18_300);
    assertThat(phrase(60_000 * 33).notes()).hasSizeBetween(18_000, 18_300);
  }

  @Test
  void a_key_that_is_held_counts_and_one_that_is_struck_again_ends_first() {
    rolling.accept(new NoteOn(1000 * MS, 60, 90), STILL);
    assertThat(rolling.size()).isEqualTo(1);
    rolling.accept(new NoteOn(1400 * MS, 60, 91), STILL);
    assertThat(rolling.size()).isEqualTo(2);
    assertThat(phrase(1500).notes())
        .extracting(NewNote::velocity, n -> n.played().length())
        .containsExactly(
            org.assertj.core.groups.Tuple.tuple(90, 768L),
            org.assertj.core.groups.Tuple.tuple(91, 192L));
  }

  @Test
  void the_first_struck_comes_first_though_it_ended_last_and_goes_to_the_place() {
    rolling.accept(new NoteOn(1000 * MS, 48, 90), STILL);
    play(60, 1100, 100, 0);
    rolling.accept(new NoteOff(1500 * MS, 48), STILL);
    assertThat(phrase(2000).notes()).extracting(NewNote::pitch).containsExactly(48, 60);
    assertThat(phrase(2000).notes().get(0).onset()).isEqualTo(3840);
  }

  @Test
  void a_start_of_the_transport_begins_another_phrase_and_nothing_gives_none() {
    assertThat(phrase(0).notes()).isEmpty();
    play(60, 1000, 100, 0);
    play(62, 1200, 100, 3);
    assertThat(phrase(2000).notes()).extracting(NewNote::pitch).containsExactly(62);
  }

  @Test
  void what_is_older_than_ten_minutes_goes() {
    play(60, 0, 100, 0);
    play(62, 600_200, 100, 0);
    assertThat(rolling.size()).isEqualTo(1);
    play(64, 1_200_300, 0, 0);
    assertThat(rolling.size()).as("let go just ten minutes before").isEqualTo(2);
  }
}

package flailbeat.core.edit;

import static flailbeat.core.TestSongs.BAR;
import static flailbeat.core.TestSongs.clip;
import static flailbeat.core.TestSongs.heard;
import static flailbeat.core.TestSongs.ids;
import static flailbeat.core.TestSongs.note;
import static flailbeat.core.TestSongs.song;
import static flailbeat.core.TestSongs.track;
import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.edit.notes.NoteTools;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.time.Tempo;
import flailbeat.core.time.TempoMap;
import java.util.List;
import org.junit.jupiter.api.Test;

/** A chord is struck loosely, within 25 ms: at 120 bpm 48 ticks. */
class ChordsTest {
  private static final Song LOOSE =
      song(
          clip(
              2,
              0,
              2 * BAR,
              note(10, 60, 0, 900),
              note(11, 64, 8, 900),
              note(12, 67, 48, 900),
              note(13, 60, 1920, 900),
              note(14, 64, 1925, 900)));

  @Test
  void legato_and_a_share_of_the_time_leave_a_loosely_struck_chord_whole() {
    assertThat(heard(NoteTools.legato(LOOSE, ids(LOOSE))))
        .isEqualTo("60@0+1920 64@8+1912 67@48+1872 60@1920+900 64@1925+900");
    assertThat(heard(NoteTools.staccato(LOOSE, ids(LOOSE), 50)))
        .isEqualTo("60@0+960 64@8+956 67@48+936 60@1920+450 64@1925+450");
  }

  @Test
  void notes_of_two_chords_are_joined_though_neither_was_struck_at_one_instant() {
    Song song =
        song(
            clip(
                2,
                0,
                BAR,
                note(10, 60, 0, 480),
                note(11, 64, 8, 480),
                note(12, 64, 480, 480),
                note(13, 60, 488, 480)));
    assertThat(heard(NoteTools.join(song, ids(song)))).isEqualTo("60@0+968 64@8+952");
  }

  @Test
  void a_chord_has_as_many_notes_for_whoever_asks() {
    List<Note> notes = track(LOOSE).notes();
    TempoMap tempos = LOOSE.tempos();
    assertThat(Chords.sizes(notes, tempos)).containsExactly(3, 3, 3, 2, 2);
    assertThat(Chords.of(notes, tempos)).extracting(List::size).containsExactly(3, 2);
    assertThat(Chords.nextStarts(notes, tempos))
        .containsExactly(1920, 1920, 1920, Long.MAX_VALUE, Long.MAX_VALUE);
    assertThat(Chords.sizes(List.of(note(1, 60, 0, 10), note(2, 60, 58, 10)), tempos))
        .as("no key is struck twice for one")
        .containsExactly(1, 1);
    assertThat(Chords.sizes(List.of(note(1, 60, 0, 10), note(2, 60, 57, 10)), tempos))
        .as("nor repeated within 30 ms")
        .containsExactly(2, 2);
    TempoMap fast = TempoMap.of(Tempo.ofBpm(300));
    assertThat(Chords.sizes(notes, fast)).as("120 ticks at 300 bpm").containsExactly(3, 3, 3, 2, 2);
  }
}

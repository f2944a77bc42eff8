package flailbeat.core.edit;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.TestSongs;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.tracks.TracksTaken;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.time.Tempo;
import java.io.IOException;
import java.util.HashSet;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Tracks of one song in another. */
class TracksTakenTest {
  @Test
  void tracks_of_another_song_come_below_from_a_bar_on_and_nothing_of_the_song_changes()
      throws IOException {
    Song song = HarbourLamps.song();
    Song both = TracksTaken.add(song, song, 4 * TestSongs.BAR);
    int own = song.tracks().size();
    assertThat(both.tracks().subList(0, own)).isEqualTo(song.tracks());
    assertThat(both.tracks()).hasSize(2 * own);
    Track first = song.tracks().getFirst();
    Track added = both.tracks().get(own);
    assertThat(added.name()).isEqualTo(first.name() + " 2");
    assertThat(added.instrument()).isEqualTo(first.instrument());
    assertThat(added.notes().stream().map(n -> n.onset() - 4 * TestSongs.BAR).toList())
        .isEqualTo(first.notes().stream().map(n -> n.onset()).toList());
    Set<Long> ids = new HashSet<>();
    both.tracks().forEach(t -> t.notes().forEach(n -> assertThat(ids.add(n.idNumber())).isTrue()));
    assertThat(TestSongs.reopened(both)).isEqualTo(both);
    assertThat(TracksTaken.add(song, Song.empty(), 0)).isEqualTo(song);
  }

  @Test
  void a_new_song_from_another_has_its_tracks_sounds_tempo_and_hands_and_no_notes()
      throws IOException {
    Song song = SongEdits.setTempo(HarbourLamps.song(), Tempo.ofBpm(77));
    Song fresh = TracksTaken.newFrom(song);
    assertThat(fresh.noteCount()).isZero();
    assertThat(fresh.title()).isEqualTo("Untitled");
    assertThat(fresh.tracks())
        .extracting(Track::sound)
        .isEqualTo(song.tracks().stream().map(Track::sound).toList());
    assertThat(fresh.tracks())
        .extracting(Track::personal)
        .isEqualTo(song.tracks().stream().map(Track::personal).toList());
    assertThat(fresh.tempos().tempoAt(0)).isEqualTo(Tempo.ofBpm(77));
    assertThat(fresh.meters().meterAt(0)).isEqualTo(song.meters().meterAt(0));
    assertThat(TestSongs.reopened(fresh)).isEqualTo(fresh);
  }
}

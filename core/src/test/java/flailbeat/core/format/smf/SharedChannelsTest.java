package flailbeat.core.format.smf;

import static flailbeat.core.TestSongs.BAR;
import static flailbeat.core.TestSongs.clip;
import static flailbeat.core.TestSongs.note;
import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.edit.EnteredNotes;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.sound.Instrument;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import org.junit.jupiter.api.Test;

/** General MIDI level 1: sixteen channels, the tenth of which is that of drums. */
class SharedChannelsTest {
  private static Track track(long id, String name, Instrument instrument, int channel) {
    return Track.empty(new TrackId(id), name, instrument, channel)
        .withClips(List.of(clip(id + 1, 0, BAR, note(id + 2, 60, 0, 960))));
  }

  private static Song song(Track... tracks) {
    return Song.empty().withTracks(List.of(tracks)).withNextId(1000);
  }

  private static Song reread(Song song) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    SmfWriter.write(SmfExport.of(song), out);
    return SmfImport.of(SmfReader.read(out.toByteArray()).file(), "x").song();
  }

  @Test
  void two_tracks_on_one_channel_come_back_with_a_sound_each_and_it_is_told() throws Exception {
    Song song =
        song(
            track(10, "Piano", Instrument.melodic(0), 0),
            track(20, "Violin", Instrument.melodic(40), 0));
    assertThat(reread(song).tracks())
        .extracting(t -> t.instrument().program())
        .containsExactly(0, 40);
    assertThat(SmfExport.from(song).remarks())
        .anyMatch(r -> r.startsWith("Piano, Violin share channel 1"));
  }

  @Test
  void seventeen_melodic_tracks_are_told_before_they_share() {
    Song many = Song.empty();
    for (int i = 0; i < 17; i++) {
      many = SongEdits.addTrack(many, Instrument.melodic(i));
      many =
          EnteredNotes.place(
              many,
              many.tracks().getLast().id(),
              List.of(Note.placed(new NoteId(1), 60, 80, 0, 9)));
    }
    assertThat(SmfExport.from(many).remarks()).anyMatch(r -> r.contains("share channel"));
  }

  @Test
  void a_kit_on_another_channel_than_the_drums_is_told() {
    Song song = song(track(10, "Kit", new Instrument(0, true), 0));
    assertThat(SmfExport.from(song).remarks())
        .contains("Kit is a kit on channel 1: other programs play it as notes");
    Song bass = song(track(10, "Bass", Instrument.melodic(33), 9));
    assertThat(SmfExport.from(bass).remarks())
        .contains("Bass is on channel 10: other programs play it as drums");
  }
}

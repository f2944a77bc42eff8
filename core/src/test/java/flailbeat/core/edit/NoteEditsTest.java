package flailbeat.core.edit;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.edit.tracks.TrackEdits;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.carried.FileTraits;
import flailbeat.core.model.control.Control;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.time.Meter;
import flailbeat.core.time.Tempo;
import flailbeat.core.time.TickRange;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

class NoteEditsTest {
  private static final TrackId TRACK = Song.empty().tracks().get(0).id();

  private static Song with(NewNote... notes) {
    return NoteEdits.add(Song.empty(), TRACK, List.of(notes), new TickRange(0, 0));
  }

  private static NewNote played(int pitch, long onset, long release) {
    return new NewNote(pitch, 80, new Played(onset, release));
  }

  private static List<Note> notes(Song song) {
    return song.tracks().get(0).notes();
  }

  private static Set<NoteId> all(Song song) {
    return Set.copyOf(notes(song).stream().map(Note::id).toList());
  }

  @Test
  void a_recording_makes_a_clip_of_whole_bars_and_names_its_notes() {
    Song song = with(played(60, 4000, 4100), played(64, 3900, 4000));
    Clip clip = song.tracks().get(0).clips().get(0);
    assertThat(clip.range()).isEqualTo(new TickRange(0, 7680));
    assertThat(notes(song)).extracting(Note::onset).containsExactly(3900L, 4000L);
    assertThat(all(song)).hasSize(2);
    assertThat(song.nextId()).isGreaterThan(notes(song).get(0).id().value());
  }

  @Test
  void a_recording_over_a_clip_goes_into_it_and_one_elsewhere_makes_another() {
    Song song = with(played(60, 0, 100));
    song = NoteEdits.add(song, TRACK, List.of(played(62, 200, 300)), new TickRange(0, 300));
    assertThat(song.tracks().get(0).clips()).hasSize(1);
    song = NoteEdits.add(song, TRACK, List.of(played(62, 9000, 9100)), new TickRange(9000, 9100));
    assertThat(song.tracks().get(0).clips()).hasSize(2);
    assertThat(song.noteCount()).isEqualTo(3);
  }

  @Test
  void a_note_struck_before_the_song_stands_at_its_start_and_keeps_its_time() {
    Note note = notes(with(played(60, -40, 500))).get(0);
    assertThat(note.onset()).isZero();
    assertThat(note.end()).isEqualTo(500);
    assertThat(note.played()).isEqualTo(new Played(-40, 500));
  }

  @Test
  void notes_move_together_and_no_farther_than_all_of_them_can() {
    Song song = with(played(60, 100, 200), played(120, 300, 400));
    Song moved = NoteEdits.move(song, all(song), -240, 12);
    assertThat(notes(moved)).extracting(Note::onset).containsExactly(0L, 200L);
    assertThat(notes(moved)).extracting(Note::pitch).containsExactly(67, 127);
    assertThat(NoteEdits.move(moved, all(moved), -1, 1)).isSameAs(moved);
  }

  @Test
  void a_move_by_hand_takes_the_time_as_played_along() {
    Song song = with(played(60, 250, 400));
    Note note = notes(NoteEdits.move(song, all(song), 240, 0)).get(0);
    assertThat(note.played()).isEqualTo(new Played(490, 640));
  }

  @Test
  void a_note_that_is_moved_past_its_clip_gets_a_clip_of_that_bar() {
    Song song = with(played(60, 100, 200));
    Song moved = NoteEdits.move(song, all(song), 8000, 0);
    assertThat(moved.tracks().get(0).clips())
        .extracting(Clip::range)
        .containsExactly(new TickRange(0, 3840), new TickRange(7680, 11520));
  }

  @Test
  void deleting_takes_only_what_was_named_and_nothing_gives_the_same_song() {
    Song song = with(played(60, 0, 100), played(62, 100, 200));
    NoteId first = notes(song).get(0).id();
    Song left = NoteEdits.delete(song, Set.of(first));
    assertThat(notes(left)).extracting(Note::pitch).containsExactly(62);
    assertThat(NoteEdits.delete(left, Set.of(first))).isSameAs(left);
    assertThat(NoteEdits.change(left, Set.of(), n -> n)).isSameAs(left);
  }

  @Test
  void quantized_notes_go_back_to_as_played() {
    Song song = with(played(60, 250, 400));
    Song moved = NoteEdits.change(song, all(song), n -> n.standingAt(240, 100));
    assertThat(NoteEdits.restorePlayed(moved, all(song))).isEqualTo(song);
  }

  /** By hand: at 120 bpm a bar of 4/4 lasts 2 s, at 60 bpm 4 s; a bar of 3/4 has 2880 ticks. */
  @Test
  void tempo_and_meter_change_at_any_bar_and_notes_keep_their_ticks() {
    Song song = SongEdits.setTempo(with(played(60, 9000, 9100)), 2, Tempo.ofBpm(60));
    assertThat(song.tempos().nanosAt(3 * 3840)).isEqualTo(8_000_000_000L);
    song = SongEdits.setTempo(song, 3, Tempo.ofBpm(240));
    assertThat(song.tempos().nanosAt(4 * 3840)).isEqualTo(9_000_000_000L);
    song = SongEdits.setTempo(song, 2, Tempo.ofBpm(120));
    assertThat(song.tempos().nanosAt(3 * 3840)).isEqualTo(6_000_000_000L);
    song = SongEdits.setMeter(song, 1, new Meter(3, 4));
    assertThat(song.meters().barStart(3)).isEqualTo(3840 + 2 * 2880);
    assertThat(notes(song).get(0).onset()).isEqualTo(9000);
    assertThat(SongEdits.removeMeter(song, 1).meters()).isEqualTo(Song.empty().meters());
    assertThat(SongEdits.removeMeter(song, 0).meters()).isEqualTo(song.meters());
    Song back = SongEdits.removeTempo(SongEdits.removeTempo(SongEdits.removeMeter(song, 1), 2), 3);
    assertThat(back.tempos()).isEqualTo(Song.empty().tempos());
  }

  @Test
  void tracks_get_free_names_and_channels_and_kits_the_drum_channel() {
    Song song = SongEdits.addTrack(Song.empty(), Instrument.melodic(4));
    song = SongEdits.addTrack(song, Instrument.kit(0));
    assertThat(song.tracks())
        .extracting(Track::name)
        .containsExactly("Track 1", "Track 2", "Track 3");
    assertThat(song.tracks()).extracting(Track::channel).containsExactly(0, 1, 9);
    Track second = song.tracks().get(1);
    song = SongEdits.setInstrument(song, second.id(), Instrument.kit(40));
    assertThat(song.tracks().get(1).channel()).isEqualTo(9);
    song = SongEdits.setInstrument(song, second.id(), Instrument.melodic(0));
    assertThat(song.tracks().get(1).channel()).isEqualTo(1);
    song = TrackEdits.remove(TrackEdits.remove(song, second.id()), TRACK);
    Song one = TrackEdits.remove(song, song.tracks().get(0).id());
    assertThat(one.tracks()).as("the last track stays").hasSize(1);
  }

  @Test
  void a_track_that_is_added_has_a_free_name_and_one_is_removed_but_not_the_last() {
    Instrument piano = new Instrument(0, false);
    Song two = SongEdits.addTrack(Song.empty(), piano);
    Song gap = TrackEdits.remove(SongEdits.addTrack(two, piano), two.tracks().get(1).id());
    assertThat(gap.tracks()).extracting(Track::name).contains("Track 3").doesNotContain("Track 2");
    Song again = SongEdits.addTrack(gap, piano);
    assertThat(again.tracks()).extracting(Track::name).doesNotHaveDuplicates().hasSize(3);
    assertThat(TrackEdits.remove(Song.empty(), TRACK)).isEqualTo(Song.empty());
  }

  /** What a file said its first sound was, and its bank; controllers 0 and 32 (MIDI 1.0). */
  @Test
  void a_sound_that_is_chosen_takes_the_place_of_the_first_program_of_a_file_and_of_no_other() {
    List<NewControl> points =
        List.of(
            new NewControl(0, Control.controller(0, 1)),
            new NewControl(0, Control.controller(32, 2)),
            new NewControl(0, Control.controller(7, 100)),
            new NewControl(10, new Control(Control.Kind.PROGRAM, 0, 40)),
            new NewControl(900, Control.controller(0, 3)),
            new NewControl(910, new Control(Control.Kind.PROGRAM, 0, 41)));
    Song made = SongEdits.addControls(with(played(60, 0, 100)), TRACK, points);
    Song file = made.withTrack(TRACK, t -> t.withTraits(new FileTraits(true, 7000)));
    Song chosen = SongEdits.setInstrument(file, TRACK, new Instrument(11, false));
    assertThat(chosen.tracks().get(0).controls())
        .extracting(c -> new NewControl(c.tick(), c.control()))
        .containsExactly(points.get(2), points.get(4), points.get(5));
    assertThat(chosen.tracks().get(0).traits()).isEqualTo(new FileTraits(false, 7000));
    Song ours = SongEdits.setInstrument(made, TRACK, new Instrument(11, false));
    assertThat(ours.tracks().get(0).controls()).hasSize(6);
  }

  @Test
  void controllers_are_cleared_in_a_stretch_and_nowhere_else() {
    List<NewControl> points =
        List.of(
            new NewControl(100, Control.controller(64, 127)),
            new NewControl(200, Control.controller(64, 0)),
            new NewControl(300, Control.controller(1, 9)));
    Song song = SongEdits.addControls(with(played(60, 0, 100)), TRACK, points);
    Song cleared = SongEdits.clearControls(song, TRACK, new TickRange(200, 300));
    assertThat(cleared.tracks().get(0).controls())
        .as("a pedal that was let go there is let go there still")
        .extracting("tick")
        .containsExactly(100L, 200L, 300L);
    assertThat(SongEdits.clearControls(song, TRACK, new TickRange(201, 300))).isEqualTo(song);
  }
}

package flailbeat.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteRule;
import flailbeat.core.edit.Selection;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.journal.SavedFile;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.quantize.lag.Lag;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.time.Grid;
import flailbeat.core.time.Meter;
import flailbeat.core.time.Tempo;
import flailbeat.core.time.TickRange;
import flailbeat.core.transport.Transport.State;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** At 120 bpm a bar of 4/4 lasts two seconds and a sixteenth 125 ms. */
class SessionTest extends RecordingRig {
  @Test
  void when_the_focus_goes_or_the_switch_moves_every_note_ends() {
    for (PhysicalKey key : SCALE) {
      performer.press(key, nowMs * MS);
    }
    assertThat(player.sounding).hasSize(8);
    performer.releaseAll(nowMs * MS);
    assertThat(player.sounding).isEmpty();
    performer.press(PhysicalKey.A, nowMs * MS);
    performer.setKeysMode(KeysMode.COMMANDS);
    assertThat(player.sounding).isEmpty();
  }

  @Test
  void choosing_another_track_ends_what_is_held_and_plays_its_sound() {
    session.open(HarbourLamps.song(), Optional.empty());
    performer.press(PhysicalKey.A, 0);
    assertThat(player.sounding).containsExactly("0:60");
    session.document().chooseTrack(session.song().tracks().get(2).id());
    assertThat(player.sounding).isEmpty();
    performer.press(PhysicalKey.Z, 0);
    assertThat(player.sounding).containsExactly("2:36");
    session.run().panic();
    assertThat(player.sounding).isEmpty();
    assertThat(player.log).contains("panic");
  }

  @Test
  void playing_stops_at_the_end_and_goes_back_to_its_place() {
    session.open(HarbourLamps.song(), Optional.empty());
    runControl.seek(3840);
    session.run().playOrStop();
    nowMs += 1000;
    session.tick();
    assertThat(runControl.transport().state()).isEqualTo(State.PLAYING);
    assertThat(runControl.positionTicks()).isEqualTo(3840 + 1536);
    nowMs += 40_000;
    session.tick();
    assertThat(runControl.transport().state()).isEqualTo(State.STOPPED);
    assertThat(runControl.positionTicks()).isEqualTo(3840);
    assertThat(player.playing).isFalse();
  }

  @Test
  void another_tempo_while_playing_goes_on_from_the_same_tick() {
    session.open(HarbourLamps.song(), Optional.empty());
    runControl.seek(960);
    session.run().playOrStop();
    nowMs += 1250;
    long tick = runControl.positionTicks();
    session.editing().edit("Tempo", s -> SongEdits.setTempo(s, Tempo.ofBpm(48)));
    assertThat(runControl.positionTicks()).isEqualTo(tick);
    nowMs += 1250;
    assertThat(runControl.positionTicks()).isEqualTo(tick + 960);
    session.run().stop();
    assertThat(runControl.playStartTicks()).isEqualTo(960);
  }

  @Test
  void an_edit_while_playing_is_heard_at_once() {
    session.open(HarbourLamps.song(), Optional.empty());
    session.run().playOrStop();
    int before = player.plan().size();
    session.document().select(NoteRule.ALL);
    Set<NoteId> ids = session.document().selection().notes();
    session.editing().edit("Delete", s -> NoteEdits.delete(s, ids));
    assertThat(player.log).contains("replace");
    assertThat(player.plan().size()).isEqualTo(before - 2 * ids.size());
  }

  @Test
  void as_played_is_heard_while_held_and_changes_nothing() {
    recordEight();
    session.quantizing().quantize();
    Song song = session.song();
    session.run().hearAsPlayed(true);
    assertThat(runControl.transport().isRunning()).isTrue();
    assertThat(player.plan().nanosAt(2) / MS).as("the second note, 20 ms late").isEqualTo(269);
    session.run().hearAsPlayed(false);
    assertThat(runControl.transport().isRunning()).isFalse();
    assertThat(session.song()).isSameAs(song);
  }

  @Test
  void a_selection_outlives_undo_and_quantizing_and_limits_it() {
    recordEight();
    NoteId second = notes().get(1).id();
    session.document().select(Selection.ofNotes(Set.of(second)));
    session.quantizing().quantize();
    assertThat(notes()).filteredOn(n -> n.playedOff() != 0 && n.onset() > 0).hasSize(1);
    session.editing().undo();
    assertThat(session.document().selection().notes()).containsExactly(second);
    session.editing().undo();
    assertThat(session.document().selection().notes()).isEmpty();
  }

  @Test
  void the_grid_is_one_for_bench_and_quantizing_and_settings_are_previewed() {
    recordEight();
    session.timing().setGrid(Grid.parse("1/4"));
    assertThat(session.timing().settings().grid()).isEqualTo(session.timing().grid());
    assertThat(session.timing().plan().notes()).allMatch(p -> p.line() % 960 == 0);
    session.timing().setSettings(session.timing().settings().withStrength(0));
    assertThat(session.timing().plan().moved()).as("the lag is taken out alone").isEqualTo(8);
    session.timing().setSettings(session.timing().settings().withLag(new Lag.Off()));
    assertThat(session.timing().plan().moved()).isZero();
  }

  @Test
  void quantizing_nothing_says_so() {
    session.quantizing().quantize();
    assertThat(session.notices().current().text()).contains("no notes");
    assertThat(session.document().undoLabel()).isEmpty();
  }

  @Test
  void unsaved_work_is_known() {
    assertThat(session.document().hasUnsavedWork()).isFalse();
    recordEight();
    assertThat(session.document().hasUnsavedWork()).isTrue();
    Song written = session.song();
    session
        .document()
        .saved(new SavedFile(Path.of("a.flail"), 1, 1), written, session.document().openings());
    assertThat(session.document().hasUnsavedWork()).isFalse();
    session.editing().undo();
    assertThat(session.document().hasUnsavedWork()).isTrue();
    session.editing().redo();
    session.editing().edit("Meter", s -> SongEdits.setMeter(s, new Meter(7, 8)));
    session
        .document()
        .saved(new SavedFile(Path.of("a.flail"), 1, 1), written, session.document().openings());
    assertThat(session.document().hasUnsavedWork())
        .as("edited while it was being written")
        .isTrue();
  }

  @Test
  void a_hundred_thousand_notes_are_selected_moved_and_quantized() {
    recordEight();
    List<NoteEdits.NewNote> many = new ArrayList<>();
    for (int i = 0; i < 100_000; i++) {
      many.add(
          new NoteEdits.NewNote(
              i % 128, 64, new flailbeat.core.model.Played(i * 50L, i * 50L + 40)));
    }
    Track track = session.document().track();
    session
        .editing()
        .edit("Many", s -> NoteEdits.add(s, track.id(), many, new TickRange(0, 5_000_000)));
    session.document().select(NoteRule.ALL);
    session.quantizing().quantize();
    Set<NoteId> all = session.document().selection().notes();
    session.editing().edit("Move", s -> NoteEdits.move(s, all, 240, 0));
    assertThat(session.song().noteCount()).isEqualTo(100_008);
    session.editing().undo();
    session.editing().undo();
    session.editing().undo();
    assertThat(session.song().noteCount()).isEqualTo(8);
  }

  @Test
  void a_change_of_the_title_sends_no_sound_to_the_player_though_there_are_twenty_tracks() {
    for (int i = 0; i < 19; i++) {
      session.tracks().add(Instrument.melodic(i % 3 * 20));
    }
    assertThat(player.log)
        .filteredOn(line -> line.startsWith("instrument 18"))
        .as("beyond the sixteenth it has its own sound")
        .containsExactly("instrument 18 40");
    player.log.clear();
    session.editing().edit("Name the song", s -> s.withTitle("Night ferry"));
    assertThat(player.log).noneMatch(line -> line.startsWith("instrument"));
  }

  @Test
  void a_track_beyond_those_that_can_sound_is_told() {
    for (int i = 0; i < 64; i++) {
      session.tracks().add(Instrument.melodic(0));
    }
    assertThat(session.notices().current().text())
        .isEqualTo("1 track beyond the first 64 is silent here; it is kept and exported");
    performer.press(PhysicalKey.A, nowMs * MS);
    assertThat(player.sounding).isEmpty();
  }

  @Test
  void another_tempo_while_calibrating_ends_it_and_plays_nothing_else() {
    recordEight();
    session.run().calibrate();
    session.editing().edit("Tempo 90", s -> SongEdits.setTempo(s, Tempo.ofBpm(90)));
    assertThat(runControl.isCalibrating()).isFalse();
    assertThat(runControl.transport().isRunning()).isFalse();
    assertThat(player.playing).isFalse();
    session.tick();
    assertThat(session.notices().current().text())
        .isEqualTo("Calibration stopped: the tempo is another now");
  }

  @Test
  void another_loop_while_calibrating_leaves_the_clicks_alone() {
    session.run().calibrate();
    session.run().loop(new TickRange(0, 3840));
    assertThat(runControl.isCalibrating()).isTrue();
    assertThat(runControl.transport().loop()).isEmpty();
  }

  @Test
  void a_listener_that_fails_keeps_no_other_from_hearing_and_the_person_is_told() {
    List<Aspect> heard = new ArrayList<>();
    session
        .changes()
        .listen(
            a -> {
              if (a.isOf(Aspect.SONG)) {
                throw new IllegalStateException("a picture failed");
              }
            });
    session.changes().listen(c -> heard.addAll(c.aspects()));
    recordEight();
    assertThat(notes()).as("nothing is lost").hasSize(8);
    assertThat(heard).contains(Aspect.SONG, Aspect.PASS, Aspect.TRANSPORT);
    session.run().stop();
    session.editing().edit("Name the song", s -> s.withTitle("Night ferry"));
    assertThat(session.notices().current().text())
        .contains("a picture failed", "Your song is still here");
  }

  /** Fifteen melodic channels, beside the one for drums. */
  @Test
  void a_track_beyond_the_channels_of_a_midi_file_is_told_as_it_is_added() {
    for (int i = 2; i <= 15; i++) {
      session.tracks().add(Instrument.melodic(i));
    }
    assertThat(session.notices().current().text()).doesNotContain("channel");
    session.tracks().add(Instrument.kit(0));
    assertThat(session.notices().current().text()).doesNotContain("channel");
    session.tracks().add(Instrument.melodic(20));
    assertThat(session.notices().current().text()).contains("shares channel 1 with Track 1");
  }
}

package flailbeat.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.NewControl;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteRule;
import flailbeat.core.edit.Selection;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.model.Control;
import flailbeat.core.model.Instrument;
import flailbeat.core.model.Note;
import flailbeat.core.model.NoteId;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.quantize.Lag;
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
class SessionTest {
  private static final long MS = 1_000_000;
  private static final PhysicalKey[] SCALE = {
    PhysicalKey.A, PhysicalKey.S, PhysicalKey.D, PhysicalKey.F,
    PhysicalKey.G, PhysicalKey.H, PhysicalKey.J, PhysicalKey.K
  };

  private long nowMs = 10_000;
  private final FakePlayer player = new FakePlayer(() -> nowMs * MS);
  private final Session session = new Session(() -> nowMs * MS, player);
  private final Performer performer = session.performer();
  private final Conductor conductor = session.conductor();

  private void strike(PhysicalKey key, long atMs, long forMs) {
    nowMs = atMs;
    performer.press(key, atMs * MS);
    nowMs = atMs + forMs;
    performer.release(key, nowMs * MS);
  }

  private List<Note> notes() {
    return session.document().track().notes();
  }

  /** Records eight eighths, each some ms off, after a bar of count-in; ends stopped. */
  private void recordEight() {
    nowMs = 10_000;
    session.run().recordOrStop();
    int[] off = {-12, 20, 31, -25, 8, 15, -5, 40};
    for (int i = 0; i < 8; i++) {
      strike(SCALE[i], 12_000 + i * 250 + off[i], 180);
    }
    nowMs = 14_100;
    session.run().playOrStop();
  }

  @Test
  void eight_notes_are_recorded_quantized_undone_and_done_again() {
    recordEight();
    assertThat(notes()).extracting(Note::pitch).containsExactly(60, 62, 64, 65, 67, 69, 71, 72);
    assertThat(notes().get(1).onset()).isEqualTo(518);
    assertThat(notes().get(0).onset()).as("12 ms before the start").isZero();
    assertThat(session.notices().current().text()).isEqualTo("Recorded 8 notes onto Track 1");
    assertThat(session.document().undoLabel()).contains("Record 8 notes");
    Song recorded = session.song();
    session.quantizing().quantize();
    assertThat(notes())
        .extracting(Note::onset)
        .containsExactly(0L, 480L, 960L, 1440L, 1920L, 2400L, 2880L, 3360L);
    Song quantized = session.song();
    session.editing().undo();
    assertThat(session.song()).isSameAs(recorded);
    session.editing().undo();
    assertThat(notes()).isEmpty();
    session.editing().redo();
    session.editing().redo();
    assertThat(session.song()).isSameAs(quantized);
  }

  @Test
  void a_count_in_leads_to_recording_and_the_state_says_so() {
    List<State> told = new ArrayList<>();
    session
        .changes()
        .listen(
            a -> {
              if (a.isOf(Aspect.TRANSPORT)) {
                told.add(conductor.transport().state());
              }
            });
    session.run().recordOrStop();
    nowMs += 1000;
    session.tick();
    nowMs += 1500;
    conductor.transport().state();
    session.tick();
    assertThat(told).containsExactly(State.COUNTING_IN, State.RECORDING);
    assertThat(player.plan().clicks().nanosAt(0)).isEqualTo(-2000 * MS);
    assertThat(player.log).contains("cue -2000");
  }

  @Test
  void notes_in_the_count_in_are_left_out_and_told() {
    session.run().recordOrStop();
    strike(PhysicalKey.A, 11_000, 100);
    strike(PhysicalKey.S, 12_500, 100);
    session.run().recordOrStop();
    assertThat(notes()).hasSize(1);
    assertThat(session.notices().current().text()).contains("left out 1 note");
  }

  @Test
  void notes_held_at_the_stop_end_there_and_none_sounds_on() {
    conductor.setSettings(PlaySettings.standard().withCountIn(CountIn.NONE));
    session.run().recordOrStop();
    nowMs = 10_500;
    performer.press(PhysicalKey.A, nowMs * MS);
    nowMs = 11_000;
    session.run().stop();
    assertThat(notes()).extracting(Note::length).containsExactly(960L);
    assertThat(player.sounding).isEmpty();
  }

  @Test
  void pedal_bend_and_modulation_are_heard_and_recorded_with_their_times() {
    conductor.setSettings(PlaySettings.standard().withCountIn(CountIn.NONE));
    session.run().recordOrStop();
    nowMs = 10_500;
    performer.sustain(true, nowMs * MS);
    performer.press(PhysicalKey.A, true, nowMs * MS);
    nowMs = 11_000;
    performer.bend(1, nowMs * MS);
    nowMs = 11_500;
    session.tick();
    performer.modulate(1, nowMs * MS);
    nowMs = 12_000;
    session.run().stop();
    assertThat(player.log).contains("control CONTROLLER 64 127", "control PITCH_BEND 0 16383");
    List<NewControl> points =
        session.document().track().controls().stream()
            .map(c -> new NewControl(c.tick(), c.control()))
            .toList();
    assertThat(points.getFirst()).isEqualTo(new NewControl(960, Control.controller(64, 127)));
    assertThat(points)
        .contains(
            new NewControl(2208, Control.bend(16_383)),
            new NewControl(2880, Control.controller(1, 16)),
            new NewControl(3840, Control.controller(64, 0)),
            new NewControl(3840, Control.bend(8192)));
    assertThat(notes()).extracting(Note::velocity).containsExactly(100);
    session.editing().undo();
    assertThat(session.document().track().controls()).isEmpty();
  }

  @Test
  void what_was_just_played_is_kept_though_nothing_was_recorded_and_survives_undo() {
    strike(PhysicalKey.A, 20_000, 200);
    strike(PhysicalKey.D, 20_500, 200);
    conductor.seek(3840);
    session.editing().edit("Add track", s -> SongEdits.addTrack(s, Instrument.melodic(4)));
    session.run().keepPhrase();
    assertThat(notes()).extracting(Note::onset).containsExactly(3840L, 4800L);
    assertThat(session.notices().current().text())
        .isEqualTo("Kept 2 notes onto Track 1, at the song's tempo, from 2.1.000");
    session.editing().undo();
    assertThat(notes()).isEmpty();
    session.run().keepPhrase();
    assertThat(notes()).hasSize(2);
  }

  @Test
  void what_was_played_along_is_kept_where_it_was_heard() {
    session.open(HarbourLamps.song(), Optional.empty());
    session.document().chooseTrack(session.song().tracks().get(3).id());
    int before = notes().size();
    nowMs = 50_000;
    session.run().playOrStop();
    strike(PhysicalKey.A, 51_250, 200);
    session.run().stop();
    session.run().keepPhrase();
    assertThat(notes()).hasSize(before + 1);
    assertThat(notes()).filteredOn(n -> n.onset() == 1920 && n.pitch() == 60).hasSize(1);
  }

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
    performer.press(PhysicalKey.A, 0);
    assertThat(player.sounding).containsExactly("2:60");
    session.run().panic();
    assertThat(player.sounding).isEmpty();
    assertThat(player.log).contains("panic");
  }

  @Test
  void recording_goes_onto_the_chosen_track_and_onto_those_that_are_armed() {
    session.editing().edit("Add", s -> SongEdits.addTrack(s, Instrument.melodic(32)));
    session.editing().edit("Add", s -> SongEdits.addTrack(s, Instrument.melodic(48)));
    Track bass = session.song().tracks().get(1);
    session.editing().edit("Arm", s -> s.withTrack(bass.id(), t -> t.withArmed(true)));
    recordEight();
    assertThat(session.notices().current().text())
        .isEqualTo("Recorded 8 notes onto Track 1 and Track 2");
    assertThat(session.song().tracks()).extracting(Track::noteCount).containsExactly(8, 8, 0);
    session.editing().undo();
    assertThat(session.song().noteCount()).isZero();
  }

  @Test
  void edits_wait_until_recording_is_over_and_a_seek_does_not_end_it() {
    session.run().recordOrStop();
    session.editing().edit("Tempo", s -> SongEdits.setTempo(s, Tempo.ofBpm(90)));
    assertThat(session.song().tempos().tempoAt(0).bpm()).isEqualTo(120);
    assertThat(session.notices().current().text()).contains("Stop recording first");
    conductor.seek(3840);
    assertThat(conductor.transport().isRecording()).isTrue();
    session.editing().undo();
    session.quantizing().quantize();
    assertThat(session.notices().current().warning()).isTrue();
  }

  @Test
  void playing_stops_at_the_end_and_goes_back_to_its_place() {
    session.open(HarbourLamps.song(), Optional.empty());
    conductor.seek(3840);
    session.run().playOrStop();
    nowMs += 1000;
    session.tick();
    assertThat(conductor.transport().state()).isEqualTo(State.PLAYING);
    assertThat(conductor.positionTicks()).isEqualTo(3840 + 1536);
    nowMs += 40_000;
    session.tick();
    assertThat(conductor.transport().state()).isEqualTo(State.STOPPED);
    assertThat(conductor.positionTicks()).isEqualTo(3840);
    assertThat(player.playing).isFalse();
  }

  @Test
  void another_tempo_while_playing_goes_on_from_the_same_tick() {
    session.open(HarbourLamps.song(), Optional.empty());
    conductor.seek(960);
    session.run().playOrStop();
    nowMs += 1250;
    long tick = conductor.positionTicks();
    session.editing().edit("Tempo", s -> SongEdits.setTempo(s, Tempo.ofBpm(48)));
    assertThat(conductor.positionTicks()).isEqualTo(tick);
    nowMs += 1250;
    assertThat(conductor.positionTicks()).isEqualTo(tick + 960);
    session.run().stop();
    assertThat(conductor.placeTicks()).isEqualTo(960);
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
    assertThat(conductor.transport().isRunning()).isTrue();
    assertThat(player.plan().nanosAt(2) / MS).as("the second note, 20 ms late").isEqualTo(269);
    session.run().hearAsPlayed(false);
    assertThat(conductor.transport().isRunning()).isFalse();
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
    session.document().saved(Path.of("a.flail"), written);
    assertThat(session.document().hasUnsavedWork()).isFalse();
    session.editing().undo();
    assertThat(session.document().hasUnsavedWork()).isTrue();
    session.editing().redo();
    session.editing().edit("Meter", s -> SongEdits.setMeter(s, new Meter(7, 8)));
    session.document().saved(Path.of("a.flail"), written);
    assertThat(session.document().hasUnsavedWork())
        .as("edited while it was being written")
        .isTrue();
  }

  @Test
  void a_second_recording_goes_into_the_clip_and_onto_the_chosen_track() {
    recordEight();
    recordEight();
    assertThat(session.document().track().clips()).hasSize(1);
    assertThat(notes()).hasSize(16);
    session.editing().edit("Add track", s -> SongEdits.addTrack(s, Instrument.melodic(4)));
    session.document().chooseTrack(session.song().tracks().get(1).id());
    recordEight();
    assertThat(session.song().tracks()).extracting(Track::noteCount).containsExactly(16, 8);
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
      session.editing().addTrack(Instrument.melodic(i % 3 * 20));
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
      session.editing().addTrack(Instrument.melodic(0));
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
    assertThat(conductor.isCalibrating()).isFalse();
    assertThat(conductor.transport().isRunning()).isFalse();
    assertThat(player.playing).isFalse();
    session.tick();
    assertThat(session.notices().current().text())
        .isEqualTo("Calibration stopped: the tempo is another now");
  }

  @Test
  void another_loop_while_calibrating_leaves_the_clicks_alone() {
    session.run().calibrate();
    session.run().loop(new TickRange(0, 3840));
    assertThat(conductor.isCalibrating()).isTrue();
    assertThat(conductor.transport().loop()).isEmpty();
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
}

package flailbeat.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.NewControl;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.control.Control;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.run.CountIn;
import flailbeat.core.session.run.PlaySettings;
import flailbeat.core.time.Tempo;
import flailbeat.core.transport.Transport.State;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What is played is written down. At 120 bpm a bar of 4/4 lasts two seconds. */
class RecordingSessionTest extends RecordingRig {
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
                told.add(runControl.transport().state());
              }
            });
    session.run().recordOrStop();
    nowMs += 1000;
    session.tick();
    nowMs += 1500;
    runControl.transport().state();
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
    runControl.setSettings(PlaySettings.standard().withCountIn(CountIn.NONE));
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
    runControl.setSettings(PlaySettings.standard().withCountIn(CountIn.NONE));
    session.run().recordOrStop();
    nowMs = 10_500;
    performer.sustain(true, nowMs * MS);
    performer.press(PhysicalKey.A, true, nowMs * MS);
    nowMs = 11_000;
    performer.bend(1, true, nowMs * MS);
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
    runControl.seek(3840);
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
    runControl.seek(3840);
    assertThat(runControl.transport().isRecording()).isTrue();
    session.editing().undo();
    session.quantizing().quantize();
    assertThat(session.notices().current().warning()).isTrue();
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
}

package flailbeat.core.session.tracks;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.TestSongs;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.tracks.StartValues;
import flailbeat.core.edit.tracks.TrackEdits;
import flailbeat.core.keys.ArrangementKind;
import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.sound.GeneralMidi;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.model.sound.Mix.Dial;
import flailbeat.core.model.sound.OwnPreset;
import flailbeat.core.model.sound.SoundedKeys;
import flailbeat.core.session.SessionRig;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Tracks, their sounds and how they lie under the hands, as a person meets them. */
class TracksSessionTest extends SessionRig {
  private static final Instrument ORGAN = Instrument.melodic(19);

  private SoundChooser sounds;

  @BeforeEach
  void open() {
    session.open(HarbourLamps.song(), Optional.empty());
    sounds = session.sounds();
  }

  private TrackId id(int index) {
    return session.song().tracks().get(index).id();
  }

  private String said() {
    return session.notices().current().text();
  }

  private String names() {
    return session.song().tracks().stream().map(Track::name).collect(Collectors.joining(" "));
  }

  @Test
  void a_sound_under_the_cursor_is_played_live_while_the_song_goes_on_with_its_own() {
    sounds.open();
    assertThat(sounds.current()).contains(Instrument.melodic(11));
    session.run().playOrStop();
    sounds.step(1);
    assertThat(player.live.get(0)).isEqualTo(Instrument.melodic(12));
    assertThat(player.planned.get(0)).isEqualTo(Instrument.melodic(11));
    sounds.cancel();
    assertThat(player.live.get(0)).isEqualTo(Instrument.melodic(11));
    assertThat(session.document().undoLabel()).as("nothing was done").isEmpty();
    sounds.open();
    sounds.seek("church");
    assertThat(sounds.current()).contains(ORGAN);
    sounds.keep();
    assertThat(player.planned.get(0)).isEqualTo(ORGAN);
    assertThat(player.live.get(0)).isEqualTo(ORGAN);
    assertThat(session.document().track().instrument()).isEqualTo(ORGAN);
    session.editing().undo();
    assertThat(player.planned.get(0)).isEqualTo(Instrument.melodic(11));
    assertThat(session.person().taste().last()).containsExactly(ORGAN);
  }

  @Test
  void sounds_are_found_by_what_people_call_them() {
    sounds.open();
    for (Map.Entry<String, Integer> each :
        Map.of("double bass", 32, "pipe organ", 19, "saw", 81, "vibes", 11, "steelpan", 114)
            .entrySet()) {
      sounds.seek(each.getKey());
      assertThat(sounds.shown()).as(each.getKey()).contains(Instrument.melodic(each.getValue()));
    }
    sounds.seek("double bass");
    assertThat(sounds.shown())
        .extracting(Instrument::title)
        .containsExactly("Acoustic bass", "Contrabass");
    sounds.seek("kit");
    assertThat(sounds.shown()).hasSize(GeneralMidi.kits().size());
    sounds.seek("no such thing");
    assertThat(sounds.current()).isEmpty();
    sounds.keep();
    assertThat(session.document().track().instrument()).isEqualTo(Instrument.melodic(11));
  }

  @Test
  void arrows_go_through_all_sounds_from_family_to_family() {
    sounds.open();
    sounds.showFamily(GeneralMidi.families().getFirst());
    for (int i = 0; i < GeneralMidi.PROGRAMS + GeneralMidi.kits().size() - 1; i++) {
      assertThat(sounds.current().orElseThrow().program())
          .isEqualTo(i < 128 ? i : GeneralMidi.kits().get(i - 128));
      sounds.step(1);
    }
    assertThat(sounds.current()).contains(Instrument.kit(48));
    sounds.step(1);
    assertThat(sounds.current()).as("the last stays").contains(Instrument.kit(48));
    sounds.step(-8);
    assertThat(sounds.current()).contains(Instrument.melodic(127));
  }

  @Test
  void the_last_phrase_is_heard_with_the_sound_under_the_cursor_and_all_is_as_before() {
    sounds.open();
    sounds.seek("celesta");
    sounds.hearPhrase();
    assertThat(runControl.phrases().isHearing()).isTrue();
    assertThat(player.planned.get(0)).isEqualTo(Instrument.melodic(8));
    assertThat(pitches(player.plan())).isNotEmpty();
    startMs = nowMs;
    runTo(20_000);
    assertThat(runControl.transport().isRunning()).as("it is over").isFalse();
    assertThat(player.planned.get(0)).isEqualTo(Instrument.melodic(11));
    assertThat(player.live.get(0)).as("under the cursor").isEqualTo(Instrument.melodic(8));
    assertThat(session.document().undoLabel()).isEmpty();
  }

  @Test
  void undoing_while_sounds_are_gone_through_leaves_the_one_under_the_cursor_to_the_keys() {
    session.tracks().sound(id(0), ORGAN);
    sounds.open();
    sounds.seek("celesta");
    session.editing().undo();
    assertThat(player.planned.get(0)).isEqualTo(Instrument.melodic(11));
    assertThat(player.live.get(0)).isEqualTo(Instrument.melodic(8));
    sounds.cancel();
    assertThat(player.live.get(0)).isEqualTo(Instrument.melodic(11));
  }

  @Test
  void another_song_has_its_own_sounds_under_the_hands_though_some_were_gone_through() {
    sounds.open();
    sounds.step(2);
    session.open(HarbourLamps.song(), Optional.empty());
    assertThat(sounds.isOpen()).isFalse();
    assertThat(player.live.get(0)).isEqualTo(Instrument.melodic(11));
  }

  @Test
  void a_phrase_that_another_track_ends_leaves_each_track_its_own_sound() {
    sounds.open();
    sounds.step(2);
    sounds.hearPhrase();
    session.document().chooseTrack(id(1));
    assertThat(runControl.phrases().isHearing()).isFalse();
    assertThat(player.planned.get(0)).isEqualTo(Instrument.melodic(11));
    assertThat(player.planned.get(1)).isEqualTo(Instrument.melodic(32));
  }

  @Test
  void while_recording_no_sound_is_kept_and_that_is_told() {
    sounds.open();
    sounds.step(1);
    session.run().recordOrStop();
    sounds.keep();
    assertThat(said()).contains("Stop recording first");
    assertThat(sounds.isOpen()).isTrue();
    session.run().stop();
    sounds.keep();
    assertThat(session.document().track().instrument()).isEqualTo(Instrument.melodic(12));
  }

  @Test
  void another_song_or_track_ends_the_choosing_and_no_trial_stays() {
    sounds.open();
    sounds.step(1);
    session.document().chooseTrack(id(1));
    assertThat(sounds.isOpen()).isFalse();
    assertThat(player.live.get(0)).isEqualTo(Instrument.melodic(11));
    sounds.open();
    sounds.step(1);
    session.open(Song.empty(), Optional.empty());
    assertThat(sounds.isOpen()).isFalse();
    assertThat(player.live.get(0)).isEqualTo(Instrument.melodic(0));
  }

  @Test
  void presets_of_a_file_of_ones_own_stand_among_the_others() {
    OwnPreset preset = new OwnPreset("Mine.sf2", "f", 0, 5, "Lantern");
    Instrument own = new Instrument(5, false, preset);
    sounds.setOwn(Map.of("Mine.sf2", List.of(own)));
    sounds.open();
    sounds.seek("lantern");
    assertThat(sounds.shown()).containsExactly(own);
    sounds.keep();
    sounds.open();
    assertThat(sounds.family()).isEqualTo("Mine.sf2");
    assertThat(sounds.current()).contains(own);
  }

  @Test
  void notes_lie_under_the_hands_as_the_track_wants_and_what_is_changed_is_remembered()
      throws Exception {
    assertThat(reach()).isEqualTo("HOME 60");
    session.document().chooseTrack(id(1));
    assertThat(reach()).as("a bass, two octaves down").isEqualTo("HOME 36");
    session.document().chooseTrack(id(2));
    assertThat(reach()).as("a kit").isEqualTo("PADS 36");
    session.document().chooseTrack(id(0));
    session.performer().moveOctaves(1);
    session.document().chooseTrack(id(3));
    assertThat(reach()).isEqualTo("HOME 60");
    session.performer().arrange(ArrangementKind.SPAN);
    session.document().chooseTrack(id(0));
    assertThat(reach()).as("moved, so its own").isEqualTo("HOME 72");
    session.document().chooseTrack(id(1));
    assertThat(reach()).as("what was chosen is usual elsewhere").isEqualTo("SPAN 24");
    assertThat(session.document().hasUnsavedWork()).isFalse();
    Song written = session.document().toWrite();
    session.open(TestSongs.reopened(written), Optional.empty());
    assertThat(reach()).as("kept with the song").isEqualTo("HOME 72");
  }

  private String reach() {
    return session.performer().hands().arrangement().kind()
        + " "
        + session.performer().hands().base();
  }

  @Test
  void a_track_that_becomes_a_kit_gets_pads() {
    session.tracks().sound(id(0), Instrument.kit(0));
    assertThat(reach()).isEqualTo("PADS 36");
    session.editing().undo();
    assertThat(reach()).isEqualTo("HOME 60");
  }

  @Test
  void a_track_is_played_within_a_range_of_velocities_of_its_own() {
    session.trackHands().setRange(100, 110);
    assertThat(session.performer().hands().velocity()).isEqualTo(100);
    session.document().chooseTrack(id(1));
    assertThat(session.performer().hands().velocity()).isEqualTo(80);
    assertThat(session.performer().hands().touch().floor()).as("the person's own").isEqualTo(1);
  }

  @Test
  void a_key_without_a_sound_is_told_and_one_command_leads_to_where_there_is_some() {
    BitSet low = new BitSet();
    low.set(30, 58);
    session.soundedKeys().set(Instrument.melodic(11), new SoundedKeys(low, Map.of()));
    session.performer().press(PhysicalKey.A, nowMs * MS);
    assertThat(said()).startsWith("Vibraphone has no sound on C4");
    session.soundedKeys().reachToSound();
    assertThat(session.performer().hands().highest()).isLessThan(58);
    assertThat(session.soundedKeys().sounds(session.performer().hands().lowest())).isTrue();
    session.tracks().output(id(0), "Wire");
    assertThat(session.soundedKeys().sounds(100)).as("what is there decides").isTrue();
  }

  @Test
  void a_transposed_track_sounds_so_live_and_nothing_hangs_when_it_is_changed_meanwhile() {
    session.tracks().transpose(id(0), 7);
    session.performer().press(PhysicalKey.A, nowMs * MS);
    assertThat(player.sounding).containsExactly("0:67");
    session.tracks().transpose(id(0), -5);
    assertThat(player.sounding).isEmpty();
    session.performer().release(PhysicalKey.A, nowMs * MS);
    session.performer().press(PhysicalKey.A, nowMs * MS);
    assertThat(player.sounding).containsExactly("0:55");
    session.performer().releaseAll();
    assertThat(player.sounding).isEmpty();
  }

  @Test
  void a_dial_is_heard_as_it_is_turned_and_is_one_step_when_it_is_let_go() {
    TrackDials dials = session.dials();
    dials.turn(id(0), Dial.LEVEL, 90);
    dials.turn(id(0), Dial.LEVEL, 50);
    assertThat(player.dials.get("0 7")).isEqualTo(50);
    assertThat(session.document().undoLabel()).isEmpty();
    dials.letGo();
    assertThat(StartValues.of(session.document().track(), Dial.LEVEL)).isEqualTo(50);
    session.editing().undo();
    assertThat(player.dials.get("0 7")).isEqualTo(100);
    assertThat(TrackDials.words(Dial.LEVEL, 100)).isEqualTo("\u22124.2 dB");
    assertThat(TrackDials.words(Dial.PAN, 60)).isEqualTo("left 4");
    session.run().recordOrStop();
    dials.turn(id(0), Dial.LEVEL, 20);
    dials.letGo();
    assertThat(player.dials.get("0 7")).as("while recording it goes back").isEqualTo(100);
    session.run().stop();
  }

  @Test
  void a_track_is_soloed_alone_and_the_only_solo_that_is_removed_lets_all_be_heard() {
    session.tracks().solo(id(1));
    session.tracks().soloAlone(id(0));
    assertThat(session.song().tracks().stream().map(Track::solo))
        .containsExactly(true, false, false, false);
    session.tracks().remove(id(0));
    assertThat(said()).contains("all are heard now");
    session.editing().undo();
    session.tracks().soloAlone(id(0));
    assertThat(session.song().tracks()).noneMatch(Track::solo);
  }

  @Test
  void tracks_are_added_removed_moved_and_named_and_the_one_that_records_stays() {
    session.tracks().add(ORGAN);
    assertThat(names()).isEqualTo("Lamps Hull Deckhands Fog Track 5");
    assertThat(player.planned.get(4)).isEqualTo(ORGAN);
    session.tracks().move(-4);
    session.tracks().rename(session.document().track().id(), " Harbour bell ");
    assertThat(names()).isEqualTo("Harbour bell Lamps Hull Deckhands Fog");
    session.tracks().rename(session.document().track().id(), "  ");
    assertThat(said()).contains("needs a name");
    session.tracks().rename(session.document().track().id(), "x".repeat(301));
    assertThat(session.document().track().name()).hasSize(TrackEdits.LONGEST_NAME);
    session.run().recordOrStop();
    session.tracks().remove();
    assertThat(said()).contains("Stop recording first");
    session.run().stop();
    session.tracks().remove();
    assertThat(names()).isEqualTo("Lamps Hull Deckhands Fog");
    session.editing().undo();
    assertThat(names()).endsWith("Lamps Hull Deckhands Fog");
    assertThat(player.planned.get(4)).as("its part").isEqualTo(ORGAN);
  }

  @Test
  void a_folded_group_is_one_for_who_goes_from_track_to_track() {
    session.document().chooseTrack(id(2));
    session.tracks().group(id(2));
    session.tracks().fold(id(2));
    assertThat(session.document().track().name()).isEqualTo("Hull");
    session.tracks().step(1);
    assertThat(session.document().track().name()).isEqualTo("Fog");
    session.tracks().step(-1);
    session.tracks().renameGroup("Hull", "Below deck");
    assertThat(TrackEdits.group(session.song(), "Below deck")).hasSize(2);
  }
}

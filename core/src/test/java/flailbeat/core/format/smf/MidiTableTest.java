package flailbeat.core.format.smf;

import static flailbeat.core.format.smf.Midi.control;
import static flailbeat.core.format.smf.Midi.exclusive;
import static flailbeat.core.format.smf.Midi.file;
import static flailbeat.core.format.smf.Midi.imported;
import static flailbeat.core.format.smf.Midi.meta;
import static flailbeat.core.format.smf.Midi.notes;
import static flailbeat.core.format.smf.Midi.off;
import static flailbeat.core.format.smf.Midi.on;
import static flailbeat.core.format.smf.Midi.program;
import static flailbeat.core.format.smf.Midi.raw;
import static flailbeat.core.format.smf.Midi.throughSong;
import static flailbeat.core.format.smf.Midi.track;
import static flailbeat.core.format.smf.Midi.words;
import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.format.smf.SmfFile.SmfTrack;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.sound.Instrument;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * The rows of docs/midi-files.md: what comes through, what is changed and told, what is refused.
 */
class MidiTableTest extends MidiTableRig {
  @Test
  void bank_and_program_changes_stay_at_their_tick_in_their_order() {
    assertComesThrough(
        track(
            control(10, 0, 1),
            control(10, 32, 5),
            program(10, 0, 40),
            on(20, 60, 90),
            off(40, 60, 64),
            control(50, 0, 2),
            program(50, 0, 41),
            on(60, 60, 90),
            off(80, 60, 64)));
  }

  @Test
  void a_program_is_not_made_up_and_one_of_the_channel_in_another_track_is_heard() {
    SmfFile file = file(960, track(program(0, 0, 48)), track(on(0, 60, 90), off(100, 60, 64)));
    Song song = imported(file).song();
    assertThat(song.tracks()).extracting(Track::instrument).containsOnly(Instrument.melodic(48));
    SmfFile back = SmfExport.of(song);
    assertThat(words(back.tracks().get(0))).containsExactly("0 C0 48 0");
    assertThat(words(back.tracks().get(1))).noneMatch(w -> w.contains(" C0 "));
    Song changed = SongEdits.setInstrument(song, song.tracks().get(0).id(), Instrument.melodic(11));
    assertThat(words(SmfExport.of(changed).tracks().get(0)))
        .as("a sound that is chosen takes the first program's place")
        .containsExactly("0 C0 11 0");
  }

  @Test
  void release_velocity_belongs_to_its_note() {
    assertComesThrough(track(on(0, 60, 90), off(100, 60, 17), on(200, 62, 1), off(300, 62, 127)));
  }

  @Test
  void silence_before_the_end_ports_text_and_system_exclusive_come_through() {
    SmfTrack track =
        new SmfTrack(
            List.of(
                meta(0, 0x21, "01"),
                meta(5, 0x01, "48C3A9"),
                exclusive(7, "7E7F0901F7"),
                meta(8, 0x7F, "0102"),
                on(10, 60, 90),
                off(20, 60, 64),
                meta(30, 0x05, "6C61"),
                meta(40, 0x06, "4D")),
            5000);
    assertComesThrough(track);
  }

  @Test
  void a_track_of_several_channels_stays_one_with_its_port() {
    SmfTrack both =
        track(
            meta(0, 0x21, "02"),
            on(0, 60, 90),
            SmfEvent.channel(0, 0x91, 62, 90),
            off(9, 60, 64),
            SmfEvent.channel(9, 0x81, 62, 64));
    SmfFile back = throughSong(file(960, both));
    assertThat(words(back.tracks().get(0))).isEqualTo(words(both));
    assertThat(back.tracks()).hasSize(1);
  }

  /** Latin-1 for "Möwe", which is no UTF-8. */
  @Test
  void names_keep_their_bytes_and_second_names_are_kept_too() {
    SmfTrack track =
        track(
            meta(0, 0x03, "4DF67765"), on(0, 60, 90), off(9, 60, 64), meta(10, 0x03, "4769736368"));
    SmfFile back = throughSong(file(960, track(meta(0, 0x03, "53EE")), track));
    assertThat(back.tracks().get(1).events())
        .filteredOn(e -> e.isMeta(0x03))
        .extracting(e -> e.tick() + " " + e.payload())
        .containsExactly("0 4df67765", "10 4769736368");
    assertThat(imported(file(960, track)).song().tracks().get(0).name()).isEqualTo("M\u00f6we");
    assertThat(back.tracks().get(0).events().get(0).payload()).hasToString("53ee");
  }

  @Test
  void a_meter_keeps_its_clocks() {
    SmfFile back =
        throughSong(file(960, track(meta(0, 0x58, "06032408"), on(0, 60, 9), off(9, 60, 64))));
    assertThat(words(back.tracks().get(0))).contains("0 FF 58 06032408");
  }

  @Test
  void tempos_that_are_none_and_strange_meters_are_left_out_and_told() {
    SmfImport made =
        imported(
            file(
                960,
                track(
                    meta(0, 0x51, "000000"),
                    meta(0, 0x58, "28020808"),
                    meta(960, 0x51, "0927C0"),
                    on(0, 60, 90),
                    off(9, 60, 64))));
    assertThat(made.song().tempos().changes()).hasSize(2);
    assertThat(made.remarks())
        .contains(
            "1 tempo that is none was left out",
            "1 time signature outside 1/1 to 32/32 was left out");
  }

  @Test
  void what_960_cannot_hold_is_told_and_so_are_notes_of_no_length() {
    SmfImport fine =
        imported(file(1000, track(on(1, 60, 90), off(25, 60, 64), on(30, 62, 9), off(30, 62, 64))));
    assertThat(fine.remarks())
        .contains("1 note of no length is one tick long here")
        .anyMatch(r -> r.matches("\\d+ times lie between two 960ths .*"));
    assertThat(imported(file(480, track(on(1, 60, 90), off(25, 60, 64)))).remarks()).isEmpty();
  }

  /** Of 1,000 to a quarter note, 25 is 24 of 960, and 1 lies between. */
  @Test
  void each_time_that_960_cannot_hold_is_counted_once() {
    SmfTrack tempo = track(meta(1, 0x51, "0927C0"), on(25, 60, 90), off(50, 60, 64));
    assertThat(imported(file(1000, tempo)).remarks())
        .containsExactly("1 time lies between two 960ths of a quarter note and went to the nearer");
    SmfTrack turned = track(on(1, 60, 90), program(1, 0, 3), off(50, 60, 64));
    assertThat(imported(file(1000, turned)).remarks())
        .as("in an order of its own")
        .containsExactly("2 times lie between two 960ths of a quarter note and went to the nearer");
  }

  @Test
  void running_status_does_not_go_on_behind_the_filler_of_a_long_gap() throws Exception {
    long far = VarLen.LARGEST + 1000;
    SmfFile file =
        file(
            960,
            track(
                on(0, 60, 64),
                off(10, 60, 64),
                on(20, 62, 64),
                on(far + 20, 64, 64),
                off(far + 30, 64, 64)));
    SmfReading back = SmfReader.read(Midi.bytes(file));
    assertThat(back.isSound()).isTrue();
    assertThat(back.file().tracks().get(0).events()).filteredOn(SmfEvent::isNoteOn).hasSize(3);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "0|1E0|00903C40 60803C40|no end mark|1",
        "0|1E0|00903C40 60803C40 00FF2F00 0102|2 bytes after its end mark|1",
        "0|1E0|00903C40 60803C40 00FF2F00;00903E40 60803E40 00FF2F00|type 0 has one track|2",
        "1|1E0|;00903C40 60803C40 00FF2F00|no end mark|1",
        "1|1E0|00903C40 00FF0101 41 10 3E40 60803C40 00803E40 00FF2F00|status from before|2",
        "7|1E0|00903C40 60803C40 00FF2F00|type 7 is unknown|1"
      })
  void a_file_that_departs_from_the_standard_is_read_whole_and_told(
      int format, String division, String tracks, String said, int notes) throws Exception {
    SmfReading reading =
        SmfReader.read(raw(format, Integer.parseInt(division, 16), tracks.split(";", -1)));
    assertThat(reading.isSound()).isFalse();
    assertThat(reading.isWhole()).as("nothing is lost").isTrue();
    assertThat(reading.departures()).anyMatch(d -> d.contains(said));
    assertThat(imported(reading.file()).song().noteCount()).isEqualTo(notes);
  }

  @Test
  void a_header_of_unknown_length_or_count_loses_no_track() throws Exception {
    byte[] bytes = raw(1, 480, "00903C4060803C4000FF2F00");
    bytes[7] = 99;
    bytes[11] = 5;
    SmfReading reading = SmfReader.read(bytes);
    assertThat(reading.isWhole()).isTrue();
    assertThat(reading.departures()).hasSize(2);
    assertThat(imported(reading.file()).song().noteCount()).isEqualTo(1);
  }

  @Test
  void patterns_of_type_2_come_one_after_another_each_with_its_tempo() throws Exception {
    SmfReading reading =
        SmfReader.read(
            raw(
                2,
                480,
                "00FF510307A120 00903C40 8360803C40 00FF2F00",
                "00FF51030927C0 00903E40 60803E40 00FF2F00",
                "00904040 60804040 00FF2F00"));
    SmfImport made = imported(reading.file());
    assertThat(notes(made.song())).containsExactly("0-960 60", "960-1152 62", "1152-1344 64");
    assertThat(made.song().tempos().tempoAt(959).bpm()).isEqualTo(120);
    assertThat(made.song().tempos().tempoAt(960).bpm()).isEqualTo(100);
    assertThat(made.song().tempos().tempoAt(1152).bpm()).as("it says none").isEqualTo(120);
    assertThat(made.remarks())
        .contains("type 2: its patterns come one after another, each with its tempo");
    SmfFile moved =
        SmfPatch.apply(reading.file(), made.song(), n -> n.standingAt(n.onset() + 48, 96)).file();
    assertThat(words(moved.tracks().get(1))).as("in its own pattern").contains("24 90 62 64");
  }

  /** 25 frames a second of 40 ticks each: a tick is a millisecond, 1.92 ticks of 960 at 120 bpm. */
  @Test
  void times_in_film_frames_last_as_long_as_they_did() throws Exception {
    SmfReading reading =
        SmfReader.read(raw(0, 0xE728, "8768903C40 876880 3C40 00FF2F00".replace(" ", "")));
    Song song = imported(reading.file()).song();
    Note note = song.tracks().get(0).notes().get(0);
    assertThat(song.tempos().nanosAt(note.onset()) / 1e6).isEqualTo(1000.0);
    assertThat(song.tempos().nanosAt(note.end()) / 1e6).isEqualTo(2000.0);
    assertThat(reading.departures()).anyMatch(d -> d.contains("film frames (25 a second)"));
  }

  @Test
  void chunks_of_unknown_kinds_stay_in_their_place_and_a_project_says_that_it_lacks_them()
      throws Exception {
    byte[] with =
        Midi.hex(
            "4D546864 00000006 0000 0001 01E0 58464948 00000002 0102"
                + "4D54726B 0000000C 0A903C4060803C4000FF2F00 58464B4D 00000001 07");
    SmfReading reading = SmfReader.read(with);
    assertThat(reading.isSound()).isTrue();
    assertThat(Midi.bytes(reading.file())).isEqualTo(with);
    Song song = imported(reading.file()).song();
    SmfFile moved = SmfPatch.apply(reading.file(), song, n -> n.standingAt(0, n.length())).file();
    assertThat(moved.others()).isEqualTo(reading.file().others()).hasSize(2);
    assertThat(imported(reading.file()).remarks())
        .containsExactly("2 chunks of unknown kinds are left out");
  }

  @Test
  void a_track_whose_tag_is_spoilt_is_a_loss_and_is_saved_where_it_reads_as_one() throws Exception {
    byte[] bytes =
        raw(1, 480, "00FF2F00", "00903C40 60803C40 00FF2F00", "00903E40 60803E40 00FF2F00");
    for (int bit = 0; bit < 5; bit++) {
      byte[] spoilt = bytes.clone();
      int second = 14 + 12;
      assertThat(spoilt[second + 3]).isEqualTo((byte) 'k');
      spoilt[second + 3] ^= (byte) (1 << bit);
      SmfReading reading = SmfReader.read(spoilt);
      assertThat(reading.isWhole()).as("bit %d", bit).isFalse();
      assertThat(notes(imported(reading.file()).song())).containsExactly("0-192 60", "0-192 62");
      assertThat(reading.file().others()).isEmpty();
    }
    byte[] unreadable = bytes.clone();
    unreadable[14 + 12 + 3] = 'j';
    unreadable[14 + 12 + 9] = 0x7F;
    SmfReading lost = SmfReader.read(unreadable);
    assertThat(lost.isWhole()).isFalse();
    assertThat(lost.describeDamage()).contains("stands for a missing track");
    assertThat(lost.describeLoss()).isEqualTo("lost: 12 bytes of track data");
  }

  @Test
  void a_file_wrapped_in_riff_is_read() throws Exception {
    byte[] plain = raw(0, 480, "00903C4060803C4000FF2F00");
    byte[] head = Midi.hex("52494646 00000000 524D4944 64617461 00000000");
    byte[] wrapped = Arrays.copyOf(head, head.length + plain.length);
    System.arraycopy(plain, 0, wrapped, head.length, plain.length);
    assertThat(SmfReader.read(wrapped).file()).isEqualTo(SmfReader.read(plain).file());
  }

  @Test
  void through_a_project_twice_the_second_and_third_files_are_the_same_bytes() throws Exception {
    List<SmfFile> all = new ArrayList<>(Samples.all());
    Collections.addAll(all, SmfExport.of(HarbourLamps.song()));
    for (SmfFile first : all) {
      SmfFile second = throughSong(first);
      SmfFile third = throughSong(second);
      assertThat(Midi.bytes(third)).isEqualTo(Midi.bytes(second));
      assertThat(throughSong(SmfReader.read(Midi.bytes(third)).file())).isEqualTo(third);
    }
  }

  /** Written to a folder, where .ci/run has midicsv and mido read them as well. */
  @Test
  void the_jdk_sees_the_same_notes_in_every_sample_and_in_what_is_exported_of_it()
      throws Exception {
    Path folder = Files.createDirectories(Path.of("target", "midi-samples"));
    List<SmfFile> all = Samples.all();
    for (int i = 0; i < all.size(); i++) {
      byte[] bytes = Midi.bytes(all.get(i));
      Files.write(folder.resolve("sample-" + i + ".mid"), bytes);
      int notes = Midi.song(bytes).noteCount();
      assertThat(jdkNotes(bytes)).isEqualTo(notes);
      assertThat(jdkNotes(Midi.bytes(throughSong(all.get(i))))).isEqualTo(notes);
    }
  }
}

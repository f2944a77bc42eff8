package flailbeat.core.format.smf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.format.FileFault;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.quantize.Nearest;
import flailbeat.core.quantize.QuantizePlan;
import flailbeat.core.quantize.QuantizeSettings;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.HexFormat;
import java.util.List;
import java.util.Random;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SmfTest {
  /**
   * The worked example of MMA RP-001, format 0 (from memory, says facts.md; its track length, 3B
   * hexadecimal, adds up, and the JDK's reader below sees the same notes).
   */
  private static final byte[] EXAMPLE =
      HexFormat.of()
          .parseHex(
              "4D54686400000006000000010060"
                  + "4D54726B0000003B"
                  + "00FF580404021808"
                  + "00FF510307A120"
                  + "00C00500C12E00C246"
                  + "00923060003C6060914340"
                  + "60904C208140823040003C40"
                  + "0081434000804C4000FF2F00");

  private static byte[] bytes(SmfFile file) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    SmfWriter.write(file, out);
    return out.toByteArray();
  }

  private static Song song(byte[] bytes) throws FileFault {
    return SmfImport.of(SmfReader.read(bytes).file(), "test").song();
  }

  private static byte[] cut(byte[] bytes, int length) {
    return java.util.Arrays.copyOf(bytes, length);
  }

  /** The table of MMA RP-001. */
  @ParameterizedTest
  @CsvSource({
    "00000000, 00",
    "00000040, 40",
    "0000007F, 7F",
    "00000080, 8100",
    "00002000, C000",
    "00003FFF, FF7F",
    "00004000, 818000",
    "00100000, C08000",
    "001FFFFF, FFFF7F",
    "00200000, 81808000",
    "08000000, C0808000",
    "0FFFFFFF, FFFFFF7F"
  })
  void variable_length_quantities_follow_the_table(String number, String bytes) throws Exception {
    long value = Long.parseLong(number, 16);
    Bytes out = new Bytes(4);
    VarLen.write(out, value);
    assertThat(HexFormat.of().withUpperCase().formatHex(out.toArray())).isEqualTo(bytes);
    String track = bytes + "903C40" + "00FF2F00";
    String file =
        "4D54686400000006000000010060" + "4D54726B" + "%08X".formatted(track.length() / 2) + track;
    SmfReading reading = SmfReader.read(HexFormat.of().parseHex(file));
    assertThat(reading.file().tracks().get(0).events().get(0).tick()).isEqualTo(value);
  }

  @Test
  void the_worked_example_is_read_as_the_standard_explains_it() throws Exception {
    SmfReading reading = SmfReader.read(EXAMPLE);
    assertThat(reading.damage()).isEmpty();
    Song song = song(EXAMPLE);
    assertThat(song.resolution()).isEqualTo(96);
    assertThat(song.tempos().tempoAt(0).bpm()).isEqualTo(120);
    assertThat(song.meters().meterAt(0)).hasToString("4/4");
    assertThat(song.tracks()).extracting(Track::channel).containsExactly(0, 1, 2);
    assertThat(song.tracks()).extracting(t -> t.instrument().program()).containsExactly(5, 46, 70);
    List<Note> third = song.tracks().get(2).notes();
    assertThat(third).extracting(Note::pitch).containsExactly(48, 60);
    assertThat(third).extracting(Note::velocity).containsOnly(96);
    assertThat(third).extracting(Note::length).containsOnly(3840L);
    assertThat(song.tracks().get(1).notes().get(0).onset()).isEqualTo(960);
    assertThat(song.tracks().get(0).notes().get(0).onset()).isEqualTo(1920);
  }

  @Test
  void the_jdk_reads_what_is_written_note_for_note() throws Exception {
    Song demo = HarbourLamps.song();
    Sequence sequence = sequence(bytes(SmfExport.of(demo)));
    assertThat(sequence.getResolution()).isEqualTo(960);
    assertThat(sequence.getTracks()).hasSize(5);
    for (int i = 0; i < 4; i++) {
      List<Note> notes = demo.tracks().get(i).notes();
      List<String> ons =
          ons(sequence.getTracks()[i + 1]).stream()
              .map(e -> e[0] + " " + e[1] + " " + e[2])
              .toList();
      assertThat(ons)
          .containsExactlyInAnyOrderElementsOf(
              notes.stream().map(n -> n.onset() + " " + n.pitch() + " " + n.velocity()).toList());
    }
  }

  private static Sequence sequence(byte[] bytes) throws IOException, InvalidMidiDataException {
    return MidiSystem.getSequence(new ByteArrayInputStream(bytes));
  }

  private static List<long[]> ons(javax.sound.midi.Track track) {
    java.util.ArrayList<long[]> result = new java.util.ArrayList<>();
    for (int i = 0; i < track.size(); i++) {
      if (track.get(i).getMessage() instanceof ShortMessage m
          && m.getCommand() == ShortMessage.NOTE_ON
          && m.getData2() > 0) {
        result.add(new long[] {track.get(i).getTick(), m.getData1(), m.getData2()});
      }
    }
    return result;
  }

  @Test
  void a_song_comes_back_from_its_file() throws Exception {
    Song demo = HarbourLamps.song();
    Song back = song(bytes(SmfExport.of(demo)));
    assertThat(back.title()).isEqualTo(demo.title());
    assertThat(back.tempos()).isEqualTo(demo.tempos());
    for (int i = 0; i < 4; i++) {
      Track was = demo.tracks().get(i);
      Track is = back.tracks().get(i);
      assertThat(is.name()).isEqualTo(was.name());
      assertThat(is.instrument()).isEqualTo(was.instrument());
      assertThat(is.notes())
          .usingRecursiveFieldByFieldElementComparatorOnFields(
              "pitch", "velocity", "onset", "length")
          .containsExactlyInAnyOrderElementsOf(was.notes());
    }
  }

  @Test
  void what_is_not_edited_is_carried_through() throws Exception {
    String track =
        "00FF030141" // name
            + "00FF59020100" // key signature
            + "00F0057E7F0901F7" // system exclusive
            + "00B00740" // volume
            + "00E00050" // bend
            + "00903C40"
            + "60C009" // program change
            + "0060" // stray running data is a second program change
            + "00803C40"
            + "00FF06044D61726B" // marker
            + "00FF2F00";
    byte[] file =
        HexFormat.of()
            .parseHex(
                "4D546864000000060000000101E0"
                    + "4D54726B"
                    + "%08X".formatted(track.length() / 2)
                    + track);
    Song song = song(file);
    Song back = song(bytes(SmfExport.of(song)));
    assertThat(back.resolution()).isEqualTo(480);
    Track was = song.tracks().get(0);
    assertThat(was.controls()).as("both program changes among them").hasSize(4);
    assertThat(song.carried()).hasSize(3);
    assertThat(back.tracks().get(0).controls()).isEqualTo(was.controls());
    assertThat(back.carried()).isEqualTo(song.carried());
  }

  /** A file cut anywhere is told to be damaged, and gives what stands before the cut. */
  @Test
  void a_file_cut_anywhere_is_never_taken_for_a_sound_one() throws Exception {
    byte[] whole = bytes(SmfExport.of(HarbourLamps.song()));
    int allNotes = HarbourLamps.song().noteCount();
    int saved = 0;
    for (int length = 0; length < whole.length; length += 7) {
      try {
        SmfReading reading = SmfReader.read(cut(whole, length));
        assertThat(reading.isSound()).as("cut at %d", length).isFalse();
        saved = SmfImport.of(reading.file(), "cut").song().noteCount();
        assertThat(saved).isLessThanOrEqualTo(allNotes);
      } catch (FileFault e) {
        assertThat(e.getMessage()).isNotBlank().doesNotContain("\n");
      }
    }
    assertThat(saved).as("cut at the very end").isGreaterThan(allNotes - 5);
  }

  @Test
  void random_damage_never_gives_anything_but_a_reading_or_a_fault() throws Exception {
    byte[] whole = bytes(SmfExport.of(HarbourLamps.song()));
    Random random = new Random(5);
    for (int round = 0; round < 2000; round++) {
      byte[] broken = whole.clone();
      for (int i = 0; i <= random.nextInt(6); i++) {
        broken[random.nextInt(broken.length)] = (byte) random.nextInt();
      }
      try {
        SmfReading reading = SmfReader.read(broken);
        SmfImport.of(reading.file(), "broken");
      } catch (FileFault e) {
        assertThat(e.getMessage()).isNotBlank();
      }
    }
  }

  @ParameterizedTest
  @CsvSource({
    "'', empty",
    "FFD8FFE000104A4649460001010000010001, no MIDI file",
    "4D54686400000006000000016728, no track",
    "4D5468640000000600000001E7004D54726B0000000400FF2F00, film frame",
    "4D54686400000006000000010000, no ticks",
    "4D54686400000006000100014D54726B, ''"
  })
  void what_cannot_be_read_at_all_is_refused_with_a_reason(String hex, String reason) {
    byte[] bytes = HexFormat.of().parseHex(hex.replace(" ", ""));
    assertThatThrownBy(() -> SmfReader.read(bytes))
        .isInstanceOf(FileFault.class)
        .hasMessageContaining(reason);
  }

  /** The JDK's reader drops a track whose chunk length is wrong without a word. */
  @Test
  void a_wrong_chunk_length_is_told_and_the_next_track_is_found() throws Exception {
    byte[] whole = bytes(SmfExport.of(HarbourLamps.song()));
    int second = indexOfTrack(whole, 1);
    whole[second + 7] += 40;
    SmfReading reading = SmfReader.read(whole);
    assertThat(reading.isSound()).isFalse();
    assertThat(reading.file().tracks()).hasSize(5);
    assertThat(SmfImport.of(reading.file(), "x").song().tracks()).hasSize(4);
  }

  private static int indexOfTrack(byte[] bytes, int index) {
    int seen = -1;
    for (int i = 0; i < bytes.length - 4; i++) {
      if (bytes[i] == 'M' && bytes[i + 1] == 'T' && bytes[i + 2] == 'r' && bytes[i + 3] == 'k') {
        seen++;
        if (seen == index) {
          return i;
        }
      }
    }
    throw new AssertionError("no track " + index);
  }

  @Test
  void notes_without_an_end_are_ended_and_told() throws Exception {
    byte[] file =
        HexFormat.of()
            .parseHex(
                "4D546864000000060000000100604D54726B0000000D00903C4060803E40"
                    + "6000FF2F00".substring(2));
    SmfImport made = SmfImport.of(SmfReader.read(file).file(), "x");
    assertThat(made.song().noteCount()).isEqualTo(1);
    assertThat(made.remarks()).anyMatch(r -> r.contains("no end"));
  }

  @Test
  void a_patch_moves_the_notes_and_nothing_else_even_at_a_fine_resolution() throws Exception {
    SmfFile coarse = SmfExport.of(HarbourLamps.song());
    List<SmfFile.SmfTrack> fine =
        coarse.tracks().stream()
            .map(
                t ->
                    new SmfFile.SmfTrack(
                        t.events().stream().map(e -> e.at(e.tick() * 8 + 3)).toList(),
                        t.endTick() * 8 + 3))
            .toList();
    SmfFile file = new SmfFile(1, 7680, fine);
    Song before = SmfImport.of(file, "x").song();
    Track lamps = before.tracks().get(0);
    QuantizePlan plan =
        new Nearest(QuantizeSettings.standard(), before.tempos(), before.meters())
            .plan(lamps.notes(), List.of());
    SmfFile patched = SmfPatch.apply(file, before, plan.mover()).file();
    for (int i : new int[] {0, 2, 3, 4}) {
      assertThat(patched.tracks().get(i)).isEqualTo(file.tracks().get(i));
    }
    assertThat(patched.tracks().get(1).events())
        .filteredOn(SmfEvent::isNoteOn)
        .hasSize(lamps.noteCount())
        .allMatch(e -> e.tick() % 1920 == 0);
    assertThat(SmfPatch.apply(file, before, n -> n).file()).isSameAs(file);
  }

  @Test
  void a_gap_longer_than_a_number_can_say_is_bridged() throws Exception {
    long far = VarLen.LARGEST + 1000;
    SmfFile file =
        new SmfFile(
            1,
            960,
            List.of(
                new SmfFile.SmfTrack(
                    List.of(
                        SmfEvent.channel(far, 0x90, 60, 64),
                        SmfEvent.channel(far + 10, 0x80, 60, 64)),
                    far + 10)));
    SmfReading back = SmfReader.read(bytes(file));
    assertThat(back.isSound()).isTrue();
    assertThat(back.file().tracks().get(0).events())
        .filteredOn(SmfEvent::isNoteOn)
        .extracting(SmfEvent::tick)
        .containsExactly(far);
  }
}

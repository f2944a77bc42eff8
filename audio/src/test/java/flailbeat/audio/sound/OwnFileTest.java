package flailbeat.audio.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import flailbeat.audio.TestSounds;
import flailbeat.audio.synth.Synth;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.model.sound.OwnPreset;
import java.io.IOException;
import java.io.InputStream;
import java.io.RandomAccessFile;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Sound files of the person's own, whatever is in them. Structure after SoundFont 2.04. */
class OwnFileTest {
  @TempDir Path folder;

  private Path good;
  private byte[] bytes;

  @BeforeEach
  void given() throws IOException {
    good = folder.resolve("Mine.sf2");
    try (InputStream in = Sound.playing(Instrument.melodic(80)).open()) {
      bytes = in.readAllBytes();
      Files.write(good, bytes);
    }
  }

  private void refused(byte[] content, String why) throws IOException {
    Path file = folder.resolve("bad.sf2");
    Files.write(file, content);
    assertThatThrownBy(() -> OwnFile.open(file))
        .isInstanceOf(SoundFileFault.class)
        .hasMessageContaining(why);
  }

  private int at(String chunk) {
    for (int i = 0; i < bytes.length - 4; i++) {
      if (new String(bytes, i, 4, java.nio.charset.StandardCharsets.ISO_8859_1).equals(chunk)) {
        return i;
      }
    }
    throw new AssertionError("no " + chunk);
  }

  private byte[] with(int place, int value) {
    byte[] changed = bytes.clone();
    ByteBuffer.wrap(changed).order(ByteOrder.LITTLE_ENDIAN).putInt(place, value);
    return changed;
  }

  @Test
  void what_cannot_be_used_is_told_with_what_to_do() throws IOException {
    refused(new byte[0], "the file is empty");
    refused("no sounds at all".getBytes(), "this is no SF2 file");
    refused(java.util.Arrays.copyOf(bytes, bytes.length / 2), "the file is cut off");
    refused(with(at("phdr") + 4, 0x7FFFFFF0), "its phdr is longer than what holds it");
    refused(with(at("phdr") + 4, 37), "its phdr is no whole table");
    refused(with(at("LIST") + 4, 0x7FFFFFF0), "a part of it is longer than the file");
    refused(with(at("shdr") + 8 + 24, 0x7FFFFFF0), "a sample lies beyond what it holds");
    byte[] compressed = bytes.clone();
    compressed[at("shdr") + 8 + 44] |= 0x10;
    refused(compressed, "this is an SF3 file");
    byte[] version3 = bytes.clone();
    version3[at("ifil") + 8] = 3;
    refused(version3, "this is an SF3 file");
    byte[] none = bytes.clone();
    int presets = at("phdr") + 8;
    for (int p = presets; p < at("pbag") - 38; p += 38) {
      none[p + 21] = 1;
    }
    refused(none, "the file has no presets");
    assertThatThrownBy(() -> OwnFile.open(folder)).hasMessageContaining("this is a folder");
  }

  /** Ten thousand flips of bytes: each is read or refused, and none does anything else. */
  @Test
  void whatever_bytes_are_wrong_it_is_read_or_refused() throws IOException {
    Random random = new Random(1);
    Path file = folder.resolve("bad.sf2");
    for (int i = 0; i < 300; i++) {
      byte[] changed = bytes.clone();
      for (int flips = 0; flips < 8; flips++) {
        changed[random.nextInt(changed.length)] = (byte) random.nextInt();
      }
      Files.write(file, changed);
      try {
        assertThat(OwnFile.open(file).instruments()).isNotEmpty();
      } catch (SoundFileFault e) {
        assertThat(e).hasMessageMatching("(?s)(the file|this) .+");
      }
    }
  }

  /** Larger than the heap of this test has room for twice: its samples stay where they are. */
  @Test
  void a_file_of_a_gigabyte_is_looked_into_at_once() throws IOException {
    byte[] head = bytes.clone();
    int samples = at("sdta") - 8;
    long more = 1L << 30;
    Path huge = folder.resolve("huge.sf2");
    ByteBuffer sizes = ByteBuffer.wrap(head).order(ByteOrder.LITTLE_ENDIAN);
    int sdtaEnd = samples + 8 + sizes.getInt(samples + 4);
    sizes.putInt(4, (int) (sizes.getInt(4) + more));
    sizes.putInt(samples + 4, (int) (sizes.getInt(samples + 4) + more));
    sizes.putInt(samples + 16, (int) (sizes.getInt(samples + 16) + more));
    try (RandomAccessFile file = new RandomAccessFile(huge.toFile(), "rw")) {
      file.write(head, 0, sdtaEnd);
      file.seek(sdtaEnd + more);
      file.write(head, sdtaEnd, head.length - sdtaEnd);
    }
    OwnFile open = OwnFile.open(huge);
    assertThat(open.instruments()).hasSize(2);
    plays(open, open.instruments().getFirst());
  }

  private static void plays(OwnFile file, Instrument instrument) throws IOException {
    SoundLibrary library = new SoundLibrary();
    library.add(file);
    try (Synth synth = new Synth(library)) {
      TestSounds.load(synth, instrument);
      synth.choose(0, instrument);
      synth.noteOn(0, 60, 100);
      float[] block = new float[2 * Synth.BLOCK_FRAMES];
      float peak = 0;
      for (int i = 0; i < 60; i++) {
        synth.render(block);
        for (float s : block) {
          peak = Math.max(peak, Math.abs(s));
        }
      }
      assertThat(peak).isGreaterThan(0.01f);
    }
  }

  @Test
  void its_presets_are_known_by_the_files_content_wherever_it_lies() throws IOException {
    OwnFile file = OwnFile.open(good);
    OwnFile moved = OwnFile.open(Files.copy(good, folder.resolve("other name.sf2")));
    assertThat(moved.fingerprint()).isEqualTo(file.fingerprint());
    bytes[bytes.length / 3] ^= 1;
    Files.write(folder.resolve("changed.sf2"), bytes);
    assertThat(OwnFile.open(folder.resolve("changed.sf2")).fingerprint())
        .isNotEqualTo(file.fingerprint());
    Instrument first = file.instruments().getFirst();
    assertThat(first.own().file()).isEqualTo("Mine.sf2");
    plays(file, first);
  }

  @Test
  void a_sound_that_nobody_has_is_played_by_the_nearest_of_ours_until_it_is_found()
      throws Exception {
    Instrument first = OwnFile.open(good).instruments().getFirst();
    SoundLibrary library = new SoundLibrary();
    assertThat(library.has(first)).isFalse();
    assertThat(library.played(first)).isEqualTo(Instrument.melodic(first.program()));
    library.add(OwnFile.open(good));
    assertThat(library.has(first)).isTrue();
    assertThat(library.prepare(first).bank()).isNotEqualTo(library.prepare(first.ours()).bank());
    OwnPreset gone = new OwnPreset("Mine.sf2", first.own().fingerprint(), 7, 7, "Gone");
    assertThatThrownBy(() -> library.prepare(new Instrument(7, false, gone)))
        .hasMessageContaining("has no preset Gone any more");
  }
}

package flailbeat.audio.wav;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import flailbeat.audio.TestSounds;
import flailbeat.audio.line.OutputLine;
import flailbeat.audio.sound.SoundLibrary;
import flailbeat.audio.synth.Feed;
import flailbeat.audio.synth.Renderer;
import flailbeat.audio.synth.Run;
import flailbeat.audio.synth.Synth;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.model.Song;
import flailbeat.core.playback.ClickTrack;
import flailbeat.core.playback.Plans;
import flailbeat.core.playback.PlaybackPlan;
import flailbeat.core.time.TickRange;
import flailbeat.core.work.Progress;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.stream.Stream;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What is heard, written: read again by the JDK's own reader. */
class WavSongsTest {
  private static final Song SONG = HarbourLamps.song();
  private static final TickRange BAR = new TickRange(3840, 2 * 3840);

  @TempDir Path folder;

  private static WavSongs wavs(int bits, int rate) {
    return new WavSongs(new WavSettings(bits, rate), new SoundLibrary());
  }

  private List<Path> files() throws IOException {
    try (Stream<Path> all = Files.list(folder)) {
      return all.sorted().toList();
    }
  }

  @Test
  void a_file_has_the_very_samples_that_play() throws Exception {
    Path file = folder.resolve("a.wav");
    wavs(24, 44_100).write(SONG, BAR, file, Progress.NONE);
    try (AudioInputStream in = AudioSystem.getAudioInputStream(file.toFile());
        Synth synth = TestSounds.synth()) {
      assertThat(in.getFormat().getSampleSizeInBits()).isEqualTo(24);
      Feed feed = new Feed();
      Renderer renderer = new Renderer(synth, feed);
      for (int part = 0; part < 4; part++) {
        TestSounds.load(synth, SONG.tracks().get(part).instrument());
        synth.choose(part, SONG.tracks().get(part).instrument());
      }
      long from = SONG.tempos().nanosAt(BAR.start());
      PlaybackPlan plan = PlaybackPlan.of(SONG, ClickTrack.NONE, 0);
      feed.setRun(new Run(Plans.always(plan), from, 0, Optional.empty()));
      byte[] unused = new byte[Synth.BLOCK_FRAMES * OutputLine.BYTES_PER_FRAME];
      for (int block = 0; block < 1000; block++) {
        renderer.render(block * Synth.BLOCK_FRAMES * 1_000_000_000L / 44_100, unused);
        byte[] read = in.readNBytes(6 * Synth.BLOCK_FRAMES);
        for (int i = 0; i < renderer.samples().length; i++) {
          int value = read[3 * i] & 255 | (read[3 * i + 1] & 255) << 8 | read[3 * i + 2] << 16;
          assertThat(value).isEqualTo((int) Math.round(renderer.samples()[i] * 8_388_607.0));
        }
      }
    }
  }

  /** TPDF dither: no step is lost in the mean, and noise has a variance of a quarter of step². */
  @Test
  void sixteen_bits_are_dithered() {
    float[] samples = new float[200_000];
    java.util.Arrays.fill(samples, 10.3f / 32_767);
    byte[] bytes = new byte[2 * samples.length];
    new Pcm(16).write(samples, bytes);
    double sum = 0;
    double square = 0;
    for (int i = 0; i < samples.length; i++) {
      double off = (short) (bytes[2 * i] & 255 | bytes[2 * i + 1] << 8) - 10.3;
      assertThat(off).isBetween(-1.6, 1.6);
      sum += off;
      square += off * off;
    }
    assertThat(sum / samples.length).isCloseTo(0, within(0.01));
    assertThat(square / samples.length).as("rounding and noise").isCloseTo(0.25, within(0.01));
    new Pcm(24).write(new float[] {2, -2}, bytes);
    assertThat(List.of(bytes[0], bytes[2], bytes[3], bytes[5]))
        .as("held at the ends")
        .containsExactly((byte) 0xFF, (byte) 0x7F, (byte) 0, (byte) 0x80);
  }

  @Test
  void it_is_as_hoursas_the_stretch_and_its_tail_at_either_rate() throws Exception {
    for (int rate : WavSettings.RATES) {
      Path file = folder.resolve(rate + ".wav");
      wavs(16, rate).write(SONG, BAR, file, Progress.NONE);
      try (AudioInputStream in = AudioSystem.getAudioInputStream(file.toFile())) {
        assertThat(in.getFormat().getSampleRate()).isEqualTo(rate);
        double seconds = (double) in.getFrameLength() / rate;
        assertThat(seconds).as("2.5 s and what rings on").isBetween(2.8, 12.0);
        in.skipNBytes(in.available() - 400);
        for (byte b : in.readAllBytes()) {
          assertThat(Math.abs(b)).isLessThanOrEqualTo((byte) 2);
        }
      }
    }
  }

  @Test
  void each_track_apart_has_a_file_of_its_own() throws Exception {
    Song twice = SONG.mapTracks(t -> t.name().equals("Fog") ? t.withName("Hull") : t);
    wavs(16, 44_100).writeApart(twice, BAR, folder.resolve("x.wav"), Progress.NONE);
    assertThat(files())
        .extracting(f -> f.getFileName().toString())
        .containsExactly("x - Deckhands.wav", "x - Hull 2.wav", "x - Hull.wav", "x - Lamps.wav");
  }

  @Test
  void one_that_is_left_off_leaves_nothing_behind() throws Exception {
    Progress soon =
        done -> {
          if (done > 0.4) {
            throw new CancellationException();
          }
        };
    Path file = folder.resolve("a.wav");
    Files.writeString(file, "before");
    assertThatThrownBy(() -> wavs(16, 44_100).write(SONG, BAR, file, soon))
        .isInstanceOf(CancellationException.class);
    assertThat(files()).containsExactly(file);
    assertThat(Files.readString(file)).isEqualTo("before");
  }

  @Test
  void a_song_without_notes_is_refused_with_the_reason() {
    assertThatThrownBy(
            () ->
                wavs(16, 44_100)
                    .write(
                        Song.empty(),
                        SoundRender.whole(Song.empty()),
                        folder.resolve("a.wav"),
                        Progress.NONE))
        .hasRootCauseMessage("the song has no notes: there is nothing to be heard");
  }

  @Test
  void two_tracks_whose_names_differ_in_case_alone_or_are_hourshave_files_of_their_own() {
    Song song =
        SONG.mapTracks(
            t -> t.withName(t.noteCount() % 2 == 0 ? "BASS" : "bass" + "\u05d0".repeat(300)));
    assertThat(WavSongs.apart(song, folder.resolve("a.wav")))
        .extracting(f -> f.getFileName().toString().toLowerCase(Locale.ROOT))
        .doesNotHaveDuplicates()
        .allSatisfy(
            name -> assertThat(name.getBytes(StandardCharsets.UTF_8).length).isLessThan(255));
  }

  @Test
  void what_is_longer_than_a_wav_file_holds_is_refused_before_anything_is_written() {
    TickRange hours = new TickRange(0, SONG.tempos().tickAt(20_000_000_000_000L));
    assertThatThrownBy(
            () -> wavs(24, 48_000).write(SONG, hours, folder.resolve("a.wav"), Progress.NONE))
        .hasMessage(
            "that would be 5.6 hours, and a WAV file holds 4.1: write a loop, or fewer bits");
    assertThat(folder).isEmptyDirectory();
  }
}

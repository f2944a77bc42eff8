package flailbeat.audio.report;

import flailbeat.audio.sound.Sound;
import flailbeat.audio.sound.SoundLibrary;
import flailbeat.audio.synth.Feed;
import flailbeat.audio.synth.Renderer;
import flailbeat.audio.synth.Synth;
import flailbeat.audio.wav.SoundRender;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.model.sound.Mix.Dial;
import flailbeat.core.playback.Parts;
import flailbeat.core.playback.PlaybackPlan;
import flailbeat.core.time.TickRange;
import flailbeat.core.work.Progress;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/**
 * Measures what sounds cost: how soon one that is chosen is heard, what sixteen take in memory,
 * what 64 tracks cost whose dials are turned, how fast a sound file is made. Run as
 * docs/performance.md says.
 */
public final class SoundsReport {
  private static final double MS = 1e6;

  private SoundsReport() {}

  public static void main(String[] args) throws IOException {
    chosen();
    memory();
    dials();
    files();
  }

  private static void chosen() throws IOException {
    SoundLibrary library = new SoundLibrary();
    List<Double> first = new ArrayList<>();
    List<Double> second = new ArrayList<>();
    try (Synth synth = new Synth(library)) {
      for (int round = 0; round < 2; round++) {
        for (Sound sound : Sound.all()) {
          (round == 0 ? first : second).add(untilHeard(synth, sound.instrument()));
        }
      }
    }
    say("chosen until heard, first time", first);
    say("chosen until heard, again", second);
  }

  /** From choosing a sound until a key that is struck right then is in the stream, in ms. */
  private static double untilHeard(Synth synth, Instrument instrument) throws IOException {
    float[] block = new float[2 * Synth.BLOCK_FRAMES];
    long begun = System.nanoTime();
    synth.load(instrument);
    synth.chooseLive(0, instrument);
    int pitch = instrument.kit() ? 38 : 48;
    synth.noteOn(Synth.LIVE, pitch, 100);
    boolean heard = false;
    for (int b = 0; b < 400 && !heard; b++) {
      synth.render(block);
      for (float s : block) {
        heard |= Math.abs(s) > 1e-4;
      }
    }
    double took = (System.nanoTime() - begun) / MS;
    synth.silence();
    for (int b = 0; b < 40; b++) {
      synth.render(block);
    }
    return took;
  }

  private static void memory() throws IOException {
    SoundLibrary library = new SoundLibrary();
    try (Synth synth = new Synth(library)) {
      for (int i = 0; i < 16; i++) {
        synth.load(Instrument.melodic(8 * i));
      }
      System.gc();
      Runtime runtime = Runtime.getRuntime();
      System.out.printf(
          Locale.ROOT,
          "16 sounds, one of each family: %.0f MB of heap in use in all%n",
          (runtime.totalMemory() - runtime.freeMemory()) / 1e6);
    }
  }

  private static void dials() throws IOException {
    SoundLibrary library = new SoundLibrary();
    for (boolean turns : new boolean[] {false, true}) {
      try (Synth synth = new Synth(library)) {
        Feed feed = new Feed();
        Renderer renderer = new Renderer(synth, feed);
        synth.load(Instrument.melodic(0));
        for (int part = 0; part < Parts.MOST; part++) {
          synth.choose(part, Instrument.melodic(0));
          if (part % 4 == 0) {
            feed.live().offer(PlaybackPlan.noteOn(part, 48 + part / 4, 80));
          }
        }
        byte[] block = new byte[4 * Synth.BLOCK_FRAMES];
        List<Double> took = new ArrayList<>();
        for (int b = 0; b < 3000; b++) {
          long begun = System.nanoTime();
          for (int part = 0; turns && part < Parts.MOST; part++) {
            Dial dial = Dial.values()[(b + part) % Dial.values().length];
            int number = dial.controller().number();
            feed.live().offerDial(PlaybackPlan.message(part, 0xB0, number, b % 128));
          }
          renderer.render(b * 2_267_573L, block);
          if (b >= 1000) {
            took.add((System.nanoTime() - begun) / MS);
          }
        }
        say("a block of 2.27 ms, 64 tracks, 16 notes, a dial of each turned: " + turns, took);
      }
    }
  }

  private static void files() throws IOException {
    Song song = Song.empty();
    for (int i = 1; i < 4; i++) {
      song = SongEdits.addTrack(song, Instrument.melodic(16 * i));
    }
    long end = 960L * 2 * 60;
    for (int i = 0; i < 16; i++) {
      NewNote note = new NewNote(48 + i, 90, new Played(0, end));
      song = NoteEdits.add(song, song.tracks().get(i % 4).id(), List.of(note), new TickRange(0, 0));
    }
    for (int round = 0; round < 3; round++) {
      long begun = System.nanoTime();
      long frames =
          SoundRender.render(
              song, SoundRender.whole(song), 44_100, new SoundLibrary(), s -> {}, Progress.NONE);
      double seconds = (System.nanoTime() - begun) / 1e9;
      System.out.printf(
          Locale.ROOT,
          "a sound file of %.0f s with 16 voices: %.2f s, %.0f times as fast as it plays%n",
          frames / 44_100.0,
          seconds,
          frames / 44_100.0 / seconds);
    }
  }

  private static void say(String what, List<Double> ms) {
    double[] all = ms.stream().mapToDouble(d -> d).sorted().toArray();
    System.out.printf(
        Locale.ROOT,
        "%s: p50 %.2f, p95 %.2f, most %.2f ms%n",
        what,
        all[all.length / 2],
        all[(int) (all.length * 0.95)],
        Arrays.stream(all).max().orElse(0));
  }
}

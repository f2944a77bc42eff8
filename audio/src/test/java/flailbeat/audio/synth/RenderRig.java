package flailbeat.audio.synth;

import flailbeat.audio.TestSounds;
import flailbeat.audio.line.OutputLine;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.NewControl;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.control.Control;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.playback.ClickTrack;
import flailbeat.core.playback.Plans;
import flailbeat.core.playback.PlaybackPlan;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.AfterEach;

/** Renders blocks without a line: time is what the frames say. */
abstract class RenderRig {
  static final double BLOCK_MS = 1000.0 * Synth.BLOCK_FRAMES / OutputLine.FRAME_RATE;

  final Synth synth = TestSounds.synth();
  final Feed feed = new Feed();
  final Renderer renderer = new Renderer(synth, feed);
  final byte[] block = new byte[Synth.BLOCK_FRAMES * OutputLine.BYTES_PER_FRAME];
  long frames;

  @AfterEach
  void close() {
    synth.close();
  }

  void choose(Instrument instrument) {
    TestSounds.load(synth, instrument);
    synth.choose(instrument.kit() ? Track.DRUM_CHANNEL : 0, instrument);
  }

  /** Renders so many ms and gives the left channel. */
  float[] render(double ms) {
    int blocks = (int) Math.ceil(ms / BLOCK_MS);
    float[] left = new float[blocks * Synth.BLOCK_FRAMES];
    for (int b = 0; b < blocks; b++) {
      renderer.render(frames * 1_000_000_000L / OutputLine.FRAME_RATE, block);
      frames += Synth.BLOCK_FRAMES;
      for (int i = 0; i < Synth.BLOCK_FRAMES; i++) {
        left[b * Synth.BLOCK_FRAMES + i] = renderer.samples()[2 * i];
      }
    }
    return left;
  }

  static int firstSound(float[] samples, float level) {
    for (int i = 0; i < samples.length; i++) {
      if (Math.abs(samples[i]) > level) {
        return i;
      }
    }
    return -1;
  }

  static double peak(float[] samples) {
    double peak = 0;
    for (float s : samples) {
      peak = Math.max(peak, Math.abs(s));
    }
    return peak;
  }

  void noteOn(int channel, int pitch, int velocity) {
    feed.live().offer(PlaybackPlan.noteOn(channel, pitch, velocity));
  }

  void noteOff(int channel, int pitch) {
    feed.live().offer(PlaybackPlan.noteOff(channel, pitch));
  }

  /** The frequency near one at which a tone has most of its energy, by correlating with sines. */
  static double strongestNear(float[] tone, double hertz) {
    double best = 0;
    double bestPower = -1;
    for (double cents = -60; cents <= 60; cents += 2) {
      double f = hertz * Math.pow(2, cents / 1200);
      double re = 0;
      double im = 0;
      for (int i = 0; i < tone.length; i++) {
        double window = Math.sin(Math.PI * i / tone.length);
        double phase = 2 * Math.PI * f * i / OutputLine.FRAME_RATE;
        re += window * tone[i] * Math.cos(phase);
        im += window * tone[i] * Math.sin(phase);
      }
      double power = re * re + im * im;
      if (power > bestPower) {
        bestPower = power;
        best = f;
      }
    }
    return best;
  }

  Run cue(PlaybackPlan plan, long songNanos, long inMs) {
    long at = frames * 1_000_000_000L / OutputLine.FRAME_RATE + inMs * 1_000_000;
    Run run = new Run(Plans.always(plan), songNanos, at, Optional.empty());
    feed.setRun(run);
    return run;
  }

  static Song song(NewNote... notes) {
    return NoteEdits.add(
        Song.empty(), Song.empty().tracks().get(0).id(), List.of(notes), new TickRange(0, 0));
  }

  /** The frames at which sound begins after silence. */
  static List<Integer> onsets(float[] samples, double quietMs) {
    List<Integer> found = new ArrayList<>();
    int quiet = (int) (quietMs * OutputLine.FRAME_RATE / 1000);
    int silentFor = quiet;
    for (int i = 0; i < samples.length; i++) {
      boolean sounds = Math.abs(samples[i]) > 1e-3;
      if (sounds && silentFor >= quiet) {
        found.add(i);
      }
      silentFor = sounds ? 0 : silentFor + 1;
    }
    return found;
  }

  /** How many frames from a place a stroke is found: where it is most like itself. */
  static int shift(float[] stroke, float[] stream, int place) {
    int best = 0;
    double most = 0;
    for (int by = -150; by <= Math.min(150, stream.length - place - stroke.length); by++) {
      double sum = 0;
      for (int i = 0; i < stroke.length; i += 2) {
        sum += stroke[i] * stream[place + by + i];
      }
      if (sum > most) {
        most = sum;
        best = by;
      }
    }
    return best;
  }

  static int demo() {
    Song song = HarbourLamps.song();
    Synth own = TestSounds.synth();
    Feed ownFeed = new Feed();
    Renderer ownRenderer = new Renderer(own, ownFeed);
    for (int part = 0; part < song.tracks().size(); part++) {
      Instrument sound = song.tracks().get(part).instrument();
      TestSounds.load(own, sound);
      own.choose(part, sound);
    }
    ownFeed.setRun(
        new Run(Plans.always(PlaybackPlan.of(song, ClickTrack.NONE, 0)), 0, 0, Optional.empty()));
    byte[] block = new byte[Synth.BLOCK_FRAMES * OutputLine.BYTES_PER_FRAME];
    int hash = 1;
    for (long b = 0; b < 2000; b++) {
      long at = b * Synth.BLOCK_FRAMES * 1_000_000_000L / OutputLine.FRAME_RATE;
      ownRenderer.render(at, block);
      hash = 31 * hash + Arrays.hashCode(block);
    }
    own.close();
    return hash;
  }

  /** A held note under a bend that sways all the time. */
  static Song swaying() {
    Song song = song(new NewNote(60, 100, new Played(0, 19_200)));
    List<NewControl> bends = new ArrayList<>();
    for (int i = 0; i < 40_000; i++) {
      int value = 8192 + (int) (4000 * Math.sin(i / 50.0));
      bends.add(new NewControl(i / 4, Control.bend(value)));
    }
    return SongEdits.addControls(song, song.tracks().get(0).id(), bends);
  }

  static Song withANoteFarOff(Song song) {
    NewNote far = new NewNote(40, 90, new Played(30_000 + song.noteCount() * 500L, 100_000));
    return NoteEdits.add(song, song.tracks().get(0).id(), List.of(far), new TickRange(0, 0));
  }

  /** 4.5 s of a song on a synthesizer of its own, edited every 100 ms. */
  static float[] streamOf(Song song, UnaryOperator<Song> edit) {
    RendererTest rig = new RendererTest();
    rig.choose(TestSounds.SQUARE_LEAD);
    Run run = rig.cue(PlaybackPlan.of(song, ClickTrack.NONE, 0), 0, 0);
    float[] piece = rig.render(100);
    float[] whole = new float[45 * piece.length];
    Song now = song;
    for (int i = 0; i < 45; i++) {
      System.arraycopy(piece, 0, whole, i * piece.length, piece.length);
      now = edit.apply(now);
      run.setPlans(Plans.always(PlaybackPlan.of(now, ClickTrack.NONE, 0)));
      piece = rig.render(100);
    }
    rig.close();
    return whole;
  }
}

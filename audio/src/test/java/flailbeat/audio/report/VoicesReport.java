package flailbeat.audio.report;

import flailbeat.audio.TestSounds;
import flailbeat.audio.line.OutputLine;
import flailbeat.audio.synth.Feed;
import flailbeat.audio.synth.Renderer;
import flailbeat.audio.synth.Synth;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.playback.PlaybackPlan;
import java.util.Arrays;
import java.util.Locale;

/**
 * How long a block takes that holds as many voices as the synthesizer has: what share of its 2.27
 * ms. docs/performance.md tells how to run it, and with which compilers.
 */
public final class VoicesReport {
  private VoicesReport() {}

  public static void main(String[] args) {
    int notes = Integer.parseInt(args[0]);
    Synth synth = TestSounds.synth();
    Feed feed = new Feed();
    Renderer renderer = new Renderer(synth, feed);
    Instrument[] sounds = {
      TestSounds.STRINGS, TestSounds.WARM_PAD, TestSounds.DRAWBAR_ORGAN, TestSounds.SQUARE_LEAD
    };
    for (int part = 0; part < sounds.length; part++) {
      TestSounds.load(synth, sounds[part]);
      synth.choose(part, sounds[part]);
    }
    for (int i = 0; i < notes; i++) {
      feed.live().offer(PlaybackPlan.noteOn(i % sounds.length, 36 + i / sounds.length, 80));
    }
    byte[] block = new byte[Synth.BLOCK_FRAMES * OutputLine.BYTES_PER_FRAME];
    double[] ms = new double[4000];
    for (int i = 0; i < ms.length; i++) {
      long before = System.nanoTime();
      renderer.render(before, block);
      ms[i] = (System.nanoTime() - before) / 1e6;
    }
    double[] late = Arrays.copyOfRange(ms, ms.length / 2, ms.length);
    Arrays.sort(late);
    System.out.printf(
        Locale.ROOT,
        "%d notes held: a block takes %.3f ms (p99 %.3f) of its 2.27 ms%n",
        notes,
        late[late.length / 2],
        late[late.length * 99 / 100]);
    synth.close();
  }
}

package flailbeat.audio.report;

import flailbeat.audio.TestSounds;
import flailbeat.audio.line.OutputLine;
import flailbeat.audio.synth.Feed;
import flailbeat.audio.synth.Renderer;
import flailbeat.audio.synth.Run;
import flailbeat.audio.synth.Synth;
import flailbeat.core.edit.NewControl;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.model.Song;
import flailbeat.core.model.control.Control;
import flailbeat.core.playback.ClickTrack;
import flailbeat.core.playback.Plans;
import flailbeat.core.playback.PlaybackPlan;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * How long a block takes in which a plan is joined, with few and with many bends before it, and one
 * in which none is: in turn, in one run. docs/performance.md tells how to run it.
 */
public final class JoinReport {
  private static final int TURNS = 400;
  private static final long FRAME_NANOS = 1_000_000_000L / OutputLine.FRAME_RATE;

  private final Synth synth = TestSounds.synth();
  private final Feed feed = new Feed();
  private final Renderer renderer = new Renderer(synth, feed);
  private final byte[] block = new byte[Synth.BLOCK_FRAMES * OutputLine.BYTES_PER_FRAME];
  private long frames;

  public static void main(String[] args) {
    int most = Integer.parseInt(args[0]);
    JoinReport report = new JoinReport();
    TestSounds.load(report.synth, TestSounds.SQUARE_LEAD);
    report.synth.choose(0, TestSounds.SQUARE_LEAD);
    report.measure(most);
    for (int bends : new int[] {100, most / 5, most}) {
      double[] joined = report.measure(bends);
      System.out.printf(
          Locale.ROOT,
          "%7d bends before: a block with a join %.3f ms (p99 %.3f), one without %.3f ms%n",
          bends,
          joined[0],
          joined[1],
          joined[2]);
    }
    report.synth.close();
  }

  /** Median and p99 of blocks with a join, and the median of blocks without, in ms. */
  private double[] measure(int bends) {
    PlaybackPlan one = plan(bends);
    PlaybackPlan other = plan(bends);
    long from = one.nanosAt(one.size() - 1);
    long at = frames * FRAME_NANOS;
    Run run = new Run(Plans.always(one), from, at, Optional.empty());
    feed.setRun(run);
    render();
    double[] joined = new double[TURNS];
    double[] plain = new double[TURNS];
    for (int i = 0; i < TURNS; i++) {
      plain[i] = render();
      run.setPlans(Plans.always(i % 2 == 0 ? other : one));
      joined[i] = render();
    }
    feed.setRun(null);
    render();
    Arrays.sort(joined);
    Arrays.sort(plain);
    return new double[] {joined[TURNS / 2], joined[TURNS * 99 / 100], plain[TURNS / 2]};
  }

  private double render() {
    long before = System.nanoTime();
    renderer.render(frames * FRAME_NANOS, block);
    frames += Synth.BLOCK_FRAMES;
    return (System.nanoTime() - before) / 1e6;
  }

  private static PlaybackPlan plan(int bends) {
    List<NewControl> points = new ArrayList<>();
    for (int i = 0; i < bends; i++) {
      points.add(new NewControl(i, Control.bend(8192 + i % 4000)));
    }
    Song song = Song.empty();
    return PlaybackPlan.of(
        SongEdits.addControls(song, song.tracks().get(0).id(), points), ClickTrack.NONE, 0);
  }
}

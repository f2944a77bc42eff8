package flailbeat.audio.wav;

import flailbeat.audio.line.OutputLine;
import flailbeat.audio.sound.SoundLibrary;
import flailbeat.audio.synth.Feed;
import flailbeat.audio.synth.Renderer;
import flailbeat.audio.synth.Run;
import flailbeat.audio.synth.Synth;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.playback.ClickTrack;
import flailbeat.core.playback.Parts;
import flailbeat.core.playback.Plans;
import flailbeat.core.playback.PlaybackPlan;
import flailbeat.core.time.TickRange;
import flailbeat.core.work.Progress;
import java.io.IOException;
import java.util.Optional;

/**
 * Renders a song faster than it plays, by the renderer that plays it: the same samples. It goes on
 * behind the end until nothing is heard any more.
 */
public final class SoundRender {
  private static final long NANOS = 1_000_000_000;

  /** What is below this is not heard: -90 dB. */
  private static final float SILENT = 3.2e-5f;

  private static final double QUIET_SECONDS = 0.3;

  /** No sound rings longer than this behind the end. */
  private static final int MOST_TAIL_SECONDS = 30;

  private SoundRender() {}

  /** Gets block after block. */
  @FunctionalInterface
  public interface Sink {
    /** Left and right in turn; the array is written anew afterwards. */
    void block(float[] samples) throws IOException;
  }

  /**
   * Renders a stretch of a song.
   *
   * @param range the stretch; what is held at its start sounds from there
   * @return how many frames there are
   * @throws IOException where a sound cannot be loaded, or the sink cannot take more
   */
  public static long render(
      Song song, TickRange range, int frameRate, SoundLibrary library, Sink sink, Progress progress)
      throws IOException {
    try (Synth synth = new Synth(library, frameRate)) {
      Parts parts = Parts.of(song);
      for (Track track : song.tracks()) {
        if (parts.of(track).isPresent() && track.noteCount() > 0) {
          synth.load(track.instrument());
          synth.choose(parts.of(track).getAsInt(), track.instrument());
        }
      }
      return new Job(synth, song, parts, range).run(sink, progress);
    }
  }

  /** The whole of a song, as far as notes and clips go: to the end of its last bar. */
  public static TickRange whole(Song song) {
    long end = song.end();
    return new TickRange(0, end == 0 ? 0 : song.meters().wholeBars(new TickRange(0, end)).end());
  }

  private static final class Job {
    private final Synth synth;
    private final Feed feed = new Feed();
    private final Renderer renderer;
    private final long startNanos;
    private final long endFrame;
    private final byte[] unused = new byte[Synth.BLOCK_FRAMES * OutputLine.BYTES_PER_FRAME];

    Job(Synth synth, Song song, Parts parts, TickRange range) {
      this.synth = synth;
      this.renderer = new Renderer(synth, feed);
      startNanos = song.tempos().nanosAt(range.start());
      long length = song.tempos().nanosAt(range.end()) - startNanos;
      endFrame = Math.ceilDiv(length * synth.frameRate(), NANOS);
      PlaybackPlan plan = PlaybackPlan.of(song, parts, ClickTrack.NONE, 0);
      feed.setRun(new Run(Plans.always(plan), startNanos, 0, Optional.empty()));
    }

    long run(Sink sink, Progress progress) throws IOException {
      long frames = 0;
      long quiet = 0;
      long mostFrames = endFrame + (long) MOST_TAIL_SECONDS * synth.frameRate();
      double rest = QUIET_SECONDS * synth.frameRate();
      while (frames < mostFrames && (frames < endFrame || quiet < rest)) {
        if (frames >= endFrame) {
          feed.setRun(null);
        }
        renderer.render(frames * NANOS / synth.frameRate(), unused);
        sink.block(renderer.samples());
        quiet = peak() < SILENT ? quiet + Synth.BLOCK_FRAMES : 0;
        frames += Synth.BLOCK_FRAMES;
        progress.at(Math.min(1, (double) frames / Math.max(1, endFrame)));
      }
      return frames;
    }

    private float peak() {
      float most = 0;
      for (float sample : renderer.samples()) {
        most = Math.max(most, Math.abs(sample));
      }
      return most;
    }
  }
}

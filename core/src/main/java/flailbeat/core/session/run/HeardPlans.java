package flailbeat.core.session.run;

import flailbeat.core.model.Song;
import flailbeat.core.playback.ClickTrack;
import flailbeat.core.playback.PlaybackPlan;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.document.Looping;
import flailbeat.core.time.TickRange;

/** Works out what is to be heard: of the song as it stands, with the click. */
final class HeardPlans {
  private static final int CLICK_BARS_AHEAD = 400;

  private final Document document;
  private final NoteTiming timing;
  private final Sweeper sweeper;
  private final Looping looping;

  HeardPlans(Document document, NoteTiming timing, Sweeper sweeper, Looping looping) {
    this.document = document;
    this.timing = timing;
    this.sweeper = sweeper;
    this.looping = looping;
  }

  /**
   * What is heard of a song from a tick on.
   *
   * @param click whether the click goes on after the count-in
   */
  PlaybackPlan from(Song song, long tick, long countInTicks, boolean click) {
    ClickTrack clicks =
        click || countInTicks > 0 ? clicks(tick, countInTicks, click) : ClickTrack.NONE;
    long startNanos = countInTicks > 0 ? song.tempos().nanosAt(tick) : 0;
    return PlaybackPlan.of(song, document.parts(), clicks, startNanos);
  }

  private ClickTrack clicks(long tick, long countInTicks, boolean goesOn) {
    Song song = document.song();
    long first = looping.active().map(r -> Math.min(r.start(), tick)).orElse(tick);
    long far = first + CLICK_BARS_AHEAD * song.meters().meterAt(first).ticksPerBar();
    long last = goesOn ? looping.active().map(TickRange::end).orElse(far) : tick;
    long from = Math.min(first, tick - countInTicks);
    return ClickTrack.between(from, last, song.tempos(), song.meters());
  }

  /** Another song with the same click. */
  PlaybackPlan of(Song song, ClickTrack clicks) {
    return PlaybackPlan.of(sweeper.swept(song), document.parts(), clicks, 0);
  }

  /** Clicks alone. */
  PlaybackPlan clicksAlone(TickRange range) {
    Song song = document.song();
    return PlaybackPlan.of(
        Song.empty(),
        ClickTrack.between(range.start(), range.end(), song.tempos(), song.meters()),
        song.tempos().nanosAt(range.start()));
  }

  /** A song without what is being swept. */
  Song swept(Song song) {
    return sweeper.swept(song);
  }

  /** The song with the notes in scope in one of their versions. */
  Song inVersion(NoteVersion version) {
    return timing.inVersion(swept(document.song()), version);
  }
}

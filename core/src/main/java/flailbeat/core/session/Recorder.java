package flailbeat.core.session;

import flailbeat.core.capture.Pass;
import flailbeat.core.capture.Rolling;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.event.Performed;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.TrackId;
import flailbeat.core.time.TickRange;
import flailbeat.core.transport.Transport;
import java.util.List;
import java.util.Optional;

/** Writes down what is played: onto a track while recording, and in passing at all times. */
final class Recorder {
  private final Document document;
  private final Changes changes;
  private final Rolling rolling = new Rolling();
  private Optional<Running> running = Optional.empty();

  private record Running(Pass pass, TrackId onto) {}

  Recorder(Document document, Changes changes) {
    this.document = document;
    this.changes = changes;
  }

  Optional<Pass> pass() {
    return running.map(Running::pass);
  }

  /** Starts a recording onto a track. */
  void begin(TrackId onto, long placeTick) {
    running = Optional.of(new Running(new Pass(document.song().tempos(), placeTick), onto));
  }

  /**
   * Takes in what was performed.
   *
   * @param run counts the transport's starts
   */
  void accept(Performed event, Transport transport, long run) {
    pass().ifPresent(p -> p.accept(event, transport.songNanosAt(event.atNanos())));
    rolling.accept(event, transport.isRunning() ? run : 0, transport.offsetNanos());
  }

  /** Ends the recording, if one runs, as one undo step; says what was recorded. */
  Optional<Notice> end(long songNanos) {
    Optional<Running> ended = running;
    running = Optional.empty();
    ended.ifPresent(r -> changes.fire(Aspect.PASS));
    return ended.map(r -> keep(r.pass(), r.onto(), songNanos));
  }

  private Notice keep(Pass finished, TrackId onto, long songNanos) {
    Song song = document.song();
    List<NewNote> notes = finished.finish(songNanos);
    String leftOut =
        finished.leftOut() == 0
            ? ""
            : "; left out " + Notice.notes(finished.leftOut()) + " from the count-in";
    if (notes.isEmpty() && finished.controls().isEmpty()) {
      return new Notice("Nothing was played, so nothing was recorded" + leftOut, false);
    }
    long first = finished.startTick();
    long last = Math.max(first, song.tempos().tickAt(songNanos));
    TickRange range = new TickRange(first, Math.min(last, lastEnd(notes)));
    document.edit(
        "Record " + Notice.notes(notes.size()),
        s ->
            SongEdits.addControls(NoteEdits.add(s, onto, notes, range), onto, finished.controls()));
    document.chooseClipAt(first);
    String name = document.song().track(onto).map(Track::name).orElse("");
    return new Notice("Recorded " + Notice.notes(notes.size()) + " onto " + name + leftOut, false);
  }

  /** Makes a clip of the last phrase played, recording or not, on the chosen track. */
  Notice keepPhrase(long placeTick, long nowNanos) {
    Song song = document.song();
    Rolling.Phrase phrase = rolling.lastPhrase(song.tempos(), placeTick, nowNanos);
    List<NewNote> notes = phrase.notes();
    if (notes.isEmpty()) {
      return new Notice(
          "Nothing was played in the last ten minutes, so there is nothing to keep", false);
    }
    Track track = document.track();
    long first = Math.max(0, notes.get(0).played().onset());
    TickRange range = new TickRange(first, Math.max(first, lastEnd(notes)));
    document.edit(
        "Keep " + Notice.notes(notes.size()), s -> NoteEdits.add(s, track.id(), notes, range));
    document.chooseClipAt(first);
    String where = phrase.inTime() ? "where they were played, from " : "at the song's tempo, from ";
    return new Notice(
        "Kept "
            + Notice.notes(notes.size())
            + " onto "
            + track.name()
            + ", "
            + where
            + song.meters().positionAt(first),
        false);
  }

  private static long lastEnd(List<NewNote> notes) {
    return notes.stream().mapToLong(n -> n.played().release()).max().orElse(0);
  }
}

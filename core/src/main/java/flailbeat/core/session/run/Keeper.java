package flailbeat.core.session.run;

import flailbeat.core.capture.Rolling;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.event.Performed;
import flailbeat.core.journal.JournalEntry;
import flailbeat.core.journal.JournalState;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.document.Notice;
import flailbeat.core.time.TickRange;
import flailbeat.core.transport.Transport;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Writes down in passing, at all times, what is played, so that it can be kept afterwards. */
final class Keeper {
  /** Longer than a silence within a phrase: what is played next is another. */
  private static final long BEFORE_NANOS = Rolling.SILENCE_NANOS + 1_000_000_000L;

  private final Document document;
  private final Rolling rolling = new Rolling();

  Keeper(Document document) {
    this.document = document;
  }

  /**
   * Takes in what was performed.
   *
   * @param run counts the transport's starts
   */
  void accept(Performed event, Transport transport, long run, long offsetNanos) {
    long shift = transport.unrolledAt(event.atNanos()) - event.atNanos() - offsetNanos;
    Rolling.Place place =
        transport.isRunning()
            ? new Rolling.Place(run, shift, transport.loop())
            : new Rolling.Place(0, 0, Optional.empty());
    rolling.accept(event, place);
    document.journal().put(new JournalEntry.Played(event, place));
  }

  /**
   * Takes in what was played before the program was ended, as if it had been played just now.
   *
   * @return by how much it is later by the present clock
   */
  long takeUp(JournalState journal, long nowNanos) {
    List<JournalEntry.Played> all = new ArrayList<>(journal.played());
    all.addAll(journal.recorded());
    if (all.isEmpty()) {
      return 0;
    }
    long last = all.getLast().event().atNanos();
    long later = nowNanos - BEFORE_NANOS - last;
    all.replaceAll(p -> p.later(later));
    all.forEach(p -> rolling.accept(p.event(), p.place()));
    rolling.releaseAll(nowNanos - BEFORE_NANOS);
    return later;
  }

  /** Makes a clip of the last phrase played, recording or not, on the chosen track. */
  Notice keepPhrase(long playStartTick, long nowNanos) {
    Song song = document.song();
    Rolling.Phrase phrase = rolling.lastPhrase(song.tempos(), playStartTick, nowNanos);
    List<NewNote> notes = phrase.notes();
    if (notes.isEmpty()) {
      return new Notice(
          "Nothing was played in the last ten minutes, so there is nothing to keep", false);
    }
    Track track = document.track();
    long first = notes.stream().mapToLong(NewNote::onset).min().orElseThrow();
    long last = notes.stream().mapToLong(n -> n.played().release()).max().orElseThrow();
    TickRange range = new TickRange(first, Math.max(first, last));
    document.edit(
        "Keep " + Notice.notes(notes.size()), s -> NoteEdits.add(s, track.id(), notes, range));
    document.chooseClipAt(first);
    String where = phrase.inTime() ? "where they were played, from " : "at the song's tempo, from ";
    String round = phrase.rounds() > 1 ? ", the last of " + phrase.rounds() + " rounds," : "";
    return new Notice(
        "Kept "
            + Notice.notes(notes.size())
            + round
            + " onto "
            + track.name()
            + ", "
            + where
            + song.meters().positionAt(first),
        false);
  }
}

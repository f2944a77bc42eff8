package flailbeat.core.session.lost;

import flailbeat.core.event.Performed;
import flailbeat.core.journal.JournalReading;
import flailbeat.core.journal.JournalState;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.session.Session;
import flailbeat.core.session.person.SongsAtHand;
import flailbeat.core.text.Counted;
import java.util.List;

/**
 * What a song that was lost will be once it is taken up.
 *
 * @param song with what a recording that was never ended had gathered
 * @param recorded how many notes of such a recording there are
 * @param played how many notes were played in the last minutes and neither recorded nor kept
 */
public record Recovered(JournalReading reading, Song song, int recorded, int played) {
  /** Works it out, in a session in which nothing is heard. */
  public static Recovered of(JournalReading reading) {
    JournalState state = reading.state();
    Session session = new Session(() -> 0, new Silence());
    int recorded = session.takeUp(state.copy());
    int played =
        (int) state.played().stream().filter(p -> p.event() instanceof Performed.NoteOn).count();
    return new Recovered(reading, session.song(), recorded, played);
  }

  /** When it was lost, in milliseconds since 1970. */
  public long lostMillis() {
    return reading.lastMillis();
  }

  /** How many steps can be taken back in it. */
  public int steps() {
    return reading.state().history().cursor() + (recorded > 0 ? 1 : 0);
  }

  /** What is in it, in a line: {@code 212 notes on 3 tracks, 0:48}. */
  public String words() {
    int notes = song.noteCount();
    long tracks = song.tracks().stream().filter(t -> t.noteCount() > 0).map(Track::id).count();
    String what =
        notes == 0
            ? "no notes"
            : Counted.of(notes, "note")
                + (tracks > 1 ? " on " + Counted.of((int) tracks, "track") : "")
                + ", "
                + SongsAtHand.length(song);
    List<String> more =
        List.of(
            recorded == 0
                ? ""
                : recorded == notes
                    ? "all being recorded just then"
                    : recorded + " being recorded just then",
            played > 0 ? Counted.of(played, "note") + " played and not kept yet" : "");
    return more.stream().filter(m -> !m.isEmpty()).reduce(what, (a, b) -> a + "; " + b);
  }
}

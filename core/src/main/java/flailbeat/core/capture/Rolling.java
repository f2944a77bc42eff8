package flailbeat.core.capture;

import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.event.Performed;
import flailbeat.core.model.Played;
import flailbeat.core.time.Loop;
import flailbeat.core.time.TempoMap;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The last ten minutes of what was played, recording or not, so that it can be kept afterwards. It
 * knows nothing of the song and so survives whatever happens to it. Memory is bounded: older notes
 * go as newer ones come, and more than {@value #MOST_NOTES} are never held.
 */
public final class Rolling {
  /** How far back it reaches. */
  public static final long SPAN_NANOS = 600_000_000_000L;

  /** A silence longer than this begins another phrase. */
  public static final long SILENCE_NANOS = 4_000_000_000L;

  private static final int MOST_NOTES = 50_000;
  private static final long HELD = Long.MAX_VALUE;

  /** How early before a loop's end a note is meant for the next round. */
  private static final long EARLY_NANOS = 60_000_000L;

  /**
   * Where the transport was.
   *
   * @param run which of its runs; 0 while it stood still
   * @param offsetNanos unrolled song time less clock time; of no meaning while it stood still
   * @param loop what it went round
   */
  public record Place(long run, long offsetNanos, Optional<Loop> loop) {}

  /** A note as it was struck; the release is {@link #HELD} while it is. */
  private record Struck(int pitch, int velocity, long onsetNanos, long releaseNanos, Place place) {
    Struck released(long atNanos) {
      return new Struck(pitch, velocity, onsetNanos, atNanos, place);
    }

    long run() {
      return place.run();
    }

    /** Which round of the loop it is meant for. */
    long turn() {
      return place
          .loop()
          .map(
              l ->
                  l.turn(
                      onsetNanos
                          + place.offsetNanos()
                          + Math.min(EARLY_NANOS, l.length() / EARLY_PART)))
          .orElse(0L);
    }

    /** Song time less clock time. */
    long shift() {
      return place.offsetNanos() - turn() * place.loop().map(Loop::length).orElse(0L);
    }
  }

  private static final int EARLY_PART = 8;

  private final Deque<Struck> done = new ArrayDeque<>();
  private final Map<Integer, Struck> held = new HashMap<>();

  /**
   * Takes in what was performed.
   *
   * @param place where the transport was
   */
  public void accept(Performed event, Place place) {
    switch (event) {
      case Performed.NoteOn on -> {
        end(on.pitch(), on.atNanos());
        held.put(on.pitch(), new Struck(on.pitch(), on.velocity(), on.atNanos(), HELD, place));
      }
      case Performed.NoteOff off -> end(off.pitch(), off.atNanos());
      default -> {
        // A phrase is its notes.
      }
    }
  }

  private void end(int pitch, long atNanos) {
    Struck note = held.remove(pitch);
    if (note != null) {
      done.addLast(note.released(Math.max(note.onsetNanos() + 1, atNanos)));
      while (done.size() > MOST_NOTES || done.peekFirst().releaseNanos() < atNanos - SPAN_NANOS) {
        done.removeFirst();
      }
    }
  }

  /** Ends what is held. */
  public void releaseAll(long atNanos) {
    List.copyOf(held.keySet()).forEach(pitch -> end(pitch, atNanos));
  }

  /** How many notes it holds. */
  public int size() {
    return done.size() + held.size();
  }

  /**
   * The last phrase: back to the last silence, or to where the transport began or stopped. Where a
   * loop was gone round, that of its last round in which anything was struck.
   *
   * @param tempos of the song that it shall go into
   * @param placeTick where its first note goes when the transport stood still
   * @param nowNanos the moment, at which notes still held end
   */
  public Phrase lastPhrase(TempoMap tempos, long placeTick, long nowNanos) {
    List<Struck> notes = lastNotes(nowNanos);
    if (notes.isEmpty()) {
      return new Phrase(List.of(), false, 0);
    }
    boolean inTime = notes.get(0).run() != 0;
    long shift = tempos.nanosAt(placeTick) - notes.get(0).onsetNanos();
    long lastTurn = notes.getLast().turn();
    List<NewNote> result = new ArrayList<>();
    for (Struck n : notes) {
      if (n.turn() == lastTurn) {
        long offset = inTime ? n.shift() : shift;
        long onset = tempos.tickAt(n.onsetNanos() + offset);
        Played played = Played.within(onset, tempos.tickAt(n.releaseNanos() + offset));
        result.add(new NewNote(n.pitch(), n.velocity(), played, Math.max(first(n, tempos), onset)));
      }
    }
    return new Phrase(
        result, inTime, (int) notes.stream().mapToLong(Struck::turn).distinct().count());
  }

  /** Before it no note can stand: the song's start, or that of a loop gone round before. */
  private static long first(Struck note, TempoMap tempos) {
    return note.turn() == 0 ? 0 : note.place().loop().map(l -> tempos.tickAt(l.start())).orElse(0L);
  }

  /** In order of onset. */
  private List<Struck> lastNotes(long nowNanos) {
    List<Struck> all = new ArrayList<>(done);
    held.values().forEach(n -> all.add(n.released(Math.max(n.onsetNanos() + 1, nowNanos))));
    all.sort((a, b) -> Long.compare(a.onsetNanos(), b.onsetNanos()));
    List<Struck> phrase = new ArrayList<>();
    long soundsUntil = Long.MIN_VALUE;
    for (Struck note : all) {
      boolean another =
          !phrase.isEmpty()
              && (note.onsetNanos() - soundsUntil > SILENCE_NANOS
                  || note.run() != phrase.getLast().run());
      if (another) {
        phrase.clear();
      }
      soundsUntil = another ? note.releaseNanos() : Math.max(soundsUntil, note.releaseNanos());
      phrase.add(note);
    }
    return phrase;
  }

  /**
   * What was kept.
   *
   * @param notes in order of onset; none when nothing was played
   * @param inTime whether the transport ran, so that they lie where they were heard
   * @param rounds over how many rounds of a loop the phrase went, of which the last is kept
   */
  public record Phrase(List<NewNote> notes, boolean inTime, int rounds) {}
}

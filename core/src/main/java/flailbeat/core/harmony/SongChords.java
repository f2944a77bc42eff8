package flailbeat.core.harmony;

import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.pitch.KeyMap;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.time.TickRange;
import flailbeat.core.work.InOrder;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * The key of a song, and its chords over time: found from the notes of all tracks that are not
 * muted, or of one; drums say nothing. It keeps what it found, for the next time.
 */
public final class SongChords {
  /** Beyond some fourteen hours of music without a rest only the key is found. */
  private static final int MOST_SLICES = 100_000;

  private final ChordFinder finder = new ChordFinder();

  /**
   * What was found.
   *
   * @param keys those that all of it may be in, the likeliest first; none where nothing sounds
   * @param keySpans where one follows another, in order; a single one where it stays in its key
   * @param spans without gaps, from the start to the end of the last bar
   */
  public record Found(List<KeyReading> keys, List<KeySpan> keySpans, List<ChordSpan> spans) {
    /** Nothing. */
    public static final Found NOTHING = new Found(List.of(), List.of(), List.of());

    public Found {
      keys = List.copyOf(keys);
      keySpans = List.copyOf(keySpans);
      spans = List.copyOf(spans);
    }

    /** The keys as they are written, from the start on. */
    public KeyMap keyMap() {
      List<KeyMap.Change> changes = new ArrayList<>();
      for (KeySpan span : keySpans) {
        long tick = changes.isEmpty() ? 0 : span.range().start();
        changes.add(new KeyMap.Change(tick, span.key().signature()));
      }
      return new KeyMap(changes);
    }

    /** The key that a tick is in; before the first and after the last, that one. */
    public Optional<KeyReading> keyAt(long tick) {
      int after =
          InOrder.firstFailing(0, keySpans.size(), i -> keySpans.get(i).range().start() <= tick);
      return keySpans.isEmpty()
          ? Optional.empty()
          : Optional.of(keySpans.get(Math.max(0, after - 1)).key());
    }

    /** The span that a tick lies in. O(log n). */
    public Optional<ChordSpan> at(long tick) {
      int after = InOrder.firstFailing(0, spans.size(), i -> spans.get(i).range().start() <= tick);
      return after == 0
          ? Optional.empty()
          : Optional.of(spans.get(after - 1)).filter(s -> s.range().contains(tick));
    }
  }

  /** The notes that chords are found from, in order. */
  public static List<Note> sounding(Song song, Optional<TrackId> alone) {
    List<Note> result = new ArrayList<>();
    for (Track track : song.tracks()) {
      boolean heard = alone.map(track.id()::equals).orElse(!track.muted());
      if (heard && !track.instrument().kit()) {
        result.addAll(track.audible().sounding());
      }
    }
    result.sort(Note.ORDER);
    return result;
  }

  /**
   * Finds them.
   *
   * @param alone the track whose notes count; all for none
   */
  public Found find(Song song, Optional<TrackId> alone) {
    List<Note> notes = sounding(song, alone);
    List<ChordMarks.Mark> marks = ChordMarks.of(song);
    if (notes.isEmpty() && marks.isEmpty()) {
      return Found.NOTHING;
    }
    long said = marks.isEmpty() ? 0 : marks.getLast().tick();
    long end = Math.max(said + 1, song.end());
    TickRange whole = song.meters().wholeBars(new TickRange(0, end));
    Slices slices = Slices.of(notes, song.meters(), whole);
    List<KeySpan> keySpans = KeyChanges.find(notes, slices);
    List<KeyReading> keys = keySpans.size() == 1 ? keySpans.getFirst().readings() : keys(notes);
    Found found = new Found(keys, keySpans, List.of());
    KeyMap spelledBy = song.keys().changes().isEmpty() ? found.keyMap() : song.keys();
    List<ChordSpan> spans =
        slices.size() > MOST_SLICES ? List.of() : finder.find(slices, spelledBy);
    return new Found(keys, keySpans, ChordMarks.over(spans, marks));
  }

  /**
   * The keys that notes may be in, the likeliest first. O(n).
   *
   * @param notes in order of onset
   */
  public static List<KeyReading> keys(List<Note> notes) {
    if (notes.isEmpty()) {
      return List.of();
    }
    double[] durations = new double[Pitch.OCTAVE];
    for (Note note : notes) {
      durations[note.pitch() % Pitch.OCTAVE] += note.length();
    }
    long first = notes.getFirst().onset();
    long last = notes.getLast().onset();
    return KeyFinder.keys(
        durations,
        lowest(notes.stream().filter(n -> n.onset() == first)),
        lowest(notes.stream().filter(n -> n.end() > last)));
  }

  private static int lowest(Stream<Note> notes) {
    return notes.mapToInt(Note::pitch).min().orElseThrow() % Pitch.OCTAVE;
  }
}

package flailbeat.core.session.harmony;

import flailbeat.core.edit.Chords;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.Selection;
import flailbeat.core.harmony.BrokenChords;
import flailbeat.core.harmony.Chord;
import flailbeat.core.harmony.ChordEdits;
import flailbeat.core.harmony.ChordMarks;
import flailbeat.core.harmony.ChordParser;
import flailbeat.core.harmony.ChordSpan;
import flailbeat.core.harmony.Led;
import flailbeat.core.harmony.SongChords;
import flailbeat.core.harmony.Voicing;
import flailbeat.core.keys.Arrangement;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.pitch.KeySignature;
import flailbeat.core.session.bench.EditActions;
import flailbeat.core.session.bench.MouseDrawing;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.document.Notices;
import flailbeat.core.session.hands.Audition;
import flailbeat.core.session.hands.Performer;
import flailbeat.core.session.run.RunControl;
import flailbeat.core.session.timing.QuantizePreview;
import flailbeat.core.text.Counted;
import flailbeat.core.time.GridLines;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;

/** Chords that are turned over, spread, typed, and said by hand. Each is one undo step. */
public final class ChordActions {
  private static final double UNEVEN = 0.6;
  private static final String NO_KEY = "There are no notes yet to find a key from";
  private static final int CENTER = 64;
  private static final int TOLD = 11;

  private final Document document;
  private final EditActions editing;
  private final QuantizePreview timing;
  private final RunControl runControl;
  private final MouseDrawing drawing;
  private final Performer performer;
  private final Audition audition;
  private final Notices notices;
  private final Harmony harmony;

  /** Nothing was done yet. */
  public ChordActions(
      Document document,
      EditActions editing,
      QuantizePreview timing,
      RunControl runControl,
      MouseDrawing drawing,
      Performer performer,
      Audition audition,
      Notices notices,
      Harmony harmony) {
    this.document = document;
    this.editing = editing;
    this.timing = timing;
    this.runControl = runControl;
    this.drawing = drawing;
    this.performer = performer;
    this.audition = audition;
    this.notices = notices;
    this.harmony = harmony;
  }

  private void apply(String label, BiFunction<Song, Set<NoteId>, Song> change) {
    Set<NoteId> ids = document.scope().meant();
    Song before = document.song();
    if (ids.isEmpty()) {
      notices.tell("There are no chords here yet");
      return;
    }
    editing.attempt(label, s -> change.apply(s, ids));
    Song now = document.song();
    if (now == before) {
      if (!notices.current().warning()) {
        notices.tell(label + ": no chord here is other after it");
      }
      return;
    }
    keepSelected(before, ids);
    List<Note> first = firstChord(ids);
    audition.sound(first);
    String name = Harmony.words(harmony.names(first.stream().map(Note::pitch).toList()));
    notices.tell(label + (name.isEmpty() ? "" : ": " + name));
  }

  /** What came of selected notes is selected, so that the next press goes on with it. */
  private void keepSelected(Song before, Set<NoteId> ids) {
    if (document.scope().selected().notes().isEmpty()) {
      return;
    }
    Set<NoteId> more = new HashSet<>(ids);
    document.track().notes().stream()
        .filter(n -> n.idNumber() >= before.nextId())
        .forEach(n -> more.add(n.id()));
    document.select(Selection.ofNotes(more));
  }

  private List<Note> firstChord(Set<NoteId> ids) {
    Set<NoteId> now = new HashSet<>(document.scope().selected().notes());
    now.addAll(ids);
    List<Note> notes = NoteEdits.find(document.track(), now);
    return notes.isEmpty()
        ? List.of()
        : Chords.ofStrummed(notes, document.song().tempos()).getFirst();
  }

  /** Turns chords over, up (1) or down (-1). */
  public void invert(int by) {
    UnaryOperator<List<Integer>> way = by > 0 ? Voicing::invertedUp : Voicing::invertedDown;
    voice(by > 0 ? "Turned over, up" : "Turned over, down", way);
  }

  /** Drops the second (2) or third (3) voice from the top. */
  public void drop(int fromTop) {
    voice("Drop " + fromTop, v -> Voicing.dropped(v, fromTop));
  }

  /** Close position. */
  public void close() {
    voice("Close position", Voicing::close);
  }

  /** Open position. */
  public void open() {
    voice("Open position", Voicing::open);
  }

  private void voice(String label, UnaryOperator<List<Integer>> way) {
    apply(label, (s, ids) -> ChordEdits.voiced(s, ids, way));
  }

  /** Leads each chord to the one before. */
  public void lead() {
    apply("Led smoothly", ChordEdits::led);
  }

  /** Puts a bass below. */
  public void addBass() {
    Optional<KeySignature> key = harmony.keyHere();
    apply("Bass added", (s, ids) -> ChordEdits.withBass(s, ids, key));
  }

  /** Takes the bass away. */
  public void removeBass() {
    apply("Bass taken away", ChordEdits::withoutBass);
  }

  /** Spreads chords in time. */
  public void strum(int ms, boolean down, boolean uneven) {
    apply(
        "Strummed " + (down ? "down" : "up") + " in " + ms + " ms",
        (s, ids) -> ChordEdits.strummed(s, ids, ms, down, uneven ? UNEVEN : 0));
  }

  /** Breaks chords on the lines of the grid. */
  public void breakUp(BrokenChords.Order order) {
    GridLines lines = timing.lines();
    apply(
        "Broken chords",
        (s, ids) -> ChordEdits.broken(s, ids, c -> BrokenChords.of(c, order, lines::after)));
  }

  /** Breaks chords in the rhythm of the stencil that was taken. */
  public void breakByStencil() {
    drawing
        .stencil()
        .ifPresentOrElse(
            stencil ->
                apply(
                    "Broken as the stencil",
                    (s, ids) -> ChordEdits.broken(s, ids, c -> BrokenChords.of(c, stencil))),
            () -> notices.tell(MouseDrawing.NO_STENCIL));
  }

  /** Says what the chord at a tick is called; empty takes back what was said. */
  public void say(long tick, Optional<Chord> chord) {
    editing.edit(
        chord.map(c -> "Chord " + c.name()).orElse("Chord as found"),
        s -> ChordMarks.with(s, tick, chord));
  }

  /**
   * Says by name what the chord at the playhead is, or takes that back with an empty name.
   *
   * @throws IllegalArgumentException for what is no chord, in words for the person
   */
  public void sayHere(String name) {
    Optional<ChordSpan> here = harmony.found().at(runControl.positionTicks());
    long tick =
        here.map(s -> s.range().start())
            .orElseGet(() -> document.song().meters().beatNearest(runControl.positionTicks()));
    if (name.isBlank()) {
      say(tick, Optional.empty());
      return;
    }
    Chord chord =
        ChordParser.parse(name)
            .orElseThrow(() -> new IllegalArgumentException("One chord, such as Dm7 or F#m7b5/A"));
    say(tick, Optional.of(chord));
  }

  /** Lays the chords of the song under the hands, in the order in which they come: one key each. */
  public void underHands() {
    List<Chord> chords =
        harmony.found().spans().stream()
            .filter(ChordSpan::hasChord)
            .map(ChordSpan::chord)
            .distinct()
            .limit(Arrangement.MOST_CHORDS)
            .toList();
    if (chords.isEmpty()) {
      notices.tell("There are no chords in the song yet");
      return;
    }
    performer.layChords(Led.voicings(chords, CENTER, false));
    notices.tell(
        "Under the keys: "
            + chords.stream().map(Chord::name).limit(TOLD).collect(Collectors.joining(", "))
            + (chords.size() > TOLD ? " and " + (chords.size() - TOLD) + " more" : ""));
  }

  /** The next of the names that the chord at the playhead may have. */
  public void nextName() {
    harmony
        .here()
        .ifPresentOrElse(
            span -> {
              List<Chord> all = span.readings().stream().map(r -> r.chord()).toList();
              if (span.byHand()) {
                say(span.range().start(), Optional.empty());
                notices.tell("The chord as it is found again");
              } else if (all.size() < 2) {
                notices.tell("It has no other name that is likely");
              } else {
                say(span.range().start(), Optional.of(all.get(1)));
                notices.tell("Chord " + all.get(1).name() + ", said by hand");
              }
            },
            () -> notices.tell("There is no chord at the playhead"));
  }

  /** Writes the keys that were found into the song, in the place of those that stand there. */
  public void takeKey() {
    SongChords.Found found = harmony.found();
    if (found.keySpans().isEmpty()) {
      notices.tell(NO_KEY);
      return;
    }
    String first = found.keySpans().getFirst().key().words();
    String written = found.keyMap().changes().getFirst().key().toString();
    int more = found.keySpans().size() - 1;
    editing.edit("Key " + first, s -> ChordMarks.withKeys(s, found.keyMap()));
    notices.tell(
        more == 0
            ? "The song is in " + first + ", written as " + written
            : "The song begins in "
                + first
                + "; "
                + Counted.of(more, "change")
                + " of key written");
  }

  /**
   * Takes the key that was found at the playhead under the hands: Scale, Chords, chores go by it.
   */
  public void keyUnderHands() {
    harmony
        .found()
        .keyAt(runControl.playStartTicks())
        .ifPresentOrElse(
            k -> {
              performer.arrange(
                  performer.hands().arrangement().kind(), k.key().tonic(), k.key().scale());
              notices.tell("Scale, Chords and chores go by " + k.words());
            },
            () -> notices.tell(NO_KEY));
  }
}

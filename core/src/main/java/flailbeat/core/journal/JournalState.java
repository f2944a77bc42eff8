package flailbeat.core.journal;

import flailbeat.core.capture.Recording;
import flailbeat.core.capture.RecordingStart;
import flailbeat.core.capture.Rolling;
import flailbeat.core.edit.History;
import flailbeat.core.event.Performed;
import flailbeat.core.journal.JournalEntry.Did;
import flailbeat.core.journal.JournalEntry.Played;
import flailbeat.core.model.Song;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * All that a journal's entries come to, one after the other: the same in memory as they are
 * written, and from the disk as they are read. Not safe for use from several threads.
 */
public final class JournalState {
  /** More than this is never held of what was played outside a recording. */
  private static final int MOST_PLAYED = 200_000;

  private History<Song> history;
  private Optional<SavedFile> file;
  private final Deque<Played> played = new ArrayDeque<>();
  private Optional<RecordingStart> recording = Optional.empty();
  private List<Played> recorded = new ArrayList<>();
  private int passes;
  private long reachedNanos;
  private boolean aside;
  private boolean ended;

  public JournalState(JournalEntry.Opened opened) {
    history = new History<>(opened.song());
    file = opened.file();
    if (!opened.saved()) {
      history.markUnsaved();
    }
  }

  /** A song as it is open, with its history. */
  public JournalState(History<Song> history, Optional<SavedFile> file) {
    this.history = new History<>(history);
    this.file = file;
  }

  private JournalState(JournalState other) {
    history = new History<>(other.history);
    file = other.file;
    played.addAll(other.played);
    recording = other.recording;
    recorded = new ArrayList<>(other.recorded);
    passes = other.passes;
    reachedNanos = other.reachedNanos;
    aside = other.aside;
    ended = other.ended;
  }

  /** The same, which goes on by itself. O(steps + what was played in the last minutes). */
  public JournalState copy() {
    return new JournalState(this);
  }

  /** The states of the song, with the one that stands in the file. */
  public History<Song> history() {
    return history;
  }

  public Song song() {
    return history.current();
  }

  /** The file that the song was read from or last written to. */
  public Optional<SavedFile> file() {
    return file;
  }

  /** The recording that was never ended. */
  public Optional<RecordingStart> recording() {
    return recording;
  }

  /** What was played in the last minutes before that recording, or at all. */
  public Collection<Played> played() {
    return played;
  }

  /** What was played in the recording that was never ended, as far as it still counts. */
  public List<Played> recorded() {
    return recorded;
  }

  /** How far that recording came, in unrolled time. */
  public long reachedNanos() {
    return reachedNanos;
  }

  /** Whether there is anything in it that stands in no file. */
  public boolean hasUnsavedWork() {
    return !history.isSaved()
        || Stream.concat(played.stream(), recorded.stream())
            .anyMatch(p -> p.event() instanceof Performed.NoteOn);
  }

  /**
   * The recording that was never ended, up to where it came: its current pass holds what no step
   * does.
   */
  public Optional<Recording> unfinished() {
    return recording.map(this::unfinished);
  }

  private Recording unfinished(RecordingStart start) {
    Recording result = start.recording();
    for (Played each : recorded) {
      result.advance(each.unrolledNanos());
      result.accept(each.event(), each.unrolledNanos());
    }
    if (passes > 0 && result.number() <= passes) {
      start.loop().ifPresent(l -> result.advance(l.endOf(passes - 1)));
    }
    return result;
  }

  /** Takes in what happened next. O(1), but for a name and the end of a pass. */
  public void apply(JournalEntry entry) {
    boolean goesOn = true;
    switch (entry) {
      case JournalEntry.Opened opened ->
          throw new IllegalArgumentException("A journal is of one song");
      case Did did -> {
        history.push(did.label(), did.after());
        passesOver(did.passes());
      }
      case JournalEntry.Undone undone -> history.undo();
      case JournalEntry.Redone redone -> history.redo();
      case JournalEntry.Named named -> history.replaceAll(s -> s.withTitle(named.title()));
      case JournalEntry.Saved saved -> {
        file = Optional.of(saved.file());
        if (saved.current()) {
          history.markSaved();
        }
      }
      case JournalEntry.Unsaved unsaved -> history.markUnsaved();
      case Played event -> play(event);
      case JournalEntry.RecordingBegan began -> {
        endRecording();
        recording = Optional.of(began.start());
        reachedNanos = Long.MIN_VALUE;
      }
      case JournalEntry.RecordingAt at -> reachedNanos = at.unrolledNanos();
      case JournalEntry.PassesOver over -> passesOver(over.passes());
      case JournalEntry.PassDropped drop -> dropPass();
      case JournalEntry.Resumed resumed -> resume(resumed.laterNanos());
      case JournalEntry.PutAside put -> {
        aside = true;
        goesOn = false;
      }
      case JournalEntry.Ended end -> {
        // What was played and not kept is not wanted any more.
        endRecording();
        played.clear();
        ended = true;
        goesOn = false;
      }
    }
    if (goesOn) {
      aside = false;
      ended = false;
    }
  }

  private void play(Played event) {
    if (recording.isPresent()) {
      recorded.add(event);
      reachedNanos = Math.max(reachedNanos, event.unrolledNanos());
      return;
    }
    keepPlayed(event);
  }

  private void keepPlayed(Played event) {
    played.addLast(event);
    forgetOld(event.event().atNanos());
  }

  private void resume(long laterNanos) {
    List<Played> later = played.stream().map(p -> p.later(laterNanos)).toList();
    played.clear();
    played.addAll(later);
    recorded.replaceAll(p -> p.later(laterNanos));
  }

  private void forgetOld(long nowNanos) {
    while (played.size() > MOST_PLAYED
        || !played.isEmpty()
            && played.peekFirst().event().atNanos() < nowNanos - Rolling.SPAN_NANOS) {
      played.removeFirst();
    }
  }

  private void passesOver(int count) {
    if (count == Did.ALL) {
      endRecording();
    } else if (count != Did.NONE) {
      passes = count;
      recording.flatMap(RecordingStart::loop).ifPresent(l -> forgetPasses(l.endOf(count - 1)));
    }
  }

  private void endRecording() {
    recorded.forEach(played::addLast);
    recorded = new ArrayList<>();
    recording = Optional.empty();
    passes = 0;
    if (!played.isEmpty()) {
      forgetOld(played.peekLast().event().atNanos());
    }
  }

  /** Of passes that are over only what is held still counts, and how controllers stand. */
  private void forgetPasses(long endNanos) {
    long from = endNanos - recording.orElseThrow().loopCatchNanos();
    List<Played> old = recorded.stream().filter(p -> p.unrolledNanos() < from).toList();
    List<Played> rest = recorded.stream().filter(p -> p.unrolledNanos() >= from).toList();
    recorded = stillHeld(old);
    Set<Played> held = new HashSet<>(recorded);
    recorded.addAll(rest);
    old.stream().filter(p -> !held.contains(p)).forEach(this::keepPlayed);
  }

  /** Of the pass that is dropped only what was struck early for the next one counts. */
  private void dropPass() {
    long from =
        recording
            .flatMap(
                r ->
                    r.loop()
                        .map(l -> l.endOf(Math.max(0, l.turn(reachedNanos))) - r.loopCatchNanos()))
            .orElse(Long.MAX_VALUE);
    recorded.stream().filter(p -> p.unrolledNanos() < from).forEach(this::keepPlayed);
    recorded = new ArrayList<>(recorded.stream().filter(p -> p.unrolledNanos() >= from).toList());
  }

  private static List<Played> stillHeld(List<Played> events) {
    Map<Integer, Played> held = new HashMap<>();
    Map<Object, Played> controls = new HashMap<>();
    for (Played each : events) {
      switch (each.event()) {
        case Performed.NoteOn on -> held.put(on.pitch(), each);
        case Performed.NoteOff off -> held.remove(off.pitch());
        case Performed.Control c -> controls.put(c.number(), each);
        case Performed.Bend b -> controls.put(Performed.Bend.class, each);
        case Performed.Pressure p -> controls.put(Performed.Pressure.class, each);
      }
    }
    Set<Played> kept = new HashSet<>(held.values());
    kept.addAll(controls.values());
    List<Played> result = new ArrayList<>();
    events.stream().filter(kept::contains).forEach(result::add);
    return result;
  }

  /**
   * The entries that a journal of this state begins with.
   *
   * @param first the step of the history that it begins with: what came before is forgotten
   */
  List<JournalEntry> entries(int first) {
    List<History.Step<Song>> steps = history.steps();
    List<JournalEntry> result = new ArrayList<>();
    Song song = steps.get(first).state();
    result.add(new JournalEntry.Opened(song, file, history.saved() == first));
    for (int i = first + 1; i < steps.size(); i++) {
      History.Step<Song> step = steps.get(i);
      result.add(new Did(step.label(), song, step.state(), Did.NONE));
      song = step.state();
      if (history.saved() == i) {
        file.ifPresent(f -> result.add(new JournalEntry.Saved(f, true)));
      }
    }
    for (int i = steps.size() - 1; i > history.cursor(); i--) {
      result.add(new JournalEntry.Undone());
    }
    result.addAll(played);
    recording.ifPresent(
        start -> {
          result.add(new JournalEntry.RecordingBegan(start));
          result.addAll(recorded);
          if (passes > 0) {
            result.add(new JournalEntry.PassesOver(passes));
          }
          if (reachedNanos > Long.MIN_VALUE) {
            result.add(new JournalEntry.RecordingAt(reachedNanos));
          }
        });
    if (aside) {
      result.add(new JournalEntry.PutAside());
    }
    if (ended) {
      result.add(new JournalEntry.Ended());
    }
    return result;
  }
}

package flailbeat.core.session.bench;

import flailbeat.core.edit.Edit;
import flailbeat.core.edit.History;
import flailbeat.core.event.Performed;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Change;
import flailbeat.core.session.document.Changes;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.document.Notices;
import flailbeat.core.session.document.WhileRecording;
import flailbeat.core.session.hands.Audition;
import flailbeat.core.session.run.RunControl;
import flailbeat.core.session.timing.QuantizePreview;
import flailbeat.core.step.PatternFill;
import flailbeat.core.step.Step;
import flailbeat.core.step.StepAround;
import flailbeat.core.step.StepLength;
import flailbeat.core.step.StepMachine;
import flailbeat.core.step.StepPlace;
import flailbeat.core.step.StepResult;
import flailbeat.core.step.StepSettings;
import flailbeat.core.step.StepState;
import flailbeat.core.step.StepWords;
import flailbeat.core.step.Struck;
import flailbeat.core.time.MeterMap;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * Entering a part a step at a time: hears what is performed while the Keys switch stands at Steps,
 * and carries out what {@link StepMachine} makes of it. Undo puts the cursor back as well.
 */
public final class StepEntry {
  private final Document document;
  private final RunControl runControl;
  private final QuantizePreview timing;
  private final Audition audition;
  private final Changes changes;
  private final Notices notices;
  private final WhileRecording whileRecording;
  private final Deque<Entry> entries = new ArrayDeque<>();
  private StepState state;
  private PatternFill pattern = PatternFill.standard();
  private boolean placed;
  private int opening;

  /** What was entered: the song and the place before and after. */
  private record Entry(Song before, StepPlace from, Song after, StepPlace to) {}

  public StepEntry(
      Document document,
      RunControl runControl,
      QuantizePreview timing,
      Audition audition,
      Changes changes,
      Notices notices,
      WhileRecording whileRecording) {
    this.document = document;
    this.runControl = runControl;
    this.timing = timing;
    this.audition = audition;
    this.changes = changes;
    this.notices = notices;
    this.whileRecording = whileRecording;
    opening = document.openings();
    state = StepState.at(StepSettings.standard(), 0, document.track().id());
    changes.listen(this::onChange);
  }

  public StepSettings settings() {
    return state.settings();
  }

  public void set(StepSettings value) {
    show(state.with(value));
    changes.fire(Aspect.SETTINGS);
  }

  /** Chooses the length of the next step, or enters what is held at it. */
  public void chooseLength(StepLength value) {
    carryOut(machine().length(value));
  }

  /** The pattern that is filled in next. */
  public PatternFill pattern() {
    return pattern;
  }

  public void setPattern(PatternFill value) {
    pattern = value;
    changes.fire(Aspect.STEPS);
  }

  /** Where the next step begins, and what was entered last. */
  public StepPlace place() {
    return state.place();
  }

  /** The notes under the hands, and those that wait to be entered, in order of pitch. */
  public List<Struck> held() {
    return settings().findsFirst() ? state.hold().downNotes() : state.hold().allNotes();
  }

  /** Whether what is held was entered, and can be made longer or shorter. */
  public boolean isOpen() {
    return state.isOpen();
  }

  /** Where steps stand, in words. */
  public StepWords words() {
    return new StepWords(state, around());
  }

  /** The notes that take the next pitch, while pitches go onto a rhythm. */
  public List<Note> waitingForPitch() {
    return machine().waitingForPitch();
  }

  /** Where the next step would end, in ticks. */
  public long nextEndTick() {
    return Step.tick(state.place().cursor().add(nextLength().ticks()));
  }

  /** How long the next step is. */
  public StepLength nextLength() {
    return machine().nextLength();
  }

  private StepAround around() {
    return new StepAround(document.song(), document.track().id(), runControl.looping().active());
  }

  private StepMachine machine() {
    return new StepMachine(state, around());
  }

  /** Hears what is performed: notes are entered, all of it sounds. */
  public void hear(Performed event) {
    switch (event) {
      case Performed.NoteOn on -> {
        if (settings().sounds() || settings().findsFirst()) {
          runControl.sound(event);
        }
        show(machine().press(on.pitch(), on.velocity()));
      }
      case Performed.NoteOff off -> {
        runControl.sound(event);
        carryOut(machine().release(off.pitch()));
      }
      default -> runControl.sound(event);
    }
  }

  /** 1 where the cursor stands on the first beat of a bar, 0.5 on another, 0 off the beat. */
  public double beatAtCursor() {
    MeterMap meters = document.song().meters();
    long tick = state.place().cursorTick();
    return meters.barRangeAt(tick).start() == tick
        ? 1
        : meters.beatAtOrAfter(tick) == tick ? 0.5 : 0;
  }

  /** The Keys switch comes to stand at Steps: the first time, the cursor goes to the play start. */
  public void begin() {
    if (!placed) {
      moveToPlayStart();
    }
  }

  /** Enters what is held, makes it longer, or rests. */
  public void advance() {
    carryOut(machine().advance());
  }

  /** Makes what is held shorter, or goes back over the last step. */
  public void back() {
    carryOut(machine().back());
  }

  /** Removes the last step. */
  public void remove() {
    carryOut(machine().remove());
  }

  /** Enters the last step once more. */
  public void repeatLast() {
    carryOut(machine().repeatLast());
  }

  /** Joins the last step with the next length. */
  public void tie() {
    carryOut(machine().tie());
  }

  /** Dot, triplet, shorter or longer: of what is held, or of what comes next. */
  public void changeLength(UnaryOperator<StepLength> change) {
    carryOut(machine().change(change));
  }

  /** Repeats the last steps, as {@link #pattern()} says. */
  public void fill() {
    carryOut(machine().fill(pattern));
  }

  /** The cursor goes to a tick. */
  public void moveTo(long tick) {
    placed = true;
    show(machine().to(tick));
  }

  /** The cursor goes to the next bar (1), or to where the bar begins, or the one before (-1). */
  public void moveByBar(int direction) {
    placed = true;
    show(machine().byBar(direction));
  }

  /** The cursor goes to the next line of the grid (1) or to the one before (-1). */
  public void moveToLine(int direction) {
    long tick = state.place().cursorTick();
    moveTo(direction > 0 ? timing.lines().after(tick) : timing.lines().atOrBefore(tick - 1));
  }

  /** The cursor goes to the start of the clip that it is in or behind. */
  public void moveToClipStart() {
    moveTo(clip().map(Clip::start).orElse(0L));
  }

  /** The cursor goes to the end of the clip that it is in or behind. */
  public void moveToClipEnd() {
    clip().ifPresent(c -> moveTo(c.end()));
  }

  /** The cursor goes to where playing would start. */
  public void moveToPlayStart() {
    moveTo(runControl.playStartTicks());
  }

  /** Plays from where the cursor stands. */
  public void playFromCursor() {
    if (!whileRecording.refuses()) {
      changes.during(
          () -> {
            runControl.stop();
            runControl.seek(state.place().cursorTick());
            runControl.play();
          });
    }
  }

  private Optional<Clip> clip() {
    long tick = state.place().cursorTick();
    List<Clip> clips = document.track().clips();
    return clips.reversed().stream()
        .filter(c -> c.start() < tick || c.contains(tick))
        .findFirst()
        .or(() -> clips.stream().findFirst());
  }

  private void show(StepState value) {
    state = value;
    changes.fire(Aspect.STEPS);
  }

  private void carryOut(StepResult result) {
    placed = true;
    if (result.edit().isPresent() && whileRecording.refuses()) {
      show(result.state().with(state.place()));
      return;
    }
    changes.during(
        () -> {
          StepPlace from = state.place();
          if (!settings().equals(result.state().settings())) {
            changes.fire(Aspect.SETTINGS);
          }
          show(result.state());
          result.edit().ifPresent(e -> edit(e, from));
          result.remark().ifPresent(notices::warn);
          if (settings().sounds() && !result.heard().isEmpty()) {
            audition.soundPitches(result.heard());
          }
        });
  }

  private void edit(Edit edit, StepPlace from) {
    Song before = document.song();
    document.edit(edit.label(), edit);
    if (document.song() != before) {
      entries.addLast(new Entry(before, from, document.song(), state.place()));
      if (entries.size() > History.LIMIT) {
        entries.removeFirst();
      }
    }
  }

  private void onChange(Change change) {
    if (opening != document.openings()) {
      opening = document.openings();
      entries.clear();
      placed = false;
      show(state.with(StepPlace.at(0)));
    } else if (change.isOf(Aspect.SONG) && change.before() != change.after()) {
      followHistory(change);
    }
  }

  /** An entry that is undone or done again takes the cursor along. */
  private void followHistory(Change change) {
    for (Entry entry : entries.reversed()) {
      if (entry.after() == change.before() && entry.before() == change.after()) {
        show(state.with(entry.from()));
        return;
      }
      if (entry.before() == change.before() && entry.after() == change.after()) {
        if (state.place() != entry.to()) {
          show(state.with(entry.to()));
        }
        return;
      }
    }
  }
}

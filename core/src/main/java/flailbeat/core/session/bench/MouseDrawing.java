package flailbeat.core.session.bench;

import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.edit.notes.MoveStep;
import flailbeat.core.edit.notes.NoteResize;
import flailbeat.core.edit.notes.Stencil;
import flailbeat.core.model.Note;
import flailbeat.core.model.roll.NoteStart;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Changes;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.hands.Audition;
import flailbeat.core.session.hands.Performer;
import flailbeat.core.session.person.Named;
import flailbeat.core.session.timing.QuantizePreview;
import flailbeat.core.step.Struck;
import flailbeat.core.time.Grid;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.NoteValue;
import java.util.List;
import java.util.Optional;

/**
 * What notes that are drawn start from, how the mouse goes from line to line, and what it sounds.
 */
public final class MouseDrawing {
  /** What a new note starts from. */
  public enum Start {
    /** The length of the note touched last, and its velocity until another is set by the keys. */
    LAST("the note touched last"),
    /** A step of the grid, and the velocity of the keys. */
    GRID("the grid and the keys"),
    /** What was taken from a note for this track; where nothing was, the grid. */
    TRACK("what was chosen for the track");

    private final String words;

    Start(String words) {
      this.words = words;
    }

    /** What it is, in words. */
    public String words() {
      return words;
    }
  }

  /**
   * How the mouse draws, moves and resizes.
   *
   * @param snaps whether it goes from line to line
   * @param toLines whether what is moved comes to stand on a line; else it goes by steps of the
   *     grid and keeps its offset from the lines
   * @param followsZoom whether the lines that it goes by are those that there is room for
   * @param start what a new note starts from
   * @param together what several notes have in common once they are resized
   * @param step how far a key moves notes
   */
  public record Kept(
      boolean snaps,
      boolean toLines,
      boolean followsZoom,
      Start start,
      NoteResize.Together together,
      MoveStep step) {
    /** As at the very first start; what is null, as in an earlier file, is so too. */
    public static final Kept STANDARD = new Kept(true, false, false, null, null, null);

    public Kept {
      start = start == null ? Start.LAST : start;
      together = together == null ? NoteResize.Together.AMOUNT : together;
      step = step == null ? MoveStep.LINE : step;
    }

    public Kept withSnaps(boolean value) {
      return new Kept(value, toLines, followsZoom, start, together, step);
    }

    public Kept withToLines(boolean value) {
      return new Kept(snaps, value, followsZoom, start, together, step);
    }

    public Kept withFollowsZoom(boolean value) {
      return new Kept(snaps, toLines, value, start, together, step);
    }

    public Kept withStart(Start value) {
      return new Kept(snaps, toLines, followsZoom, value, together, step);
    }

    public Kept withTogether(NoteResize.Together value) {
      return new Kept(snaps, toLines, followsZoom, start, value, step);
    }

    public Kept withStep(MoveStep value) {
      return new Kept(snaps, toLines, followsZoom, start, together, value);
    }
  }

  /** Lines that follow the zoom are no nearer to one another than this. */
  private static final double LEAST_PIXELS = 14;

  /** What is said where there is none and one is wanted. */
  public static final String NO_STENCIL = "Take a stencil first, from selected notes";

  private final Document document;
  private final QuantizePreview timing;
  private final Performer performer;
  private final Audition audition;
  private final Changes changes;
  private final Named<Stencil> stencils;
  private Kept kept = Kept.STANDARD;
  private Optional<NoteStart> touched = Optional.empty();
  private int keysVelocity;
  private Optional<Stencil> stencil = Optional.empty();
  private String stencilName = "";

  public MouseDrawing(
      Document document,
      QuantizePreview timing,
      Performer performer,
      Audition audition,
      Changes changes) {
    this.document = document;
    this.timing = timing;
    this.performer = performer;
    this.audition = audition;
    this.changes = changes;
    this.stencils = new Named<>(changes);
  }

  /** How the mouse draws, moves and resizes. */
  public Kept kept() {
    return kept;
  }

  public void set(Kept value) {
    kept = value;
    changes.fire(Aspect.SETTINGS);
  }

  /** The stencils that the person keeps. */
  public Named<Stencil> stencils() {
    return stencils;
  }

  /** What filling lays down in the place of plain notes. */
  public Optional<Stencil> stencil() {
    return stencil;
  }

  /** The name under which it is kept; empty for one that is not. */
  public String stencilName() {
    return stencilName;
  }

  /** The selected notes become what filling lays down; whole beats long. */
  public Optional<Stencil> takeStencil() {
    List<Note> notes = NoteEdits.find(document.track(), document.scope().selected().notes());
    if (notes.isEmpty()) {
      return Optional.empty();
    }
    long beat = document.song().meters().meterAt(notes.getFirst().onset()).ticksPerBeat();
    fillWith(Optional.of(Stencil.of(notes, beat)), "");
    return stencil;
  }

  /**
   * Keeps what filling lays down under a name.
   *
   * @throws IllegalArgumentException where there is no stencil, or the name is none
   */
  public void keepStencil(String name) {
    Stencil now = stencil.orElseThrow(() -> new IllegalArgumentException(NO_STENCIL));
    stencils.keep(name, now);
    fillWith(stencil, name.strip());
  }

  /** Filling lays down a stencil that is kept. */
  public void useStencil(String name) {
    fillWith(Optional.of(stencils.all().get(name)), name);
  }

  /** Filling lays down the stencil after this one (1), or before it (-1), of those kept. */
  public boolean nextStencil(int by) {
    if (!stencils.all().isEmpty()) {
      useStencil(stencils.next(stencilName, by));
    }
    return !stencils.all().isEmpty();
  }

  /** Filling lays down plain notes again. */
  public void dropStencil() {
    fillWith(Optional.empty(), "");
  }

  private void fillWith(Optional<Stencil> value, String name) {
    stencil = value;
    stencilName = name;
    changes.fire(Aspect.SETTINGS);
  }

  /** A note was touched: the next that is drawn may be like it. */
  public void touch(Note note) {
    touch(new NoteStart(note.length(), note.velocity()));
  }

  /** A note was drawn: the next may be like it. */
  public void touch(NewNote note) {
    touch(new NoteStart(note.played().length(), note.velocity()));
  }

  private void touch(NoteStart note) {
    touched = Optional.of(note);
    keysVelocity = performer.hands().velocity();
  }

  private Optional<NoteStart> start() {
    return switch (kept.start()) {
      case LAST -> touched;
      case GRID -> Optional.empty();
      case TRACK -> document.track().roll().start();
    };
  }

  /** How long a note is that is drawn at a tick, among these lines. */
  public long lengthAt(long onset, GridLines lines) {
    return start().map(NoteStart::length).orElseGet(() -> lines.after(onset) - onset);
  }

  /** How hard a note is struck that is drawn. */
  public int velocity() {
    int keys = performer.hands().velocity();
    boolean setSince = kept.start() == Start.LAST && keys != keysVelocity;
    return setSince ? keys : start().map(NoteStart::velocity).orElse(keys);
  }

  /**
   * The lines that the mouse goes by.
   *
   * @param pixelsPerTick how wide a tick is drawn
   */
  public GridLines lines(double pixelsPerTick) {
    GridLines own = timing.lines();
    return kept.followsZoom()
        ? new GridLines(Grid.of(valueAt(pixelsPerTick)), document.song().meters())
        : own;
  }

  /** How far apart in ticks the nearest of the lines are that the mouse goes by. */
  public long step(double pixelsPerTick) {
    return kept.followsZoom()
        ? valueAt(pixelsPerTick).ticks()
        : timing.settings().grid().finestTicks();
  }

  private static NoteValue valueAt(double pixelsPerTick) {
    int denominator = 64;
    while (denominator > 1
        && NoteValue.straight(denominator).ticks() * pixelsPerTick < LEAST_PIXELS) {
      denominator /= 2;
    }
    return NoteValue.straight(denominator);
  }

  /** The nearest pitch of the key, where the keys are arranged by one; else the very pitch. */
  public int inKey(int pitch) {
    boolean hasKey = performer.hands().arrangement().kind().hasKey();
    return hasKey ? performer.key().nearest(pitch) : pitch;
  }

  /** Lets a note be heard for a moment. */
  public void sound(int pitch, int velocity) {
    audition.soundPitches(List.of(new Struck(pitch, velocity)));
  }

  /** Nothing is held by the mouse any more. */
  public void silence() {
    audition.end();
  }
}

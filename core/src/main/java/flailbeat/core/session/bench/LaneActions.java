package flailbeat.core.session.bench;

import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.Selection;
import flailbeat.core.edit.shapes.ControlDrawn;
import flailbeat.core.edit.shapes.ControlEdits;
import flailbeat.core.edit.shapes.ControlThinning;
import flailbeat.core.edit.shapes.Louder;
import flailbeat.core.edit.shapes.VelocityTools;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.control.Controller;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Changes;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.document.Notice;
import flailbeat.core.session.document.Notices;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.function.Supplier;

/**
 * Which lanes stand under the roll, and what commands do to what they show: the velocities of notes
 * and the values of controllers.
 */
public final class LaneActions {
  /** As many lanes as there may be at once. */
  public static final int MOST = 6;

  private static final String VELOCITY = "velocity";
  private static final String BEND = "bend";
  private static final String PRESSURE = "pressure";
  private static final String NUMBERED = "controller ";

  /**
   * A lane.
   *
   * @param of what it shows, as it is kept: "velocity", "bend", "pressure" or "controller 64"
   * @param height in pixels
   */
  public record Shown(String of, int height) {
    private static final int LEAST_HEIGHT = 36;
    private static final int MOST_HEIGHT = 300;
    private static final int STANDARD_HEIGHT = 64;

    /** The lane of the velocities. */
    public static final Shown VELOCITIES = new Shown(VELOCITY, STANDARD_HEIGHT);

    public Shown {
      height = Math.clamp(height, LEAST_HEIGHT, MOST_HEIGHT);
    }

    /** The lane of a controller. */
    public static Shown of(Controller controller) {
      String name =
          switch (controller.kind()) {
            case PITCH_BEND -> BEND;
            case CHANNEL_PRESSURE -> PRESSURE;
            default -> NUMBERED + controller.number();
          };
      return new Shown(name, STANDARD_HEIGHT);
    }

    /** What controller it shows; empty for the velocities, and for what is none. */
    public Optional<Controller> controller() {
      if (of.equals(BEND)) {
        return Optional.of(Controller.BEND);
      }
      if (of.equals(PRESSURE)) {
        return Optional.of(Controller.PRESSURE);
      }
      return of.matches(NUMBERED + "\\d{1,3}")
          ? Optional.of(Integer.parseInt(of.substring(NUMBERED.length())))
              .filter(n -> n <= 127)
              .map(Controller::numbered)
          : Optional.empty();
    }

    boolean isLane() {
      return of.equals(VELOCITY) || controller().isPresent();
    }

    public String title() {
      return controller().map(Controller::title).orElse("Velocity");
    }

    public Shown withHeight(int value) {
      return new Shown(of, value);
    }
  }

  /**
   * What is kept from one start to the next.
   *
   * @param lanes from above, no two of one thing
   * @param shown whether they are not put away
   * @param steps whether controllers are drawn in steps of the lines, rather than as they go
   */
  public record Kept(List<Shown> lanes, boolean shown, boolean steps) {
    /** The velocities, put away. */
    public static final Kept STANDARD = new Kept(List.of(Shown.VELOCITIES), false, false);

    public Kept {
      List<Shown> sane = new ArrayList<>();
      for (Shown lane : lanes == null ? List.<Shown>of() : lanes) {
        boolean fits = lane != null && lane.of() != null && lane.isLane() && sane.size() < MOST;
        if (fits && sane.stream().noneMatch(s -> s.of().equals(lane.of()))) {
          sane.add(lane);
        }
      }
      lanes = sane.isEmpty() ? List.of(Shown.VELOCITIES) : List.copyOf(sane);
    }
  }

  private final Document document;
  private final EditActions editing;
  private final Changes changes;
  private final Notices notices;
  private final Supplier<Optional<TickRange>> stretch;
  private final Random random = new Random(1);
  private Kept kept = Kept.STANDARD;

  /**
   * The velocities, put away.
   *
   * @param stretch the loop, over which commands on controllers go
   */
  public LaneActions(
      Document document,
      EditActions editing,
      Changes changes,
      Notices notices,
      Supplier<Optional<TickRange>> stretch) {
    this.stretch = stretch;
    this.document = document;
    this.editing = editing;
    this.changes = changes;
    this.notices = notices;
  }

  public Kept kept() {
    return kept;
  }

  /** Takes over other lanes. */
  public void set(Kept value) {
    if (!kept.equals(value)) {
      kept = value;
      changes.fire(Aspect.SETTINGS);
    }
  }

  /** Puts all lanes away, or shows them again. */
  public void fold() {
    set(new Kept(kept.lanes(), !kept.shown(), kept.steps()));
  }

  /** Draws controllers in steps of the lines from now on, or as they go. */
  public void toggleSteps() {
    set(new Kept(kept.lanes(), kept.shown(), !kept.steps()));
    notices.tell(
        kept.steps()
            ? "Controllers are drawn in steps of the grid"
            : "Controllers are drawn as the hand goes");
  }

  /** Shows a lane beside the others; one that is shown already is put away. */
  public void toggle(Shown lane) {
    boolean isShown = kept.shown() && kept.lanes().stream().anyMatch(s -> is(s, lane));
    List<Shown> lanes = new ArrayList<>(kept.shown() ? kept.lanes() : List.of());
    if (isShown) {
      lanes.removeIf(s -> is(s, lane));
    } else if (lanes.size() == MOST) {
      notices.tell("There are " + MOST + " lanes already: put one away first");
      return;
    } else {
      lanes.add(kept.lanes().stream().filter(s -> is(s, lane)).findFirst().orElse(lane));
    }
    set(new Kept(lanes.isEmpty() ? kept.lanes() : lanes, !lanes.isEmpty(), kept.steps()));
  }

  /** Has a lane show something else; what another shows already is shown there instead. */
  public void turn(Shown from, Shown to) {
    List<Shown> lanes = new ArrayList<>();
    for (Shown lane : kept.lanes()) {
      if (is(lane, from)) {
        lanes.add(to.withHeight(from.height()));
      } else {
        lanes.add(is(lane, to) ? from.withHeight(lane.height()) : lane);
      }
    }
    set(new Kept(lanes, kept.shown(), kept.steps()));
  }

  /** Makes a lane higher or lower. */
  public void resize(Shown lane, int height) {
    List<Shown> lanes =
        kept.lanes().stream().map(s -> is(s, lane) ? s.withHeight(height) : s).toList();
    set(new Kept(lanes, kept.shown(), kept.steps()));
  }

  private static boolean is(Shown one, Shown other) {
    return one.of().equals(other.of());
  }

  /** Carries out what was drawn, and tells what is written of it. */
  public void draw(ControlDrawn drawn) {
    Song before = document.song();
    int kept = count(drawn, TickRange.EVER) - count(drawn, drawn.range());
    editing.carryOut(drawn);
    if (document.song() != before) {
      int count = count(drawn, TickRange.EVER) - kept;
      String events = ": written as " + count + (count == 1 ? " event" : " events");
      boolean byHand = drawn.how() == ControlDrawn.How.DRAW;
      notices.tell(
          byHand && drawn.values().isEmpty()
              ? "Erased: " + drawn.controller().title()
              : byHand
                  ? drawn.controller().title() + events + closeness(drawn.controller())
                  : drawn.label() + events);
    }
  }

  private int count(ControlDrawn drawn, TickRange range) {
    int[] count = new int[1];
    document
        .song()
        .track(drawn.track())
        .ifPresent(
            t -> ControlEdits.forEach(t, drawn.controller(), range, (tick, value) -> count[0]++));
    return count[0];
  }

  private String closeness(Controller controller) {
    return controller.isSwitch()
        ? ""
        : kept.steps() ? ", one to a line" : ", within 1 in 127 of the line";
  }

  /** Takes away values of the lanes' controllers that the others say within a tolerance. */
  public void thin(int tolerance) {
    TrackId track = document.track().id();
    int before = document.track().controls().size();
    List<Controller> shown =
        kept.lanes().stream().map(Shown::controller).flatMap(Optional::stream).toList();
    editing.edit(
        "Thin controllers",
        song -> {
          Song result = song;
          for (Controller of : shown) {
            result = ControlThinning.thin(result, track, of, TickRange.EVER, of.share(tolerance));
          }
          return result;
        });
    int gone = before - document.track().controls().size();
    notices.tell(
        shown.isEmpty()
            ? "No lane shows a controller to thin"
            : gone == 0 ? "No event can go" : "Gone: " + gone + " of " + before + " events");
  }

  /** What is done to one controller of a track over a stretch. */
  private interface OnStretch {
    Song apply(Song song, TrackId track, Controller of, TickRange range);
  }

  /** Makes what the lanes' controllers do in the loop larger or smaller. */
  public void scaleStretch(int percent) {
    onStretch(
        "Controllers to " + percent + " %",
        (s, t, of, range) -> ControlEdits.scale(s, t, of, range, percent));
  }

  /** Moves what the lanes' controllers do in the loop, in steps of the grid. */
  public void moveStretch(int steps, long stepTicks) {
    onStretch(
        steps < 0 ? "Controllers earlier" : "Controllers later",
        (s, t, of, range) -> ControlEdits.move(s, t, of, range, steps * stepTicks));
  }

  /** Lays what the lanes' controllers do in the loop down again from where playing starts. */
  public void copyStretch(long to) {
    onStretch("Copy controllers", (s, t, of, range) -> ControlEdits.copy(s, t, of, range, to));
  }

  /** Takes away what the lanes' controllers do in the loop. */
  public void eraseStretch() {
    onStretch("Erase controllers", ControlEdits::erase);
  }

  private void onStretch(String label, OnStretch change) {
    List<Controller> shown =
        kept.lanes().stream().map(Shown::controller).flatMap(Optional::stream).toList();
    Optional<TickRange> loop = stretch.get();
    if (loop.isEmpty() || shown.isEmpty()) {
      notices.tell(
          shown.isEmpty()
              ? "No lane shows a controller"
              : "Choose a loop first: drag along the ruler, or {loop}");
      return;
    }
    Song before = document.song();
    TrackId track = document.track().id();
    editing.edit(
        label,
        song -> {
          Song result = song;
          for (Controller of : shown) {
            result = change.apply(result, track, of, loop.get());
          }
          return result;
        });
    notices.tell(
        document.song() == before
            ? "The lanes' controllers do nothing there"
            : label + ", over the loop");
  }

  /** What velocity commands work on: the selected notes, or else those in scope. */
  private Set<NoteId> notes() {
    return document.scope().ids();
  }

  private void velocities(String label, BiFunction<Song, Set<NoteId>, Song> change) {
    Set<NoteId> ids = notes();
    Song before = document.song();
    editing.edit(label, song -> change.apply(song, ids));
    if (ids.isEmpty()) {
      notices.tell("There are no notes here");
    } else if (document.song() == before) {
      notices.tell("They are as loud as that already");
    } else {
      notices.tell(label + ": " + Notice.notes(ids.size()));
    }
  }

  public void setVelocity(int velocity) {
    velocities("Velocity " + velocity, (s, ids) -> VelocityTools.set(s, ids, velocity));
  }

  public void addVelocity(int by) {
    velocities(by < 0 ? "Softer" : "Louder", (s, ids) -> Louder.by(ids, by).apply(s));
  }

  /** In proportion. */
  public void scaleVelocity(int percent) {
    velocities(
        "Velocities to " + percent + " %", (s, ids) -> Louder.inProportion(ids, percent).apply(s));
  }

  /** Towards their mean. */
  public void squeezeVelocity(int percent) {
    velocities(
        "Velocities squeezed",
        (s, ids) -> VelocityTools.squeeze(s, ids, VelocityTools.centre(s, ids), percent));
  }

  /** From the velocity of the first of them to another. */
  public void rampVelocity(int to) {
    velocities(
        "Velocities to " + to + " step by step",
        (s, ids) -> {
          List<Note> notes = NoteEdits.find(s, ids);
          return notes.isEmpty() ? s : VelocityTools.ramp(s, ids, notes.getFirst().velocity(), to);
        });
  }

  public void smoothVelocity() {
    velocities("Velocities smoothed", VelocityTools::smooth);
  }

  public void swayVelocity(int most) {
    long by = random.nextLong();
    velocities("Velocities swayed", (s, ids) -> VelocityTools.sway(s, ids, most, by));
  }

  public void accent(int by) {
    velocities("Accents", (s, ids) -> VelocityTools.accents(s, ids, by));
  }

  /** Which notes of the track drawing over velocities reaches: the selected ones, if any are. */
  public Set<NoteId> reached() {
    Set<NoteId> selected = document.scope().selected().notes();
    List<Note> here = NoteEdits.find(document.track(), selected);
    return Selection.of(here.isEmpty() ? document.track().notes() : here).notes();
  }

  /** Whether a lane is one of those that are shown. */
  public boolean isShown(Shown lane) {
    return kept.shown() && kept.lanes().stream().anyMatch(s -> Objects.equals(s.of(), lane.of()));
  }
}

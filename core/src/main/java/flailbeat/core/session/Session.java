package flailbeat.core.session;

import flailbeat.core.event.Performed;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.model.Song;
import flailbeat.core.playback.Player;
import flailbeat.core.playback.SoundSettings;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.time.Clock;
import flailbeat.core.work.Workshop;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What the window and the tests drive: the rooms of a session. Not safe for use from several
 * threads.
 */
public final class Session {
  private final Changes changes = new Changes();
  private final Notices notices = new Notices(changes);
  private final Document document = new Document(changes);
  private final LagDesk lags;
  private final TimingDesk timing;
  private final Named<QuantizeSettings> presets = new Named<>(changes);
  private final Amounts amounts = new Amounts(changes);
  private final Rooms rooms = new Rooms(changes);
  private final KeySets keySets = new KeySets(changes);
  private final SoundDesk sound = new SoundDesk(changes);
  private final Performer performer;
  private final TransportControl transportControl;
  private final Audition audition;
  private final DoubtWalk doubts;
  private final KeysSwitch keysSwitch;
  private final KeyboardDesk keyboard;
  private final RunDesk run;
  private final EditDesk editing;
  private final QuantizeDesk quantizing;
  private final BeatDesk beat;
  private final StepDesk steps;
  private final DrawDesk drawing;
  private final NoteDesk notes;
  private final SelectDesk selecting;
  private final RowDesk rows;
  private final LaneDesk lanes;
  private final ValueDesk values;
  private final ShadeDesk shading;
  private final EventDesk events;
  private final ChoreDesk chores;

  /** A session in which everything is done on the thread that asks for it. */
  public Session(Clock clock, Player player) {
    this(clock, player, Workshop.HERE);
  }

  /**
   * A session.
   *
   * @param workshop where work goes that takes long
   */
  public Session(Clock clock, Player player, Workshop workshop) {
    performer = new Performer(changes, clock);
    lags = new LagDesk(document, changes, performer::input);
    timing = new TimingDesk(document, lags, changes, notices, clock, workshop);
    transportControl =
        new TransportControl(document, timing, performer, changes, notices, clock, player);
    WhileRecording whileRecording = new WhileRecording(transportControl.transport(), notices);
    keysSwitch = new KeysSwitch(performer, whileRecording);
    audition = new Audition(document, player, clock);
    doubts = new DoubtWalk(timing, changes, notices, audition, performer, whileRecording);
    keysSwitch.add(doubts);
    steps =
        new StepDesk(
            document, transportControl, timing, audition, changes, notices, whileRecording);
    keysSwitch.onSteps(steps::begin);
    drawing = new DrawDesk(document, timing, performer, audition, changes);
    performer.playTo(this::route, this::beatAt);
    keyboard = new KeyboardDesk(performer, changes, whileRecording);
    run =
        new RunDesk(
            document, transportControl, performer, keysSwitch, changes, notices, whileRecording);
    editing = new EditDesk(document, transportControl, notices, whileRecording);
    notes =
        new NoteDesk(
            document, editing, transportControl, steps, performer, timing, drawing, notices);
    rows = new RowDesk(document, editing, transportControl, steps, notices);
    lanes =
        new LaneDesk(document, editing, changes, notices, () -> transportControl.looping().range());
    shading = new ShadeDesk(document, transportControl, performer, editing, changes, notices);
    values = new ValueDesk(document, editing, changes, notices);
    events = new EventDesk(document, values, editing, changes, notices);
    chores =
        new ChoreDesk(
            document,
            editing,
            timing,
            performer,
            amounts,
            transportControl.looping(),
            changes,
            notices,
            clock,
            workshop);
    selecting = new SelectDesk(document, transportControl, timing, notices);
    quantizing =
        new QuantizeDesk(document, timing, lags, transportControl, notices, whileRecording);
    forgetLagsWithOtherDevices();
    beat = new BeatDesk(document, transportControl, changes, notices, workshop, whileRecording);
  }

  /**
   * A lag is that of a person with a device and what is taken off: with others it is another. A
   * buffer that grows by itself, because it must, is no choice.
   */
  private void forgetLagsWithOtherDevices() {
    List<Object> known = new ArrayList<>(devices());
    changes.listen(
        change -> {
          if (change.isOf(Aspect.SETTINGS) && !known.equals(devices())) {
            known.clear();
            known.addAll(devices());
            lags.forget();
          }
        });
  }

  private List<Object> devices() {
    SoundSettings chosen = sound.settings();
    return List.of(
        chosen.device(), chosen.bufferBytes(), transportControl.recordSettings().offsetMs());
  }

  /** Who hears what is performed: the position of the Keys switch says so. */
  private void route(Performed event) {
    if (performer.keysMode() == KeysMode.STEPS) {
      steps.hear(event);
    } else {
      transportControl.hear(event);
    }
  }

  private double beatAt(long nanos) {
    return performer.keysMode() == KeysMode.STEPS
        ? steps.beatAtCursor()
        : transportControl.beatAt(nanos);
  }

  public Changes changes() {
    return changes;
  }

  /** The line that tells the person what last happened. */
  public Notices notices() {
    return notices;
  }

  public Document document() {
    return document;
  }

  public Song song() {
    return document.song();
  }

  /** One command over many notes, tried before it is done. */
  public ChoreDesk chores() {
    return chores;
  }

  /** The events of the chosen track as a list. */
  public EventDesk events() {
    return events;
  }

  /** Loudness and controllers performed while the song plays. */
  public ShadeDesk shading() {
    return shading;
  }

  /** Exact values of the notes in scope. */
  public ValueDesk values() {
    return values;
  }

  /** The lanes under the roll, velocities and controllers. */
  public LaneDesk lanes() {
    return lanes;
  }

  /** What was learned of how late the person plays. */
  public LagDesk lags() {
    return lags;
  }

  /** How to quantize, and what it would do. */
  public TimingDesk timing() {
    return timing;
  }

  /** The commands that change timing. */
  public QuantizeDesk quantizing() {
    return quantizing;
  }

  /** Which rooms of the window are folded. */
  public Rooms rooms() {
    return rooms;
  }

  /** The person's own keys for commands. */
  public KeySets keySets() {
    return keySets;
  }

  /** The person's own ways to quantize. */
  public Named<QuantizeSettings> presets() {
    return presets;
  }

  /** The numbers that commands go by. */
  public Amounts amounts() {
    return amounts;
  }

  /** The walk through the doubtful notes of the preview. */
  public DoubtWalk doubts() {
    return doubts;
  }

  /** What is heard of the beat of a phrase that was played with no click. */
  public BeatDesk beat() {
    return beat;
  }

  /** The commands that change the song, and take that back. */
  public EditDesk editing() {
    return editing;
  }

  /** What commands do to the selected notes. */
  public NoteDesk notes() {
    return notes;
  }

  /** In which rows the drums of a kit lie. */
  public RowDesk rows() {
    return rows;
  }

  /** How notes come to be selected by commands. */
  public SelectDesk selecting() {
    return selecting;
  }

  /** What notes drawn by mouse start from. */
  public DrawDesk drawing() {
    return drawing;
  }

  /** Entering a part a step at a time. */
  public StepDesk steps() {
    return steps;
  }

  public Performer performer() {
    return performer;
  }

  /** Says who has the keys. */
  public KeysSwitch keysSwitch() {
    return keysSwitch;
  }

  /** What is found out about the person's keyboard. */
  public KeyboardDesk keyboard() {
    return keyboard;
  }

  /** What goes on. */
  public TransportControl transportControl() {
    return transportControl;
  }

  /** The commands of the run row. */
  public RunDesk run() {
    return run;
  }

  /** Where sound goes. */
  public SoundDesk sound() {
    return sound;
  }

  /** Opens a song in the place of the present one. */
  public void open(Song song, Optional<Path> from) {
    changes.during(
        () -> {
          run.stop();
          chores.leave();
          document.open(song, from);
          transportControl.looping().forget();
          transportControl.seek(0);
        });
  }

  /** Whether anything goes on by itself from frame to frame: a song, a glide, what still sounds. */
  public boolean isMoving() {
    return transportControl.transport().isRunning()
        || !performer.hands().soundingPitches().isEmpty()
        || performer.pedals().bend() != 0
        || audition.isSounding();
  }

  /** Called for each frame drawn. */
  public void tick() {
    changes.during(
        () -> {
          audition.advance();
          transportControl.tick();
          shading.tick();
          timing.tick();
          chores.tick();
        });
  }
}

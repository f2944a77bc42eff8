package flailbeat.core.session;

import flailbeat.core.edit.History;
import flailbeat.core.event.Performed;
import flailbeat.core.journal.JournalState;
import flailbeat.core.journal.SavedFile;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.model.Song;
import flailbeat.core.pitch.KeySignature;
import flailbeat.core.pitch.OctaveNames;
import flailbeat.core.playback.Player;
import flailbeat.core.playback.SoundSettings;
import flailbeat.core.session.bench.DrumRows;
import flailbeat.core.session.bench.EditActions;
import flailbeat.core.session.bench.EventList;
import flailbeat.core.session.bench.ExactValues;
import flailbeat.core.session.bench.LaneActions;
import flailbeat.core.session.bench.LiveShading;
import flailbeat.core.session.bench.MouseDrawing;
import flailbeat.core.session.bench.NoteActions;
import flailbeat.core.session.bench.SelectActions;
import flailbeat.core.session.bench.StepEntry;
import flailbeat.core.session.chores.ChoreTrial;
import flailbeat.core.session.document.Changes;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.document.Notices;
import flailbeat.core.session.document.WhileRecording;
import flailbeat.core.session.hands.Audition;
import flailbeat.core.session.hands.KeyboardStudy;
import flailbeat.core.session.hands.KeysSwitch;
import flailbeat.core.session.hands.Performer;
import flailbeat.core.session.hands.SoundChoice;
import flailbeat.core.session.hands.SoundKeys;
import flailbeat.core.session.hands.TrackHands;
import flailbeat.core.session.harmony.ChordActions;
import flailbeat.core.session.harmony.ChordRoom;
import flailbeat.core.session.harmony.Harmony;
import flailbeat.core.session.harmony.TypedChords;
import flailbeat.core.session.map.ClipActions;
import flailbeat.core.session.map.Shelf;
import flailbeat.core.session.person.Person;
import flailbeat.core.session.run.RunActions;
import flailbeat.core.session.run.RunControl;
import flailbeat.core.session.timing.BeatSearch;
import flailbeat.core.session.timing.DoubtWalk;
import flailbeat.core.session.timing.LearnedLags;
import flailbeat.core.session.timing.QuantizeActions;
import flailbeat.core.session.timing.QuantizePreview;
import flailbeat.core.session.tracks.SoundChooser;
import flailbeat.core.session.tracks.TrackActions;
import flailbeat.core.session.tracks.TrackDials;
import flailbeat.core.time.Clock;
import flailbeat.core.work.Workshop;
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
  private final Person person = new Person(changes);
  private final LearnedLags lags;
  private final QuantizePreview timing;
  private final SoundChoice sound = new SoundChoice(changes);
  private final Performer performer;
  private final RunControl runControl;
  private final Audition audition;
  private final DoubtWalk doubts;
  private final KeysSwitch keysSwitch;
  private final KeyboardStudy keyboard;
  private final RunActions run;
  private final EditActions editing;
  private final QuantizeActions quantizing;
  private final BeatSearch beat;
  private final ChordRoom chords;
  private final StepEntry steps;
  private final MouseDrawing drawing;
  private final NoteActions notes;
  private final SelectActions selecting;
  private final DrumRows rows;
  private final LaneActions lanes;
  private final ExactValues values;
  private final LiveShading shading;
  private final EventList events;
  private final ChoreTrial chores;
  private final ClipActions clips;
  private final Shelf shelf = new Shelf(changes);
  private final TrackHands trackHands;
  private final TrackActions tracks;
  private final TrackDials dials;
  private final SoundChooser sounds;
  private final SoundKeys soundedKeys;

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
    trackHands = new TrackHands(document, performer, changes);
    soundedKeys = new SoundKeys(document, performer, changes, notices, this::nameOf);
    lags = new LearnedLags(document, changes, performer::input);
    timing = new QuantizePreview(document, lags, changes, notices, clock, workshop);
    runControl = new RunControl(document, timing, performer, changes, notices, clock, player);
    WhileRecording whileRecording = new WhileRecording(runControl.transport(), notices);
    keysSwitch = new KeysSwitch(performer, whileRecording);
    audition = new Audition(document, player, clock);
    doubts = new DoubtWalk(timing, changes, notices, audition, performer, whileRecording);
    keysSwitch.add(doubts);
    steps = new StepEntry(document, runControl, timing, audition, changes, notices, whileRecording);
    keysSwitch.onSteps(steps::begin);
    drawing = new MouseDrawing(document, timing, performer, audition, changes);
    performer.playTo(this::route, this::beatAt);
    keyboard = new KeyboardStudy(performer, changes, whileRecording);
    run =
        new RunActions(
            document, runControl, performer, keysSwitch, changes, notices, whileRecording);
    editing = new EditActions(document, runControl, notices, whileRecording);
    notes =
        new NoteActions(document, editing, runControl, steps, performer, timing, drawing, notices);
    rows = new DrumRows(document, editing, runControl, steps, notices);
    lanes =
        new LaneActions(document, editing, changes, notices, () -> runControl.looping().range());
    shading = new LiveShading(document, runControl, performer, editing, changes, notices);
    values = new ExactValues(document, editing, changes, notices);
    events = new EventList(document, values, editing, changes, notices);
    chores =
        new ChoreTrial(
            document,
            editing,
            timing,
            performer,
            drawing,
            person.commandNumbers(),
            runControl.looping(),
            changes,
            notices,
            clock,
            workshop);
    tracks = new TrackActions(document, editing, person.taste(), notices);
    dials = new TrackDials(document, editing, runControl.live(), notices);
    sounds =
        new SoundChooser(
            document,
            tracks,
            runControl,
            player,
            person.taste(),
            soundedKeys,
            changes,
            notices,
            whileRecording);
    clips = new ClipActions(document, editing, runControl, timing, changes, notices);
    selecting = new SelectActions(document, runControl, timing, notices);
    quantizing = new QuantizeActions(document, timing, lags, runControl, notices, whileRecording);
    lags.forgetWithOther(this::devices);
    beat = new BeatSearch(document, runControl, changes, notices, workshop, whileRecording);
    Harmony harmony = new Harmony(document, performer, runControl, changes, notices, workshop);
    chords =
        new ChordRoom(
            harmony,
            new ChordActions(
                document,
                editing,
                timing,
                runControl,
                drawing,
                performer,
                audition,
                notices,
                harmony),
            new TypedChords(
                document, editing, runControl, steps, drawing, performer, audition, notices));
  }

  private List<Object> devices() {
    SoundSettings chosen = sound.settings();
    return List.of(chosen.device(), chosen.bufferBytes(), runControl.recordSettings().offsetMs());
  }

  /** Who hears what is performed: the position of the Keys switch says so. */
  private void route(Performed event) {
    if (performer.keysMode() == KeysMode.STEPS) {
      steps.hear(event);
    } else {
      runControl.hear(event);
    }
  }

  private double beatAt(long nanos) {
    return performer.keysMode() == KeysMode.STEPS ? steps.beatAtCursor() : runControl.beatAt(nanos);
  }

  public Changes changes() {
    return changes;
  }

  /** What chords and keys are called, what is found, and done to them. */
  public ChordRoom chords() {
    return chords;
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

  /** Clips kept aside for every song. */
  public Shelf shelf() {
    return shelf;
  }

  /** Which keys under the hands give a sound. */
  public SoundKeys soundedKeys() {
    return soundedKeys;
  }

  /** How each track lies under the hands. */
  public TrackHands trackHands() {
    return trackHands;
  }

  /** What is done to whole tracks. */
  public TrackActions tracks() {
    return tracks;
  }

  /** Level, pan and tone of tracks. */
  public TrackDials dials() {
    return dials;
  }

  /** The sounds that there are to choose from. */
  public SoundChooser sounds() {
    return sounds;
  }

  /** What is done to clips. */
  public ClipActions clips() {
    return clips;
  }

  /** One command over many notes, tried before it is done. */
  public ChoreTrial chores() {
    return chores;
  }

  /** The events of the chosen track as a list. */
  public EventList events() {
    return events;
  }

  /** Loudness and controllers performed while the song plays. */
  public LiveShading shading() {
    return shading;
  }

  /** Exact values of the notes in scope. */
  public ExactValues values() {
    return values;
  }

  /** The lanes under the roll, velocities and controllers. */
  public LaneActions lanes() {
    return lanes;
  }

  /** How a pitch is called at the place, as the song's key spells it. */
  public String nameOf(int pitch) {
    return song().keys().name(pitch, runControl.playStartTicks(), OctaveNames.MIDDLE_C4);
  }

  /** The key at the place, as far as the song says it. */
  public Optional<KeySignature> keyHere() {
    return song().keys().at(runControl.playStartTicks());
  }

  /** What the person keeps for every song. */
  public Person person() {
    return person;
  }

  /** What was learned of how late the person plays. */
  public LearnedLags lags() {
    return lags;
  }

  /** How to quantize, and what it would do. */
  public QuantizePreview timing() {
    return timing;
  }

  /** The commands that change timing. */
  public QuantizeActions quantizing() {
    return quantizing;
  }

  /** The walk through the doubtful notes of the preview. */
  public DoubtWalk doubts() {
    return doubts;
  }

  /** What is heard of the beat of a phrase that was played with no click. */
  public BeatSearch beat() {
    return beat;
  }

  /** The commands that change the song, and take that back. */
  public EditActions editing() {
    return editing;
  }

  /** What commands do to the selected notes. */
  public NoteActions notes() {
    return notes;
  }

  /** In which rows the drums of a kit lie. */
  public DrumRows rows() {
    return rows;
  }

  /** How notes come to be selected by commands. */
  public SelectActions selecting() {
    return selecting;
  }

  /** What notes drawn by mouse start from. */
  public MouseDrawing drawing() {
    return drawing;
  }

  /** Entering a part a step at a time. */
  public StepEntry steps() {
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
  public KeyboardStudy keyboard() {
    return keyboard;
  }

  /** What goes on. */
  public RunControl runControl() {
    return runControl;
  }

  /** The commands of the run row. */
  public RunActions run() {
    return run;
  }

  /** Where sound goes. */
  public SoundChoice sound() {
    return sound;
  }

  /** Opens a song in the place of the present one. */
  public void open(Song song, Optional<SavedFile> from) {
    open(new History<>(song), from);
  }

  /** Opens a song, with what was done to it before, in the place of the present one. */
  public void open(History<Song> history, Optional<SavedFile> from) {
    changes.during(
        () -> {
          run.stop();
          chores.leave();
          sounds.leave();
          document.open(history, from);
          runControl.looping().forget();
          runControl.seek(0);
        });
  }

  /**
   * Takes up what a journal holds: the song with its history, what a recording that was never ended
   * had gathered as one more undo step, and what was played last, to be kept.
   *
   * @return how many notes of a recording that was never ended were brought back
   */
  public int takeUp(JournalState journal) {
    open(journal.history(), journal.file());
    return changes.during(() -> runControl.takeUp(journal));
  }

  /** Whether anything goes on by itself from frame to frame: a song, a glide, what still sounds. */
  public boolean isMoving() {
    return runControl.transport().isRunning()
        || !performer.hands().soundingPitches().isEmpty()
        || performer.pedals().bend() != 0
        || audition.isSounding();
  }

  /** Called for each frame drawn. */
  public void tick() {
    changes.during(
        () -> {
          audition.advance();
          runControl.tick();
          shading.tick();
          timing.tick();
          chores.tick();
        });
  }
}

package flailbeat.core.session;

import flailbeat.core.capture.Calibration;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.edit.TakeEdits;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Instrument;
import flailbeat.core.model.Song;
import flailbeat.core.playback.Parts;
import flailbeat.core.playback.Player;
import flailbeat.core.quantize.Groove;
import flailbeat.core.quantize.PhraseBeat;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.quantize.WhichGrid;
import flailbeat.core.time.Clock;
import flailbeat.core.time.Grid;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.NoteValue;
import flailbeat.core.time.TickRange;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * What the window and the tests drive: an open song, the person at the keys, the conductor and the
 * timing desk, with the commands that need more than one of them. Not safe for use from several
 * threads.
 */
public final class Session {
  private static final Logger LOG = LoggerFactory.getLogger(Session.class);

  private final Clock clock;
  private final Changes changes = new Changes();
  private final Document document = new Document(changes);
  private final TimingDesk timing = new TimingDesk(document, changes);
  private final Performer performer;
  private final Conductor conductor;
  private final KeyboardDesk keyboard;
  private final Audition audition;
  private final DoubtWalk doubts;
  private final Tidying tidying;
  private final BeatDesk beat;
  private final Presets presets = new Presets(changes);
  private final SoundDesk sound = new SoundDesk(changes);
  private Notice notice = Notice.NONE;
  private boolean tellingMishap;
  private Grid snap = Grid.of(NoteValue.straight(16));

  public Session(Clock clock, Player player) {
    this.clock = clock;
    performer = new Performer(changes, clock);
    keyboard = new KeyboardDesk(performer, changes);
    conductor = new Conductor(document, timing, performer, changes, clock, player);
    audition = new Audition(document, player, clock);
    doubts = new DoubtWalk(timing, changes, audition);
    tidying = new Tidying(document, timing);
    beat = new BeatDesk(document, conductor, changes);
    changes.onFault(this::mishap);
  }

  /** Tells the person of a fault in the application itself; what can go on goes on. */
  public void mishap(Throwable fault) {
    LOG.error("Something went wrong", fault);
    if (!tellingMishap) {
      tellingMishap = true;
      tell(
          new Notice(
              "Something went wrong inside Flailbeat ("
                  + fault
                  + "). Your song is still here: save it under another name to be safe",
              true));
      tellingMishap = false;
    }
  }

  public Changes changes() {
    return changes;
  }

  public Document document() {
    return document;
  }

  public TimingDesk timing() {
    return timing;
  }

  public Performer performer() {
    return performer;
  }

  public Conductor conductor() {
    return conductor;
  }

  /** What is found out about the person's keyboard. */
  public KeyboardDesk keyboard() {
    return keyboard;
  }

  /** The walk through the doubtful notes of the preview. */
  public DoubtWalk doubts() {
    return doubts;
  }

  /** Where sound goes. */
  public SoundDesk sound() {
    return sound;
  }

  /** The person's own ways to quantize. */
  public Presets presets() {
    return presets;
  }

  /** Takes over settings for quantizing, their grid for the bench as well. */
  public void takeSettings(QuantizeSettings settings) {
    timing.setSettings(settings);
    setGrid(settings.grid());
  }

  /** Takes a groove from the notes in hand, as they stand, over one or two bars. */
  public void takeGroove(String name, int bars) {
    Groove groove =
        Groove.from(document.scope().notes(), snap, song().meters(), bars, name.strip());
    timing.setSettings(timing.settings().withGroove(groove));
    tell(
        new Notice(
            "Groove \""
                + groove.name()
                + "\": "
                + groove.slots().size()
                + " lines, "
                + (bars == 1 ? "one bar" : "two bars"),
            false));
  }

  /** What is heard of the beat of a phrase that was played with no click. */
  public BeatDesk beat() {
    return beat;
  }

  /** Begins to learn the keyboard: the keys are its own until that is over. */
  public void learnKeyboard() {
    if (!refusedWhileRecording()) {
      performer.setKeysMode(KeysMode.PLAY);
      performer.releaseAll(clock.nanoTime());
      keyboard.learn();
    }
  }

  /** Begins a chord check: the keys are its own until that is over. */
  public void checkChord() {
    if (!refusedWhileRecording()) {
      performer.setKeysMode(KeysMode.PLAY);
      performer.releaseAll(clock.nanoTime());
      keyboard.checkChord();
    }
  }

  public Song song() {
    return document.song();
  }

  /** The line that tells the person what last happened. */
  public Notice notice() {
    return notice;
  }

  public void tell(Notice value) {
    notice = value;
    changes.fire(Aspect.NOTICE);
  }

  /** The grid that the bench shows and that moves by hand keep to. */
  public Grid grid() {
    return snap;
  }

  /** The lines that the bench shows, with swing and groove, over the bars of the song. */
  public GridLines lines() {
    QuantizeSettings settings = timing.settings();
    return new GridLines(snap, song().meters(), settings.swing(), settings.groove());
  }

  public void setGrid(Grid value) {
    snap = value;
    timing.setSettings(timing.settings().withGrid(value));
    changes.fire(Aspect.TIMING);
  }

  /** Opens a song in the place of the present one. */
  public void open(Song song, Optional<Path> from) {
    stop();
    document.open(song, from);
    conductor.looping().forget();
    conductor.seek(0);
  }

  /** Called for each frame drawn. */
  public void tick() {
    audition.advance();
    conductor.tick().ifPresent(this::tell);
  }

  public void playOrStop() {
    if (conductor.transport().isRunning()) {
      stop();
    } else {
      conductor.play();
    }
  }

  /** Starts recording; while recording, stops. From playing, recording starts anew at the place. */
  public void recordOrStop() {
    boolean recording = conductor.transport().isRecording();
    stop();
    if (doubts.isOn()) {
      doubts.leave();
    }
    if (!recording) {
      tell(conductor.record());
    }
  }

  public void stop() {
    conductor.stop().ifPresent(this::tell);
  }

  /** Goes round the loop, or no longer. */
  public void toggleLoop() {
    if (!refusedWhileRecording()) {
      conductor.looping().toggle(conductor.placeTicks());
      tellLoop();
    }
  }

  /** Goes round a range. */
  public void loop(TickRange range) {
    if (!refusedWhileRecording()) {
      conductor.looping().choose(range);
      tellLoop();
    }
  }

  /** Goes round the bars of the notes in hand. */
  public void loopNotesInHand() {
    if (!refusedWhileRecording()) {
      conductor.looping().chooseAround(document.scope().notes());
      tellLoop();
    }
  }

  /** Makes the loop longer or shorter by bars. */
  public void lengthenLoop(int bars) {
    if (!refusedWhileRecording()) {
      conductor.looping().lengthen(bars, conductor.placeTicks());
      tellLoop();
    }
  }

  /** Moves the loop by bars. */
  public void moveLoop(int bars) {
    if (!refusedWhileRecording()) {
      conductor.looping().move(bars, conductor.placeTicks());
      tellLoop();
    }
  }

  private void tellLoop() {
    Looping looping = conductor.looping();
    MeterMap meters = song().meters();
    String text =
        looping
            .active()
            .map(
                r ->
                    "Loop: bars "
                        + (meters.barAt(r.start()) + 1)
                        + " to "
                        + (meters.barAt(r.end() - 1) + 1))
            .orElse("No loop");
    tell(new Notice(text, false));
  }

  /** Takes back the last pass; recording goes on. */
  public void dropLastPass() {
    tell(conductor.dropLastPass());
  }

  /** Holds the sweep, or lets it go: notes are wiped as the playhead passes them. */
  public void sweep(boolean held) {
    if (held && !conductor.transport().isRunning()) {
      tell(new Notice("Sweep works while the song plays: start it, then hold", false));
    } else {
      conductor.sweep(held).ifPresent(this::tell);
    }
  }

  /** Lets another take of the chosen clip be heard. */
  public void chooseTake(int number) {
    document
        .clip()
        .ifPresent(
            clip ->
                edit(
                    "Take " + number,
                    s -> TakeEdits.choose(s, document.track().id(), clip.id(), number)));
  }

  /** Lets the next take (1) or the one before (-1) be heard, round and round. */
  public void stepTake(int by) {
    Optional<Clip> clip = document.clip().filter(c -> c.takes().isChoice());
    if (clip.isEmpty()) {
      tell(new Notice("This clip has no other takes", false));
      return;
    }
    List<Integer> numbers = clip.get().takes().numbers();
    int at = numbers.indexOf(clip.get().takes().heard());
    int wanted = numbers.get(Math.floorMod(at + by, numbers.size()));
    chooseTake(wanted);
    tell(new Notice("Take " + wanted + " of " + numbers.size(), false));
  }

  /** Takes the take that is heard away. */
  public void removeTake() {
    document
        .clip()
        .filter(c -> c.takes().isChoice())
        .ifPresent(
            clip ->
                edit(
                    "Remove take " + clip.takes().heard(),
                    s -> TakeEdits.remove(s, document.track().id(), clip.id())));
  }

  /** Plays eight bars of click to tap along to. */
  public void calibrate() {
    if (!refusedWhileRecording()) {
      conductor.calibrate();
      tell(new Notice("Tap any note key with the click, eight bars long. Space stops", false));
    }
  }

  /** Takes the offset that was found off what is recorded from now on. */
  public void takeOffset() {
    conductor
        .calibration()
        .map(Calibration::result)
        .filter(Calibration.Result::isUsable)
        .ifPresent(
            r ->
                conductor.setRecordSettings(
                    conductor.recordSettings().withOffsetMs(Math.round(r.offsetMs() * 10) / 10.0)));
  }

  public void panic() {
    conductor.panic();
    tell(new Notice("All notes off", false));
  }

  /** Keeps what was just played, though it was not recorded. */
  public void keepPhrase() {
    if (!refusedWhileRecording()) {
      tell(conductor.keepPhrase());
    }
  }

  /** Carries the preview out. */
  public void quantize() {
    tellUnlessRecording(tidying::apply);
  }

  /** Quantizes every track, each with a lag of its own. */
  public void quantizeAllTracks() {
    tellUnlessRecording(tidying::applyToAll);
  }

  /** Moves the notes in hand by their lag, and no more. */
  public void takeOutLag() {
    tellUnlessRecording(tidying::takeOutLag);
  }

  /** Brings the notes in hand back to where they were played. */
  public void bringBackPlayed() {
    tellUnlessRecording(tidying::bringBackPlayed);
  }

  /** Selects every note of the track that has a pitch of those in hand. */
  public void selectSamePitches() {
    tell(tidying.selectSamePitches());
  }

  /** Takes a grid that was ranked, with its swing. */
  public void takeGrid(WhichGrid.Match match) {
    takeSettings(timing.settings().withSwing(match.swing()).withGrid(match.grid()));
  }

  /** Looks for the beat of the notes in hand. */
  public void findBeat() {
    tellUnlessRecording(beat::find);
  }

  /** Lets the song take the beat that was found, or the phrase the song's. */
  public void takeBeat(PhraseBeat.Taking taking) {
    tellUnlessRecording(() -> beat.take(taking));
  }

  /** Gives the keys to whom a person says; whatever else has them lets go of them. */
  public void setKeysMode(KeysMode mode) {
    if (doubts.isOn()) {
      doubts.leave();
    }
    performer.setKeysMode(mode);
  }

  private void tellUnlessRecording(Supplier<Notice> command) {
    if (!refusedWhileRecording()) {
      tell(command.get());
    }
  }

  /** Begins the walk through the doubtful notes: some keys are its own until it is over. */
  public void walkDoubtful() {
    if (!refusedWhileRecording()) {
      performer.releaseAll(clock.nanoTime());
      doubts.start().ifPresent(this::tell);
    }
  }

  /** Goes round the loop, as played and as quantized in turn; once more stops it. */
  public void compareRounds() {
    if (refusedWhileRecording()) {
      return;
    }
    if (conductor.isComparing()) {
      stop();
      return;
    }
    if (document.scope().notes().isEmpty()) {
      tell(new Notice("There are no notes here to compare", false));
      return;
    }
    if (conductor.looping().active().isEmpty()) {
      conductor.looping().chooseAround(document.scope().notes());
    }
    conductor.compareRounds();
    tell(new Notice("One round as played, the next as quantized. Space stops", false));
  }

  public void hearAsPlayed(boolean held) {
    conductor.hearAsPlayed(held);
  }

  /** Adds a track and chooses it. */
  public void addTrack(Instrument instrument) {
    edit("Add track", s -> SongEdits.addTrack(s, instrument));
    document.chooseTrack(song().tracks().getLast().id());
    silentTracks().ifPresent(text -> tell(new Notice(text, true)));
  }

  /** Says which tracks can't sound; empty where all can. */
  public Optional<String> silentTracks() {
    int silent = Parts.silent(song());
    String them = silent == 1 ? "1 track" : silent + " tracks";
    String are = silent == 1 ? " is silent here; it is" : " are silent here; they are";
    return silent == 0
        ? Optional.empty()
        : Optional.of(them + " beyond the first " + Parts.MOST + are + " kept and exported");
  }

  /** Carries an edit out, unless a recording runs. */
  public void edit(String label, UnaryOperator<Song> change) {
    if (!refusedWhileRecording()) {
      document.edit(label, change);
    }
  }

  /** Undoes the last step; while recording, the last pass. */
  public void undo() {
    if (conductor.transport().isRecording()) {
      dropLastPass();
      return;
    }
    Optional<String> label = document.undoLabel();
    if (!refusedWhileRecording()) {
      document.undo();
      tell(new Notice(label.map(l -> "Undone: " + l).orElse("Nothing to undo"), false));
    }
  }

  public void redo() {
    Optional<String> label = document.redoLabel();
    if (!refusedWhileRecording()) {
      document.redo();
      tell(new Notice(label.map(l -> "Done again: " + l).orElse("Nothing to redo"), false));
    }
  }

  private boolean refusedWhileRecording() {
    boolean recording = conductor.transport().isRecording();
    if (recording) {
      tell(new Notice("Stop recording first (Space)", true));
    }
    return recording;
  }
}

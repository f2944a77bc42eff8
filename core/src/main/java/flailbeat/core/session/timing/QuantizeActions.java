package flailbeat.core.session.timing;

import flailbeat.core.edit.NoteRule;
import flailbeat.core.edit.Selection;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.quantize.Groove;
import flailbeat.core.quantize.NotePlan;
import flailbeat.core.quantize.QuantizePlan;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.quantize.WhichGrid;
import flailbeat.core.quantize.grids.SwingSections;
import flailbeat.core.quantize.lag.Lag;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.document.Notice;
import flailbeat.core.session.document.Notices;
import flailbeat.core.session.document.WhileRecording;
import flailbeat.core.session.run.NoteVersion;
import flailbeat.core.session.run.RunControl;
import flailbeat.core.time.MeterMap;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * The commands that change timing, each one undo step and a line that says what it did. None works
 * while a recording runs.
 */
public final class QuantizeActions {
  private static final Notice NOTHING_TO_MOVE =
      new Notice("Nothing to move: every note stands where quantizing puts it", false);

  /** A lag that nobody hears. */
  private static final double LEAST_LAG_MS = 0.5;

  private final Document document;
  private final QuantizePreview timing;
  private final LearnedLags lags;
  private final RunControl runControl;
  private final Notices notices;
  private final WhileRecording whileRecording;

  public QuantizeActions(
      Document document,
      QuantizePreview timing,
      LearnedLags lags,
      RunControl runControl,
      Notices notices,
      WhileRecording whileRecording) {
    this.document = document;
    this.lags = lags;
    this.timing = timing;
    this.runControl = runControl;
    this.notices = notices;
    this.whileRecording = whileRecording;
  }

  /** Quantizes what is in scope, as the preview shows it. */
  public void quantize() {
    whileRecording.unless(this::apply);
  }

  /** Quantizes every track, each with a lag of its own. */
  public void quantizeAllTracks() {
    whileRecording.unless(this::applyToAll);
  }

  /** Takes the lag out and nothing else: all notes in scope move alike, and keep their feel. */
  public void takeOutLag() {
    whileRecording.unless(this::withoutLag);
  }

  /** Brings the notes in scope back to where they were played. */
  public void bringBackPlayed() {
    whileRecording.unless(this::asPlayed);
  }

  /** Selects every note of the track that has a pitch of those in scope. */
  public void selectSamePitches() {
    Set<Integer> pitches =
        document.scope().notes().stream().map(Note::pitch).collect(Collectors.toSet());
    document.select(new NoteRule.OfPitches(pitches));
    int alike = document.selection().notes().size();
    notices.tell("Selected " + Notice.notes(alike) + " of these pitches");
  }

  /** Takes a grid that was ranked, with its swing. */
  public void takeGrid(WhichGrid.Match match) {
    timing.setSettings(timing.settings().withSwing(match.swing()).withGrid(match.grid()));
  }

  /** Takes the notes of a stretch in hand, with its swing. */
  public void takeSection(SwingSections.Section section) {
    document.select(Selection.of(section.notes()));
    timing.setSettings(timing.settings().withSwing(section.swing()));
  }

  /** Takes a groove from the notes in scope, as they stand, over one or two bars. */
  public void takeGroove(String name, int bars) {
    MeterMap meters = document.song().meters();
    Groove groove =
        Groove.from(document.scope().notes(), timing.grid(), meters, bars, name.strip());
    timing.setSettings(timing.settings().withGroove(groove));
    notices.tell(
        "Groove \""
            + groove.name()
            + "\": "
            + groove.slots().size()
            + " lines, "
            + (bars == 1 ? "one bar" : "two bars"));
  }

  /** Hears what quantizing would do, were the whole understood in another way. */
  public void hearOtherwise(QuantizePlan.WholeReading reading) {
    timing.lookAt(reading);
    runControl.hear(NoteVersion.OTHERWISE, true);
  }

  /** Hears that no longer. */
  public void hearAsItStands() {
    runControl.hear(NoteVersion.OTHERWISE, false);
  }

  private Notice apply() {
    List<OnTrack> todo = inScope(timing::planInScope);
    if (todo.stream().allMatch(t -> t.plan().notes().isEmpty())) {
      return new Notice("There are no notes here to quantize", false);
    }
    int moved = todo.stream().mapToInt(t -> t.plan().moved()).sum();
    if (moved == 0) {
      return NOTHING_TO_MOVE;
    }
    Song before = document.song();
    document.edit("Quantize to " + grid(), s -> carriedOut(todo, s));
    todo.forEach(t -> learn(t, before));
    return new Notice("Quantized " + Notice.notes(moved) + " to " + grid() + besides(todo), false);
  }

  /** A reading that was chosen by hand has its lag in the settings. */
  private void learn(OnTrack done, Song before) {
    boolean chosen = timing.settings().lag() instanceof Lag.Millis;
    lags.quantized(done.track(), done.plan(), chosen, before, document.song());
  }

  private record OnTrack(TrackId track, QuantizePlan plan) {}

  private List<OnTrack> inScope(Function<Track, QuantizePlan> planner) {
    return document.scope().tracks().stream()
        .map(t -> new OnTrack(t.id(), planner.apply(t)))
        .toList();
  }

  private Song carriedOut(List<OnTrack> todo, Song song) {
    Song result = song;
    for (OnTrack each : todo) {
      result = timing.carriedOut(each.plan(), result, each.track());
    }
    return result;
  }

  private String grid() {
    return timing.settings().grid().toString();
  }

  private static String besides(List<OnTrack> todo) {
    int taken = todo.stream().mapToInt(t -> t.plan().count(NotePlan.Outcome.LINE_TAKEN)).sum();
    String text =
        taken == 0 ? "" : "; " + Notice.notes(taken) + " stayed as played, the line was taken";
    int held = todo.stream().mapToInt(t -> t.plan().held()).sum();
    text +=
        held == 0 ? "" : "; " + Notice.notes(held) + " stopped short of another program's stretch";
    int trimmed = todo.stream().mapToInt(t -> t.plan().trimmed()).sum();
    return trimmed == 0
        ? text
        : text + "; " + Notice.notes(trimmed) + " shortened where the same pitch starts again";
  }

  private Notice applyToAll() {
    List<String> lags = new ArrayList<>();
    int moved = 0;
    Song result = document.song();
    List<Track> tracks = document.song().tracks();
    List<QuantizePlan> plans = timing.planForAll();
    for (int i = 0; i < tracks.size(); i++) {
      Track track = tracks.get(i);
      QuantizePlan todo = plans.get(i);
      if (todo.moved() > 0) {
        moved += todo.moved();
        lags.add(track.name() + " " + QuantizePreview.inWords(todo.timing().lagMs()));
        result = timing.carriedOut(todo, result, track.id());
      }
    }
    if (moved == 0) {
      return NOTHING_TO_MOVE;
    }
    Song quantized = result;
    document.edit("Quantize all tracks", s -> quantized);
    return new Notice(
        "Quantized "
            + Notice.notes(moved)
            + " to "
            + grid()
            + ". They were: "
            + String.join(", ", lags),
        false);
  }

  private Notice withoutLag() {
    double lagMs = timing.plan().timing().lagMs();
    if (timing.plan().notes().isEmpty() || Math.abs(lagMs) < LEAST_LAG_MS) {
      return new Notice("There is no lag to take out", false);
    }
    carryOut("Take out the lag", unmoved().withLag(new Lag.Millis(lagMs)));
    return new Notice(
        "Taken out: " + QuantizePreview.inWords(lagMs) + ". The feel is as it was played", false);
  }

  private Notice asPlayed() {
    Song before = document.song();
    carryOut("As played", unmoved());
    return new Notice(
        before == document.song() ? "They stand as they were played" : "Back as played", false);
  }

  private QuantizeSettings unmoved() {
    return QuantizeSettings.standard().withStrength(0).withControls(timing.settings().controls());
  }

  private void carryOut(String label, QuantizeSettings how) {
    List<OnTrack> todo = inScope(t -> timing.planWith(how, t));
    document.edit(label, s -> carriedOut(todo, s));
  }
}

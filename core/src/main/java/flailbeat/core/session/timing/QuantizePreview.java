package flailbeat.core.session.timing;

import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.Scope;
import flailbeat.core.edit.Selection;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.quantize.Decisions;
import flailbeat.core.quantize.NotePlan;
import flailbeat.core.quantize.QuantizePlan;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.quantize.SlotTiming;
import flailbeat.core.quantize.SongPlans;
import flailbeat.core.quantize.lag.Lag;
import flailbeat.core.quantize.lag.LagPrior;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Changes;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.document.Notices;
import flailbeat.core.session.document.Preview;
import flailbeat.core.session.run.NoteTiming;
import flailbeat.core.session.run.NoteVersion;
import flailbeat.core.time.Clock;
import flailbeat.core.time.Grid;
import flailbeat.core.time.GridLines;
import flailbeat.core.work.Workshop;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * How to quantize, and what it would do to the notes in scope. The preview is worked out when it is
 * first asked for after something changed.
 */
public final class QuantizePreview implements NoteTiming {
  private final Document document;
  private final LearnedLags lags;
  private final Changes changes;
  private final Planner planner = new Planner();
  private final Preview<Planner.Request, QuantizePlan> preview;
  private final Preview<GridRequest, GridsFound> grids;
  private Decisions decided = Decisions.NONE;
  private QuantizeSettings settings = QuantizeSettings.recommended();
  private Optional<GridRequest> asked = Optional.empty();
  private Optional<QuantizePlan.WholeReading> lastPass = Optional.empty();
  private boolean calibrated;
  private NoteVersion version = NoteVersion.STANDING;
  private Optional<Otherwise> otherwise = Optional.empty();
  private int openings;

  public QuantizePreview(
      Document document,
      LearnedLags lags,
      Changes changes,
      Notices notices,
      Clock clock,
      Workshop workshop) {
    this.document = document;
    this.lags = lags;
    this.changes = changes;
    preview =
        new Preview<>(
            this::request,
            Planner.Request::isSameAs,
            planner::plan,
            workshop,
            clock,
            notices,
            () -> changes.fire(Aspect.TIMING));
    grids =
        new Preview<>(
            this::gridRequest,
            GridRequest::isSameAs,
            GridRequest::ranked,
            workshop,
            clock,
            notices,
            this::gridsReadyOrLeft);
  }

  private void gridsReadyOrLeft() {
    if (grids.isLeftOff()) {
      leaveGrids();
    } else {
      changes.fire(Aspect.TIMING);
    }
  }

  /** Called for each frame drawn. */
  public void tick() {
    preview.tick();
    if (isAskingGrids()) {
      grids.tick();
    }
  }

  @Override
  public QuantizeSettings settings() {
    return settings;
  }

  /** Sets how to quantize; with other lines, what was decided note by note is forgotten. */
  public void setSettings(QuantizeSettings value) {
    if (!settings.equals(value)) {
      if (!value.hasSameLines(settings)) {
        decided = Decisions.NONE;
      }
      settings = value;
      changes.fire(Aspect.TIMING);
    }
  }

  /** The grid that the bench shows and that moves by hand keep to. */
  public Grid grid() {
    return settings.grid();
  }

  public void setGrid(Grid value) {
    setSettings(settings.withGrid(value));
  }

  /** The lines that the bench shows, with swing and groove, over the bars of the song. */
  public GridLines lines() {
    return new GridLines(
        settings.grid(), document.song().meters(), settings.swing(), settings.groove());
  }

  @Override
  public QuantizePlan plan() {
    return preview.get();
  }

  @Override
  public Optional<QuantizePlan> preview() {
    return preview.ready();
  }

  /** Whether the person would not wait for it: it is then worked out again when asked for. */
  public boolean isLeftOff() {
    return preview.isLeftOff();
  }

  /** Has it worked out after all. */
  public void workOutAgain() {
    preview.again();
    changes.fire(Aspect.TIMING);
  }

  @Override
  public void setCalibrated(boolean value) {
    if (calibrated != value) {
      calibrated = value;
      changes.fire(Aspect.TIMING);
    }
  }

  /** The settings with what is known of the lag of those who played a track. */
  private QuantizeSettings informed(TrackId track) {
    if (!(settings.lag() instanceof Lag.Auto)) {
      return settings;
    }
    LagPrior learned = lags.prior(track);
    return settings.withLag(
        calibrated && !learned.learned() ? Lag.Auto.calibrated() : new Lag.Auto(learned));
  }

  @Override
  public void passKept(TrackId track) {
    lastPass.ifPresent(reading -> lags.passKept(track, reading));
    lastPass = Optional.empty();
  }

  @Override
  public void recorded(TrackId track) {
    lags.recorded(track);
  }

  private QuantizeSettings informed() {
    return informed(document.track().id());
  }

  @Override
  public NoteVersion version() {
    return version;
  }

  @Override
  public void setVersion(NoteVersion value) {
    if (version != value) {
      version = value;
      changes.fire(Aspect.TIMING);
    }
  }

  /**
   * What quantizing would do by another way to understand the whole, beside what it was asked of.
   */
  private record Otherwise(
      QuantizePlan beside, QuantizePlan.WholeReading reading, QuantizePlan plan) {}

  /** Works out what another way to understand the whole would do, to be shown and heard. */
  void lookAt(QuantizePlan.WholeReading reading) {
    QuantizePlan beside = plan();
    boolean known =
        otherwise.filter(o -> o.beside() == beside && o.reading().equals(reading)).isPresent();
    if (!known) {
      QuantizePlan found = planWith(withReading(reading), document.track());
      otherwise = Optional.of(new Otherwise(beside, reading, found));
    }
  }

  /** The plan by which notes are shown and heard now; empty while they are shown without one. */
  public Optional<QuantizePlan> shown() {
    return plan(version);
  }

  /** The plan of a version; empty where there is none. */
  Optional<QuantizePlan> plan(NoteVersion wanted) {
    return switch (wanted) {
      case STANDING, PLAYED -> Optional.empty();
      case QUANTIZED -> Optional.of(plan());
      case OTHERWISE -> otherwise.map(Otherwise::plan);
    };
  }

  @Override
  public Song inVersion(Song song, NoteVersion wanted) {
    return switch (wanted) {
      case STANDING -> song;
      case PLAYED -> NoteEdits.restorePlayed(song, document.scope().ids());
      case QUANTIZED, OTHERWISE ->
          plan(wanted).map(p -> carriedOut(p, song, document.track().id())).orElse(song);
    };
  }

  private QuantizeSettings withReading(QuantizePlan.WholeReading reading) {
    return reading
        .lines()
        .map(lines -> settings.withGrid(lines.grid()).withSwing(lines.swing()))
        .orElseGet(() -> settings.withLag(new Lag.Millis(Math.rint(reading.lagMs()))));
  }

  /** Decides on the line of some notes, whatever seemed likelier. */
  public void decide(List<NotePlan> notes, long line) {
    decided = decided.withLine(idsOf(notes), line);
    changes.fire(Aspect.TIMING);
  }

  /** Decides where some notes are meant to end, whatever seemed likelier. */
  public void decideEnd(List<NotePlan> notes, long end) {
    decided = decided.withEnd(idsOf(notes), end);
    changes.fire(Aspect.TIMING);
  }

  private static List<NoteId> idsOf(List<NotePlan> notes) {
    return notes.stream().map(n -> n.note().id()).toList();
  }

  /** Understands the whole in another way: with the lag, or on the lines, that it would mean. */
  public void takeReading(QuantizePlan.WholeReading reading) {
    setSettings(withReading(reading));
  }

  /** A song with a plan for notes of a track carried out, the pedal moved along where wanted. */
  Song carriedOut(QuantizePlan todo, Song song, TrackId track) {
    return settings.controls() ? todo.applyTo(song, track) : todo.applyTo(song);
  }

  /** What other settings would do to the notes in scope. */
  QuantizePlan planWith(QuantizeSettings how, Track track) {
    Scope scope = document.scope();
    List<Note> notes = scope.notesOf(track);
    List<Note> others = scope.othersOf(track);
    return SongPlans.plan(document.song(), track, notes, others, how, Decisions.NONE);
  }

  /** What would be done to the notes of a track that are in scope. */
  QuantizePlan planInScope(Track track) {
    if (track.equals(document.track())) {
      return plan();
    }
    List<Note> notes = document.scope().notesOf(track);
    List<Note> others = document.scope().othersOf(track);
    return SongPlans.plan(document.song(), track, notes, others, informed(track.id()), decided);
  }

  /** What would be done to some notes of the chosen track, whatever is in scope. */
  public QuantizePlan planOf(List<Note> notes) {
    return SongPlans.plan(
        document.song(), document.track(), notes, List.of(), informed(), Decisions.NONE);
  }

  /** What would be done to all notes of each track. */
  List<QuantizePlan> planForAll() {
    List<Track> tracks = document.song().tracks();
    return new SongPlans(document.song(), decided)
        .of(tracks.stream().map(t -> new SongPlans.Asked(t, informed(t.id()))).toList());
  }

  /** Asks which grid explains the notes in scope best. */
  public void askGrids() {
    asked = Optional.of(gridRequest());
    grids.again();
    changes.fire(Aspect.TIMING);
  }

  /** Asks no longer. */
  public void leaveGrids() {
    asked = Optional.empty();
    changes.fire(Aspect.TIMING);
  }

  /** Whether that is asked of the notes that are in scope now. */
  public boolean isAskingGrids() {
    return asked.filter(gridRequest()::isSameAs).isPresent();
  }

  /**
   * The grids ranked by how well they explain the notes in scope, and the whole song; empty while
   * it is not asked, or not yet worked out.
   */
  public Optional<GridsFound> grids() {
    return isAskingGrids() ? grids.ready() : Optional.empty();
  }

  /** Selects those of the notes in scope that were played between so many ms off their lines. */
  public void selectDeviating(double fromMs, double toMs) {
    document.select(Selection.of(plan().deviating(fromMs, toMs)));
  }

  /** How early or late each place of the bar was played in the mean. */
  public List<SlotTiming> slotTimings() {
    return SlotTiming.of(plan(), document.song().meters());
  }

  /** A lag in words, such as 43 ms late. */
  public static String inWords(double lagMs) {
    return Math.abs(lagMs) < 0.5
        ? "in time"
        : String.format(Locale.ROOT, "%.0f ms %s", Math.abs(lagMs), lagMs > 0 ? "late" : "early");
  }

  /** What everything would have been by a way to understand it: {@code 43 ms late}, say. */
  public static String inWords(QuantizePlan.WholeReading reading) {
    return reading.lines().map(Object::toString).orElseGet(() -> inWords(reading.lagMs()));
  }

  @Override
  public Song quantized(Song song, TrackId track, Set<NoteId> some) {
    Optional<Track> onto = song.track(track);
    List<Note> all = onto.map(Track::notes).orElse(List.of());
    Map<Boolean, List<Note>> chosen =
        all.stream().collect(Collectors.partitioningBy(n -> some.contains(n.id())));
    if (chosen.get(true).isEmpty()) {
      return song;
    }
    QuantizePlan plan =
        SongPlans.plan(
            song,
            onto.orElseThrow(),
            chosen.get(true),
            chosen.get(false),
            informed(track),
            Decisions.NONE);
    lastPass = plan.readings().stream().findFirst();
    return carriedOut(plan, song, track);
  }

  private Planner.Request request() {
    if (openings != document.openings()) {
      openings = document.openings();
      decided = Decisions.NONE;
    }
    return new Planner.Request(
        document.song(), document.track(), document.scope(), informed(), decided);
  }

  private GridRequest gridRequest() {
    return new GridRequest(document.song(), document.scope(), informed());
  }
}

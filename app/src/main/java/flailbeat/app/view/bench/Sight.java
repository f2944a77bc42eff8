package flailbeat.app.view.bench;

import flailbeat.app.view.bench.surface.Rows;
import flailbeat.app.view.bench.surface.Viewport;
import flailbeat.core.chore.Outcome;
import flailbeat.core.keys.Hands;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.model.Note;
import flailbeat.core.model.Track;
import flailbeat.core.pitch.DrumNames;
import flailbeat.core.quantize.NotePlan;
import flailbeat.core.session.Session;
import flailbeat.core.session.timing.DoubtWalk;
import flailbeat.core.step.Struck;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TickRange;
import java.util.IntSummaryStatistics;
import java.util.List;
import java.util.Optional;

/** Brings into sight what a person has to see: the track, the reach, what is played or asked. */
final class Sight {
  private static final int EMPTY_BARS = 8;
  private static final int EMPTY_PITCHES = 17;
  private static final double QUESTION_MARGIN = 0.1;

  private final Session session;
  private final Viewport viewport;
  private Optional<TickRange> later = Optional.empty();

  Sight(Session session, Viewport viewport) {
    this.session = session;
    this.viewport = viewport;
  }

  /** Shows the chosen track, up to so many bars of it, or, without notes, where it begins. */
  void fit(int mostBars) {
    List<Note> all = session.document().track().notes();
    MeterMap meters = session.song().meters();
    if (all.isEmpty()) {
      boolean kit = session.document().track().instrument().kit();
      Rows rows = viewport.scale().rows();
      int base = rows.of(kit ? DrumNames.LOWEST : session.performer().hands().base());
      fit(new TickRange(0, meters.barStart(EMPTY_BARS)), base, base + EMPTY_PITCHES);
      return;
    }
    IntSummaryStatistics rows =
        all.stream().mapToInt(n -> viewport.scale().rows().of(n.pitch())).summaryStatistics();
    long end = session.document().track().end();
    TickRange bars = meters.wholeBars(new TickRange(all.get(0).onset(), end));
    long most =
        mostBars == Integer.MAX_VALUE
            ? bars.end()
            : meters.barStart(meters.barAt(bars.start()) + mostBars);
    fit(new TickRange(bars.start(), Math.min(bars.end(), most)), rows.getMin(), rows.getMax());
  }

  /** Shows a stretch of the song once the roll has a size: with the next {@link #settle}. */
  void showLater(TickRange range) {
    later = Optional.of(range);
  }

  /** Shows what was to be shown. */
  void settle() {
    Optional<TickRange> wanted = later;
    later = Optional.empty();
    wanted.ifPresent(this::show);
  }

  /** A stretch of the song with all notes of the chosen track that sound there. */
  private void show(TickRange range) {
    IntSummaryStatistics rows =
        session.document().track().tangible(range).stream()
            .mapToInt(n -> viewport.scale().rows().of(n.pitch()))
            .summaryStatistics();
    viewport.turn(s -> s);
    if (rows.getCount() > 0) {
      fit(range, rows.getMin(), rows.getMax());
    } else {
      int base = viewport.scale().rows().of(session.performer().hands().base());
      fit(range, base, base + EMPTY_PITCHES);
    }
  }

  /** Shows the rows of the chosen track, in the time that is in sight already. */
  void fitRows() {
    IntSummaryStatistics rows =
        session.rows().used().stream().mapToInt(viewport.scale().rows()::of).summaryStatistics();
    if (rows.getCount() > 0) {
      viewport.change(s -> s.fitRows(rows.getMin(), rows.getMax(), viewport.height()));
    }
  }

  private void fit(TickRange range, int low, int high) {
    viewport.change(
        s -> s.fit(range.start(), range.end(), low, high, viewport.width(), viewport.height()));
  }

  /** A note that is recorded out of sight brings the notes under the hands into sight. */
  void keepPlayed() {
    boolean hidden =
        session.performer().hands().soundingPitches().stream().anyMatch(p -> !viewport.shows(p, 0));
    if (session.runControl().pass().isPresent() && hidden) {
      showReach();
    }
  }

  void showReach() {
    Hands hands = session.performer().hands();
    viewport.centrePitch((hands.lowest() + hands.highest()) / 2);
  }

  /** The note that a person is asked about stands in the middle of what is seen. */
  void keepQuestion() {
    session.doubts().current().ifPresent(this::keep);
  }

  private void keep(DoubtWalk.Question question) {
    for (NotePlan asked : question.notes()) {
      long at = question.ofEnds() ? asked.note().end() : asked.note().onset();
      double x = viewport.scale().xOf(at);
      double margin = viewport.width() * QUESTION_MARGIN;
      if (x < margin || x > viewport.width() - margin) {
        viewport.centreTick(at);
      }
      if (!viewport.shows(asked.note().pitch(), 1)) {
        viewport.centrePitch(asked.note().pitch());
      }
    }
  }

  /** The step cursor stays in sight, and so do the notes under the hands or in wait for them. */
  void keepStep() {
    if (session.performer().keysMode() != KeysMode.STEPS || !viewport.hasSize()) {
      return;
    }
    viewport.follow(session.steps().place().cursorTick());
    List<Note> waiting = session.steps().waitingForPitch();
    List<Integer> wanted =
        waiting.isEmpty()
            ? session.steps().held().stream().map(Struck::pitch).toList()
            : waiting.stream().map(Note::pitch).toList();
    if (wanted.stream().anyMatch(p -> !viewport.shows(p, 0))) {
      viewport.centrePitch(wanted.getLast());
    }
  }

  /** Of what a chore that is tried would do something is in sight. */
  void keepTrial() {
    if (session.chores().isTrying() && viewport.hasSize()) {
      Outcome outcome = session.chores().outcome();
      Track track = session.document().track();
      if (outcome.on(track).noneMatch(this::isInSight)) {
        outcome.on(track).findFirst().ifPresent(this::bringIntoSight);
      }
    }
  }

  private boolean isInSight(Note note) {
    double x = viewport.scale().xOf(note.onset());
    return x >= 0 && x < viewport.width() && viewport.shows(note.pitch(), 0);
  }

  private void bringIntoSight(Note note) {
    viewport.bringIntoSight(note.onset());
    if (!viewport.shows(note.pitch(), 0)) {
      viewport.centrePitch(note.pitch());
    }
  }

  /** Stopping returns to the place, which may be on another page. */
  void keepPlace() {
    if (!session.runControl().transport().isRunning()) {
      viewport.bringIntoSight(session.runControl().playStartTicks());
    }
  }
}

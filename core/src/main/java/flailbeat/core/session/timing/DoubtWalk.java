package flailbeat.core.session.timing;

import flailbeat.core.quantize.NotePlan;
import flailbeat.core.quantize.QuantizePlan;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Changes;
import flailbeat.core.session.document.Notice;
import flailbeat.core.session.document.Notices;
import flailbeat.core.session.document.WhileRecording;
import flailbeat.core.session.hands.Audition;
import flailbeat.core.session.hands.KeyHolder;
import flailbeat.core.session.hands.Performer;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Walks a person through the doubtful notes of the preview, one by one: each sounds, and goes to
 * the earlier or to the later line, or keeps the one it has. Until it is over, the keys are its
 * own.
 */
public final class DoubtWalk implements KeyHolder {
  private final QuantizePreview timing;
  private final Changes changes;
  private final Audition audition;
  private final Notices notices;
  private final Performer performer;
  private final WhileRecording whileRecording;
  private QuantizePlan asked = QuantizePlan.NONE;
  private List<List<NotePlan>> questions = List.of();
  private boolean on;
  private int at;

  public DoubtWalk(
      QuantizePreview timing,
      Changes changes,
      Notices notices,
      Audition audition,
      Performer performer,
      WhileRecording whileRecording) {
    this.notices = notices;
    this.performer = performer;
    this.whileRecording = whileRecording;
    this.timing = timing;
    this.changes = changes;
    this.audition = audition;
    changes.listen(
        change -> {
          if (on && change.isOf(Aspect.SONG, Aspect.CHOICE)) {
            leave();
          }
        });
  }

  @Override
  public boolean isOn() {
    return on;
  }

  /** The notes that are asked about now: one, or a chord. */
  public List<NotePlan> current() {
    List<List<NotePlan>> questions = on ? questionsOf(timing.plan()) : List.of();
    return at < questions.size() ? questions.get(at) : List.of();
  }

  /** How many are still to be decided: notes that share both lines, as those of a chord, in one. */
  public int left() {
    return (int) previewed().stream().filter(DoubtWalk::isOpen).count();
  }

  private List<List<NotePlan>> previewed() {
    return questionsOf(timing.preview().orElse(QuantizePlan.NONE));
  }

  /** They are looked for once in a plan, however often they are asked for. */
  private List<List<NotePlan>> questionsOf(QuantizePlan plan) {
    if (plan != asked) {
      asked = plan;
      questions = questions(plan);
    }
    return questions;
  }

  /** What a walk would do, in words; where notes are decided together, how many steps it takes. */
  public String offer() {
    int steps = left();
    int notes = previewed().stream().filter(DoubtWalk::isOpen).mapToInt(List::size).sum();
    return "Decide "
        + notes
        + (steps == notes ? " doubtful" : " in " + steps + (steps == 1 ? " step" : " steps"));
  }

  /** Which one it is, counted from 1, and of how many. */
  public String place() {
    List<List<NotePlan>> all = questionsOf(timing.plan());
    boolean together = all.stream().anyMatch(q -> q.size() > 1);
    return (together ? "Step " : "Doubtful ") + (at + 1) + " of " + all.size();
  }

  private static boolean isOpen(List<NotePlan> question) {
    return !question.get(0).decided();
  }

  /** What it asks; empty when it is over. */
  public String says() {
    return on
        ? place()
            + ": {walk-earlier} earlier, {walk-later} later line; any other key keeps it. {walk-leave} leaves."
        : "";
  }

  /** Begins with the first that is not decided; says so when there is none. */
  public void start() {
    if (whileRecording.refuses()) {
      return;
    }
    performer.releaseAll();
    if (questionsOf(timing.plan()).isEmpty()) {
      notices.tell("No note is doubtful here");
      return;
    }
    on = true;
    at = nextOpen(0).orElse(0);
    changes.fire(Aspect.KEYS);
    arrive();
  }

  /** Goes to the next one or, with -1, to the one before, deciding nothing. */
  public Optional<Notice> step(int by) {
    at = Math.floorMod(at + by, Math.max(1, questionsOf(timing.plan()).size()));
    arrive();
    return Optional.empty();
  }

  /** Decides for the earlier of the two lines, or for the later, and goes on. */
  public Optional<Notice> choose(boolean later) {
    List<NotePlan> asked = current();
    if (asked.isEmpty()) {
      return leave();
    }
    NotePlan note = asked.get(0);
    long early = Math.min(note.line(), note.otherLine());
    long late = Math.max(note.line(), note.otherLine());
    return decide(asked, later ? late : early);
  }

  /** Keeps the line that seems likelier, and goes on. */
  public Optional<Notice> keep() {
    List<NotePlan> asked = current();
    return asked.isEmpty() ? leave() : decide(asked, asked.get(0).line());
  }

  private Optional<Notice> decide(List<NotePlan> asked, long line) {
    timing.decide(asked, line);
    Optional<Integer> next = nextOpen(at + 1).or(() -> nextOpen(0));
    if (next.isEmpty()) {
      leave();
      return Optional.of(
          new Notice("Every doubtful note is decided. {quantize} quantizes as you see it", false));
    }
    at = next.get();
    arrive();
    return Optional.empty();
  }

  private Optional<Integer> nextOpen(int from) {
    List<List<NotePlan>> questions = questionsOf(timing.plan());
    for (int i = from; i < questions.size(); i++) {
      if (isOpen(questions.get(i))) {
        return Optional.of(i);
      }
    }
    return Optional.empty();
  }

  private void arrive() {
    audition.sound(current().stream().map(NotePlan::note).toList());
    changes.fire(Aspect.TIMING);
  }

  @Override
  public void giveBack() {
    leave();
  }

  /** Leaves the rest undecided, and gives the keys back. */
  public Optional<Notice> leave() {
    on = false;
    audition.end();
    changes.fire(Aspect.KEYS, Aspect.TIMING);
    return Optional.empty();
  }

  /**
   * The notes of a plan that a person has to be asked about, as they were played, chords in one.
   */
  static List<List<NotePlan>> questions(QuantizePlan plan) {
    List<List<NotePlan>> result = new ArrayList<>();
    for (NotePlan note : plan.notes()) {
      if (!note.isDoubtful() && !note.decided()) {
        continue;
      }
      if (!result.isEmpty() && isOneWith(result.getLast().get(0), note)) {
        result.getLast().add(note);
      } else {
        result.add(new ArrayList<>(List.of(note)));
      }
    }
    return result;
  }

  private static boolean isOneWith(NotePlan a, NotePlan b) {
    return a.line() == b.line() && a.otherLine() == b.otherLine() && a.decided() == b.decided();
  }
}

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
  private List<Question> questions = List.of();
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

  /**
   * What a person is asked: for which of two lines notes are meant, or at which of two ticks they
   * are to end.
   *
   * @param notes one, or a chord
   * @param likely the tick that seems likelier, or was decided on
   * @param other the other one
   */
  public record Question(List<NotePlan> notes, boolean ofEnds, long likely, long other) {
    private static Question ofLine(NotePlan note) {
      return new Question(new ArrayList<>(List.of(note)), false, note.line(), note.otherLine());
    }

    private static Question ofEnd(NotePlan note) {
      NotePlan.End end = note.meant();
      return new Question(new ArrayList<>(List.of(note)), true, end.tick(), end.other());
    }

    public long earlier() {
      return Math.min(likely, other);
    }

    public long later() {
      return Math.max(likely, other);
    }

    private boolean isOpen() {
      NotePlan first = notes.getFirst();
      return ofEnds ? !first.meant().decided() : !first.decided();
    }

    private boolean isOneWith(Question next) {
      return likely == next.likely
          && other == next.other
          && isOpen() == next.isOpen()
          && (!ofEnds || notes.getFirst().onset() == next.notes.getFirst().onset());
    }
  }

  /** What is asked now; empty while nothing is. */
  public Optional<Question> current() {
    List<Question> questions = on ? questionsOf(timing.plan()) : List.of();
    return at < questions.size() ? Optional.of(questions.get(at)) : Optional.empty();
  }

  /** How many are still to be decided: notes that share both lines, as those of a chord, in one. */
  public int left() {
    return (int) previewed().stream().filter(Question::isOpen).count();
  }

  private List<Question> previewed() {
    return questionsOf(timing.preview().orElse(QuantizePlan.NONE));
  }

  /** They are looked for once in a plan, however often they are asked for. */
  private List<Question> questionsOf(QuantizePlan plan) {
    if (plan != asked) {
      asked = plan;
      questions = questions(plan);
    }
    return questions;
  }

  /** What a walk would do, in words; where notes are decided together, how many steps it takes. */
  public String offer() {
    int steps = left();
    int notes = previewed().stream().filter(Question::isOpen).mapToInt(q -> q.notes().size()).sum();
    return "Decide "
        + notes
        + (steps == notes ? " doubtful" : " in " + steps + (steps == 1 ? " step" : " steps"));
  }

  /** Which one it is, counted from 1, and of how many. */
  public String place() {
    List<Question> all = questionsOf(timing.plan());
    boolean together = all.stream().anyMatch(q -> q.notes().size() > 1);
    return (together ? "Step " : "Doubtful ") + (at + 1) + " of " + all.size();
  }

  /** What it asks; empty when it is over. */
  public String says() {
    String what = current().filter(Question::ofEnds).isPresent() ? "end" : "line";
    return on
        ? place()
            + ": {walk-earlier} earlier, {walk-later} later "
            + what
            + "; any other key keeps it. {walk-leave} leaves."
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

  /** Decides for the earlier of the two lines, or ends, or for the later, and goes on. */
  public Optional<Notice> choose(boolean later) {
    return current().map(q -> decide(q, later ? q.later() : q.earlier())).orElseGet(this::leave);
  }

  /** Keeps the one that seems likelier, and goes on. */
  public Optional<Notice> keep() {
    return current().map(q -> decide(q, q.likely())).orElseGet(this::leave);
  }

  private Optional<Notice> decide(Question asked, long tick) {
    if (asked.ofEnds()) {
      timing.decideEnd(asked.notes(), tick);
    } else {
      timing.decide(asked.notes(), tick);
    }
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
    List<Question> questions = questionsOf(timing.plan());
    for (int i = from; i < questions.size(); i++) {
      if (questions.get(i).isOpen()) {
        return Optional.of(i);
      }
    }
    return Optional.empty();
  }

  private void arrive() {
    List<NotePlan> asked = current().map(Question::notes).orElse(List.of());
    audition.sound(asked.stream().map(NotePlan::note).toList());
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
   * What a person has to be asked of a plan: of lines first, since where notes end is looked for
   * once they are chosen; chords in one.
   */
  static List<Question> questions(QuantizePlan plan) {
    List<Question> result = new ArrayList<>();
    List<Question> ofEnds = new ArrayList<>();
    for (NotePlan note : plan.notes()) {
      if (note.isDoubtful() || note.decided()) {
        add(result, Question.ofLine(note));
      }
      if (note.meant().isDoubtful() || note.meant().decided()) {
        add(ofEnds, Question.ofEnd(note));
      }
    }
    result.addAll(ofEnds);
    return result;
  }

  private static void add(List<Question> questions, Question next) {
    if (!questions.isEmpty() && questions.getLast().isOneWith(next)) {
      questions.getLast().notes().addAll(next.notes());
    } else {
      questions.add(next);
    }
  }
}

package flailbeat.core.session.hands;

import flailbeat.core.keys.ArrangementKind;
import flailbeat.core.keys.ChordCheck;
import flailbeat.core.keys.Detour;
import flailbeat.core.keys.Hands;
import flailbeat.core.keys.KeyGhosting;
import flailbeat.core.keys.KeySign;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.keys.Lesson;
import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Changes;
import flailbeat.core.session.document.WhileRecording;
import java.util.Comparator;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

/**
 * What the application finds out about the person's keyboard: what is printed on it, and which keys
 * it does not let through together. While it asks, it has the keys.
 */
public final class KeyboardStudy {
  private final Performer performer;
  private final Changes changes;
  private final WhileRecording whileRecording;
  private Optional<Lesson> lesson = Optional.empty();
  private Optional<ChordCheck> check = Optional.empty();
  private KeyGhosting ghosting = KeyGhosting.NONE;
  private String remark = "";

  public KeyboardStudy(Performer performer, Changes changes, WhileRecording whileRecording) {
    this.performer = performer;
    this.changes = changes;
    this.whileRecording = whileRecording;
  }

  /** Whether it has the keys. */
  public boolean isAsking() {
    return lesson.isPresent() || check.isPresent();
  }

  /** The lesson that runs. */
  public Optional<Lesson> lesson() {
    return lesson;
  }

  /** The chord check that runs. */
  public Optional<ChordCheck> check() {
    return check;
  }

  public KeyGhosting ghosting() {
    return ghosting;
  }

  public void setGhosting(KeyGhosting value) {
    ghosting = value;
    changes.fire(Aspect.KEYS);
  }

  /** Begins to learn the keyboard: the keys are its own until that is over. */
  public void learn() {
    if (whileRecording.refuses()) {
      return;
    }
    takeKeys();
    lesson = Optional.of(new Lesson());
    check = Optional.empty();
    remark = "";
    changes.fire(Aspect.KEYS);
  }

  private void takeKeys() {
    performer.setKeysMode(KeysMode.PLAY);
    performer.releaseAll();
  }

  /** Begins a chord check: the keys are its own until that is over. */
  public void checkChord() {
    if (whileRecording.refuses()) {
      return;
    }
    takeKeys();
    check = Optional.of(new ChordCheck());
    lesson = Optional.empty();
    changes.fire(Aspect.KEYS);
  }

  /** Leaves off; what a lesson had learned is forgotten. */
  public void leave() {
    lesson = Optional.empty();
    check = Optional.empty();
    changes.fire(Aspect.KEYS);
  }

  /** A key was pressed that the system says this of. */
  public void press(KeySign sign) {
    lesson.ifPresent(
        l -> {
          remark =
              switch (l.take(sign)) {
                case LEARNED, OVER -> "";
                case SAME_AS_ANOTHER ->
                    "The system says the same of this key as of one before. Another, or {ask-next} skips.";
                case UNKNOWABLE ->
                    "The system says nothing by which this key could be known. {ask-next} skips it.";
              };
          finishWhenOver(l);
        });
    check.ifPresent(c -> performer.layout().placeOf(sign.code(), sign.text()).ifPresent(c::press));
    changes.fire(Aspect.KEYS);
  }

  /** A key came up. */
  public void release(KeySign sign) {
    check.ifPresent(
        c -> {
          boolean waited = c.phase() == ChordCheck.Phase.TOGETHER;
          performer.layout().placeOf(sign.code(), sign.text()).ifPresent(c::release);
          if (waited && c.phase() == ChordCheck.Phase.DONE) {
            ghosting = ghosting.with(c);
            changes.fire(Aspect.SETTINGS);
          }
        });
    changes.fire(Aspect.KEYS);
  }

  /** Enter: passes over a key of the lesson; goes on with the check. */
  public void next() {
    lesson.ifPresent(
        l -> {
          l.skip();
          remark = "";
          finishWhenOver(l);
        });
    check.ifPresent(ChordCheck::next);
    changes.fire(Aspect.KEYS);
  }

  /** Backspace: goes back by a key of the lesson. */
  public void back() {
    lesson.ifPresent(Lesson::back);
    remark = "";
    changes.fire(Aspect.KEYS);
  }

  /** Takes what was learned so far; the rest stays as it was. */
  public void finish() {
    lesson
        .filter(l -> l.learned() > 0)
        .ifPresent(l -> performer.setLayout(l.layout(performer.layout())));
    leave();
  }

  private void finishWhenOver(Lesson running) {
    if (running.asked().isEmpty()) {
      finish();
    }
  }

  /** Another way to the notes of a chord that was found blocked. */
  public Optional<Detour> detour() {
    Hands hands = performer.hands();
    return check
        .filter(c -> !c.blocked().isEmpty())
        .flatMap(
            c -> {
              Set<Integer> pitches = new TreeSet<>();
              c.wanted().forEach(k -> pitches.addAll(hands.pitchesAt(k)));
              ArrangementKind kind = hands.arrangement().kind();
              return Detour.find(
                  pitches, kind, hands.base(), ghosting, performer.tonic(), performer.scale());
            });
  }

  /** Takes the other way. */
  public void takeDetour() {
    detour()
        .ifPresent(
            d -> {
              performer.arrange(d.kind(), performer.tonic(), performer.scale());
              performer.moveReach(d.base() - performer.hands().base());
              leave();
            });
  }

  /** What is to be done now, in a line; empty when it does not ask. */
  public String says() {
    if (lesson.isPresent()) {
      return remark.isEmpty()
          ? "Press the key that lights up. {ask-next} skips it, {ask-back} goes back."
          : remark;
    }
    return check.map(this::says).orElse("");
  }

  private String says(ChordCheck c) {
    return switch (c.phase()) {
      case ONE_BY_ONE ->
          c.wanted().isEmpty()
              ? "Press the keys of the chord one by one."
              : names(c.wanted()) + ". More, or {ask-next} when that is all.";
      case TOGETHER -> "Now hold " + names(c.wanted()) + " together, and let go.";
      case DONE ->
          c.blocked().isEmpty()
              ? names(c.wanted()) + " come through together."
              : names(c.blocked()) + " did not come through with " + names(c.arrived()) + ".";
    };
  }

  private String names(Set<PhysicalKey> keys) {
    return keys.stream()
        .sorted(Comparator.comparingDouble(PhysicalKey::column))
        .map(k -> performer.layout().cap(k))
        .collect(Collectors.joining(" "));
  }
}

package flailbeat.core.keys;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.keys.Lesson.Answer;
import flailbeat.core.pitch.Scale;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** What is found out about a person's keyboard. */
class KeyboardFindingsTest {
  private static final Set<PhysicalKey> CHORD = Set.of(PhysicalKey.A, PhysicalKey.D, PhysicalKey.G);

  private final Lesson lesson = new Lesson();
  private final ChordCheck check = new ChordCheck();

  @Test
  void a_lesson_learns_letters_dead_keys_and_keys_without_a_code() {
    assertThat(lesson.asked()).contains(PhysicalKey.A);
    assertThat(lesson.take(new KeySign("Q", "q"))).isEqualTo(Answer.LEARNED);
    assertThat(lesson.take(new KeySign("Q", "q"))).isEqualTo(Answer.SAME_AS_ANOTHER);
    assertThat(lesson.take(new KeySign("UNDEFINED", ""))).isEqualTo(Answer.UNKNOWABLE);
    assertThat(lesson.take(new KeySign("DEAD_CIRCUMFLEX", ""))).isEqualTo(Answer.LEARNED);
    assertThat(lesson.take(new KeySign("UNDEFINED", "\u00f6"))).isEqualTo(Answer.LEARNED);
    KeyLayout layout = lesson.layout(KeyLayout.QWERTY);
    assertThat(layout.placeOf("Q", "q")).contains(PhysicalKey.A);
    assertThat(layout.placeOf("Q", "Q")).as("with Shift").contains(PhysicalKey.A);
    assertThat(layout.placeOf("DEAD_CIRCUMFLEX", "")).contains(PhysicalKey.S);
    assertThat(layout.placeOf("UNDEFINED", "\u00d6")).contains(PhysicalKey.D);
    assertThat(layout.placeOf("UNDEFINED", "")).isEmpty();
    assertThat(layout.placeOf("F", "f")).as("not pressed: as before").contains(PhysicalKey.F);
    assertThat(layout.placeOf("COMMA", ",")).contains(PhysicalKey.COMMA);
    assertThat(layout.cap(PhysicalKey.A) + layout.cap(PhysicalKey.S) + layout.cap(PhysicalKey.D))
        .isEqualTo("Q^\u00d6");
  }

  @Test
  void a_lesson_can_skip_and_go_back_and_asks_for_every_place_once() {
    lesson.take(new KeySign("A", "a"));
    lesson.skip();
    assertThat(lesson.asked()).contains(PhysicalKey.D);
    lesson.back();
    lesson.back();
    assertThat(lesson.asked()).contains(PhysicalKey.A);
    assertThat(lesson.learned()).isZero();
    for (int i = 0; i < PhysicalKey.values().length; i++) {
      assertThat(lesson.take(new KeySign("KEY" + i, ""))).isEqualTo(Answer.LEARNED);
    }
    assertThat(lesson.asked()).isEmpty();
    assertThat(lesson.take(new KeySign("MORE", ""))).isEqualTo(Answer.OVER);
  }

  /** Holds the chord as a keyboard does that lets no third key of it through. */
  private void holdWithoutG() {
    for (PhysicalKey key : CHORD) {
      check.press(key);
      check.release(key);
    }
    check.next();
    check.press(PhysicalKey.A);
    check.press(PhysicalKey.D);
    check.release(PhysicalKey.D);
    check.release(PhysicalKey.A);
  }

  @Test
  void a_chord_check_tells_which_keys_did_not_arrive() {
    holdWithoutG();
    assertThat(check.phase()).isEqualTo(ChordCheck.Phase.DONE);
    assertThat(check.arrived()).containsExactly(PhysicalKey.A, PhysicalKey.D);
    assertThat(check.blocked()).containsExactly(PhysicalKey.G);
  }

  @Test
  void a_blocked_combination_is_known_while_its_other_keys_are_held() {
    holdWithoutG();
    KeyGhosting ghosting = KeyGhosting.NONE.with(check);
    assertThat(ghosting.combinations()).containsExactly(CHORD);
    assertThat(ghosting.blocks(PhysicalKey.G, Set.of(PhysicalKey.A, PhysicalKey.D))).isTrue();
    assertThat(ghosting.blocks(PhysicalKey.G, Set.of(PhysicalKey.A))).isFalse();
    assertThat(ghosting.blocks(PhysicalKey.F, Set.of(PhysicalKey.A, PhysicalKey.D))).isFalse();
  }

  @Test
  void keys_that_pass_after_all_are_no_longer_blocked() {
    holdWithoutG();
    KeyGhosting ghosting = KeyGhosting.NONE.with(check);
    ChordCheck again = new ChordCheck();
    CHORD.forEach(again::press);
    again.next();
    CHORD.forEach(again::press);
    CHORD.forEach(again::release);
    assertThat(ghosting.with(again)).isEqualTo(KeyGhosting.NONE);
  }

  /** C E G on other keys: the reach a semitone up puts them on keys that nothing is known of. */
  @Test
  void a_detour_plays_the_same_notes_on_keys_that_do_not_block_one_another() {
    holdWithoutG();
    KeyGhosting ghosting = KeyGhosting.NONE.with(check);
    Detour detour =
        Detour.find(Set.of(60, 64, 67), ArrangementKind.HOME, 60, ghosting, 0, Scale.MAJOR)
            .orElseThrow();
    assertThat(ghosting.blocks(detour.keys())).isFalse();
    Hands hands = new Hands();
    hands.setArrangement(Arrangement.of(detour.kind(), 0, Scale.MAJOR));
    hands.moveReach(detour.base() - hands.base());
    assertThat(detour.keys())
        .flatExtracting(hands::pitchesAt)
        .containsExactlyInAnyOrder(60, 64, 67);
    assertThat(detour.kind()).isEqualTo(ArrangementKind.HOME);
    assertThat(Math.abs(detour.base() - 60)).isEqualTo(1);
  }

  @Test
  void there_is_no_detour_for_notes_that_no_arrangement_reaches() {
    Optional<Detour> none =
        Detour.find(Set.of(10, 120), ArrangementKind.HOME, 60, KeyGhosting.NONE, 0, Scale.MAJOR);
    assertThat(none).isEmpty();
  }

  /**
   * In Home from C4, S and F are D and F; with these two blocked the reach goes up a semitone
   * first.
   */
  @Test
  void the_smallest_shift_that_will_do_is_taken_upward_before_downward() {
    KeyGhosting blocked = new KeyGhosting(Set.of(Set.of(PhysicalKey.S, PhysicalKey.F)));
    Detour detour =
        Detour.find(Set.of(62, 65), ArrangementKind.HOME, 60, blocked, 0, Scale.MAJOR)
            .orElseThrow();
    assertThat(detour.kind()).isEqualTo(ArrangementKind.HOME);
    assertThat(Math.abs(detour.base() - 60)).isEqualTo(1);
    assertThat(detour.base()).isEqualTo(61);
    assertThat(detour.keys()).containsExactlyInAnyOrder(PhysicalKey.W, PhysicalKey.D);
    assertThat(blocked.blocks(detour.keys())).isFalse();
  }

  @Test
  void where_nothing_is_blocked_the_way_is_where_the_hands_are() {
    Detour detour =
        Detour.find(Set.of(60, 64, 67), ArrangementKind.HOME, 60, KeyGhosting.NONE, 0, Scale.MAJOR)
            .orElseThrow();
    assertThat(detour.base()).isEqualTo(60);
    assertThat(detour.keys())
        .containsExactlyInAnyOrder(PhysicalKey.A, PhysicalKey.D, PhysicalKey.G);
  }

  /** Two octaves and a half do not lie under Home's keys; Span has them. */
  @Test
  void what_one_arrangement_cannot_reach_is_found_in_another_and_never_in_chords() {
    Detour detour =
        Detour.find(Set.of(48, 74), ArrangementKind.HOME, 60, KeyGhosting.NONE, 0, Scale.MAJOR)
            .orElseThrow();
    assertThat(detour.kind()).isNotIn(ArrangementKind.HOME, ArrangementKind.CHORDS);
    assertThat(detour.keys()).hasSize(2);
  }

  /** E and G on the cap of A in Scale of C would be two keys; in Chords they are one. */
  @Test
  void chords_on_one_key_are_no_detour_and_the_reach_stays_on_the_piano() {
    assertThat(Detour.find(Set.of(0), ArrangementKind.HOME, 0, KeyGhosting.NONE, 0, Scale.MAJOR))
        .get()
        .extracting(Detour::base)
        .isEqualTo(0);
    KeyGhosting low = new KeyGhosting(Set.of(Set.of(PhysicalKey.A, PhysicalKey.D)));
    Detour up =
        Detour.find(Set.of(0, 4), ArrangementKind.HOME, 0, low, 0, Scale.MAJOR).orElseThrow();
    assertThat(up.base()).isBetween(0, 127);
    assertThat(up.kind()).isNotEqualTo(ArrangementKind.HOME);
    assertThat(low.blocks(up.keys())).isFalse();
  }

  @Test
  void a_layout_is_found_again_by_its_name() {
    assertThat(KeyLayout.all()).hasSize(5);
    for (KeyLayout layout : KeyLayout.all()) {
      assertThat(KeyLayout.named(layout.name())).contains(layout);
    }
    assertThat(KeyLayout.named("none of them")).isEmpty();
  }
}

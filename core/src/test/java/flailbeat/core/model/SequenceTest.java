package flailbeat.core.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import flailbeat.core.model.id.NoteId;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

class SequenceTest {
  private static Note note(long id, long onset, long length) {
    return Note.placed(new NoteId(id), 60, 80, onset, length);
  }

  private static Sequence<Note> of(int count) {
    List<Note> notes = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      notes.add(note(i, i * 10L, 15));
    }
    return Sequence.ofNotes(notes);
  }

  /** Against a sorted set of java.util, over edits large and small. */
  @Property
  void it_holds_what_a_sorted_set_would(@ForAll long seed) {
    Random random = new Random(seed);
    Sequence<Note> sequence = Sequence.ofNotes(List.of());
    TreeSet<Note> expected = new TreeSet<>(Note.ORDER);
    for (int step = 0; step < 30; step++) {
      Sequence<Note> before = sequence;
      List<Note> put = new ArrayList<>();
      Set<Long> used = new HashSet<>();
      for (int i = random.nextInt(step % 5 == 0 ? 1500 : 4); i > 0; i--) {
        Note note = note(random.nextInt(5000), random.nextInt(9000), 1 + random.nextInt(40));
        if (used.add(note.idNumber())) {
          put.add(note);
        }
      }
      expected.removeIf(n -> used.contains(n.idNumber()));
      expected.addAll(put);
      sequence = sequence.with(put);
      if (random.nextInt(4) == 0) {
        Set<Long> gone = new HashSet<>();
        random.longs(random.nextInt(900), 0, 5000).forEach(gone::add);
        expected.removeIf(n -> gone.contains(n.idNumber()));
        sequence = sequence.withoutIds(gone);
      }
      assertThat(sequence).containsExactlyElementsOf(expected);
      assertDifference(before, sequence);
      assertLookUps(sequence, new ArrayList<>(expected), random);
    }
  }

  private static void assertDifference(Sequence<Note> before, Sequence<Note> after) {
    Difference<Note> difference = after.since(before);
    Set<Note> was = new HashSet<>(before);
    Set<Note> is = new HashSet<>(after);
    assertThat(difference.gone())
        .containsExactlyInAnyOrderElementsOf(was.stream().filter(n -> !is.contains(n)).toList());
    assertThat(difference.come())
        .containsExactlyInAnyOrderElementsOf(is.stream().filter(n -> !was.contains(n)).toList());
  }

  private static void assertLookUps(Sequence<Note> sequence, List<Note> expected, Random random) {
    assertThat(sequence).hasSameSizeAs(expected);
    assertThat(sequence.end()).isEqualTo(expected.stream().mapToLong(Note::end).max().orElse(0));
    long from = random.nextInt(9000);
    long to = from + random.nextInt(2000);
    assertThat(sequence.beginningIn(from, to))
        .isEqualTo(expected.stream().filter(n -> n.onset() >= from && n.onset() < to).toList());
    List<Note> reaching = new ArrayList<>();
    sequence.forEachIn(from, to, reaching::add);
    assertThat(reaching)
        .isEqualTo(expected.stream().filter(n -> n.end() > from && n.onset() < to).toList());
    if (!expected.isEmpty()) {
      int index = random.nextInt(expected.size());
      assertThat(sequence.get(index)).isSameAs(expected.get(index));
      assertThat(sequence.find(expected.get(index).idNumber())).containsSame(expected.get(index));
    }
    assertThat(sequence.find(9999)).isEmpty();
  }

  @Test
  void an_edit_of_one_note_shares_all_but_a_few_chunks() {
    Sequence<Note> long1 = of(100_000);
    Sequence<Note> changed = long1.with(List.of(note(50_000, 7, 9)));
    assertThat(changed).hasSize(100_000);
    assertThat(long1.chunks() - changed.sharedChunks(long1)).isBetween(2, 3);
  }

  @Test
  void a_sequence_that_is_emptied_bit_by_bit_keeps_few_chunks() {
    Sequence<Note> sequence = of(20_000);
    List<Note> order = new ArrayList<>(sequence);
    Collections.shuffle(order, new Random(1));
    for (Note note : order.subList(0, 19_000)) {
      sequence = sequence.withoutIds(List.of(note.idNumber()));
    }
    assertThat(sequence).hasSize(1000);
    assertThat(sequence.chunks()).isLessThan(80);
  }

  @Test
  void an_id_that_is_given_twice_is_refused() {
    assertThatThrownBy(() -> Sequence.ofNotes(List.of(note(1, 0, 5), note(1, 9, 5))))
        .hasMessageContaining("the number 1 is given twice");
  }
}

package flailbeat.core.edit.notes;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.edit.Selection;
import flailbeat.core.edit.notes.NoteResize.Edge;
import flailbeat.core.edit.notes.NoteResize.Together;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.pitch.Key;
import flailbeat.core.pitch.Scale;
import flailbeat.core.time.Grid;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.NoteValue;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.function.IntSupplier;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** Notes as {@code onset pitch length}; values worked out by hand. A quarter is 960 ticks. */
class NoteToolsTest {
  private static final TrackId TRACK = Song.empty().tracks().get(0).id();

  private static Song song(String... notes) {
    List<NewNote> all = new ArrayList<>();
    for (String note : notes) {
      String[] parts = note.split(" ");
      long onset = Long.parseLong(parts[0]);
      Played played = new Played(onset, onset + Long.parseLong(parts[2]));
      all.add(new NewNote(Integer.parseInt(parts[1]), 80, played));
    }
    return NoteEdits.add(Song.empty(), TRACK, all, new TickRange(0, 3840));
  }

  private static List<Note> notes(Song song) {
    return song.tracks().get(0).notes();
  }

  private static Set<NoteId> all(Song song) {
    return Selection.of(notes(song)).notes();
  }

  private static List<String> lines(Song song) {
    return notes(song).stream().map(n -> n.onset() + " " + n.pitch() + " " + n.length()).toList();
  }

  @Test
  void notes_are_cut_at_a_place_into_parts_and_at_every_line() {
    Song one = song("0 60 960", "480 64 960");
    assertThat(lines(NoteTools.splitAt(one, all(one), 720)))
        .containsExactly("0 60 720", "480 64 240", "720 60 240", "720 64 720");
    assertThat(lines(NoteTools.splitInto(song("0 60 1000"), all(song("0 60 1000")), 3)))
        .containsExactly("0 60 333", "333 60 334", "667 60 333");
    GridLines eighths = new GridLines(Grid.of(NoteValue.straight(8)), MeterMap.of(Meter.COMMON));
    Song off = song("100 60 1000");
    assertThat(lines(NoteTools.splitAtLines(off, all(off), eighths)))
        .containsExactly("100 60 380", "480 60 480", "960 60 140");
  }

  @Test
  void neighbours_of_one_pitch_become_one_and_lengths_follow_the_next_onset() {
    Song line = song("0 60 400", "960 60 400", "1920 62 400", "1920 65 100");
    assertThat(lines(NoteTools.join(line, all(line))))
        .containsExactly("0 60 1360", "1920 62 400", "1920 65 100");
    Song melody = song("0 60 400", "480 62 400", "960 60 400");
    assertThat(NoteTools.join(melody, all(melody))).as("no neighbours").isSameAs(melody);
    assertThat(lines(NoteTools.legato(line, all(line))))
        .containsExactly("0 60 960", "960 60 960", "1920 62 400", "1920 65 100");
    assertThat(lines(NoteTools.staccato(line, all(line), 50)))
        .containsExactly("0 60 480", "960 60 480", "1920 62 200", "1920 65 50");
    Song over = song("0 60 1200", "960 60 400", "960 62 9000");
    assertThat(lines(NoteTools.trimOverlaps(over, all(over))))
        .containsExactly("0 60 960", "960 60 400", "960 62 9000");
    assertThat(lines(NoteTools.setLength(over, all(over), 240)))
        .containsExactly("0 60 240", "960 60 240", "960 62 240");
  }

  /** D minor, from any handbook: a third up from D is F, from F is A, from B flat is D. */
  @Test
  void degrees_of_a_scale_are_kept() {
    Song dMinor = song("0 62 960", "960 65 960", "1920 70 960", "2880 63 960");
    assertThat(
            lines(NoteTools.moveDegrees(dMinor, all(dMinor), new Key(2, Scale.NATURAL_MINOR), 2)))
        .containsExactly("0 65 960", "960 69 960", "1920 74 960", "2880 66 960");
    Song high = song("0 60 960", "960 127 960");
    assertThat(NoteTools.moveDegrees(high, all(high), new Key(0, Scale.MAJOR), 1)).isSameAs(high);
  }

  @Test
  void a_group_is_resized_alike_to_one_length_or_to_one_end() {
    Song chord = song("0 60 960", "0 64 480", "240 67 480", "1200 60 480");
    Set<NoteId> three = Selection.of(notes(chord).subList(0, 3)).notes();
    Note held = notes(chord).get(0);
    assertThat(
            lines(
                NoteResize.of(chord, three, Edge.END, Together.AMOUNT, held).by(-240).apply(chord)))
        .startsWith("0 60 720", "0 64 240", "240 67 240");
    assertThat(
            lines(
                NoteResize.of(chord, three, Edge.END, Together.LENGTH, held).by(-240).apply(chord)))
        .startsWith("0 60 720", "0 64 720", "240 67 720");
    assertThat(
            lines(
                NoteResize.of(chord, three, Edge.END, Together.PLACE, held).by(-240).apply(chord)))
        .startsWith("0 60 720", "0 64 720", "240 67 480");
    assertThat(
            lines(
                NoteResize.of(chord, three, Edge.END, Together.AMOUNT, held).by(9000).apply(chord)))
        .as("no end passes the next onset of its pitch")
        .startsWith("0 60 1200");
    assertThat(
            lines(
                NoteResize.of(chord, three, Edge.END, Together.AMOUNT, held)
                    .by(-9000)
                    .apply(chord)))
        .as("none goes through nothing")
        .startsWith("0 60 15", "0 64 15", "240 67 15");
    Set<NoteId> last = Set.of(notes(chord).get(3).id());
    assertThat(
            lines(
                NoteResize.of(chord, last, Edge.START, Together.AMOUNT, notes(chord).get(3))
                    .by(-900)
                    .apply(chord)))
        .as("no start passes the end of the note before it")
        .contains("960 60 720");
  }

  @Test
  void copies_are_laid_behind_one_another_as_far_as_the_piano_goes() {
    Song pair = song("0 120 240", "240 121 240");
    assertThat(lines(new NoteCopies(all(pair), 480, 3, 4).apply(pair)))
        .containsExactly(
            "0 120 240",
            "240 121 240",
            "480 123 240",
            "720 124 240",
            "960 126 240",
            "1200 127 240");
  }

  /** Some notes of a made-up part: two thirds of them, by a seed. */
  private record Part(Song song, Set<NoteId> some) {
    static Part of(long seed) {
      Random random = new Random(seed);
      return made(random, IntStream.generate(() -> random.nextInt(20_000)), () -> pitch(random));
    }

    /**
     * One in which no two begin together and none has the pitch of another: so none stays where it
     * is because another of its pitch stands where it would go.
     */
    static Part apart(long seed) {
      Random random = new Random(seed);
      Set<Integer> taken = new HashSet<>();
      return made(
          random,
          IntStream.generate(() -> random.nextInt(20_000)).distinct(),
          () ->
              IntStream.generate(() -> pitch(random)).filter(taken::add).findFirst().orElseThrow());
    }

    private static int pitch(Random random) {
      return 30 + random.nextInt(60);
    }

    private static Part made(Random random, IntStream onsets, IntSupplier pitch) {
      List<String> notes = new ArrayList<>();
      onsets
          .limit(1 + random.nextInt(25))
          .forEach(on -> notes.add(on + " " + pitch.getAsInt() + " " + (1 + random.nextInt(2000))));
      Song song = NoteToolsTest.song(notes.toArray(String[]::new));
      Set<NoteId> some = new HashSet<>();
      notes(song).stream().filter(n -> random.nextInt(3) > 0).forEach(n -> some.add(n.id()));
      return new Part(song, some);
    }

    List<Note> others(Song of) {
      Set<NoteId> known = all(song);
      return notes(of).stream()
          .filter(n -> known.contains(n.id()) && !some.contains(n.id()))
          .toList();
    }
  }

  private static final GridLines LINES =
      new GridLines(Grid.of(NoteValue.straight(16)), MeterMap.of(Meter.COMMON));

  @Property(tries = 150)
  void nothing_beyond_the_named_notes_is_changed(
      @ForAll long seed, @ForAll @IntRange(max = 10) int kind) {
    Part part = Part.of(seed);
    List<BiFunction<Song, Set<NoteId>, Song>> tools =
        List.of(
            (s, ids) -> NoteTools.splitAt(s, ids, 5000),
            (s, ids) -> NoteTools.splitInto(s, ids, 4),
            (s, ids) -> NoteTools.splitAtLines(s, ids, LINES),
            NoteTools::join,
            NoteTools::legato,
            (s, ids) -> NoteTools.staccato(s, ids, 40),
            NoteTools::trimOverlaps,
            (s, ids) -> NoteTools.setLength(s, ids, 120),
            NoteTools::reverse,
            NoteTools::mirror,
            (s, ids) -> NoteTools.moveDegrees(s, ids, new Key(3, Scale.DORIAN), -2));
    Song after = tools.get(kind).apply(part.song(), part.some());
    assertThat(part.others(after)).isEqualTo(part.others(part.song()));
  }

  @Property(tries = 100)
  void parts_sum_to_the_whole(@ForAll long seed, @ForAll @IntRange(min = 2, max = 16) int parts) {
    Part part = Part.of(seed);
    long whole = notes(part.song()).stream().mapToLong(Note::length).sum();
    for (Song after :
        List.of(
            NoteTools.splitInto(part.song(), part.some(), parts),
            NoteTools.splitAtLines(part.song(), part.some(), LINES),
            NoteTools.splitAt(part.song(), part.some(), 7000))) {
      assertThat(notes(after).stream().mapToLong(Note::length).sum()).isEqualTo(whole);
    }
  }

  @Property(tries = 100)
  void turned_round_twice_or_copied_and_deleted_is_as_before(@ForAll long seed) {
    Part part = Part.apart(seed);
    Song song = part.song();
    assertThat(notes(NoteTools.reverse(NoteTools.reverse(song, part.some()), part.some())))
        .isEqualTo(notes(song));
    assertThat(notes(NoteTools.mirror(NoteTools.mirror(song, part.some()), part.some())))
        .isEqualTo(notes(song));
    Song copied = new NoteCopies(part.some(), 30_000, 1, 2).apply(song);
    assertThat(notes(NoteEdits.delete(copied, NoteCopies.added(song, copied))))
        .isEqualTo(notes(song));
  }
}

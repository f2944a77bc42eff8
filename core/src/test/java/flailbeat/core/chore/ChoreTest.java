package flailbeat.core.chore;

import static flailbeat.core.chore.ChoreSongs.area;
import static flailbeat.core.chore.ChoreSongs.marked;
import static flailbeat.core.chore.ChoreSongs.song;
import static flailbeat.core.chore.ChoreSongs.text;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import flailbeat.core.model.Song;
import flailbeat.core.pitch.OctaveNames;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Values worked out by hand. */
class ChoreTest {
  private static Chore marking(Term... all) {
    return new Chore(List.of(List.of(all)), ChoreAction.MARK, 0);
  }

  private static Term term(Measure of, Relation is, double from, double to) {
    return new Term(of, false, is, from, to);
  }

  /**
   * A loosely played part: a chord of two on the first beat, the second 40 ticks (20.8 ms) late; a
   * short soft C# a little before the second beat; an F# between the beats; one note 60 ticks
   * before the second bar.
   */
  private static final String PART =
      "0 60 80 480, 40 64 90 480, 940 61 30 100, 1440 66 70 240, 3780 72 100 480";

  @ParameterizedTest(name = "{0} {1} {2} {3}")
  @CsvSource({
    "PITCH, BELOW, 61, 0, 0",
    "PITCH, BETWEEN, 61, 66, 40 940 1440",
    "VELOCITY, ABOVE, 80, 0, 40 3780",
    "VELOCITY, IS, 80, 0, 0",
    "LENGTH, BELOW, 240, 0, 940",
    // 240 ticks last 125 ms.
    "LENGTH_MS, ABOVE, 125, 0, 0 40 3780",
    "LENGTH_MS, BETWEEN, 50, 125, 940 1440",
    "PLACE, IS, 1, 0, 0 40 3780",
    "PLACE, IS, 2, 0, 940",
    "PLACE, BELOW, 2, 0, 0 40 3780",
    "PLACE, ABOVE, 2, 0, 1440",
    "PLACE, BETWEEN, 2, 3, 940 1440",
    // 20 ticks are 10.4 ms, 40 are 20.8, 60 are 31.3.
    "OFF_LINE, ABOVE, 10, 0, 40 940 3780",
    "LATE, ABOVE, 10, 0, 40",
    "LATE, BELOW, -15, 0, 3780",
    "CHORD, IS, 2, 0, 0 40",
    "CHORD, BELOW, 2, 0, 940 1440 3780",
    "OFF_SCALE, ABOVE, 0, 0, 940 1440",
    "PLACE, BETWEEN, 1, 1.01, 0 40 3780",
    "PLACE, BETWEEN, 2, 2.5, 940 1440",
    "VELOCITY, BETWEEN, 30, 80, 0 940 1440",
    "PITCH, ABOVE, 66, 0, 3780"
  })
  void a_condition_finds_the_notes_that_its_words_say(
      Measure of, Relation is, double from, double to, String expected) {
    Area area = area(song(PART), Reach.TRACK);
    Term plain = term(of, is, from, to);
    assertThat(marked(marking(plain).outcome(area, 1))).isEqualTo(expected);
    int all = area.noteCount();
    Outcome others = marking(new Term(of, true, is, from, to)).outcome(area, 1);
    assertThat(others.marked()).as("not").hasSize(all - expected.split(" ").length);
  }

  @Test
  void and_binds_closer_than_or() {
    Term low = term(Measure.PITCH, Relation.BELOW, 62, 0);
    Term loud = term(Measure.VELOCITY, Relation.ABOVE, 50, 0);
    Term last = term(Measure.PITCH, Relation.IS, 72, 0);
    Chore chore = new Chore(List.of(List.of(low, loud), List.of(last)), ChoreAction.REMOVE, 0);
    Song song = song(PART);
    Outcome outcome = chore.outcome(area(song, Reach.TRACK), 1);
    assertThat(text(outcome.edit("Chore").apply(song)))
        .isEqualTo("40 64 90 480, 940 61 30 100, 1440 66 70 240");
    assertThat(chore.inWords(OctaveNames.MIDDLE_C4))
        .isEqualTo(
            "Where pitch is below D4 and velocity is above 50, or where pitch is C5: remove it.");
  }

  @ParameterizedTest(name = "{0} {1}")
  @CsvSource(
      delimiter = '|',
      value = {
        "VELOCITY | 50 | 100 60 50 480",
        "LOUDER | 120 | 100 60 127 480",
        "VELOCITY_SCALE | 50 | 100 60 40 480",
        "LENGTH | 240 | 100 60 80 240",
        "LENGTH_SCALE | 10 | 100 60 80 48",
        // As far as the piano reaches.
        "TRANSPOSE | 70 | 100 127 80 480",
        "OCTAVE_ABOVE | 0 | 100 60 80 480, 100 72 80 480",
        "OCTAVE_BELOW | 0 | 100 48 80 480, 100 60 80 480",
        // 10 ms are 19.2 ticks.
        "LATER | 10 | 119 60 80 480",
        "LATER | -100 | 0 60 80 480",
        "TO_LINE | 50 | 50 60 80 480"
      })
  void what_is_done_is_done_to_each_note_that_meets_the_condition(
      ChoreAction does, int amount, String expected) {
    Song song = song("100 60 80 480");
    Chore chore = new Chore(List.of(), does, amount);
    Song after = chore.outcome(area(song, Reach.TRACK), 1).edit("Chore").apply(song);
    assertThat(text(after)).isEqualTo(expected);
  }

  @Test
  void a_note_outside_the_scale_goes_to_its_next_degree_and_those_inside_stay() {
    Song song = song(PART);
    Outcome outcome =
        new Chore(List.of(), ChoreAction.TO_SCALE, 0).outcome(area(song, Reach.TRACK), 1);
    assertThat(text(outcome.edit("Chore").apply(song)))
        .as("C# to C and F# to F, of two the lower")
        .isEqualTo("0 60 80 480, 40 64 90 480, 940 60 30 100, 1440 65 70 240, 3780 72 100 480");
    assertThat(outcome.noteCount()).isEqualTo(2);
  }

  @Test
  void a_note_brought_nearer_to_the_grid_still_knows_when_it_was_played() {
    Song song = song("100 60 80 480");
    Chore chore = new Chore(List.of(), ChoreAction.TO_LINE, 100);
    Song after = chore.outcome(area(song, Reach.TRACK), 1).edit("Chore").apply(song);
    assertThat(after.tracks().getFirst().notes().getFirst().playedOff()).isEqualTo(100);
  }

  @Test
  void chance_finds_the_share_that_was_asked_for_and_the_same_notes_as_it_showed() {
    String many =
        String.join(",", IntStream.range(0, 2000).mapToObj(i -> i * 240 + " 60 64 120").toList());
    Area area = area(song(many), Reach.TRACK);
    Chore chore = marking(term(Measure.CHANCE, Relation.BELOW, 20, 0));
    Outcome outcome = chore.outcome(area, 7);
    // Four standard deviations of a binomial distribution of 2,000 at 0.2 are 72.
    assertThat(outcome.marked().size()).isBetween(328, 472);
    assertThat(chore.outcome(area, 7).marked()).isEqualTo(outcome.marked());
    assertThat(chore.outcome(area, 8).marked()).isNotEqualTo(outcome.marked());
    assertThat(marking(term(Measure.CHANCE, Relation.BELOW, 0, 0)).outcome(area, 7).isNothing())
        .isTrue();
  }

  @Test
  void what_cannot_be_is_refused_in_words() {
    assertThatIllegalArgumentException()
        .isThrownBy(() -> term(Measure.VELOCITY, Relation.BELOW, 200, 0))
        .withMessage("The velocity goes from 1 to 127, not 200");
    assertThatIllegalArgumentException()
        .isThrownBy(() -> term(Measure.LENGTH, Relation.BELOW, Double.NaN, 0));
    assertThatIllegalArgumentException()
        .isThrownBy(() -> term(Measure.PITCH, Relation.BETWEEN, 64, 60))
        .withMessageContaining("lower bound");
    assertThatIllegalArgumentException()
        .isThrownBy(() -> new Chore(List.of(), ChoreAction.VELOCITY, 0))
        .withMessageContaining("from 1 to 127, not 0");
    assertThatIllegalArgumentException()
        .isThrownBy(() -> new Chore(List.of(List.of()), ChoreAction.MARK, 0));
    assertThatIllegalArgumentException()
        .isThrownBy(() -> Term.parse(Measure.LATE, "soon", OctaveNames.MIDDLE_C4));
    assertThat(Term.parse(Measure.PITCH, "F#4", OctaveNames.MIDDLE_C4)).isEqualTo(66);
    assertThat(Term.parse(Measure.PLACE, "2,5", OctaveNames.MIDDLE_C4)).isEqualTo(2.5);
  }

  @Test
  void a_chore_begins_with_the_number_of_what_it_does_and_says_so() {
    Chore louder = Chore.starting().withThen(ChoreAction.LOUDER);
    assertThat(louder.amount()).isEqualTo(ChoreAction.LOUDER.standard());
    assertThat(louder.withAmount(7).withWhen(List.of()).inWords(OctaveNames.MIDDLE_C4))
        .isEqualTo("For every note: " + ChoreAction.LOUDER.title(7) + ".");
    assertThat(ChoreAction.LOUDER.hasAmount()).isTrue();
    assertThat(ChoreAction.MARK.hasAmount()).isFalse();
    assertThat(term(Measure.CHANCE, Relation.BELOW, 20, 0).inWords(OctaveNames.MIDDLE_C4))
        .isEqualTo("in 20 of 100 cases");
    assertThat(new Term(Measure.CHANCE, true, Relation.BELOW, 20, 0).inWords(OctaveNames.MIDDLE_C4))
        .isEqualTo("in 80 of 100 cases");
    assertThat(term(Measure.LENGTH_MS, Relation.BETWEEN, 50, 1.5e2).inWords(OctaveNames.MIDDLE_C4))
        .endsWith("50 to 150 ms");
    for (Cleanup each : Cleanup.values()) {
      assertThat(each.isOfScale()).as("%s", each).isEqualTo(each.title().contains("the scale"));
    }
    assertThat(Reach.CLIP.title()).isEqualTo("Clip");
  }
}

package flailbeat.core.quantize;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import flailbeat.core.edit.NewControl;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.control.Control;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.quantize.NotePlan.Outcome;
import flailbeat.core.quantize.QuantizeSettings.Chords;
import flailbeat.core.quantize.QuantizeSettings.Ends;
import flailbeat.core.quantize.QuantizeSettings.NoteFilter;
import flailbeat.core.time.Grid;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** At 120 bpm a tick is 0.520833 ms (facts.md), so 24 ticks are 12.5 ms; a sixteenth is 240. */
class SettlingTest {
  private static final TempoMap TEMPO = TempoMap.of(TempoMap.DEFAULT);
  private static final MeterMap METER = MeterMap.of(Meter.COMMON);
  private static final QuantizeSettings ROUNDED = QuantizeSettings.standard();

  private final List<Note> notes = new ArrayList<>();

  private Note play(int pitch, long onset, long release) {
    Note note = Note.asPlayed(new NoteId(notes.size() + 1), pitch, 90, new Played(onset, release));
    notes.add(note);
    return note;
  }

  private QuantizePlan plan(QuantizeSettings settings) {
    return new Nearest(settings, TEMPO, METER).plan(notes, List.of());
  }

  private NotePlan only(QuantizeSettings settings) {
    return plan(settings).notes().get(0);
  }

  /** A note from 250 to 600, on a grid of 240: worked out by hand. */
  @ParameterizedTest
  @CsvSource({
    "KEEP, 240, 350",
    "SNAP, 240, 480",
    "LENGTHS, 240, 240",
    "STAY, 240, 360",
    "ONLY, 250, 470"
  })
  void what_moves_of_a_note(Ends ends, long onset, long length) {
    play(60, 250, 600);
    NotePlan plan = only(ROUNDED.withEnds(ends));
    assertThat(plan.onset()).isEqualTo(onset);
    assertThat(plan.length()).isEqualTo(length);
  }

  @Test
  void no_note_gets_shorter_than_is_wanted_unless_it_was() {
    play(60, 230, 235);
    play(62, 130, 245);
    NoteFilter reach = NoteFilter.ALL.withLeastLength(60);
    QuantizePlan plan = plan(ROUNDED.withEnds(Ends.STAY).withFilter(reach));
    assertThat(plan.notes()).extracting(NotePlan::length).containsExactly(60L, 5L);
  }

  @Test
  void only_notes_outside_the_catch_range_or_what_is_not_tight_is_moved() {
    play(60, 240 + 20, 400);
    play(62, 480 + 100, 700);
    NoteFilter outside = NoteFilter.ALL.withCatchRange(50).withOutside(true);
    assertThat(plan(ROUNDED.withFilter(outside)).notes())
        .extracting(NotePlan::outcome)
        .containsExactly(Outcome.OUT_OF_CATCH, Outcome.TO_LINE);
    QuantizePlan tight = plan(ROUNDED.withFilter(NoteFilter.ALL.withTightMs(12.5)));
    assertThat(tight.notes())
        .extracting(NotePlan::outcome)
        .containsExactly(Outcome.TIGHT, Outcome.TO_LINE);
    assertThat(tight.notes().get(0).onset()).isEqualTo(260);
    assertThatThrownBy(() -> NoteFilter.ALL.withTightMs(-1)).hasMessageContaining("0 to 100 ms");
  }

  @Test
  void a_chord_closes_up_or_keeps_its_spread() {
    play(60, 300, 500);
    play(64, 310, 500);
    play(67, 332, 500);
    assertThat(plan(ROUNDED).notes()).extracting(NotePlan::onset).containsOnly(240L);
    assertThat(plan(ROUNDED.withChords(Chords.KEEP)).notes())
        .extracting(NotePlan::onset)
        .containsExactly(226L, 236L, 258L);
  }

  @Test
  void a_note_ends_where_the_next_of_its_pitch_begins_and_that_is_told() {
    play(60, 20, 490);
    play(60, 510, 700);
    play(60, 730, 900);
    QuantizePlan plan = plan(ROUNDED.withEnds(Ends.SNAP));
    assertThat(plan.notes()).extracting(NotePlan::length).containsExactly(480L, 240L, 240L);
    assertThat(plan(ROUNDED).trimmed()).isZero();
    notes.clear();
    play(60, 0, 470);
    play(60, 471, 580);
    play(60, 590, 700);
    QuantizePlan closer = plan(ROUNDED.withGrid(Grid.parse("1/8")));
    assertThat(closer.notes().get(2).outcome()).isEqualTo(Outcome.LINE_TAKEN);
    notes.clear();
    play(60, 10, 300);
    play(60, 310, 500);
    QuantizePlan trimmed = plan(ROUNDED);
    assertThat(trimmed.trimmed()).isEqualTo(1);
    assertThat(trimmed.notes().get(0).length()).isEqualTo(240);
  }

  /** As {@code outcome@onset+length} of each, in the order of the times as played. */
  private static String told(QuantizePlan plan) {
    return plan.notes().stream()
        .map(p -> p.outcome() + "@" + p.onset() + "+" + p.length())
        .collect(Collectors.joining(" "));
  }

  @Test
  void the_first_has_a_line_unless_a_later_one_was_played_just_on_it() {
    play(60, 220, 230);
    play(60, 236, 239);
    play(60, 240, 300);
    play(60, 250, 330);
    assertThat(told(plan(ROUNDED)))
        .isEqualTo("LINE_TAKEN@220+10 LINE_TAKEN@236+3 TO_LINE@240+60 LINE_TAKEN@250+80");
    notes.clear();
    play(60, 240, 242);
    play(60, 243, 300);
    play(62, 239, 300);
    play(62, 241, 300);
    assertThat(told(plan(ROUNDED)))
        .as("the first on its line keeps it; of two beside it, the first")
        .isEqualTo("TO_LINE@240+1 TO_LINE@240+2 LINE_TAKEN@241+59 LINE_TAKEN@243+57");
  }

  /** The chord would go 10 earlier, and its lowest note to where one stands. */
  @Test
  void notes_of_chords_that_keep_their_spread_never_meet_on_one_place() {
    play(60, 470, 475);
    play(64, 490, 600);
    play(67, 510, 600);
    List<Note> others = List.of(Note.placed(new NoteId(90), 60, 90, 460, 5));
    QuantizePlan plan =
        new Nearest(ROUNDED.withChords(Chords.KEEP), TEMPO, METER).plan(notes, others);
    assertThat(told(plan)).isEqualTo("LINE_TAKEN@470+5 TO_LINE@480+110 TO_LINE@500+90");
  }

  /** Played in the order 500, 700; decided so that they cross: each still ends by the next. */
  @Test
  void notes_that_a_decision_has_cross_are_kept_apart() {
    Note first = play(60, 500, 690);
    Note second = play(60, 700, 990);
    QuantizePlan crossed =
        new Nearest(ROUNDED, TEMPO, METER)
            .plan(
                notes,
                List.of(),
                new Decisions(Map.of(first.id(), 960L, second.id(), 240L), Map.of()));
    assertThat(told(crossed)).isEqualTo("TO_LINE@960+190 TO_LINE@240+290");
    play(60, 1000, 1100);
    QuantizePlan same =
        new Nearest(ROUNDED, TEMPO, METER)
            .plan(
                notes,
                List.of(),
                new Decisions(Map.of(first.id(), 960L, second.id(), 240L), Map.of()));
    assertThat(told(same)).isEqualTo("TO_LINE@960+40 TO_LINE@240+290 LINE_TAKEN@1000+100");
  }

  @Test
  void a_note_ends_where_one_that_keeps_its_place_begins() {
    play(60, 250, 700);
    play(62, 250, 700);
    play(60, 1000, 1100);
    List<Note> others =
        List.of(
            Note.placed(new NoteId(90), 60, 90, 600, 100),
            Note.placed(new NoteId(91), 60, 90, 240 + 900, 100),
            Note.placed(new NoteId(92), 62, 90, 690, 100),
            Note.placed(new NoteId(93), 61, 90, 300, 100));
    QuantizePlan plan = new Nearest(ROUNDED, TEMPO, METER).plan(notes, others);
    assertThat(told(plan)).isEqualTo("TO_LINE@240+360 TO_LINE@240+450 TO_LINE@960+100");
    assertThat(plan.trimmed()).as("the second ends before it anyway").isEqualTo(1);
    others = List.of(Note.placed(new NoteId(90), 62, 90, 600, 100));
    assertThat(new Nearest(ROUNDED, TEMPO, METER).plan(notes, others).trimmed()).isEqualTo(1);
  }

  @Test
  void notes_that_overlapped_and_are_not_changed_are_left_alone() {
    play(60, 240, 600);
    play(60, 480, 700);
    QuantizePlan plan = plan(ROUNDED);
    assertThat(plan.trimmed()).isZero();
    assertThat(told(plan)).isEqualTo("TO_LINE@240+360 TO_LINE@480+220");
  }

  /**
   * Strength half: an end goes from 600 to 660 on the way to 720, a length from 350 to 295 on that
   * to 240.
   */
  @ParameterizedTest
  @CsvSource({"SNAP, 245, 415", "LENGTHS, 245, 295", "ONLY, 250, 410", "KEEP, 245, 350"})
  void at_half_the_strength_ends_go_half_the_way(Ends ends, long onset, long length) {
    play(60, 250, 600);
    NotePlan plan = only(ROUNDED.withEnds(ends).withStrength(50));
    assertThat(plan.onset()).isEqualTo(onset);
    assertThat(plan.length()).isEqualTo(length);
  }

  /** 24 ticks are 12.5 ms exactly. */
  @Test
  void what_is_just_as_far_as_is_allowed_is_moved_and_a_decision_is_in_any_case() {
    play(60, 240 - 24, 400);
    play(62, 480 + 23, 700);
    QuantizeSettings tight = ROUNDED.withFilter(NoteFilter.ALL.withTightMs(12.5));
    assertThat(told(plan(tight))).isEqualTo("TO_LINE@240+184 TIGHT@503+197");
    notes.clear();
    Note near = play(60, 250, 400);
    assertThat(
            told(
                new Nearest(tight, TEMPO, METER)
                    .plan(notes, List.of(), new Decisions(Map.of(near.id(), 240L), Map.of()))))
        .isEqualTo("TO_LINE@240+150");
  }

  /** Three notes at 300, 310 and 332 lie 314 in the mean: half of the way to 240 is 37 earlier. */
  @Test
  void a_chord_that_keeps_its_spread_goes_half_the_way_as_one_and_the_next_by_itself() {
    play(60, 300, 500);
    play(64, 310, 500);
    play(67, 332, 500);
    play(69, 500, 600);
    QuantizePlan plan = plan(ROUNDED.withChords(Chords.KEEP).withStrength(50));
    assertThat(plan.notes()).extracting(NotePlan::onset).containsExactly(263L, 273L, 295L, 490L);
  }

  @Test
  void a_decision_stands_whatever_seemed_likelier_and_is_no_longer_doubtful() {
    Note note = play(60, 350, 500);
    QuantizePlan plan =
        new Nearest(ROUNDED, TEMPO, METER)
            .plan(notes, List.of(), new Decisions(Map.of(note.id(), 480L), Map.of()));
    assertThat(plan.notes().get(0).onset()).isEqualTo(480);
    assertThat(plan.notes().get(0).otherLine()).isEqualTo(240);
    assertThat(plan.notes().get(0).doubt()).isZero();
    assertThat(plan.notes().get(0).decided()).isTrue();
  }

  @Test
  void a_groove_is_taken_from_a_clip_and_moves_lines_and_velocities() {
    for (int bar = 0; bar < 4; bar++) {
      notes.add(Note.placed(new NoteId(100 + bar), 42, 100, bar * 3840L + 6, 100));
      notes.add(Note.placed(new NoteId(200 + bar), 42, 60, bar * 3840L + 500 + bar % 2 * 8, 100));
    }
    Groove groove = Groove.from(notes, Grid.parse("1/8"), METER, 1, "Shuffle");
    assertThat(groove.slots())
        .containsExactly(new Groove.Slot(0, 0, 6, 100), new Groove.Slot(0, 480, 24, 60));
    notes.clear();
    play(60, 3840 + 490, 5000);
    play(60, 3840 * 3 - 10, 12000);
    QuantizeSettings grooved =
        ROUNDED.withGrid(Grid.parse("1/8")).withGroove(groove.withVelocityShare(50));
    QuantizePlan plan = plan(grooved);
    assertThat(plan.notes()).extracting(NotePlan::onset).containsExactly(3840L + 504, 11526L);
    assertThat(plan.mover().apply(notes.get(0)).velocity()).isEqualTo(75);
    QuantizePlan fitted =
        new Fit(grooved.withMethod(QuantizeSettings.Method.FIT), TEMPO, METER)
            .plan(notes, List.of());
    assertThat(fitted.notes()).extracting(NotePlan::line).containsExactly(3840L + 504, 11526L);
    assertThatThrownBy(() -> Groove.from(List.of(), Grid.parse("1/8"), METER, 1, "Nothing"))
        .hasMessageContaining("needs notes");
  }

  /** Programs change at 250 and 479: a note at 260 may not go to 240, nor one at 470 to 480. */
  @Test
  void a_note_keeps_the_program_that_it_sounds_with() {
    play(60, 260, 300);
    play(62, 470, 485);
    play(64, 491, 600);
    play(65, 130, 200);
    Song song = Song.empty();
    TrackId id = song.tracks().get(0).id();
    Song with =
        SongEdits.addControls(
            song,
            id,
            List.of(
                new NewControl(250, Control.of(0xC0, 5, 0)),
                new NewControl(479, Control.of(0xC0, 6, 0))));
    ProgramBounds bounds = ProgramBounds.of(with.tracks().get(0));
    QuantizePlan plan =
        new Nearest(ROUNDED, TEMPO, METER).plan(notes, List.of(), Decisions.NONE, bounds);
    assertThat(plan.notes()).extracting(NotePlan::onset).containsExactly(240L, 250L, 478L, 480L);
    assertThat(plan.held()).isEqualTo(2);
    assertThat(plan(ROUNDED).held()).isZero();
    assertThat(bounds.within(479, 0)).as("at the change is behind it").isEqualTo(479);
    assertThat(ProgramBounds.of(song.tracks().get(0))).isSameAs(ProgramBounds.NONE);
  }

  /** Of lines at 0 (24 late, 100 hard) and 480 (6 early, 60) in the first of two bars. */
}

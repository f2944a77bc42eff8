package flailbeat.core.quantize;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.edit.NewControl;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.control.Control;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.quantize.QuantizeSettings.Ends;
import flailbeat.core.time.Grid;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.Tempo;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Grooves of two bars, decisions that hold, and pedals that go along. */
class GrooveAndPedalTest {
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

  @Test
  void a_groove_of_two_bars_weighs_the_notes_on_its_lines_and_no_others() {
    Groove groove =
        new Groove(
            "Two bars",
            2,
            100,
            List.of(new Groove.Slot(0, 0, 24, 100), new Groove.Slot(1, 480, -6, 60)));
    assertThat(groove.isNone()).isFalse();
    assertThat(Groove.NONE.isNone()).isTrue();
    assertThat(groove.ticks(0, 1)).as("a tick beside is on it").isEqualTo(24);
    assertThat(groove.ticks(0, 2)).isZero();
    assertThat(groove.ticks(1, 0)).isZero();
    assertThat(groove.velocity(80, 24, METER)).isEqualTo(100);
    assertThat(groove.velocity(80, 7680 + 24, METER)).isEqualTo(100);
    assertThat(groove.velocity(80, 3840 + 24, METER)).as("not in the second bar").isEqualTo(80);
    assertThat(groove.velocity(80, 3840 + 474, METER)).isEqualTo(60);
    assertThat(groove.velocity(80, 480, METER)).isEqualTo(80);
    assertThat(groove.withVelocityShare(25).velocity(80, 24, METER)).isEqualTo(85);
    assertThat(groove.withVelocityShare(0).velocity(80, 24, METER)).isEqualTo(80);
  }

  @Test
  void a_groove_of_two_bars_is_taken_bar_by_bar() {
    for (int bar = 0; bar < 4; bar++) {
      notes.add(Note.placed(new NoteId(100 + bar), 42, 90, bar * 3840L + bar % 2 * 30, 100));
    }
    assertThat(Groove.from(notes, Grid.parse("1/4"), METER, 2, "").slots())
        .containsExactly(new Groove.Slot(0, 0, 0, 90), new Groove.Slot(1, 0, 30, 90));
  }

  @Test
  void decisions_hold_while_the_lines_are_the_same() {
    Groove groove = new Groove("A", 1, 0, List.of(new Groove.Slot(0, 0, 24, 100)));
    assertThat(ROUNDED.hasSameLines(ROUNDED.withStrength(50).withEnds(Ends.SNAP))).isTrue();
    assertThat(ROUNDED.hasSameLines(ROUNDED.withGrid(Grid.parse("1/8")))).isFalse();
    assertThat(ROUNDED.hasSameLines(ROUNDED.withSwing(60))).isFalse();
    assertThat(ROUNDED.hasSameLines(ROUNDED.withGroove(groove))).isFalse();
  }

  @Test
  void the_sustain_pedal_moves_with_the_notes_it_belongs_to() {
    Song song = SongEdits.addTrack(Song.empty(), Instrument.melodic(0));
    Track track = song.tracks().getLast();
    List<NoteEdits.NewNote> added =
        List.of(
            new NoteEdits.NewNote(60, 90, new Played(20, 460)),
            new NoteEdits.NewNote(62, 90, new Played(460, 900)));
    Song played =
        SongEdits.addControls(
            NoteEdits.add(song, track.id(), added, new TickRange(0, 3840)),
            track.id(),
            List.of(
                new NewControl(60, Control.controller(64, 127)),
                new NewControl(100, Control.controller(1, 50)),
                new NewControl(440, Control.controller(64, 0))));
    List<Note> inHand = played.track(track.id()).orElseThrow().notes();
    Song moved =
        new Nearest(ROUNDED, TEMPO, METER).plan(inHand, List.of()).applyTo(played, track.id());
    assertThat(moved.track(track.id()).orElseThrow().controls())
        .extracting(ControlPoint::tick)
        .as("the first 20 earlier, the modulation as it was, the release 20 later with its note")
        .containsExactly(40L, 100L, 460L);
  }

  /** At 60 bpm 150 ticks are 156 ms: too long before a note to be its pedal, whatever the start. */
  @Test
  void which_note_a_pedal_belongs_to_is_judged_at_the_tempo_of_its_place() {
    Song song =
        Song.empty()
            .withTempos(
                TempoMap.of(
                    List.of(
                        new TempoMap.Change(0, Tempo.ofBpm(240)),
                        new TempoMap.Change(1920, Tempo.ofBpm(60)))));
    Track track = song.tracks().get(0);
    List<NoteEdits.NewNote> added =
        List.of(
            new NoteEdits.NewNote(60, 90, new Played(1940, 2300)),
            new NoteEdits.NewNote(62, 90, new Played(2860, 3300)));
    Song played =
        SongEdits.addControls(
            NoteEdits.add(song, track.id(), added, new TickRange(0, 3840)),
            track.id(),
            List.of(new NewControl(2750, Control.controller(64, 127))));
    Song moved =
        new Nearest(ROUNDED, song.tempos(), METER)
            .plan(played.tracks().get(0).notes(), List.of())
            .applyTo(played, track.id());
    assertThat(moved.tracks().get(0).controls())
        .extracting(ControlPoint::tick)
        .as("20 earlier, as the first note; the second goes 20 later")
        .containsExactly(2730L);
  }
}

package flailbeat.core.edit;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.control.Control;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.ControlId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.time.TickRange;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.LongPredicate;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;

class SelectionTest {
  /** Two tracks with three notes each, and a pedal on the first. */
  private final Song song = song();

  private static Song song() {
    Song two = SongEdits.addTrack(Song.empty(), new Instrument(0, false));
    for (Track track : two.tracks()) {
      List<NewNote> notes =
          LongStream.of(0, 960, 1920)
              .mapToObj(t -> new NewNote(60, 80, new Played(t, t + 400)))
              .toList();
      two = NoteEdits.add(two, track.id(), notes, new TickRange(0, 3840));
    }
    NewControl pedal = new NewControl(100, Control.controller(64, 127));
    return SongEdits.addControls(two, two.tracks().get(0).id(), List.of(pedal));
  }

  private Track track(int index) {
    return song.tracks().get(index);
  }

  private static Set<NoteId> ids(long... values) {
    Set<NoteId> ids = new HashSet<>();
    LongStream.of(values).forEach(v -> ids.add(new NoteId(v)));
    return ids;
  }

  @Test
  void ids_close_together_and_far_apart_are_told_from_those_that_are_not_selected() {
    for (long[] values : List.of(new long[] {7, 9, 12}, new long[] {5, 2_000_000, 9_000_000})) {
      Selection selection = Selection.ofNotes(ids(values));
      LongPredicate test = selection.noteTest();
      assertThat(LongStream.of(values)).allMatch(test::test);
      assertThat(LongStream.of(values)).allMatch(v -> selection.notes().contains(new NoteId(v)));
      assertThat(LongStream.of(values).map(v -> v + 1)).noneMatch(test::test);
      assertThat(LongStream.of(0, values[0] - 1, values[2] + 1)).noneMatch(test::test);
    }
    assertThat(Selection.NONE.noteTest().test(7)).isFalse();
  }

  @Test
  void selected_notes_are_a_set_like_any_other() {
    Set<NoteId> mine = Selection.ofNotes(ids(9, 7, 12)).notes();
    assertThat(mine).containsExactly(new NoteId(7), new NoteId(9), new NoteId(12));
    assertThat(mine).isEqualTo(ids(7, 9, 12)).hasSameHashCodeAs(ids(7, 9, 12));
    assertThat(ids(7, 9, 12)).isEqualTo(mine);
    assertThat(mine).isNotEqualTo(ids(7, 9, 13)).isNotEqualTo(Selection.ofNotes(ids(7)).notes());
    assertThat(mine.contains(new NoteId(8))).isFalse();
  }

  @Test
  void a_note_is_put_to_the_selection_and_taken_from_it_and_the_rest_of_it_stays() {
    Selection one = new Selection(ids(7), Set.of(new ClipId(3)), Set.of(new ControlId(4)));
    Selection two = one.toggled(new NoteId(9));
    assertThat(two).isEqualTo(new Selection(ids(7, 9), one.clips(), one.controls()));
    assertThat(two.toggled(new NoteId(9))).isEqualTo(one);
    assertThat(Selection.ofNotes(ids(7)).toggled(new NoteId(7)).isEmpty()).isTrue();
    assertThat(Selection.ofNotes(ids(7)).plus(Selection.ofNotes(ids(7, 8))))
        .isEqualTo(Selection.ofNotes(ids(7, 8)));
  }

  @Test
  void of_each_kind_what_a_track_has_is_told_and_what_is_gone_is_trimmed() {
    Selection clip = Selection.ofClips(Set.of(track(0).clips().get(0).id(), new ClipId(999)));
    Selection point = Selection.ofControls(Set.of(track(0).controls().get(0).id()));
    Selection all = clip.plus(point).plus(Selection.of(track(1).notes()));
    assertThat(all.on(track(0)).clips()).containsExactly(track(0).clips().get(0).id());
    assertThat(all.on(track(0)).controls()).isEqualTo(point.controls());
    assertThat(all.on(track(0)).notes()).isEmpty();
    assertThat(all.on(track(1))).isEqualTo(Selection.of(track(1).notes()));
    Selection alive = all.aliveIn(song);
    assertThat(alive.clips()).hasSize(1);
    assertThat(alive.controls()).hasSize(1);
    assertThat(alive.notes()).hasSize(3);
    assertThat(alive.aliveIn(song)).isSameAs(alive);
  }

  @Test
  void a_scope_knows_the_notes_beside_it_on_each_of_its_tracks() {
    List<Note> first = track(0).notes();
    Selection selection = Selection.of(List.of(first.get(0), track(1).notes().get(2)));
    Scope scope = new Scope(song, track(0), Optional.empty(), selection);
    assertThat(scope.tracks()).containsExactly(track(0), track(1));
    assertThat(scope.othersOf(track(0))).containsExactly(first.get(1), first.get(2));
    assertThat(scope.othersOf(track(1))).isEqualTo(track(1).notes().subList(0, 2));
    Scope alone = new Scope(song, track(0), Optional.empty(), Selection.of(first.subList(0, 1)));
    assertThat(alone.tracks()).containsExactly(track(0));
    Scope whole = new Scope(song, track(0), Optional.empty(), Selection.NONE);
    assertThat(whole.othersOf(track(0))).isEmpty();
  }

  @Test
  void a_box_takes_what_sounds_in_it_and_nothing_that_only_touches_it() {
    NoteRule box = new NoteRule.Within(new TickRange(400, 960), 60, 60);
    assertThat(box.of(track(0))).isEmpty();
    assertThat(new NoteRule.Within(new TickRange(399, 961), 60, 60).of(track(0))).hasSize(2);
    assertThat(new NoteRule.Within(new TickRange(0, 3840), 61, 127).of(track(0))).isEmpty();
    assertThat(new NoteRule.Within(new TickRange(0, 3840), 0, 59).of(track(0))).isEmpty();
  }
}

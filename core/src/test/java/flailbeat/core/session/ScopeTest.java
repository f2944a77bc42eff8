package flailbeat.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteRule;
import flailbeat.core.edit.Scope;
import flailbeat.core.edit.Selection;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Change;
import flailbeat.core.session.document.Document;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What commands work on, and what is told of it. */
class ScopeTest extends SessionRig {
  private Document document;
  private TrackId lamps;
  private TrackId fog;

  @BeforeEach
  void openDemo() {
    session.open(HarbourLamps.song(), Optional.empty());
    document = session.document();
    lamps = session.song().tracks().get(0).id();
    fog = session.song().tracks().get(3).id();
  }

  private Selection first(TrackId id) {
    return Selection.of(session.song().track(id).orElseThrow().notes().subList(0, 3));
  }

  @Test
  void choosing_another_track_keeps_the_selection_and_no_command_means_what_is_out_of_sight() {
    document.select(first(lamps));
    document.chooseTrack(fog);
    assertThat(document.selection()).isEqualTo(first(lamps));
    assertThat(document.scope().kind()).isEqualTo(Scope.Kind.CLIP);
    assertThat(document.scope().selected()).isEqualTo(Selection.NONE);
    assertThat(document.scope().notes()).isEqualTo(document.track().notes());
    document.chooseTrack(lamps);
    assertThat(document.scope().kind()).isEqualTo(Scope.Kind.SELECTION);
    assertThat(document.scope().ids()).isEqualTo(first(lamps).notes());
  }

  @Test
  void a_selection_over_two_tracks_is_quantized_on_both_and_the_rest_stays() {
    session
        .editing()
        .edit(
            "Played late",
            s ->
                NoteEdits.change(
                    s,
                    first(fog).notes(),
                    n ->
                        Note.asPlayed(
                            n.id(),
                            n.pitch(),
                            n.velocity(),
                            new Played(n.onset() + 37, n.end() + 37))));
    Song played = session.song();
    document.select(first(lamps).plus(first(fog)));
    List<Note> hull = session.song().tracks().get(1).notes();
    session.quantizing().quantize();
    for (TrackId id : List.of(lamps, fog)) {
      Track before = played.track(id).orElseThrow();
      List<Note> after = session.song().track(id).orElseThrow().notes();
      assertThat(after).doesNotContainSequence(before.notes().subList(0, 3));
      assertThat(after).containsAll(before.notes().subList(3, before.noteCount()));
    }
    assertThat(session.song().tracks().get(1).notes()).isEqualTo(hull);
    session.editing().undo();
    assertThat(session.song()).isSameAs(played);
  }

  @Test
  void without_clips_the_scope_is_the_track() {
    session.editing().edit("Empty", s -> s.withTrack(lamps, t -> t.withClips(List.of())));
    assertThat(document.scope().kind()).isEqualTo(Scope.Kind.TRACK);
    assertThat(document.scope().notes()).isEmpty();
  }

  @Test
  void rules_for_selecting_join_and_turn_round() {
    NoteRule low = new NoteRule.OfPitches(Set.of(document.track().notes().get(0).pitch()));
    List<Note> all = document.track().notes();
    List<Note> some = low.of(document.track());
    assertThat(some).isNotEmpty().hasSizeLessThan(all.size());
    NoteRule others = new NoteRule.Both(NoteRule.ALL, new NoteRule.Not(low));
    assertThat(others.of(document.track())).hasSize(all.size() - some.size());
  }

  @Test
  void an_edit_makes_one_notice_that_says_what_changed_after_it_is_done() {
    List<Change> told = new ArrayList<>();
    session.changes().listen(told::add);
    var before = session.song();
    document.edit("Name", s -> s.withTitle("Night ferry"));
    assertThat(told).hasSize(1);
    assertThat(told.get(0).isOf(Aspect.SONG)).isTrue();
    assertThat(told.get(0).isOf(Aspect.TRANSPORT, Aspect.LOOP)).isFalse();
    assertThat(told.get(0).before()).isSameAs(before);
    assertThat(told.get(0).after()).isSameAs(session.song());
  }

  @Test
  void what_a_listener_changes_is_told_when_all_have_heard_the_first() {
    List<String> told = new ArrayList<>();
    session
        .changes()
        .listen(
            c -> {
              if (c.isOf(Aspect.SONG)) {
                document.select(NoteRule.ALL);
              }
            });
    session.changes().listen(c -> told.add(c.isOf(Aspect.SONG) ? "song" : "choice"));
    document.edit("Name", s -> s.withTitle("Night ferry"));
    assertThat(told).containsExactly("song", "choice");
  }
}

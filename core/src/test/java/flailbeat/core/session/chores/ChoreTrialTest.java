package flailbeat.core.session.chores;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import flailbeat.core.TestSongs;
import flailbeat.core.chore.Chore;
import flailbeat.core.chore.ChoreAction;
import flailbeat.core.chore.Cleanup;
import flailbeat.core.chore.Measure;
import flailbeat.core.chore.Reach;
import flailbeat.core.chore.Relation;
import flailbeat.core.chore.Term;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.NoteRule;
import flailbeat.core.edit.Selection;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.carried.CarriedEvent;
import flailbeat.core.model.carried.Payload;
import flailbeat.core.session.FakePlayer;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Document;
import flailbeat.core.time.TickRange;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** With the demo open. */
class ChoreTrialTest {
  private final Session session = new Session(() -> 0, new FakePlayer(() -> 0));
  private final ChoreTrial chores = session.chores();
  private final Document document = session.document();

  @BeforeEach
  void open() {
    session.open(HarbourLamps.song(), Optional.empty());
  }

  private List<Note> notes() {
    return document.track().notes();
  }

  private static Chore removing(Term... all) {
    return new Chore(List.of(List.of(all)), ChoreAction.REMOVE, 0);
  }

  @Test
  void nothing_is_changed_by_trying_and_doing_it_is_one_step_that_undo_takes_back() {
    Song before = session.song();
    int all = notes().size();
    chores.setReach(Reach.TRACK);
    chores.setAmount(Cleanup.VELOCITY, 1);
    chores.tryOut(Cleanup.VELOCITY);
    assertThat(session.song()).isSameAs(before);
    assertThat(chores.shown().orElseThrow().outcome().changed()).hasSize(all);
    assertThat(chores.shown().orElseThrow().after())
        .as("worked out once")
        .isSameAs(chores.shown().orElseThrow().after());
    chores.carryOut();
    assertThat(notes()).allMatch(n -> n.velocity() == 1);
    assertThat(session.notices().current().text())
        .isEqualTo("Set velocities to 1: " + all + " notes changed");
    assertThat(chores.isTrying()).isFalse();
    assertThat(document.undoLabel()).contains("Set velocities to 1");
    session.editing().undo();
    assertThat(session.song()).isSameAs(before);
  }

  @Test
  void what_is_tried_follows_the_song_the_selection_and_its_number() {
    document.select(Selection.of(notes().subList(0, 3)));
    chores.setAmount(Cleanup.VELOCITY, 1);
    chores.tryOut(Cleanup.VELOCITY);
    assertThat(chores.reach()).isEqualTo(Reach.SELECTION);
    assertThat(chores.outcome().noteCount()).isEqualTo(3);
    chores.setAmount(Cleanup.VELOCITY, notes().getFirst().velocity());
    assertThat(chores.title()).contains(String.valueOf(notes().getFirst().velocity()));
    assertThat(chores.outcome().changed())
        .extracting(Note::id)
        .doesNotContain(notes().getFirst().id());
    document.select(Selection.NONE);
    assertThat(chores.reach()).as("nothing is selected any more").isEqualTo(Reach.CLIP);
    assertThat(chores.among()).isEqualTo(document.clip().orElseThrow().noteCount());
    chores.setReach(Reach.SONG);
    assertThat(chores.among()).isEqualTo(session.song().noteCount());
    assertThatIllegalArgumentException()
        .isThrownBy(() -> chores.setAmount(Cleanup.VELOCITY, 128))
        .withMessageContaining("from 1 to 127, not 128");
    session.open(Song.empty(), Optional.empty());
    assertThat(chores.isTrying()).as("with another song it is over").isFalse();
  }

  @Test
  void marked_notes_are_selected_and_the_song_needs_no_undo() {
    chores.setReach(Reach.TRACK);
    chores.tryOut(
        "High",
        new Chore(List.of(List.of(Term.starting(Measure.VELOCITY))), ChoreAction.MARK, 0)
            .withWhen(List.of(List.of(new Term(Measure.PITCH, false, Relation.ABOVE, 70, 0)))));
    chores.carryOut();
    assertThat(document.selection().notes())
        .containsExactlyInAnyOrderElementsOf(
            notes().stream().filter(n -> n.pitch() > 70).map(Note::id).toList());
    assertThat(document.undoLabel()).isEmpty();
  }

  @Test
  void a_condition_that_nothing_meets_does_nothing_and_says_so() {
    Song before = session.song();
    chores.tryOut("None", removing(new Term(Measure.CHORD, false, Relation.ABOVE, 100, 0)));
    chores.carryOut();
    assertThat(session.song()).isSameAs(before);
    assertThat(document.undoLabel()).isEmpty();
    assertThat(session.notices().current().text()).isEqualTo("None: nothing to do");
  }

  @Test
  void while_recording_it_is_refused_and_still_there_to_be_done() {
    chores.tryOut(Cleanup.VELOCITY);
    session.run().recordOrStop();
    chores.carryOut();
    assertThat(chores.isTrying()).isTrue();
    assertThat(session.notices().current().warning()).isTrue();
    session.run().stop();
    chores.carryOut();
    assertThat(notes()).anyMatch(n -> n.velocity() == Cleanup.VELOCITY.standard());
  }

  @Test
  void what_chance_showed_is_what_is_done_and_it_can_be_drawn_anew() {
    chores.setReach(Reach.SONG);
    chores.tryOut("Half", removing(new Term(Measure.CHANCE, false, Relation.BELOW, 50, 0)));
    List<Note> first = chores.outcome().gone();
    chores.drawAgain();
    List<Note> second = chores.outcome().gone();
    assertThat(second).isNotEqualTo(first);
    int before = session.song().noteCount();
    chores.carryOut();
    assertThat(session.song().noteCount()).isEqualTo(before - second.size());
  }

  @Test
  void each_chore_is_counted_before_it_is_tried() {
    chores.setReach(Reach.TRACK);
    chores.own().keep("Loud", removing(new Term(Measure.VELOCITY, false, Relation.ABOVE, 90, 0)));
    ChoreCounts counts = chores.counts().orElseThrow();
    assertThat(counts.own())
        .containsEntry("Loud", (int) notes().stream().filter(n -> n.velocity() > 90).count());
    assertThat(counts.built()).containsOnlyKeys(Cleanup.values());
    for (Cleanup each : Cleanup.values()) {
      chores.tryOut(each);
      assertThat(counts.built())
          .containsEntry(each, chores.outcome().noteCount() + chores.outcome().controlCount());
    }
  }

  @Test
  void chores_that_are_handed_on_replace_none_of_the_persons_own() {
    Chore mine = removing(new Term(Measure.VELOCITY, false, Relation.BELOW, 20, 0));
    Chore other = removing(new Term(Measure.VELOCITY, false, Relation.BELOW, 30, 0));
    chores.own().keep("Slips", mine);
    assertThat(chores.takeIn(Map.of("Slips", other, " ", mine))).isEqualTo(2);
    assertThat(chores.own().all())
        .containsExactlyInAnyOrderEntriesOf(Map.of("Slips", mine, "Slips 2", other, "Chore", mine));
    assertThat(chores.takeIn(Map.of("Slips", other))).as("it is there already").isZero();
  }

  @Test
  void silence_before_a_whole_song_goes_with_its_lyrics_its_markers_and_the_loop() {
    CarriedEvent lyric = new CarriedEvent(4 * 3840, 0xFF, 5, Payload.ofHex("6C61"));
    CarriedEvent marker = new CarriedEvent(4 * 3840, 0xFF, 6, Payload.ofHex("41"));
    Song song =
        TestSongs.song(TestSongs.clip(2, 4 * 3840, 3840, TestSongs.note(10, 60, 0, 480)))
            .withCarried(List.of(marker))
            .withTrack(TestSongs.TRACK, t -> t.withCarried(List.of(lyric)));
    session.open(song, Optional.empty());
    session.run().loop(new TickRange(4 * 3840, 5 * 3840));
    session.chores().setReach(Reach.SONG);
    Optional<TickRange> loopBefore = session.runControl().looping().range();
    session.chores().tryOut(Cleanup.SILENCE);
    session.chores().carryOut();
    assertThat(TestSongs.heard(session.song())).isEqualTo("60@0+480");
    assertThat(session.song().carried()).extracting(CarriedEvent::tick).containsExactly(0L);
    assertThat(session.song().tracks().get(0).carried())
        .extracting(CarriedEvent::tick)
        .containsExactly(0L);
    assertThat(session.runControl().looping().range()).contains(new TickRange(0, 3840));
    Optional<TickRange> moved = session.runControl().looping().range();
    session.document().name("As a first saving names it");
    session.editing().undo();
    assertThat(session.runControl().looping().range()).as("undone").isEqualTo(loopBefore);
    session.editing().redo();
    assertThat(session.runControl().looping().range()).as("redone").isEqualTo(moved);
  }

  @Test
  void silence_before_a_selection_goes_with_its_pedals_each_at_its_place() {
    Song song =
        TestSongs.song(
            TestSongs.clip(
                2,
                4 * 3840,
                4 * 3840,
                Clip.NEVER,
                List.of(TestSongs.note(10, 60, 0, 960), TestSongs.note(11, 62, 3840, 960)),
                List.of(
                    TestSongs.point(20, 0, 64, 127),
                    TestSongs.point(21, 900, 64, 0),
                    TestSongs.point(22, 3840, 64, 127),
                    TestSongs.point(23, 4700, 64, 0))));
    session.open(song, Optional.empty());
    session.document().select(NoteRule.ALL);
    session.chores().setReach(Reach.SELECTION);
    session.chores().tryOut(Cleanup.SILENCE);
    assertThat(session.chores().outcome().inWords())
        .isEqualTo("2 notes changed, 4 controller events moved");
    session.chores().carryOut();
    assertThat(TestSongs.heard(session.song())).isEqualTo("60@0+960 62@3840+960");
    assertThat(TestSongs.controls(session.song()))
        .isEqualTo("64=127@0 64=0@900 64=127@3840 64=0@4700");
  }

  @Test
  void silence_in_a_clip_that_loops_leaves_a_song_that_can_be_reopened() throws Exception {
    Song song =
        TestSongs.song(
            TestSongs.clip(
                2,
                0,
                8 * 3840,
                4 * 3840,
                List.of(TestSongs.note(10, 60, 2 * 3840, 960)),
                List.of(
                    TestSongs.point(20, 2 * 3840, 64, 127),
                    TestSongs.point(21, 2 * 3840 + 900, 64, 0))));
    session.open(song, Optional.empty());
    session.chores().setReach(Reach.CLIP);
    session.chores().tryOut(Cleanup.SILENCE);
    session.chores().carryOut();
    assertThat(TestSongs.heard(session.song())).isEqualTo("60@0+960 60@15360+960");
    assertThat(TestSongs.reopened(session.song())).isEqualTo(session.document().toWrite());
    session.chores().setReach(Reach.TRACK);
    session.chores().tryOut(Cleanup.THIN);
    session.chores().carryOut();
    assertThat(TestSongs.controls(session.song()))
        .isEqualTo("64=127@0 64=0@900 64=127@15360 64=0@16260");
  }
}

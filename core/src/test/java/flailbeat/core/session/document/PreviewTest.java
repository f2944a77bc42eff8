package flailbeat.core.session.document;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteRule;
import flailbeat.core.quantize.QuantizePlan;
import flailbeat.core.session.FakePlayer;
import flailbeat.core.session.Session;
import flailbeat.core.session.timing.GridsFound;
import flailbeat.core.time.Grid;
import flailbeat.core.work.Progress;
import flailbeat.core.work.Workshop;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.function.Consumer;
import java.util.function.Function;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Previews are worked out elsewhere, and nothing is shown that is of another state. */
class PreviewTest {
  private static final long MS = 1_000_000;

  private long nowMs = 1000;
  private final List<Piece<?>> pieces = new ArrayList<>();
  private final Session session =
      new Session(() -> nowMs * MS, new FakePlayer(() -> nowMs * MS), new LaterWorkshop());

  /** A piece of work that waits until a test has it done. */
  private static final class Piece<T> {
    private final Function<Progress, T> work;
    private final Consumer<T> onDone;
    private final Consumer<RuntimeException> onFault;
    private final Runnable onLeftOff;
    private boolean cancelled;
    private Optional<T> result = Optional.empty();

    Piece(
        Function<Progress, T> work,
        Consumer<T> onDone,
        Consumer<RuntimeException> onFault,
        Runnable onLeftOff) {
      this.work = work;
      this.onDone = onDone;
      this.onFault = onFault;
      this.onLeftOff = onLeftOff;
    }

    /** The other thread is done with it. */
    void work() {
      result = Optional.of(work.apply(Progress.NONE));
    }

    /** The person does not want to wait. */
    void leaveOff() {
      cancelled = true;
      onLeftOff.run();
    }

    /** It comes to nothing. */
    void fail() {
      onFault.accept(new IllegalStateException("for a test"));
    }

    /** The window's thread hears of it. */
    void deliver() {
      if (!cancelled) {
        result.ifPresent(onDone);
      }
    }
  }

  private final class LaterWorkshop implements Workshop {
    @Override
    public <T> Job start(
        Function<Progress, T> work,
        Consumer<T> onDone,
        Consumer<RuntimeException> onFault,
        Runnable onLeftOff) {
      Piece<T> piece = new Piece<>(work, onDone, onFault, onLeftOff);
      pieces.add(piece);
      return () -> piece.cancelled = true;
    }
  }

  private void frames(int milliseconds) {
    for (int i = 0; i < milliseconds; i += 10) {
      nowMs += 10;
      session.tick();
    }
  }

  private Optional<QuantizePlan> preview() {
    return session.timing().preview();
  }

  @BeforeEach
  void openDemo() {
    session.open(HarbourLamps.song(), Optional.empty());
    frames(10);
  }

  @Test
  void it_is_begun_after_a_quiet_time_and_shown_once_it_is_there() {
    assertThat(preview()).isEmpty();
    frames(30);
    assertThat(pieces).isEmpty();
    frames(20);
    assertThat(pieces).hasSize(1);
    frames(200);
    assertThat(pieces).as("begun once").hasSize(1);
    List<Change> told = new ArrayList<>();
    session.changes().listen(told::add);
    pieces.getLast().work();
    pieces.getLast().deliver();
    assertThat(preview()).isPresent();
    assertThat(told).hasSize(1);
    assertThat(told.get(0).isOf(Aspect.TIMING)).isTrue();
  }

  @Test
  void one_that_comes_late_is_dropped_and_another_begun() {
    frames(60);
    session.timing().setGrid(Grid.parse("1/8"));
    assertThat(preview()).isEmpty();
    pieces.getLast().work();
    pieces.getLast().deliver();
    assertThat(preview()).as("of another grid").isEmpty();
    frames(60);
    assertThat(pieces).hasSize(2);
    pieces.getLast().work();
    pieces.getLast().deliver();
    assertThat(preview()).isPresent();
  }

  @Test
  void while_notes_change_all_the_time_nothing_is_begun_and_what_runs_is_called_off() {
    frames(60);
    for (int i = 0; i < 20; i++) {
      int by = 1 + i;
      session.document().select(NoteRule.ALL);
      session
          .editing()
          .edit("Move", s -> NoteEdits.move(s, session.document().scope().ids(), by, 0));
      frames(20);
      assertThat(preview()).isEmpty();
    }
    assertThat(pieces).hasSize(1);
    assertThat(pieces.get(0).cancelled).isTrue();
  }

  @Test
  void undo_in_the_midst_of_a_preview_shows_none_of_the_state_before() {
    session.editing().edit("Empty", s -> s.mapTracks(t -> t.withClips(List.of())));
    frames(60);
    session.editing().undo();
    pieces.getLast().work();
    pieces.getLast().deliver();
    assertThat(preview()).isEmpty();
    session.quantizing().quantize();
    assertThat(session.notices().current().text()).startsWith("Quantized");
  }

  @Test
  void which_grid_and_the_beat_are_worked_out_elsewhere_as_well() {
    session.timing().askGrids();
    assertThat(session.timing().grids()).isEmpty();
    frames(60);
    session.beat().find();
    assertThat(pieces).hasSize(3);
    pieces.forEach(Piece::work);
    pieces.forEach(Piece::deliver);
    GridsFound grids = session.timing().grids().orElseThrow();
    assertThat(grids.own()).isNotEmpty();
    assertThat(grids.song().orElseThrow().song().getFirst().grid()).hasToString("1/16");
    assertThat(grids.otherwise()).isEmpty();
    assertThat(session.beat().guesses()).isNotEmpty();
    session.document().chooseTrack(session.song().tracks().get(1).id());
    assertThat(session.timing().isAskingGrids()).as("of other notes").isFalse();
    assertThat(session.beat().guesses()).isEmpty();
  }

  @Test
  void what_the_person_leaves_off_is_said_to_be_left_off_until_something_changes_or_it_is_wanted() {
    frames(60);
    session.timing().askGrids();
    frames(60);
    List<Change> told = new ArrayList<>();
    session.changes().listen(told::add);
    pieces.forEach(Piece::leaveOff);
    assertThat(told).isNotEmpty().allMatch(c -> c.isOf(Aspect.TIMING));
    assertThat(session.timing().isLeftOff()).isTrue();
    assertThat(session.timing().isAskingGrids()).isFalse();
    frames(200);
    assertThat(pieces).hasSize(2);
    session.timing().workOutAgain();
    assertThat(session.timing().isLeftOff()).isFalse();
    session.timing().askGrids();
    frames(60);
    assertThat(pieces).hasSize(4);
    pieces.get(2).leaveOff();
    session.timing().setGrid(Grid.parse("1/8"));
    assertThat(session.timing().isLeftOff()).isFalse();
  }

  @Test
  void work_that_is_called_off_ends_soon() {
    int[] told = {0};
    Progress calledOff =
        done -> {
          if (++told[0] == 3) {
            throw new CancellationException();
          }
        };
    session.timing().askGrids();
    frames(60);
    for (Piece<?> piece : pieces) {
      told[0] = 0;
      assertThatThrownBy(() -> piece.work.apply(calledOff))
          .isInstanceOf(CancellationException.class);
    }
  }

  @Test
  void a_preview_that_failed_is_told_once_and_the_next_change_has_one_again() {
    frames(100);
    assertThat(pieces).hasSize(1);
    pieces.getFirst().fail();
    assertThat(session.notices().current().text()).contains("went wrong");
    frames(100);
    assertThat(pieces).as("it would only fail again").hasSize(1);
    session.timing().setGrid(Grid.parse("1/8"));
    frames(100);
    assertThat(pieces).hasSize(2);
    pieces.getLast().work();
    pieces.getLast().deliver();
    assertThat(preview()).isPresent();
  }
}

package flailbeat.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.capture.RecordingMode;
import flailbeat.core.event.Performed;
import flailbeat.core.journal.JournalEntry;
import flailbeat.core.journal.JournalState;
import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.model.Song;
import flailbeat.core.session.document.Journalist;
import flailbeat.core.session.run.CountIn;
import flailbeat.core.session.run.PlaySettings;
import flailbeat.core.time.TickRange;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What was being played when the program was killed is there once its journal is taken up. */
class TakenUpTest extends SessionRig {
  private static final PhysicalKey[] KEYS = {PhysicalKey.A, PhysicalKey.S, PhysicalKey.D};

  private JournalState journal;

  /** Whether it was just told how far a recording has come. */
  private boolean told;

  private long laterMs;
  private final FakePlayer laterPlayer = new FakePlayer(() -> laterMs * MS);
  private final Session later = new Session(() -> laterMs * MS, laterPlayer);

  @BeforeEach
  void keepJournal() {
    runControl.setSettings(PlaySettings.standard().withCountIn(CountIn.NONE));
    session
        .document()
        .writeDownTo(
            new Journalist() {
              @Override
              public void opened(JournalState state, boolean leftUnsaved) {
                journal = state;
              }

              @Override
              public void put(JournalEntry entry) {
                journal.apply(entry);
                told = entry instanceof JournalEntry.RecordingAt;
              }
            });
  }

  /** The notes, each without its length. */
  private static List<String> struck(Song song) {
    return song.tracks().getFirst().notes().stream()
        .map(n -> n.pitch() + "@" + n.onset() + "/" + n.velocity())
        .toList();
  }

  private int takeUp() {
    JournalState taken = journal.copy();
    later.document().writeDownTo(Journalist.NONE);
    return later.takeUp(taken);
  }

  @Test
  void a_pass_half_played_with_a_key_still_held_comes_back() {
    session.run().recordOrStop();
    strike(PhysicalKey.A, 500);
    runTo(1000);
    session.performer().press(PhysicalKey.D, nowMs * MS);
    runTo(3000);
    assertThat(takeUp()).isEqualTo(2);
    assertThat(struck(later.song())).containsExactly("60@960/80", "64@1920/80");
    assertThat(later.document().track().notes().get(1).length()).isBetween(3350L, 3840L);
    assertThat(later.document().undoLabel()).contains("Record 2 notes");
    later.editing().undo();
    assertThat(later.song().noteCount()).isZero();
  }

  @Test
  void whatever_was_recorded_in_whatever_way_comes_back_as_stopping_would_have_left_it() {
    for (int seed = Integer.getInteger("taken.from", 0);
        seed < Integer.getInteger("taken.seeds", 60);
        seed++) {
      Random random = new Random(seed);
      session.open(Song.empty(), Optional.empty());
      later.open(Song.empty(), Optional.empty());
      if (random.nextBoolean()) {
        session.run().loop(new TickRange(0, 3840L * (1 + random.nextInt(2))));
      }
      runControl.setRecordSettings(
          runControl
              .recordSettings()
              .withMode(RecordingMode.values()[random.nextInt(3)])
              .withOffsetMs(random.nextInt(40) - 20));
      startMs = nowMs;
      session.run().recordOrStop();
      for (int i = random.nextInt(60); i > 0; i--) {
        runTo(nowMs - startMs + random.nextInt(200));
        int kind = random.nextInt(20);
        if (kind == 0) {
          session.run().dropLastPass();
        } else if (kind == 1) {
          session.performer().sustain(random.nextBoolean(), nowMs * MS);
        } else if (kind == 2) {
          session.editing().undo();
        } else if (kind % 2 == 0) {
          session.performer().press(KEYS[random.nextInt(3)], nowMs * MS);
        } else {
          session.performer().release(KEYS[random.nextInt(3)], nowMs * MS);
        }
      }
      while (!told) {
        runTo(nowMs - startMs + 16);
      }
      laterMs = random.nextInt(3) * 1_000_000L;
      takeUp();
      session.run().playOrStop();
      assertThat(struck(later.song())).as("seed %d", seed).isEqualTo(struck(session.song()));
      assertThat(later.song().noteCount()).isEqualTo(session.song().noteCount());
      session.performer().releaseAll(nowMs * MS);
    }
  }

  @Test
  void what_was_played_and_not_recorded_can_still_be_kept() {
    strike(PhysicalKey.A, 500);
    strike(PhysicalKey.S, 900);
    runTo(1200);
    session.performer().press(PhysicalKey.D, nowMs * MS);
    laterMs = 3;
    takeUp();
    later.run().keepPhrase();
    assertThat(later.document().track().notes())
        .extracting(n -> n.pitch() + ":" + n.onset())
        .hasSize(3)
        .first()
        .isEqualTo("60:0");
    assertThat(later.notices().current().text()).startsWith("Kept 3 notes");
  }

  @Test
  void what_is_played_after_it_was_taken_up_is_another_phrase() {
    strike(PhysicalKey.A, 500);
    laterMs = 5_000;
    takeUp();
    later.performer().press(PhysicalKey.D, laterMs * MS);
    laterMs += 200;
    later.performer().release(PhysicalKey.D, laterMs * MS);
    later.run().keepPhrase();
    assertThat(later.document().track().notes()).hasSize(1);
  }

  @Test
  void journals_taken_up_again_and_again_keep_what_was_played_in_order() {
    strike(PhysicalKey.A, 500);
    laterMs = 5_000;
    JournalState again = journal.copy();
    again.apply(new JournalEntry.Resumed(-1000 * MS));
    assertThat(again.played())
        .extracting(p -> p.event().atNanos() / MS)
        .containsExactly(9_500L, 9_600L);
    assertThat(again.played().iterator().next().event()).isInstanceOf(Performed.NoteOn.class);
  }
}

package flailbeat.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.files.SongFiles;
import flailbeat.core.journal.SavedFile;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.session.first.NewcomerWatch;
import flailbeat.core.session.person.FirstSteps;
import flailbeat.core.session.person.FirstSteps.Step;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The hint line says the one next thing by what was done, and not by what was pressed. */
class NewcomerWatchTest {
  private static final long MS = 1_000_000;

  @TempDir private Path folder;
  private long nowMs = 5_000;
  private final FakePlayer player = new FakePlayer(() -> nowMs * MS);
  private final Session session = new Session(() -> nowMs * MS, player);
  private final FirstSteps steps = session.person().firstSteps();

  @BeforeEach
  void watch() {
    new NewcomerWatch(session);
    session.keysSwitch().set(KeysMode.PLAY);
  }

  private void play(long ms) {
    session.performer().press(PhysicalKey.A, nowMs * MS);
    nowMs += ms;
    session.performer().release(PhysicalKey.A, nowMs * MS);
    session.tick();
  }

  @Test
  void each_step_is_seen_when_it_is_done_and_the_next_is_told() {
    assertThat(steps.next()).contains(Step.HEAR);
    session.performer().moveOctaves(1);
    assertThat(steps.isDone(Step.OCTAVE)).as("nothing was heard of it").isFalse();
    play(300);
    assertThat(steps.next()).contains(Step.OCTAVE);
    session.performer().moveOctaves(-1);
    assertThat(steps.next()).contains(Step.RECORD);
    session.run().recordOrStop();
    for (int i = 0; i < 20; i++) {
      nowMs += 300;
      session.tick();
      play(200);
    }
    session.run().recordOrStop();
    session.tick();
    assertThat(steps.next()).contains(Step.QUANTIZE);
    session.quantizing().quantize();
    assertThat(steps.next()).contains(Step.AS_PLAYED);
    session.run().hearAsPlayed(true);
    session.run().hearAsPlayed(false);
    assertThat(steps.next()).contains(Step.UNDO);
    session.editing().undo();
    assertThat(steps.next()).contains(Step.KEEP);
    play(400);
    nowMs += 3_000;
    session.tick();
    session.run().keepPhrase();
    assertThat(steps.next()).contains(Step.SAVE);
  }

  @Test
  void what_another_song_brings_is_not_what_somebody_did() throws IOException {
    Path file = folder.resolve("lamps.flail");
    SongFiles.standard().write(HarbourLamps.song(), file);
    session.open(HarbourLamps.song(), Optional.of(SavedFile.of(file)));
    session.quantizing().quantize();
    assertThat(steps.isDone(Step.QUANTIZE)).isTrue();
    assertThat(steps.next()).as("and the first is still to be done").contains(Step.HEAR);
    session.open(HarbourLamps.song(), Optional.empty());
    assertThat(steps.isDone(Step.SAVE)).as("opened, not saved").isFalse();
  }

  @Test
  void they_are_gone_for_good_by_one_key_and_come_anew_by_it() {
    play(300);
    steps.toggle();
    assertThat(steps.next()).isEmpty();
    session.performer().moveOctaves(1);
    assertThat(steps.isDone(Step.OCTAVE)).as("nobody looks").isFalse();
    FirstSteps.Kept kept = steps.kept();
    steps.toggle();
    assertThat(steps.next()).as("from the beginning").contains(Step.HEAR);
    steps.set(kept);
    assertThat(steps.next()).as("for good").isEmpty();
  }
}

package flailbeat.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.capture.RecordingMode;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.NoteMove;
import flailbeat.core.edit.NoteRule;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.step.StepLength;
import flailbeat.core.time.NoteValue;
import flailbeat.core.time.Tempo;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Whatever a person does, in whatever order, and however the sound stalls meanwhile. */
class AnySessionTest {
  private static final long MS = 1_000_000;
  private static final PhysicalKey[] KEYS = {
    PhysicalKey.A, PhysicalKey.S, PhysicalKey.D, PhysicalKey.F, PhysicalKey.G, PhysicalKey.W
  };

  private long nowMs = 1000;
  private final FakePlayer player = new FakePlayer(() -> nowMs * MS);
  private final Session session = new Session(() -> nowMs * MS, player);
  private final List<String> done = new ArrayList<>();

  @Test
  void nothing_fails_no_note_hangs_and_undo_gives_every_song_back() {
    for (int seed = 0; seed < 40; seed++) {
      Random random = new Random(seed);
      done.clear();
      session.open(random.nextBoolean() ? HarbourLamps.song() : Song.empty(), Optional.empty());
      for (int step = 0; step < 150; step++) {
        act(random);
        pass(random.nextInt(400));
        assertThat(session.notices().current().text())
            .as("seed %d: %s", seed, done)
            .doesNotContain("went wrong");
        assertWhole(seed);
      }
      session.run().stop();
      session.performer().releaseAll(nowMs * MS);
      pass(500);
      assertThat(player.sounding).as("seed %d: %s", seed, done).isEmpty();
      assertUndoGivesAllBack(seed);
    }
  }

  private void pass(int ms) {
    for (int i = 0; i < ms; i += 16) {
      nowMs += 16;
      session.tick();
    }
  }

  private void act(Random random) {
    int kind = random.nextInt(26);
    done.add(String.valueOf(kind));
    TransportControl transportControl = session.transportControl();
    PhysicalKey key = KEYS[random.nextInt(KEYS.length)];
    switch (kind) {
      case 0, 1, 2, 3 -> session.performer().press(key, nowMs * MS);
      case 4, 5 -> session.performer().release(key, nowMs * MS);
      case 6 -> session.run().recordOrStop();
      case 7 -> session.run().playOrStop();
      case 8 -> session.editing().undo();
      case 9 -> session.editing().redo();
      case 10 -> session.run().dropLastPass();
      case 11 -> player.stepBack(random.nextInt(-60, 90) * MS);
      case 12 -> session.run().sweep(random.nextBoolean());
      case 13 -> {
        long start = random.nextInt(4) * 3840L;
        session.run().loop(new TickRange(start, start + 3840L * (1 + random.nextInt(2))));
      }
      case 14 -> session.run().toggleLoop();
      case 15 ->
          transportControl.setRecordSettings(
              transportControl
                  .recordSettings()
                  .withMode(RecordingMode.values()[random.nextInt(3)])
                  .withQuantize(random.nextBoolean()));
      case 16 -> move(random);
      case 17 ->
          session
              .editing()
              .edit("Tempo", s -> SongEdits.setTempo(s, Tempo.ofBpm(60 + random.nextInt(200))));
      case 18 -> session.quantizing().quantize();
      case 19 -> transportControl.setRepeat(random.nextBoolean(), NoteValue.straight(16));
      case 20 -> session.editing().stepTake(1);
      case 21 -> session.keyboard().setKeysMode(KeysMode.values()[random.nextInt(3)]);
      case 22, 23, 24 -> step(random);
      default -> {
        if (random.nextBoolean()) {
          session.run().compareRounds();
        } else {
          session.run().calibrate();
        }
      }
    }
  }

  private void step(Random random) {
    StepDesk steps = session.steps();
    switch (random.nextInt(12)) {
      case 0, 1 -> steps.advance();
      case 2 -> steps.back();
      case 3 -> steps.remove();
      case 4 -> steps.repeatLast();
      case 5 -> steps.tie();
      case 6 -> steps.chooseLength(StepLength.of(1 << random.nextInt(7)));
      case 7 -> steps.changeLength(StepLength::dotted);
      case 8 -> steps.moveToLine(random.nextBoolean() ? 1 : -1);
      case 9 -> steps.moveTo(random.nextLong(20_000));
      case 10 -> steps.fill();
      default ->
          steps.set(
              steps
                  .settings()
                  .withAdds(random.nextBoolean())
                  .withFindsFirst(random.nextBoolean())
                  .withOntoRhythm(random.nextInt(3) == 0)
                  .withWraps(random.nextBoolean()));
    }
  }

  private void move(Random random) {
    session.document().select(NoteRule.ALL);
    NoteMove move =
        new NoteMove(
            session.document().selection().notes(),
            random.nextLong(-20_000, 20_000),
            random.nextInt(5) - 2);
    session.editing().edit(move.label(), move);
  }

  private void assertWhole(int seed) {
    Set<Long> ids = new HashSet<>();
    for (Track track : session.song().tracks()) {
      for (Clip clip : track.clips()) {
        for (Note note : clip.placed().notes()) {
          assertThat(ids.add(note.id().value())).as("seed %d: %s", seed, done).isTrue();
          assertThat(clip.range().contains(note.onset())).as("seed %d: %s", seed, done).isTrue();
        }
      }
    }
  }

  private void assertUndoGivesAllBack(int seed) {
    List<Song> seen = new ArrayList<>();
    while (session.document().undoLabel().isPresent()) {
      seen.add(session.song());
      session.editing().undo();
    }
    for (Song song : seen.reversed()) {
      session.editing().redo();
      assertThat(session.song()).as("seed %d", seed).isSameAs(song);
    }
  }
}

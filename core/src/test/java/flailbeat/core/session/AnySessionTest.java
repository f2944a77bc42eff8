package flailbeat.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.TestSongs;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Whatever a person does, in whatever order, and however the sound stalls meanwhile. */
class AnySessionTest {
  private final RandomPerson person = new RandomPerson();
  private final Session session = person.session();
  private final FakePlayer player = person.player();
  private final List<String> done = person.done();

  @Test
  void nothing_fails_no_note_hangs_and_undo_gives_every_song_back() {
    // By hand, further: -Dany.seeds=1500 -Dany.from=40 -Dany.reopen=1
    int first = Integer.getInteger("any.from", 0);
    for (int seed = first; seed < first + Integer.getInteger("any.seeds", 40); seed++) {
      Random random = new Random(seed);
      person.open(random);
      for (int step = 0; step < 150; step++) {
        person.act(random);
        person.pass(random.nextInt(400));
        assertThat(session.notices().current().text())
            .as("seed %d: %s", seed, done)
            .doesNotContain("went wrong");
        assertWhole(seed);
        if (step % Integer.getInteger("any.reopen", 15) == 0) {
          assertComesBackFromItsFile(seed);
        }
      }
      person.letGo();
      assertThat(player.sounding).as("seed %d: %s", seed, done).isEmpty();
      assertThat(player.held()).as("seed %d: %s", seed, done).isEmpty();
      assertUndoGivesAllBack(seed);
    }
  }

  private void assertComesBackFromItsFile(int seed) {
    Song song = session.document().toWrite();
    try {
      assertThat(TestSongs.reopened(song)).as("seed %d: %s", seed, done).isEqualTo(song);
    } catch (IOException e) {
      throw new AssertionError("seed " + seed + ": " + done, e);
    }
  }

  private void assertWhole(int seed) {
    Set<Long> ids = new HashSet<>();
    for (Track track : session.song().tracks()) {
      for (Clip clip : track.leaders()) {
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

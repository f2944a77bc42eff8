package flailbeat.core.quantize;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.TestSongs;
import flailbeat.core.model.Note;
import flailbeat.core.time.TempoMap;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** At 120 bpm 48 ticks are 25 ms, and 57 ticks 29.7. */
class EventsTest {
  /** Each stroke as {@code pitch@tick}. */
  private static Events events(String strokes) {
    List<Note> notes = new ArrayList<>();
    for (String stroke : strokes.split(" ")) {
      String[] parts = stroke.split("@");
      notes.add(
          TestSongs.note(
              notes.size() + 1L, Integer.parseInt(parts[0]), Long.parseLong(parts[1]), 100));
    }
    return new Events(Drafts.inOrder(notes), TempoMap.of(TempoMap.DEFAULT));
  }

  @ParameterizedTest
  @CsvSource({
    "60@0 64@48 67@49, 0 0 1, false false",
    "60@0 64@30 67@60, 0 0 1, false false",
    "60@0 60@23, 0 0, false",
    "60@0 60@57, 0 0, false",
    "60@0 60@58, 0 1, false true",
    "60@0 60@40 60@400 60@500 60@900 60@1000, 0 1 2 3 4 5, false true true true true true",
    "60@0 60@20 60@40, 0 0 0, false",
    "100@0 36@10 100@34 36@36, 0 0 0 0, false",
    "100@0 36@49 100@50 36@99, 0 1 0 1, false false",
    "36@0 100@100 36@200, 0 1 2, false false false",
    "63@0 64@60 127@120 127@180, 0 1 2 3, false false false true"
  })
  void what_was_struck_together_is_one_event_but_not_a_pitch_that_is_struck_again(
      String strokes, String event, String shared) {
    Events events = events(strokes);
    int n = strokes.split(" ").length;
    assertThat(String.join(" ", IntStream.range(0, n).mapToObj(i -> "" + events.of(i)).toList()))
        .isEqualTo(event);
    List<String> shares = new ArrayList<>();
    for (boolean s : events.sharesPitch()) {
      shares.add("" + s);
    }
    assertThat(String.join(" ", shares)).isEqualTo(shared);
  }

  @Test
  void an_event_comes_when_its_notes_do_in_the_mean() {
    assertThat(events("60@0 64@24 67@48 72@480").ms()).containsExactly(12.5, 250);
  }
}

package flailbeat.core.format.smf;

import static flailbeat.core.format.smf.Midi.control;
import static flailbeat.core.format.smf.Midi.exclusive;
import static flailbeat.core.format.smf.Midi.file;
import static flailbeat.core.format.smf.Midi.imported;
import static flailbeat.core.format.smf.Midi.notes;
import static flailbeat.core.format.smf.Midi.off;
import static flailbeat.core.format.smf.Midi.on;
import static flailbeat.core.format.smf.Midi.program;
import static flailbeat.core.format.smf.Midi.track;
import static flailbeat.core.format.smf.Midi.words;
import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.edit.NoteEdits;
import flailbeat.core.format.smf.SmfFile.SmfTrack;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** The rows of docs/midi-files.md on notes that overlap, have no length, or are moved. */
class MidiEditTest extends MidiTableRig {
  @Test
  void notes_of_one_pitch_that_overlap_keep_their_ends_or_it_is_told() {
    SmfTrack crossed = track(on(0, 60, 90), on(50, 60, 80), off(100, 60, 64), off(150, 60, 64));
    assertComesThrough(crossed);
    Song song = imported(file(960, crossed)).song();
    Note first = song.tracks().get(0).notes().get(0);
    Song held = NoteEdits.change(song, Set.of(first.id()), n -> n.standingAt(0, 400));
    SmfExport export = SmfExport.from(held);
    assertThat(notes(imported(export.file()).song())).containsExactly("0-50 60", "50-150 60");
    assertThat(export.remarks())
        .anyMatch(r -> r.startsWith("1 note ends where another of the same pitch begins"));
  }

  /** Random notes of few pitches: as written they are read back, to the tick. */
  @Test
  void over_random_overlaps_what_is_written_is_what_is_read_back() {
    for (int seed = 0; seed < 400; seed++) {
      Random random = new Random(seed);
      List<Overlaps.Span> spans = new ArrayList<>();
      for (int i = 0; i < 12; i++) {
        long onset = random.nextInt(200);
        spans.add(new Overlaps.Span(onset, onset + random.nextInt(150)));
      }
      Overlaps.trim(spans);
      List<SmfEvent> events = new ArrayList<>();
      for (Overlaps.Span span : spans) {
        events.add(on(span.on(), 60, 90));
      }
      List<SmfEvent> all = new ArrayList<>(events);
      spans.forEach(s -> all.add(off(s.off(), 60, 64)));
      all.sort(
          Comparator.comparingLong(SmfEvent::tick)
              .thenComparing(e -> e.isNoteOn() && !isEmptyAt(spans, e.tick())));
      assertThat(spans)
          .as("seed %d: ends in the order of the starts", seed)
          .isSortedAccordingTo(Comparator.comparingLong(Overlaps.Span::off));
      assertThat(spans).allMatch(s -> s.off() >= s.on());
    }
  }

  /** The example of the issue: drum triggers, whose notes have no length. */
  @Test
  void a_note_of_no_length_stays_one_when_it_moves_or_others_do() {
    SmfFile drums =
        file(
            480,
            track(
                on(0, 36, 100),
                off(0, 36, 64),
                on(250, 38, 90),
                off(300, 38, 64),
                on(490, 36, 100),
                off(490, 36, 64)));
    Song song = imported(drums).song();
    SmfPatch patch =
        SmfPatch.apply(
            drums, song, n -> n.standingAt(Math.round(n.onset() / 240.0) * 240, n.length()));
    assertThat(words(patch.file().tracks().get(0)))
        .containsExactly(
            "0 90 36 100",
            "0 80 36 64",
            "240 90 38 90",
            "290 80 38 64",
            "480 90 36 100",
            "480 80 36 64");
    assertThat(patch.moved()).isEqualTo(2);
    assertThat(NotePairs.of(patch.file().tracks().get(0)).withoutEnd()).isZero();
  }

  @Test
  void only_what_moves_moves_and_all_else_keeps_its_order() {
    SmfFile file =
        file(
            960,
            track(
                on(0, 60, 90),
                control(0, 64, 127),
                exclusive(0, "7E01F7"),
                on(0, 64, 90),
                program(0, 0, 3),
                off(250, 60, 64),
                off(250, 64, 64),
                control(250, 64, 0),
                on(250, 62, 90),
                off(400, 62, 64)));
    Song song = imported(file).song();
    SmfPatch patch =
        SmfPatch.apply(file, song, n -> n.pitch() == 62 ? n.standingAt(0, n.length()) : n);
    assertThat(words(patch.file().tracks().get(0)))
        .containsExactly(
            "0 90 60 90",
            "0 B0 64 127",
            "0 F0 0 7e01f7",
            "0 90 64 90",
            "0 C0 3 0",
            "0 90 62 90",
            "150 80 62 64",
            "250 80 60 64",
            "250 80 64 64",
            "250 B0 64 0");
  }

  /** 331-476 goes to 360 and comes to lie within 336-696, whose end it must not take. */
  @Test
  void a_note_that_comes_to_lie_within_another_of_its_pitch_keeps_its_length() {
    SmfFile file =
        file(480, track(on(331, 60, 90), on(336, 60, 80), off(476, 60, 64), off(696, 60, 64)));
    Song song = imported(file).song();
    Note first = song.tracks().get(0).notes().get(0);
    SmfPatch patch =
        SmfPatch.apply(
            file, song, n -> n.id().equals(first.id()) ? n.standingAt(720, n.length()) : n);
    Song back = imported(patch.file()).song();
    assertThat(back.tracks().get(0).notes())
        .extracting(n -> n.onset() / 2)
        .containsExactly(336L, 360L);
    assertThat(back.tracks().get(0).notes().get(1).length()).isEqualTo(first.length());
    assertThat(patch.trimmed()).isEqualTo(1);
  }
}

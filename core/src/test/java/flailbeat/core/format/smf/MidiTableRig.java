package flailbeat.core.format.smf;

import static flailbeat.core.format.smf.Midi.file;
import static flailbeat.core.format.smf.Midi.notes;
import static flailbeat.core.format.smf.Midi.throughSong;
import static flailbeat.core.format.smf.Midi.track;
import static flailbeat.core.format.smf.Midi.words;
import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.format.smf.SmfFile.SmfTrack;
import java.io.ByteArrayInputStream;
import java.util.List;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.ShortMessage;

/** What the tests of docs/midi-files.md share. */
abstract class MidiTableRig {
  /** Through a project, a file's part with the events that it had, in their order. */
  static void assertComesThrough(SmfTrack track) {
    SmfFile back = throughSong(file(960, track));
    assertThat(words(back.tracks().get(0))).isEqualTo(words(track));
    assertThat(back.tracks().get(0).endTick()).isEqualTo(track.endTick());
  }

  static boolean isEmptyAt(List<Overlaps.Span> spans, long tick) {
    return spans.stream().anyMatch(s -> s.on() == tick && s.off() == tick);
  }

  static int jdkNotes(byte[] bytes) throws Exception {
    int notes = 0;
    for (var track : MidiSystem.getSequence(new ByteArrayInputStream(bytes)).getTracks()) {
      for (int i = 0; i < track.size(); i++) {
        boolean starts =
            track.get(i).getMessage() instanceof ShortMessage m
                && m.getCommand() == ShortMessage.NOTE_ON
                && m.getData2() > 0;
        notes += starts ? 1 : 0;
      }
    }
    return notes;
  }
}

package flailbeat.core.format.smf;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.edit.EnteredNotes;
import flailbeat.core.edit.shapes.ControlDrawn;
import flailbeat.core.edit.shapes.ControlEdits;
import flailbeat.core.edit.shapes.Curve;
import flailbeat.core.edit.shapes.PedalBars;
import flailbeat.core.files.SongFiles;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.control.Controller;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.time.TickRange;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import org.junit.jupiter.api.Test;

/**
 * Controllers that were drawn, exported and read by others: here by the JDK's reader, and in {@code
 * .ci/run}, from the files that this writes, by midicsv and mido.
 */
class DrawnControllersTest {
  private static final Path FOLDER = Path.of("target/midi-controllers");
  private static final int SEVEN_BITS = 0x7F;

  private static Song drawn() {
    Song song = Song.empty();
    TrackId track = song.tracks().getFirst().id();
    song = EnteredNotes.place(song, track, List.of(Note.placed(new NoteId(1), 60, 80, 0, 7680)));
    for (Controller of :
        List.of(
            Controller.EXPRESSION,
            Controller.MODULATION,
            Controller.BEND,
            Controller.PRESSURE,
            Controller.numbered(33))) {
      Curve curve = Curve.between(100, 0, 5000, of.most(), 0.5);
      ControlDrawn line =
          new ControlDrawn(track, of, new TickRange(100, 5010), ControlEdits.line(curve, of));
      song = line.apply(song);
    }
    return PedalBars.drawn(track, Controller.SUSTAIN, new TickRange(960, 1920)).apply(song);
  }

  /** {@code tick kind number value}; the bend's value is all of its 14 bits. */
  private static TreeSet<String> told(Song song) {
    TreeSet<String> result = new TreeSet<>();
    for (ControlPoint point : song.tracks().getFirst().controls()) {
      result.add(
          String.join(
              " ",
              String.valueOf(point.tick()),
              String.format("%X", point.control().kind().status()),
              String.valueOf(point.control().number()),
              String.valueOf(point.control().value())));
    }
    return result;
  }

  /** By the byte layout of MIDI 1.0: the bend's lower seven bits come first. */
  private static List<String> readByTheJdk(Path file) throws Exception {
    List<String> result = new ArrayList<>();
    for (Track track : MidiSystem.getSequence(file.toFile()).getTracks()) {
      for (int i = 0; i < track.size(); i++) {
        MidiEvent event = track.get(i);
        if (event.getMessage() instanceof ShortMessage m) {
          String line =
              switch (m.getCommand()) {
                case ShortMessage.CONTROL_CHANGE -> m.getData1() + " " + m.getData2();
                case ShortMessage.PITCH_BEND -> "0 " + (m.getData1() | m.getData2() << 7);
                case ShortMessage.CHANNEL_PRESSURE -> "0 " + m.getData1();
                default -> "";
              };
          if (!line.isEmpty()) {
            result.add(event.getTick() + " " + String.format("%X", m.getCommand()) + " " + line);
          }
        }
      }
    }
    return result;
  }

  @Test
  void drawn_controllers_are_exported_event_by_event_in_seven_bits_and_the_bend_in_fourteen()
      throws Exception {
    Song song = drawn();
    Files.createDirectories(FOLDER);
    Path file = FOLDER.resolve("drawn.mid");
    SongFiles.standard().write(song, file);
    TreeSet<String> told = told(song);
    Files.write(FOLDER.resolve("drawn.txt"), told);
    assertThat(told).hasSizeGreaterThan(300);
    assertThat(readByTheJdk(file)).containsAll(told);
    assertThat(readByTheJdk(file))
        .filteredOn(line -> Long.parseLong(line.split(" ")[0]) > 0)
        .as("beside what sets the sound up at the start")
        .containsExactlyInAnyOrderElementsOf(told);
    assertThat(song.tracks().getFirst().controls())
        .filteredOn(p -> Controller.BEND.isOf(p.control()))
        .as("a bend uses its lower seven bits too")
        .anyMatch(p -> (p.control().value() & SEVEN_BITS) != 0)
        .anyMatch(p -> p.control().value() == 0x3FFF);
    assertThat(song.tracks().getFirst().controls())
        .filteredOn(p -> !Controller.BEND.isOf(p.control()))
        .allMatch(p -> p.control().value() <= SEVEN_BITS);
  }
}

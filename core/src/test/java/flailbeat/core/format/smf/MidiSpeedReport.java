package flailbeat.core.format.smf;

import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.NoteId;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;

/**
 * A million notes from a song to the bytes of a file, and back, in turn with the JDK's writer and
 * reader. docs/midi-files.md tells how to run it.
 */
public final class MidiSpeedReport {
  private static final int TURNS = 9;

  private MidiSpeedReport() {}

  public static void main(String[] args) throws Exception {
    Song song = song(Integer.parseInt(args[0]));
    byte[] bytes = write(song);
    SmfFile file = SmfExport.of(song);
    double[] oursWriteAlone = new double[TURNS];
    double[] oursWrite = new double[TURNS];
    double[] jdkWrite = new double[TURNS];
    double[] jdkWriteAlone = new double[TURNS];
    double[] oursRead = new double[TURNS];
    double[] jdkRead = new double[TURNS];
    for (int i = 0; i < TURNS; i++) {
      oursWrite[i] = millis(() -> write(song));
      oursWriteAlone[i] = millis(() -> write(file));
      Sequence[] made = new Sequence[1];
      double making = millis(() -> made[0] = sequence(song));
      jdkWriteAlone[i] = millis(() -> writeByJdk(made[0]));
      jdkWrite[i] = making + jdkWriteAlone[i];
      made[0] = null;
      oursRead[i] = millis(() -> SmfImport.of(SmfReader.read(bytes).file(), "x"));
      jdkRead[i] = millis(() -> MidiSystem.getSequence(new ByteArrayInputStream(bytes)));
    }
    System.out.printf(
        Locale.ROOT,
        "made of a song and written in %.0f ms; made for the JDK and written by it in %.0f ms:"
            + " %.1f times; the writers alone %.0f and %.0f ms: %.1f times%n",
        median(oursWrite),
        median(jdkWrite),
        ratio(jdkWrite, oursWrite),
        median(oursWriteAlone),
        median(jdkWriteAlone),
        ratio(jdkWriteAlone, oursWriteAlone));
    System.out.printf(
        Locale.ROOT,
        "read to a song in %.0f ms; by the JDK to its sequence in %.0f ms: %.1f times%n",
        median(oursRead),
        median(jdkRead),
        ratio(jdkRead, oursRead));
  }

  private interface Work {
    void run() throws Exception;
  }

  private static double millis(Work work) throws Exception {
    System.gc();
    long before = System.nanoTime();
    work.run();
    return (System.nanoTime() - before) / 1e6;
  }

  private static double median(double[] values) {
    double[] sorted = values.clone();
    Arrays.sort(sorted);
    return sorted[TURNS / 2];
  }

  private static double ratio(double[] a, double[] b) {
    double[] each = new double[TURNS];
    for (int i = 0; i < TURNS; i++) {
      each[i] = a[i] / b[i];
    }
    return median(each);
  }

  private static byte[] write(Song song) throws IOException {
    return write(SmfExport.of(song));
  }

  private static byte[] write(SmfFile file) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream(10_000_000);
    SmfWriter.write(file, out);
    return out.toByteArray();
  }

  private static byte[] writeByJdk(Sequence sequence) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream(10_000_000);
    MidiSystem.write(sequence, 1, out);
    return out.toByteArray();
  }

  private static Sequence sequence(Song song) throws InvalidMidiDataException {
    Sequence sequence = new Sequence(Sequence.PPQ, 960);
    for (Track track : song.tracks()) {
      javax.sound.midi.Track to = sequence.createTrack();
      for (Note n : track.notes()) {
        to.add(new MidiEvent(new ShortMessage(0x90, 0, n.pitch(), n.velocity()), n.onset()));
        to.add(new MidiEvent(new ShortMessage(0x80, 0, n.pitch(), 64), n.end()));
      }
    }
    return sequence;
  }

  private static Song song(int count) {
    Random random = new Random(1);
    List<Note> notes = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      notes.add(
          Note.placed(
              new NoteId(i + 2), 21 + random.nextInt(88), 1 + random.nextInt(127), i * 120L, 200));
    }
    Song empty = Song.empty();
    return empty
        .mapTracks(
            t ->
                t.withClips(
                    List.of(Clip.around(new ClipId(count + 5), notes, List.of(), empty.meters()))))
        .withNextId(count + 10L);
  }
}

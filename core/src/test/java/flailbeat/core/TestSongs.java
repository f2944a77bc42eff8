package flailbeat.core;

import flailbeat.core.format.project.ProjectFile;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Content;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Takes;
import flailbeat.core.model.Track;
import flailbeat.core.model.control.Control;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.ControlId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/** Songs of one track in 4/4, in which each clip is given as it is, and shown as text. */
public final class TestSongs {
  /** A bar of 4/4, in ticks. */
  public static final long BAR = 3840;

  /** The only track. */
  public static final TrackId TRACK = Song.empty().tracks().get(0).id();

  private TestSongs() {}

  /** A note that was played. */
  public static Note note(long id, int pitch, long onset, long length) {
    return Note.asPlayed(new NoteId(id), pitch, 90, new Played(onset, onset + length));
  }

  public static ControlPoint point(long id, long tick, int number, int value) {
    return new ControlPoint(new ControlId(id), tick, Control.controller(number, value));
  }

  public static Clip clip(
      long id, long start, long length, long period, List<Note> notes, List<ControlPoint> points) {
    return new Clip(new ClipId(id), start, length, period, Content.of(notes, points), Takes.NONE);
  }

  /** A clip that does not loop, of notes alone. */
  public static Clip clip(long id, long start, long length, Note... notes) {
    return clip(id, start, length, Clip.NEVER, List.of(notes), List.of());
  }

  public static Song song(Clip... clips) {
    return Song.empty().withTrack(TRACK, t -> t.withClips(List.of(clips))).withNextId(1000);
  }

  public static Track track(Song song) {
    return song.tracks().get(0);
  }

  public static Set<NoteId> ids(Song song) {
    return track(song).notes().stream().map(Note::id).collect(Collectors.toSet());
  }

  /** All notes that sound: {@code 60@0+480 62@480+100}. */
  public static String heard(Song song) {
    return track(song).placed().sounding().stream()
        .map(n -> n.pitch() + "@" + n.onset() + "+" + n.length())
        .collect(Collectors.joining(" "));
  }

  /** What all controllers do, as it sounds: {@code 64=127@0 64=0@480}; the bend has number 0. */
  public static String controls(Song song) {
    return track(song).placed().soundingControls().stream()
        .map(p -> p.control().number() + "=" + p.control().value() + "@" + p.tick())
        .collect(Collectors.joining(" "));
  }

  /** Where clips lie: {@code 0-3840 7680-11520}. */
  public static String clips(Song song) {
    return track(song).clips().stream()
        .map(c -> c.start() + "-" + c.end())
        .collect(Collectors.joining(" "));
  }

  /** As it comes back once it is saved. */
  public static Song reopened(Song song) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ProjectFile.write(song, out);
    return ProjectFile.read(new ByteArrayInputStream(out.toByteArray()));
  }
}

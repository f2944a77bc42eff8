package flailbeat.core.model;

import flailbeat.core.model.carried.CarriedEvent;
import flailbeat.core.model.carried.FileTraits;
import flailbeat.core.model.carried.TrackFromFile;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.roll.RollTraits;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.model.sound.Mix;
import flailbeat.core.model.sound.TrackSound;
import flailbeat.core.model.track.Switches;
import flailbeat.core.model.track.TrackTraits;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import flailbeat.core.work.InOrder;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * One part.
 *
 * @param clips in order, and apart: none begins before the one before it has ended
 * @param file what the file that it came from said of it besides
 * @param roll how it is drawn on by hand
 * @param personal how it is shown, and how it lies under the hands
 */
public record Track(
    TrackId id,
    String name,
    TrackSound sound,
    Switches switches,
    List<Clip> clips,
    TrackFromFile file,
    RollTraits roll,
    TrackTraits personal) {
  /** The channel that General MIDI keeps for drums, counted from 0. */
  public static final int DRUM_CHANNEL = 9;

  private static final TickRange EVER = new TickRange(0, 2 * Ticks.LAST);

  public Track {
    clips = List.copyOf(clips);
    requireApart(clips);
    requireShared(clips);
  }

  private static void requireApart(List<Clip> clips) {
    for (int i = 1; i < clips.size(); i++) {
      Clip before = clips.get(i - 1);
      Clip clip = clips.get(i);
      if (clip.start() < before.end()) {
        throw new IllegalArgumentException(
            "A clip at "
                + clip.range()
                + " after one at "
                + before.range()
                + ": clips do not overlap");
      }
    }
  }

  private static void requireShared(List<Clip> clips) {
    if (Links.shared(clips, clips) != clips) {
      throw new IllegalArgumentException("Clips that are linked do not share what is in them");
    }
  }

  /** An empty track. */
  public static Track empty(TrackId id, String name, Instrument instrument, int channel) {
    return new Track(
        id,
        name,
        new TrackSound(instrument, channel),
        Switches.OFF,
        List.of(),
        TrackFromFile.NONE,
        RollTraits.NONE,
        TrackTraits.NONE);
  }

  public Instrument instrument() {
    return sound.instrument();
  }

  /** MIDI channel, 0 to 15; 9 is the drum channel. */
  public int channel() {
    return sound.channel();
  }

  /** Whether it is played and recorded along with the chosen track. */
  public boolean armed() {
    return switches.armed();
  }

  public boolean muted() {
    return switches.muted();
  }

  public boolean solo() {
    return switches.solo();
  }

  /** Events that are handed on, in order of tick. */
  public List<CarriedEvent> carried() {
    return file.carried();
  }

  /** What the MIDI file that it came from says of it. */
  public FileTraits traits() {
    return file.traits();
  }

  /** Shows what sounds in a stretch of the song, without gathering it. */
  public void layOut(TickRange range, Layout to) {
    clips.forEach(c -> c.layOut(range, to));
  }

  /** At most so many notes begin in a stretch of the song: found without looking at each. */
  public long mostNotesIn(TickRange range) {
    long most = 0;
    for (Clip clip : clips) {
      if (clip.loops()) {
        most += Placed.of(List.of(clip), range).sounding().size();
      } else {
        most += clip.content().notes().indexAt(range.end() - clip.start());
        most -= clip.content().notes().indexAt(range.start() - clip.start());
      }
    }
    return most;
  }

  /**
   * What sounds in a stretch of the song: all that ends after its start and begins before its end.
   */
  public Placed placed(TickRange range) {
    return Placed.of(clips, range);
  }

  /** All notes that begin in a stretch of the song, rounds of loops too, in order. */
  public List<Note> soundingBeginningIn(TickRange range) {
    return placed(range).sounding().stream().filter(n -> range.contains(n.onset())).toList();
  }

  /** The notes that begin in a stretch of the song, in song time: found without looking at each. */
  public List<Note> notesBeginningIn(TickRange range) {
    List<Note> result = new ArrayList<>();
    layOut(
        range,
        (note, clip, round) -> {
          if (range.contains(note.onset())) {
            result.add(note);
          }
        });
    return result;
  }

  /** What of its controllers can be taken hold of in a stretch of the song, likewise. */
  public List<ControlPoint> tangibleControls(TickRange range) {
    List<ControlPoint> result = new ArrayList<>();
    layOut(
        range,
        new Layout.WithControls() {
          @Override
          public void note(Note note, Clip clip, int round) {
            // Controllers are asked about.
          }

          @Override
          public void control(ControlPoint point, Clip clip, int round) {
            if (round == 0) {
              result.add(point);
            }
          }

          @Override
          public void closing(ControlPoint point, Clip clip, int round) {
            // It stands for another, and cannot be edited.
          }
        });
    return result;
  }

  /** All that sounds. */
  public Placed placed() {
    return placed(EVER);
  }

  /** All of it as it is heard: transposed, and without the notes of clips that are muted. */
  public Placed audible() {
    Placed placed = Placed.of(clips, EVER, Clip::isAudible);
    return sound.changesPitch()
        ? placed.withNotes(n -> n.withPitch(sound.heard(n.pitch())))
        : placed;
  }

  /**
   * The notes that can be taken hold of in a stretch of the song: those of the first round of each
   * clip, so that a note of clips that share it comes once for each of these.
   */
  public List<Note> tangible(TickRange range) {
    List<Note> result = new ArrayList<>();
    layOut(
        range,
        (note, clip, round) -> {
          if (round == 0) {
            result.add(note);
          }
        });
    return result;
  }

  /** Its notes in song time, each once. */
  public List<Note> notes() {
    return placed().notes();
  }

  /** What its controllers do, in song time, each point once: see {@link Placed#controls}. */
  public List<ControlPoint> controls() {
    return placed().controls();
  }

  /** The note of an id in song time, if it sounds. */
  public Optional<Note> note(NoteId id) {
    for (Clip clip : clips) {
      Optional<Note> found = clip.content().notes().find(id.value());
      if (found.isPresent()) {
        Clip speaks = links().leader(clip);
        return found.filter(n -> n.onset() < speaks.contentLength()).map(speaks::heard);
      }
    }
    return Optional.empty();
  }

  /** Which of its clips share what is in them. */
  public Links links() {
    return Links.of(clips);
  }

  /** Its clips, of those that share what is in them one: each content once. */
  public List<Clip> leaders() {
    Links links = links();
    return links.isEmpty() ? clips : clips.stream().filter(c -> !links.follows(c)).toList();
  }

  /** How many notes sound, each counted once. */
  public int noteCount() {
    return leaders().stream().mapToInt(Clip::noteCount).sum();
  }

  /** The tick at which its last note ends; 0 without notes. */
  public long end() {
    long end = 0;
    for (Clip clip : clips) {
      boolean allSound = !clip.loops() && clip.noteCount() == clip.content().notes().size();
      end = Math.max(end, allSound ? lastEnd(clip) : lastSoundingEnd(clip));
    }
    return end;
  }

  private static long lastEnd(Clip clip) {
    return clip.content().notes().isEmpty() ? 0 : clip.start() + clip.content().notes().end();
  }

  private static long lastSoundingEnd(Clip clip) {
    return Placed.of(List.of(clip), EVER).sounding().stream().mapToLong(Note::end).max().orElse(0);
  }

  /** The clip in which a tick of the song lies. O(log c) for c clips. */
  public Optional<Clip> clipAt(long tick) {
    int begun = InOrder.countPassing(clips.size(), i -> clips.get(i).start() <= tick);
    return begun > 0 && clips.get(begun - 1).contains(tick)
        ? Optional.of(clips.get(begun - 1))
        : Optional.empty();
  }

  /** The clip of an id. */
  public Optional<Clip> clip(ClipId id) {
    return clips.stream().filter(c -> c.id().equals(id)).findFirst();
  }

  /** With a clip changed that stays where it is; unchanged when there is no such clip. */
  public Track withClip(ClipId id, UnaryOperator<Clip> change) {
    List<Clip> changed = new ArrayList<>(clips);
    changed.replaceAll(c -> c.id().equals(id) ? change.apply(c) : c);
    return clip(id).equals(changed.stream().filter(c -> c.id().equals(id)).findFirst())
        ? this
        : withClips(changed);
  }

  /**
   * With other clips, in order and apart. What was changed in one of those that share what is in
   * them is changed in all.
   */
  public Track withClips(List<Clip> value) {
    return new Track(id, name, sound, switches, Links.shared(clips, value), file, roll, personal);
  }

  public Track withFile(TrackFromFile value) {
    return new Track(id, name, sound, switches, clips, value, roll, personal);
  }

  public Track withCarried(List<CarriedEvent> value) {
    return withFile(new TrackFromFile(value, file.traits()));
  }

  public Track withTraits(FileTraits value) {
    return withFile(new TrackFromFile(file.carried(), value));
  }

  /** With another sound. A kit lives on the drum channel, so the channel may change with it. */
  public Track withInstrument(Instrument value, int newChannel) {
    return withSound(sound.with(value, newChannel));
  }

  public Track withSound(TrackSound value) {
    return new Track(id, name, value, switches, clips, file, roll, personal);
  }

  public Track withMix(Mix value) {
    return withSound(sound.withMix(value));
  }

  public Track withName(String value) {
    return new Track(id, value, sound, switches, clips, file, roll, personal);
  }

  public Track withPersonal(TrackTraits value) {
    return new Track(id, name, sound, switches, clips, file, roll, value);
  }

  public Track withSwitches(Switches value) {
    return new Track(id, name, sound, value, clips, file, roll, personal);
  }

  public Track withArmed(boolean value) {
    return withSwitches(new Switches(value, muted(), solo()));
  }

  public Track withMuted(boolean value) {
    return withSwitches(new Switches(armed(), value, solo()));
  }

  public Track withSolo(boolean value) {
    return withSwitches(new Switches(armed(), muted(), value));
  }

  public Track withRoll(RollTraits value) {
    return new Track(id, name, sound, switches, clips, file, value, personal);
  }
}

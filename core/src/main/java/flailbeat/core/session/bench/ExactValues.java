package flailbeat.core.session.bench;

import flailbeat.core.edit.Scope;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.edit.clips.ClipMoves;
import flailbeat.core.edit.clips.ClipShapes.Beyond;
import flailbeat.core.edit.clips.ClipsResized;
import flailbeat.core.edit.notes.Arithmetic;
import flailbeat.core.edit.notes.NoteField;
import flailbeat.core.edit.notes.NoteFields;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.pitch.OctaveNames;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Changes;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.document.Notice;
import flailbeat.core.session.document.Notices;
import flailbeat.core.time.Position;
import flailbeat.core.time.TempoMap;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Exact values of the notes in scope, as texts that can be typed over: one value, or the least and
 * the most of several. Without a selection, start and length are those of the chosen clip.
 */
public final class ExactValues {
  private static final Pattern POSITION =
      Pattern.compile("(\\d{1,7})\\.(\\d{1,3})(?:\\.(\\d{1,5}))?");
  private static final Pattern MILLIS = Pattern.compile("(.*\\d)\\s*ms", Pattern.CASE_INSENSITIVE);
  private static final int CHANNELS = 16;

  private final Document document;
  private final EditActions editing;
  private final Changes changes;
  private final Notices notices;
  private boolean inMillis;

  public ExactValues(Document document, EditActions editing, Changes changes, Notices notices) {
    this.document = document;
    this.editing = editing;
    this.changes = changes;
    this.notices = notices;
  }

  /** Whether times are shown in milliseconds rather than in bars, beats and ticks. */
  public boolean isInMillis() {
    return inMillis;
  }

  public void setInMillis(boolean value) {
    inMillis = value;
    changes.fire(Aspect.SETTINGS);
  }

  /** What the values are of, in words. */
  public String of() {
    Scope scope = document.scope();
    int count = scope.notes().size();
    return isOfClip() ? "Clip, " + Notice.notes(count) : Notice.notes(count);
  }

  /** Whether start and length are the chosen clip's. */
  public boolean isOfClip() {
    return document.scope().kind() == Scope.Kind.CLIP && document.clip().isPresent();
  }

  private List<Note> notes() {
    return document.scope().notes();
  }

  /** A field as it is shown; empty where there is nothing to show. */
  public String text(NoteField field) {
    Optional<Clip> clip = isOfClip() ? document.clip() : Optional.empty();
    if (clip.isPresent() && field == NoteField.START) {
      return position(clip.get().start());
    }
    if (clip.isPresent() && field == NoteField.END) {
      return position(clip.get().end());
    }
    if (clip.isPresent() && field == NoteField.LENGTH) {
      return length(clip.get().start(), clip.get().length());
    }
    if (notes().isEmpty()) {
      return "";
    }
    Note least = null;
    Note most = null;
    for (Note note : notes()) {
      least = least == null || field.of(note) < field.of(least) ? note : least;
      most = most == null || field.of(note) > field.of(most) ? note : most;
    }
    return field.of(least) == field.of(most)
        ? one(field, least)
        : one(field, least) + "\u2013" + one(field, most);
  }

  /** One note's, as it is shown. */
  String one(NoteField field, Note note) {
    return switch (field) {
      case START, END -> position(field.of(note));
      case LENGTH -> length(note.onset(), note.length());
      case AS_PLAYED -> offset(note);
      case PITCH -> pitch(note.pitch(), note.onset());
      case VELOCITY -> Integer.toString(note.velocity());
    };
  }

  /** A pitch at a tick, spelled by the song's key there. */
  String pitch(int pitch, long tick) {
    return document.song().keys().name(pitch, tick, OctaveNames.MIDDLE_C4);
  }

  /** A place, as it is shown. */
  String position(long tick) {
    return inMillis
        ? millis(tempos().nanosAt(tick) / 1e6)
        : document.song().meters().positionAt(tick).toString();
  }

  private String length(long from, long ticks) {
    return inMillis ? millis(tempos().millisBetween(from, from + ticks)) : Long.toString(ticks);
  }

  private String offset(Note note) {
    String sign = note.playedOff() > 0 ? "+" : "";
    return sign
        + (inMillis
            ? millis(tempos().millisBetween(note.onset(), note.played().onset()))
            : Long.toString(note.playedOff()));
  }

  private static String millis(double value) {
    return String.format(Locale.ROOT, "%.1f ms", value);
  }

  private TempoMap tempos() {
    return document.song().tempos();
  }

  /** The channel of the track, counted from 1. */
  public String channel() {
    return Integer.toString(document.track().channel() + 1);
  }

  /**
   * Gives the track another channel.
   *
   * @throws IllegalArgumentException for what is none, in words for the person
   */
  public void enterChannel(String typed) {
    double wanted = Arithmetic.parse(typed).applyTo(document.track().channel() + 1.0);
    if (wanted < 1 || wanted > CHANNELS || wanted != Math.rint(wanted)) {
      throw new IllegalArgumentException("A channel goes from 1 to 16; it is that of the track");
    }
    editing.edit(
        "Channel " + (int) wanted,
        s -> SongEdits.setChannel(s, document.track().id(), (int) wanted - 1));
  }

  /**
   * Takes what was typed into a field.
   *
   * @throws IllegalArgumentException for nonsense, in words for the person; nothing is changed then
   */
  public void enter(NoteField field, String typed) {
    carryOut(field, read(field, typed));
  }

  /** An arrow key or the wheel: so many steps more. */
  public void step(NoteField field, int steps) {
    carryOut(field, new Arithmetic(Arithmetic.Kind.ADD, steps));
  }

  /** What was typed, in ticks where it is a time. */
  Arithmetic read(NoteField field, String typed) {
    String text = typed.strip();
    if (field == NoteField.PITCH && text.matches("[A-Ga-g].*")) {
      return new Arithmetic(Arithmetic.Kind.SET, Pitch.parse(text, OctaveNames.MIDDLE_C4));
    }
    boolean places = field == NoteField.START || field == NoteField.END;
    Matcher position = POSITION.matcher(text);
    if (places && !inMillis && position.matches()) {
      return new Arithmetic(Arithmetic.Kind.SET, tickOf(position));
    }
    Matcher withUnit = MILLIS.matcher(text);
    boolean unit = field.isTime() && withUnit.matches();
    Arithmetic what = Arithmetic.parse(unit ? withUnit.group(1) : text);
    if (places && !inMillis && !unit && what.kind() == Arithmetic.Kind.SET) {
      throw new IllegalArgumentException(
          "A position such as 3.2.480, or a change such as +120 ticks or +10 ms");
    }
    boolean inTime = field.isTime() && (inMillis || unit);
    return inTime && what.kind() != Arithmetic.Kind.MULTIPLY ? ticksOf(field, what) : what;
  }

  private long tickOf(Matcher position) {
    String tick = position.group(3);
    Position wanted =
        new Position(
            Integer.parseInt(position.group(1)),
            Integer.parseInt(position.group(2)),
            tick == null ? 0 : Integer.parseInt(tick));
    return document
        .song()
        .meters()
        .tickOf(wanted)
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "There is no " + wanted + ": bars and beats begin at 1"));
  }

  /** Milliseconds as ticks, at the tempo where the first of the notes stands. */
  private Arithmetic ticksOf(NoteField field, Arithmetic millis) {
    boolean place = field == NoteField.START || field == NoteField.END;
    if (place && millis.kind() == Arithmetic.Kind.SET) {
      return new Arithmetic(Arithmetic.Kind.SET, tempos().tickAt(Math.round(millis.value() * 1e6)));
    }
    long from = notes().isEmpty() ? 0 : notes().getFirst().onset();
    long nanos = tempos().nanosAt(from) + Math.round(millis.value() * 1e6);
    return new Arithmetic(millis.kind(), tempos().tickAt(nanos) - from);
  }

  private void carryOut(NoteField field, Arithmetic what) {
    if (isOfClip() && field.isTime() && field != NoteField.AS_PLAYED) {
      ofClip(document.clip().orElseThrow(), field, what);
      return;
    }
    Set<NoteId> ids =
        document.scope().kind() == Scope.Kind.SELECTION
            ? document.scope().selected().notes()
            : document.scope().ids();
    if (ids.isEmpty()) {
      throw new IllegalArgumentException("There are no notes here");
    }
    int[] told = new int[2];
    editing.edit(
        "Change " + field.title(),
        song -> {
          NoteFields.Outcome outcome = NoteFields.change(song, ids, field, what);
          told[0] = outcome.stopped();
          told[1] = outcome.stayed();
          return outcome.song();
        });
    editing.tellStayed(told[1]);
    if (told[0] > 0) {
      notices.tell(
          what.kind() == Arithmetic.Kind.ADD
              ? "They stop where the first of them comes to the wall"
              : Notice.notes(told[0]) + " stopped at the wall");
    }
  }

  private void ofClip(Clip clip, NoteField field, Arithmetic what) {
    ToDoubleFunction<Clip> now =
        field == NoteField.START ? Clip::start : field == NoteField.END ? Clip::end : Clip::length;
    long wanted = Math.round(what.applyTo(now.applyAsDouble(clip)));
    Song before = document.song();
    // All that are selected go along with the chosen one.
    Set<ClipId> selected = document.selection().clips();
    Set<ClipId> meant = selected.contains(clip.id()) ? selected : Set.of(clip.id());
    if (field == NoteField.START) {
      editing.edit("Move clip", s -> ClipMoves.move(s, meant, wanted - clip.start(), 0));
    } else {
      long length = field == NoteField.END ? wanted - clip.start() : wanted;
      editing.carryOut(
          new ClipsResized(meant, false, Math.max(1, length) - clip.length(), Beyond.SILENCE));
    }
    boolean there =
        document.clip().map(c -> Math.round(now.applyAsDouble(c)) == wanted).orElse(false);
    if (!there && document.song() != before) {
      notices.tell("The clip goes no farther than its neighbour and the song allow");
    }
  }
}

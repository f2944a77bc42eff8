package flailbeat.core.format.project;

import flailbeat.core.edit.Ids;
import flailbeat.core.format.project.ProjectDto.ClipDto;
import flailbeat.core.format.project.ProjectDto.TrackDto;
import flailbeat.core.model.Clip;
import flailbeat.core.model.ClipTraits;
import flailbeat.core.model.Content;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Take;
import flailbeat.core.model.Takes;
import flailbeat.core.model.Timed;
import flailbeat.core.model.control.Control;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.ControlId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Makes clips, and what is in them, of the records that were read. */
final class ClipReader {
  private static final int NOTE_FIELDS = 7;
  private static final int CONTROL_FIELDS = 5;

  private final Ids ids;
  private final boolean ownTime;
  private int grown;

  /**
   * A reader.
   *
   * @param ownTime whether what is in a clip counts from its start, and has ids
   */
  ClipReader(Ids ids, boolean ownTime) {
    this.ids = ids;
    this.ownTime = ownTime;
  }

  /** How many clips were made longer to hold what is in them. */
  int grown() {
    return grown;
  }

  /** The clips of a track; those that share what is in them have it of the first. */
  List<Clip> sharing(TrackDto t) {
    List<Clip> clips = ProjectReader.read("clip", t.clips(), this::toClip);
    Map<Long, Clip> sources = new HashMap<>();
    for (int i = 0; i < clips.size(); i++) {
      Clip clip = clips.get(i);
      boolean whole = t.clips().get(i).notes() != null;
      if (!clip.traits().isLinked()) {
        continue;
      }
      Clip source = sources.putIfAbsent(clip.traits().link(), clip);
      if (source == null ? !whole : whole) {
        throw new IllegalArgumentException(
            "clip "
                + (i + 1)
                + (whole ? ": has notes besides those" : ": has no notes, and there are none")
                + " of the clips that it shares them with");
      }
      if (source != null) {
        clips.set(i, clip.hearing(source.content(), source.takes()));
      }
    }
    return clips;
  }

  private static ClipTraits toTraits(ClipDto c) {
    return new ClipTraits(
        c.name() == null ? "" : c.name(),
        c.color() == null ? ClipTraits.AS_TRACK : c.color(),
        c.muted(),
        c.transpose(),
        c.louder(),
        c.link());
  }

  Clip toClip(ClipDto c) {
    Content heard = toContent(c.notes(), c.controls());
    List<Take> others =
        ProjectReader.read(
            "take", c.otherTakes(), t -> new Take(t.number(), toContent(t.notes(), t.controls())));
    Takes takes = c.take() == null ? Takes.NONE : new Takes(c.take(), others);
    if (ownTime) {
      long period = c.loop() == null ? Clip.NEVER : c.loop();
      ClipId id = c.id() == null ? ids.clip() : new ClipId(c.id());
      return new Clip(
          id,
          c.start(),
          ProjectReader.require(c.length(), "length"),
          period,
          heard,
          takes,
          toTraits(c));
    }
    TickRange range = new TickRange(c.start(), ProjectReader.require(c.end(), "end"));
    TickRange holding = holding(range, heard, others);
    grown += holding.equals(range) ? 0 : 1;
    return Clip.of(ids.clip(), holding, heard.notes(), heard.controls(), takes);
  }

  /**
   * A range that begins no later than anything in a clip and holds where all that is heard begins.
   */
  private static TickRange holding(TickRange range, Content heard, List<Take> others) {
    TickRange result = range.span(begins(heard, range));
    for (Take take : others) {
      result =
          new TickRange(
              Math.min(result.start(), begins(take.content(), range).start()), result.end());
    }
    return result;
  }

  private static TickRange begins(Content content, TickRange otherwise) {
    List<Timed<?>> all = new ArrayList<>(content.notes());
    all.addAll(content.controls());
    return all.stream()
        .map(e -> new TickRange(e.tick(), e.tick() + 1))
        .reduce(TickRange::span)
        .orElse(otherwise);
  }

  private Content toContent(List<long[]> notes, List<long[]> controls) {
    return Content.of(ProjectReader.read("note", notes, ClipReader::toNote), toControls(controls));
  }

  /** Ids are given out in order of time, so that what is at one tick keeps its order. */
  List<ControlPoint> toControls(List<long[]> rows) {
    List<long[]> inOrder = new ArrayList<>(ProjectReader.orEmpty(rows));
    if (!ownTime) {
      inOrder.sort(Comparator.comparingLong(ProjectReader::first));
    }
    return ProjectReader.read("control point", inOrder, this::toControl);
  }

  static Note toNote(long[] row) {
    boolean released = row.length > NOTE_FIELDS;
    boolean told = row.length > NOTE_FIELDS + 1;
    ProjectReader.requireFields(row, NOTE_FIELDS + (told ? 2 : released ? 1 : 0), "note");
    if (told && row[NOTE_FIELDS + 1] != 0 && row[NOTE_FIELDS + 1] != 1) {
      throw new IllegalArgumentException("a note that is neither played (0) nor put (1)");
    }
    boolean performed = !told || row[NOTE_FIELDS + 1] == 0;
    return new Note(
        new NoteId(row[0]),
        Math.toIntExact(row[1]),
        Math.toIntExact(row[2]),
        row[3],
        row[4],
        new Played(row[5], row[6], performed),
        released ? Math.toIntExact(row[NOTE_FIELDS]) : Note.RELEASE);
  }

  /** Before version 3 a control point had no id. */
  private ControlPoint toControl(long[] row) {
    int fields = ownTime ? CONTROL_FIELDS : CONTROL_FIELDS - 1;
    ProjectReader.requireFields(row, fields, "control point");
    int at = fields - CONTROL_FIELDS + 1;
    Control.Kind kind = Control.Kind.of(Math.toIntExact(row[at + 1]));
    if (kind.status() != row[at + 1]) {
      throw new IllegalArgumentException("a control point of kind " + row[at + 1]);
    }
    Control control = new Control(kind, Math.toIntExact(row[at + 2]), Math.toIntExact(row[at + 3]));
    return new ControlPoint(ownTime ? new ControlId(row[0]) : ids.control(), row[at], control);
  }
}

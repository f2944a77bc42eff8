package flailbeat.core.session.map;

import flailbeat.core.edit.clips.ClipShapes;
import flailbeat.core.model.Clip;
import flailbeat.core.model.ClipTraits;
import flailbeat.core.model.Song;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.document.Notices;
import flailbeat.core.session.run.RunControl;
import java.util.function.UnaryOperator;

/** How the clips that are meant are called and heard; their notes stay as they are. */
public final class ClipTraitActions {
  private final ClipActions clips;
  private final Document document;
  private final RunControl runControl;
  private final Notices notices;

  ClipTraitActions(ClipActions clips, Document document, RunControl runControl, Notices notices) {
    this.clips = clips;
    this.document = document;
    this.runControl = runControl;
    this.notices = notices;
  }

  private void change(String label, UnaryOperator<ClipTraits> change) {
    clips.edit(label, (s, ids) -> ClipShapes.traits(s, ids, change));
  }

  /** Calls them something; at most {@value ClipTraits#LONGEST_NAME} letters. */
  public void rename(String name) {
    change("Name", t -> t.withName(name.strip()));
  }

  /** Gives them a colour, or {@link ClipTraits#AS_TRACK}. */
  public void color(int color) {
    change("Colour", t -> t.withColor(color));
  }

  /** Silences their notes, or lets all be heard again where all are silent. */
  public void toggleMuted() {
    boolean all =
        !clips.choice().clips().isEmpty()
            && clips.choice().clips().stream().noneMatch(Clip::isAudible);
    change(all ? "Unmute" : "Mute", t -> t.withMuted(!all));
  }

  /** Has them sound so many semitones higher than they do. */
  public void transpose(int by) {
    change(
        "Transpose",
        t ->
            t.withTranspose(
                Math.clamp(
                    t.transpose() + by, -ClipTraits.MOST_SEMITONES, ClipTraits.MOST_SEMITONES)));
  }

  public void setTranspose(int value) {
    change("Transpose", t -> t.withTranspose(value));
  }

  /** Has them sound so much louder than they do. */
  public void louder(int by) {
    change(
        "Loudness",
        t ->
            t.withLouder(
                Math.clamp(t.louder() + by, -ClipTraits.MOST_LOUDER, ClipTraits.MOST_LOUDER)));
  }

  public void setLouder(int value) {
    change("Loudness", t -> t.withLouder(value));
  }

  /** Writes how they are transposed and how loud they are into their notes. */
  public void settle() {
    Song before = document.song();
    clips.edit("Write into notes", ClipShapes::settle);
    if (document.song() == before && !runControl.transport().isRecording()) {
      notices.tell("They sound as their notes say already");
    }
  }

  /** Has them share what is in them with no others any more. */
  public void unlink() {
    Song before = document.song();
    clips.edit("Make its own:", ClipShapes::unlink);
    if (document.song() == before && !runControl.transport().isRecording()) {
      notices.tell("They share what is in them with no others");
    }
  }
}

package flailbeat.core.session.tracks;

import flailbeat.core.edit.SongEdits;
import flailbeat.core.edit.tracks.TrackEdits;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.model.sound.TrackSound;
import flailbeat.core.model.track.TrackTraits;
import flailbeat.core.playback.Parts;
import flailbeat.core.session.bench.EditActions;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.document.Notice;
import flailbeat.core.session.document.Notices;
import flailbeat.core.session.person.SoundTaste;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/** What is done to whole tracks, each as one undo step. None of it works while recording. */
public final class TrackActions {
  private final Document document;
  private final EditActions editing;
  private final SoundTaste taste;
  private final Notices notices;

  public TrackActions(Document document, EditActions editing, SoundTaste taste, Notices notices) {
    this.document = document;
    this.editing = editing;
    this.taste = taste;
    this.notices = notices;
  }

  /** Adds a track with the sound that was chosen last, and chooses it. */
  public void addLike() {
    add(taste.last().stream().filter(i -> !i.kit()).findFirst().orElse(Instrument.melodic(0)));
  }

  /** Adds a track with the kit that was chosen last, and chooses it. */
  public void addKit() {
    add(taste.last().stream().filter(Instrument::kit).findFirst().orElse(Instrument.kit(0)));
  }

  /** Adds a track and chooses it. */
  public void add(Instrument instrument) {
    Song before = document.song();
    editing.edit("Add track", s -> SongEdits.addTrack(s, instrument));
    if (document.song() != before) {
      document.chooseTrack(document.song().tracks().getLast().id());
      notices.tell(
          silentTracks()
              .or(this::sharedChannel)
              .map(text -> new Notice(text, true))
              .orElse(
                  new Notice(
                      document.track().name()
                          + " plays "
                          + instrument.title()
                          + ": {sound-choose} chooses another sound",
                      false)));
    }
  }

  /** A MIDI file has sixteen channels: whoever adds a track beyond them is told. */
  private Optional<String> sharedChannel() {
    Track added = document.track();
    return document.song().tracks().stream()
        .filter(t -> t.channel() == added.channel() && !t.id().equals(added.id()))
        .filter(t -> !added.instrument().kit())
        .findFirst()
        .map(
            t ->
                "All channels of a MIDI file are taken: exported, "
                    + added.name()
                    + " shares channel "
                    + (added.channel() + 1)
                    + " with "
                    + t.name()
                    + ". Here each has its own sound");
  }

  /** Says which tracks can't sound; empty where all can. */
  public Optional<String> silentTracks() {
    int silent = Parts.silent(document.song());
    String them = silent == 1 ? "1 track" : silent + " tracks";
    String are = silent == 1 ? " is silent here; it is" : " are silent here; they are";
    return silent == 0
        ? Optional.empty()
        : Optional.of(them + " beyond the first " + Parts.MOST + are + " kept and exported");
  }

  /** Takes the chosen track away. */
  public void remove() {
    remove(document.track().id());
  }

  /** Takes a track away; where it was chosen, the one beside it is then. The last one stays. */
  public void remove(TrackId id) {
    List<Track> tracks = document.song().tracks();
    Track track = document.song().track(id).orElse(document.track());
    int at = document.song().indexOf(track.id());
    if (tracks.size() < 2) {
      notices.tell("The only track of a song stays");
      return;
    }
    boolean chosen = document.track().id().equals(track.id());
    boolean onlySolo = track.solo() && tracks.stream().filter(Track::solo).count() == 1;
    Song before = document.song();
    editing.edit("Remove " + track.name(), s -> TrackEdits.remove(s, track.id()));
    if (document.song() != before) {
      List<Track> left = document.song().tracks();
      if (chosen) {
        document.chooseTrack(left.get(Math.min(at, left.size() - 1)).id());
      }
      notices.tell(
          "Removed "
              + track.name()
              + ", "
              + Notice.notes(track.noteCount())
              + (onlySolo ? ", which was heard alone: all are heard now" : "")
              + "; {undo} brings it back");
    }
  }

  /** Calls a track something; what was typed without a letter leaves it as it is. */
  public void rename(TrackId id, String typed) {
    String name = typed.strip();
    if (name.isEmpty()) {
      notices.tell("A track needs a name: it stays as it was called");
      return;
    }
    if (name.length() > TrackEdits.LONGEST_NAME) {
      notices.warn(
          "A name has " + TrackEdits.LONGEST_NAME + " letters at most: the rest is left out");
    }
    editing.edit("Name track", s -> TrackEdits.rename(s, id, name));
  }

  /** Calls a group something. */
  public void renameGroup(String group, String typed) {
    Song before = document.song();
    editing.edit("Name group", s -> TrackEdits.renameGroup(s, group, typed.strip()));
    if (document.song() == before && !typed.strip().equals(group)) {
      notices.tell("A group needs a name of its own: it stays as it was called");
    }
  }

  /** Gives a track a colour, or that of its place ({@link TrackTraits#BY_PLACE}). */
  public void color(TrackId id, int color) {
    editing.edit("Colour track", s -> TrackEdits.personal(s, id, t -> t.withColor(color)));
  }

  /** Gives the chosen track the next colour, round and round. */
  public void nextColor() {
    int now = TrackEdits.color(document.song(), document.track());
    color(document.track().id(), (now + 1) % TrackTraits.COLORS);
  }

  /** Moves a track to another place among the others, from 0. */
  public void move(TrackId id, int to) {
    editing.edit("Move track", s -> TrackEdits.move(s, id, to));
  }

  /** Moves the chosen track by so many places. */
  public void move(int by) {
    int at = document.song().indexOf(document.track().id());
    int to = at + by;
    if (to < 0 || to >= document.song().tracks().size()) {
      notices.tell(document.track().name() + (by < 0 ? " is the first" : " is the last"));
      return;
    }
    move(document.track().id(), to);
    tellPlace();
  }

  private void tellPlace() {
    int at = document.song().indexOf(document.track().id());
    notices.tell(
        new Notice(
            document.track().name()
                + " is track "
                + (at + 1)
                + " of "
                + document.song().tracks().size(),
            false));
  }

  /**
   * Puts another track of the same sound behind a track, with its clips or without, and chooses it.
   */
  public void duplicate(TrackId id, boolean withClips) {
    Song before = document.song();
    editing.edit("Duplicate track", s -> TrackEdits.duplicate(s, id, withClips));
    if (document.song() != before) {
      int at = document.song().indexOf(id);
      document.chooseTrack(document.song().tracks().get(at + 1).id());
      silentTracks().or(this::sharedChannel).ifPresent(t -> notices.tell(new Notice(t, true)));
    }
  }

  /** Has a track played and recorded along with the chosen one, or no longer. */
  public void arm(TrackId id) {
    change(id, "Arm ", t -> t.withArmed(!t.armed()));
  }

  public void mute(TrackId id) {
    change(id, "Mute ", t -> t.withMuted(!t.muted()));
  }

  /** Has a track heard alone, with all others that are. */
  public void solo(TrackId id) {
    change(id, "Solo ", t -> t.withSolo(!t.solo()));
  }

  /** Has a track heard alone and no other; where it is, all are heard again. */
  public void soloAlone(TrackId id) {
    Song song = document.song();
    boolean alone = song.tracks().stream().allMatch(t -> t.solo() == t.id().equals(id));
    String name = song.track(id).map(Track::name).orElse("");
    editing.edit(
        "Solo " + name,
        s ->
            s.mapTracks(
                t -> {
                  boolean on = !alone && t.id().equals(id);
                  return t.solo() == on ? t : t.withSolo(on);
                }));
  }

  private void change(TrackId id, String what, UnaryOperator<Track> change) {
    String name = document.song().track(id).map(Track::name).orElse("");
    editing.edit(what + name, s -> s.withTrack(id, change));
  }

  /** Makes a track of one group with the one before it. */
  public void group(TrackId id) {
    Song before = document.song();
    editing.edit("Group tracks", s -> TrackEdits.groupWithBefore(s, id));
    tellUnless(
        before, "A track is grouped with the one before it: there is none, or it is already");
  }

  /** Takes a track out of its group. */
  public void ungroup(TrackId id) {
    Song before = document.song();
    editing.edit("Ungroup track", s -> TrackEdits.ungroup(s, id));
    tellUnless(before, "This track is of no group");
  }

  /** Shows the group of a track as one, or its tracks apart. */
  public void fold(TrackId id) {
    Song before = document.song();
    document
        .song()
        .track(id)
        .map(Track::personal)
        .filter(TrackTraits::isGrouped)
        .ifPresent(
            t -> {
              editing.edit(
                  t.folded() ? "Unfold group" : "Fold group",
                  s -> TrackEdits.fold(s, t.group(), !t.folded()));
              chooseShown();
            });
    tellUnless(before, "This track is of no group: {track-group} makes one with the track before");
  }

  /** The chosen track is one that is shown. */
  private void chooseShown() {
    Track track = document.track();
    if (TrackEdits.isHidden(document.song(), track)) {
      String group = track.personal().group();
      document.chooseTrack(TrackEdits.group(document.song(), group).getFirst().id());
    }
  }

  private void tellUnless(Song before, String text) {
    if (document.song() == before) {
      notices.tell(text);
    }
  }

  /** Chooses the track so many behind the chosen one; hidden ones are passed. */
  public void step(int by) {
    List<Track> shown = shown(document.song());
    List<TrackId> ids = shown.stream().map(Track::id).toList();
    int to = ids.indexOf(document.track().id()) + by;
    document.chooseTrack(ids.get(Math.clamp(to, 0, ids.size() - 1)));
  }

  /** The tracks that are shown: all but those behind the first of a folded group. */
  public static List<Track> shown(Song song) {
    return song.tracks().stream().filter(t -> !TrackEdits.isHidden(song, t)).toList();
  }

  /** Has a track sound so many semitones higher than it stands. */
  public void transpose(TrackId id, int semitones) {
    int most = TrackSound.MOST_SEMITONES;
    int wanted = Math.clamp(semitones, -most, most);
    Track track = document.song().track(id).orElse(document.track());
    if (track.instrument().kit()) {
      notices.tell("The drums of a kit stay what they are: only other sounds are transposed");
      return;
    }
    editing.edit(
        "Transpose " + track.name(),
        s ->
            s.withTrack(
                id,
                t ->
                    t.sound().transpose() == wanted
                        ? t
                        : t.withSound(t.sound().withTranspose(wanted))));
  }

  /** Sends a track to a MIDI output of the system, or to the synthesizer (an empty name). */
  public void output(TrackId id, String port) {
    editing.edit(
        port.isEmpty() ? "Play here" : "Send to " + port,
        s ->
            s.withTrack(
                id,
                t -> t.sound().port().equals(port) ? t : t.withSound(t.sound().withPort(port))));
  }

  /** Gives a track another sound. */
  public void sound(TrackId id, Instrument instrument) {
    Song before = document.song();
    editing.edit(
        "Sound " + instrument.title(),
        s ->
            s.track(id).filter(t -> t.instrument().equals(instrument)).isPresent()
                ? s
                : SongEdits.setInstrument(s, id, instrument));
    if (document.song() != before) {
      taste.chose(instrument);
    }
  }
}

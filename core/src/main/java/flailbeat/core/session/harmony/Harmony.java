package flailbeat.core.session.harmony;

import flailbeat.core.edit.NoteEdits;
import flailbeat.core.harmony.Chord;
import flailbeat.core.harmony.ChordNamer;
import flailbeat.core.harmony.ChordReading;
import flailbeat.core.harmony.ChordSpan;
import flailbeat.core.harmony.KeyReading;
import flailbeat.core.harmony.SongChords;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.pitch.KeySignature;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Changes;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.document.Notices;
import flailbeat.core.session.hands.Performer;
import flailbeat.core.session.run.RunControl;
import flailbeat.core.work.Workshop;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * What is held, selected, or sounds at the playhead, by name; the chords and the key of the song.
 */
public final class Harmony {
  /** Chords of songs in which more sounds are found away from the window's thread. */
  private static final int AT_ONCE = 12_000;

  private static final int MOST_NAMES = 3;
  private static final double WORTH_A_WORD = 0.12;
  private static final int MOST_IN_A_CHORD = 24;

  private final Document document;
  private final Performer performer;
  private final RunControl runControl;
  private final Changes changes;
  private final Notices notices;
  private final Workshop workshop;
  private final SongChords chords = new SongChords();
  private Optional<Song> foundIn = Optional.empty();
  private Optional<TrackId> foundFor = Optional.empty();
  private int foundOpening;
  private SongChords.Found found = SongChords.Found.NOTHING;
  private Optional<Workshop.Job> job = Optional.empty();
  private boolean alone;

  /** Nothing is found yet: it is when it is first asked for. */
  public Harmony(
      Document document,
      Performer performer,
      RunControl runControl,
      Changes changes,
      Notices notices,
      Workshop workshop) {
    this.document = document;
    this.performer = performer;
    this.runControl = runControl;
    this.changes = changes;
    this.notices = notices;
    this.workshop = workshop;
  }

  /** Whether chords are found from the chosen track alone. */
  public boolean isOfTrackAlone() {
    return alone;
  }

  /** Finds chords from the chosen track alone, or from all. */
  public void setTrackAlone(boolean value) {
    alone = value;
    changes.fire(Aspect.CHORDS);
    notices.tell(
        value ? "Chords of " + document.track().name() + " alone" : "Chords of all tracks");
  }

  /** The chords and the key of the song as far as they are found: a large one takes a moment. */
  public SongChords.Found found() {
    Song song = document.song();
    Optional<TrackId> of = alone ? Optional.of(document.track().id()) : Optional.empty();
    boolean known = foundIn.filter(s -> s == song).isPresent() && foundFor.equals(of);
    if (!known) {
      foundIn = Optional.of(song);
      foundFor = of;
      job.ifPresent(Workshop.Job::cancel);
      job = Optional.empty();
      if (foundOpening != document.openings()) {
        // Until those of this song are found, those of another are none of its own.
        foundOpening = document.openings();
        found = SongChords.Found.NOTHING;
      }
      find(song, of);
    }
    return found;
  }

  private void find(Song song, Optional<TrackId> of) {
    if (song.soundingCount() <= AT_ONCE) {
      found = chords.find(song, of);
      return;
    }
    SongChords apart = new SongChords();
    job =
        Optional.of(
            workshop.start(
                progress -> apart.find(song, of),
                result -> {
                  found = result;
                  changes.fire(Aspect.CHORDS);
                },
                notices::mishap,
                () -> notices.tell("Left off: the chords are not known")));
  }

  /** The key that holds at the playhead: as it is written, else as it is found. */
  public Optional<KeySignature> keyHere() {
    return keyAt(runControl.playStartTicks());
  }

  /** The key that holds at a tick, likewise. */
  public Optional<KeySignature> keyAt(long tick) {
    Optional<KeySignature> written = document.song().keys().at(tick);
    return written.isPresent()
        ? written
        : foundIn
            .filter(s -> s == document.song())
            .flatMap(s -> found.keyAt(tick))
            .map(KeyReading::signature);
  }

  /** The keys that the chosen clip may be in as it sounds, the likeliest first. */
  public List<KeyReading> clipKeys() {
    List<Note> sounding = SongChords.sounding(document.song(), Optional.of(document.track().id()));
    return document
        .clip()
        .map(c -> sounding.stream().filter(n -> c.contains(n.onset())).toList())
        .map(SongChords::keys)
        .orElse(List.of());
  }

  /** What pitches may be called, the likeliest first. */
  public List<ChordReading> names(Collection<Integer> pitches) {
    return ChordNamer.names(pitches, keyHere());
  }

  /** What is held under the hands may be called. */
  public List<ChordReading> held() {
    return names(performer.hands().soundingPitches());
  }

  /** What is selected may be called; none of notes that are no single chord. */
  public List<ChordReading> selected() {
    Set<NoteId> ids = document.scope().selected().notes();
    if (ids.size() < 2 || ids.size() > MOST_IN_A_CHORD) {
      return List.of();
    }
    List<Note> notes = NoteEdits.find(document.song(), ids);
    boolean together =
        !notes.isEmpty()
            && notes.stream().mapToLong(Note::onset).max().orElseThrow()
                < notes.stream().mapToLong(Note::end).min().orElseThrow();
    return together ? names(notes.stream().map(Note::pitch).toList()) : List.of();
  }

  /** The chord at the playhead. */
  public Optional<ChordSpan> here() {
    return found().at(runControl.positionTicks()).filter(ChordSpan::hasChord);
  }

  /** Names in a line: {@code Am7 or C6/A}. */
  public static String words(List<ChordReading> readings) {
    return readings.stream()
        .filter(r -> r.share() >= WORTH_A_WORD)
        .limit(MOST_NAMES)
        .map(ChordReading::chord)
        .map(Chord::name)
        .collect(Collectors.joining(" or "));
  }
}

package flailbeat.app.shell.commands;

import static flailbeat.app.command.Command.of;

import flailbeat.app.command.Amount;
import flailbeat.app.command.Command;
import flailbeat.app.command.Command.KeyContext;
import flailbeat.app.command.Group;
import flailbeat.app.command.Need;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.sound.Mix.Dial;
import flailbeat.core.model.sound.TrackSound;
import flailbeat.core.model.track.TrackTraits;
import flailbeat.core.session.Session;
import flailbeat.core.session.tracks.SoundChooser;
import flailbeat.core.session.tracks.TrackActions;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;

/** What can be done to whole tracks, and the sounds that they get. */
public final class TrackCommands {
  /** As far as a key turns a dial. */
  private static final int STEP = 5;

  private final Session session;
  private final TrackActions tracks;
  private final Showing showing;

  /** What of the window shows tracks. */
  public interface Showing {
    /** Puts the caret where the name of the chosen track is typed. */
    void editName();

    /** Opens the strip, or puts it away. */
    void toggleStrip();

    /** Opens the list of all tracks. */
    void openList();

    /** Puts the caret where sounds are sought. */
    void searchSounds();

    /** Asks for a file with sounds. */
    void addSoundFile();
  }

  public TrackCommands(Session session, Showing showing) {
    this.session = session;
    this.tracks = session.tracks();
    this.showing = showing;
  }

  public List<Command> list() {
    List<Command> all = new ArrayList<>(whole());
    all.addAll(going());
    all.addAll(Command.under(Group.ORDER, ordering()));
    all.addAll(hearing());
    all.addAll(Command.under(Group.TONE, dials()));
    all.addAll(sounds());
    return all;
  }

  private static Command track(String id, String title, String keys, Runnable press) {
    return of(Group.TRACK, id, title, keys, press);
  }

  private Runnable chosen(Consumer<TrackId> what) {
    return () -> what.accept(session.document().track().id());
  }

  private boolean areSeveral() {
    return session.song().tracks().size() > 1;
  }

  private boolean isGrouped() {
    return session.document().track().personal().isGrouped();
  }

  private List<Command> whole() {
    return List.of(
        track("track-add", "Add a track", "Ctrl+Shift+A", tracks::addLike),
        track("track-add-kit", "Add a track with a drum kit", "", tracks::addKit),
        track("track-rename", "Name the track", "Alt+Shift+N", showing::editName),
        track(
            "track-duplicate",
            "Duplicate the track with its clips",
            "Alt+Shift+D",
            chosen(id -> tracks.duplicate(id, true))),
        track(
            "track-duplicate-empty",
            "Duplicate the track without clips",
            "",
            chosen(id -> tracks.duplicate(id, false))),
        track("track-remove", "Remove the track", "Alt+Shift+Delete", tracks::remove)
            .when(Need.of(this::areSeveral, "there is one track: add another first")));
  }

  private List<Command> going() {
    return List.of(
        track("track-list", "Find a track", "Ctrl+H", showing::openList),
        track("track-previous", "Go to the track before", "Page Up", () -> tracks.step(-1)),
        track("track-next", "Go to the track after", "Page Down", () -> tracks.step(1)));
  }

  private List<Command> ordering() {
    return List.of(
        track("track-color-next", "The next colour for the track", "", tracks::nextColor),
        track(
                "track-earlier",
                "Move the track a place forward",
                "Alt+Shift+Page Up",
                () -> tracks.move(-1))
            .when(Need.of(this::areSeveral, "there is one track: add another first")),
        track(
                "track-later",
                "Move the track a place back",
                "Alt+Shift+Page Down",
                () -> tracks.move(1))
            .when(Need.of(this::areSeveral, "there is one track: add another first")),
        track("track-group", "Group the track with the one before", "", chosen(tracks::group))
            .when(Need.of(this::areSeveral, "there is one track: add another first")),
        track("track-ungroup", "Take the track out of its group", "", chosen(tracks::ungroup))
            .when(Need.of(this::isGrouped, "the track is in no group")),
        track(
                "track-fold",
                "Show the group of the track as one, or its tracks",
                "",
                chosen(tracks::fold))
            .when(Need.of(this::isGrouped, "the track is in no group")));
  }

  private List<Command> hearing() {
    return List.of(
        track(
            "track-arm",
            "Play and record the track along with the chosen one",
            "",
            chosen(tracks::arm)),
        track("mute", "Mute the track", "Alt+Shift+M", chosen(tracks::mute))
            .plain("M")
            .onCap("mute"),
        track(
                "solo",
                "Hear this track alone, with others that are",
                "Alt+Shift+O",
                chosen(tracks::solo))
            .plain("S")
            .onCap("solo"),
        track("solo-alone", "Hear this track alone and no other", "", chosen(tracks::soloAlone)));
  }

  private List<Command> dials() {
    List<Command> all = new ArrayList<>();
    all.add(
        track(
            "track-strip",
            "The strip of the track: level, pan, tone",
            "Ctrl+G",
            showing::toggleStrip));
    all.add(step("track-louder", "Track louder", "Alt+Shift+=", Dial.LEVEL, STEP));
    all.add(step("track-softer", "Track softer", "Alt+Shift+-", Dial.LEVEL, -STEP));
    all.add(step("track-left", "Track further left", "", Dial.PAN, -STEP));
    all.add(step("track-right", "Track further right", "", Dial.PAN, STEP));
    for (Dial dial : Dial.values()) {
      all.add(dial(dial));
    }
    Amount transpose =
        NoteCommands.amount(
            session, "track-transpose", -TrackSound.MOST_SEMITONES, TrackSound.MOST_SEMITONES, 0);
    all.add(
        track(
                "track-transpose",
                "Track sounds # semitones higher",
                "",
                () -> tracks.transpose(track().id(), transpose.now().getAsInt()))
            .by(transpose));
    Amount color = NoteCommands.amount(session, "track-color", 1, TrackTraits.COLORS, 1);
    all.add(
        track(
                "track-color",
                "Colour # for the track",
                "",
                () -> tracks.color(track().id(), color.now().getAsInt() - 1))
            .by(color));
    return all;
  }

  private Command step(String id, String title, String keys, Dial dial, int by) {
    return track(id, title, keys, () -> session.dials().step(dial, by)).repeating();
  }

  private Command dial(Dial dial) {
    String id = "track-" + dial.name().toLowerCase(Locale.ROOT);
    Amount amount = NoteCommands.amount(session, id, 0, 127, dial.controller().atRest());
    return track(
            id,
            "Track " + dial.title().toLowerCase(Locale.ROOT) + " #",
            "",
            () -> session.dials().set(track().id(), dial, amount.now().getAsInt()))
        .by(amount);
  }

  private Track track() {
    return session.document().track();
  }

  private List<Command> sounds() {
    SoundChooser sounds = session.sounds();
    return List.of(
        sound("sound-choose", "Choose a sound for the track", "Ctrl+B", sounds::open),
        sound("sound-previous", "The sound before", "Alt+Up", () -> sounds.stepSound(-1))
            .repeating(),
        sound("sound-next", "The sound after", "Alt+Down", () -> sounds.stepSound(1)).repeating(),
        sound(
            "reach-to-sound",
            "Take the keys to where there is sound",
            "Alt+Shift+Home",
            session.soundedKeys()::reachToSound),
        sound("sound-file-add", "Add a file with sounds of your own", "", showing::addSoundFile),
        chooser("sounds-up", "The sound above", "Up", () -> sounds.step(-1)).repeating(),
        chooser("sounds-down", "The sound below", "Down", () -> sounds.step(1)).repeating(),
        chooser(
                "sounds-family-up",
                "The family above",
                "Left or Page Up",
                () -> sounds.stepFamily(-1))
            .repeating(),
        chooser(
                "sounds-family-down",
                "The family below",
                "Right or Page Down",
                () -> sounds.stepFamily(1))
            .repeating(),
        chooser("sounds-search", "Search the sounds", "Ctrl+F", showing::searchSounds),
        chooser("sounds-hear", "Hear the track's last phrase", "Shift+Enter", sounds::hearPhrase),
        chooser("sounds-favourite", "A favourite, or no longer", "Ctrl+D", sounds::toggleFavourite),
        chooser("sounds-keep", "Keep the sound", "Enter", sounds::keep)
            .when(Need.of(sounds::isOpen, "choose a sound first")),
        chooser("sounds-leave", "Leave the track its sound", "Esc", sounds::cancel)
            .when(Need.of(sounds::isOpen, "choose a sound first")));
  }

  private static Command sound(String id, String title, String keys, Runnable press) {
    return of(Group.SOUND, id, title, keys, press);
  }

  private static Command chooser(String id, String title, String keys, Runnable press) {
    return sound(id, title, keys, press).in(KeyContext.SOUNDS);
  }
}

package flailbeat.app.view;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.Hints;
import flailbeat.audio.sound.Sound;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.session.Aspect;
import flailbeat.core.session.Session;
import java.util.List;
import java.util.function.UnaryOperator;
import javafx.css.PseudoClass;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.shape.Circle;

/** One tab for each track: its colour, name and sound; whether it is armed, mute or solo. */
public final class TrackTabs extends HBox {
  private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");

  private final Session session;
  private List<Track> shown = List.of();

  public TrackTabs(Session session) {
    this.session = session;
    getStyleClass().add("tabs");
    session
        .changes()
        .listen(
            change -> {
              if (change.isOf(Aspect.SONG, Aspect.CHOICE)) {
                refresh();
              }
            });
    refresh();
  }

  private void refresh() {
    List<Track> tracks = session.song().tracks().stream().map(t -> t.withClips(List.of())).toList();
    if (!tracks.equals(shown)) {
      shown = tracks;
      getChildren().clear();
      for (int i = 0; i < tracks.size(); i++) {
        getChildren().add(tab(tracks.get(i), i));
      }
      var add = Buttons.text("+ Track", "Add a track", this::addTrack);
      add.setId("add-track");
      add.getStyleClass().add("quiet");
      getChildren().add(add);
    }
    for (int i = 0; i < shown.size(); i++) {
      boolean chosen = shown.get(i).id().equals(session.document().track().id());
      getChildren().get(i).pseudoClassStateChanged(CHOSEN, chosen);
    }
  }

  private void addTrack() {
    session.editing().addTrack(Sound.ACOUSTIC_PIANO.instrument());
  }

  private HBox tab(Track track, int index) {
    Label name = new Label(track.name());
    name.getStyleClass().add("track-name");
    name.setMaxWidth(130);
    name.setMinWidth(USE_PREF_SIZE);
    ToggleButton arm =
        toggle(
            "\u25CF",
            "arm",
            "Armed: played and recorded along with the chosen track",
            track.armed());
    arm.setOnAction(e -> change(track, "Arm " + track.name(), t -> t.withArmed(!t.armed())));
    ToggleButton mute = toggle("M", "mute", "Mute", track.muted());
    mute.setOnAction(e -> change(track, "Mute " + track.name(), t -> t.withMuted(!t.muted())));
    ToggleButton solo = toggle("S", "solo", "Solo: only soloed tracks sound", track.solo());
    solo.setOnAction(e -> change(track, "Solo " + track.name(), t -> t.withSolo(!t.solo())));
    HBox tab =
        new HBox(new Circle(5, TrackColors.of(index)), name, soundMenu(track), arm, mute, solo);
    tab.getStyleClass().add("track-tab");
    tab.setId("track-tab-" + (index + 1));
    tab.addEventHandler(MouseEvent.MOUSE_PRESSED, e -> session.document().chooseTrack(track.id()));
    return tab;
  }

  private static ToggleButton toggle(String text, String style, String hint, boolean on) {
    ToggleButton button = Buttons.toggle(text, hint);
    button.getStyleClass().addAll("tab-switch", style);
    button.setSelected(on);
    return button;
  }

  private MenuButton soundMenu(Track track) {
    MenuButton menu = new MenuButton(Sound.playing(track.instrument()).title());
    menu.getStyleClass().addAll("quiet", "small");
    menu.setFocusTraversable(false);
    menu.setMinWidth(36);
    Hints.on(menu, "The sound that " + track.name() + " plays with");
    for (Sound sound : Sound.values()) {
      MenuItem item = new MenuItem(sound.title());
      item.setOnAction(
          e -> {
            session.document().chooseTrack(track.id());
            session
                .editing()
                .edit(
                    "Sound " + sound.title(),
                    s -> SongEdits.setInstrument(s, track.id(), sound.instrument()));
          });
      menu.getItems().add(item);
    }
    return menu;
  }

  private void change(Track track, String label, UnaryOperator<Track> change) {
    UnaryOperator<Song> edit = song -> song.withTrack(track.id(), change);
    session.editing().edit(label, edit);
    shown = List.of();
    refresh();
  }
}

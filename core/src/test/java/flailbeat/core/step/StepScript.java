package flailbeat.core.step;

import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Keys as a person presses them, a word each: {@code D4} a note key pressed and let go, {@code +D4}
 * down, {@code -D4} up, {@code >} advance, {@code <} back, {@code /8} a length key, {@code .} dot,
 * {@code t} triplet, {@code [} shorter, {@code ]} longer, {@code bs} remove, {@code rep} repeat the
 * last step, {@code ~} tie; {@code x3} presses the word before it three times in all.
 */
final class StepScript {
  private static final String[] NAMES = {
    "C", "C#", "D", "D#", "E", "F", "F#", "G", "G#", "A", "A#", "B"
  };
  private static final int VELOCITY = 80;

  Song song;
  StepState state;
  Optional<TickRange> loop = Optional.empty();
  final List<String> remarks = new ArrayList<>();
  int presses;

  StepScript() {
    this(Song.empty(), StepSettings.standard());
  }

  StepScript(Song song, StepSettings settings) {
    this.song = song;
    state = StepState.at(settings, 0, song.tracks().get(0).id());
  }

  StepScript set(StepSettings settings) {
    state = state.with(settings);
    return this;
  }

  StepScript press(String keys) {
    String before = "";
    for (String key : keys.strip().split("\\s+")) {
      if (key.matches("x\\d+")) {
        for (int i = 1; i < Integer.parseInt(key.substring(1)); i++) {
          one(before);
        }
      } else {
        one(key);
        before = key;
      }
    }
    return this;
  }

  private void one(String key) {
    presses += key.startsWith("-") ? 0 : 1;
    switch (key.charAt(0)) {
      case '+' -> state = machine().press(pitch(key.substring(1)), VELOCITY);
      case '-' -> take(machine().release(pitch(key.substring(1))));
      case '>' -> take(machine().advance());
      case '<' -> take(machine().back());
      case '/' -> take(machine().length(StepLength.of(Integer.parseInt(key.substring(1)))));
      case '.' -> take(machine().change(StepLength::dotted));
      case 't' -> take(machine().change(StepLength::triplet));
      case '[' -> take(machine().change(StepLength::shorter));
      case ']' -> take(machine().change(StepLength::longer));
      case 'b' -> take(machine().remove());
      case 'r' -> take(machine().repeatLast());
      case '~' -> take(machine().tie());
      default -> {
        state = machine().press(pitch(key), VELOCITY);
        take(machine().release(pitch(key)));
      }
    }
  }

  StepMachine machine() {
    return new StepMachine(state, around());
  }

  private StepAround around() {
    return new StepAround(song, track(), loop);
  }

  TrackId track() {
    return song.tracks().get(0).id();
  }

  void take(StepResult result) {
    state = result.state();
    result.edit().ifPresent(e -> song = e.apply(song));
    result.remark().ifPresent(remarks::add);
  }

  String says() {
    return new StepWords(state, around()).next();
  }

  List<Note> notes() {
    return song.tracks().get(0).notes();
  }

  /** Every note as {@code onset name length}, in order. */
  List<String> lines() {
    return notes().stream().map(n -> n.onset() + " " + name(n.pitch()) + " " + n.length()).toList();
  }

  long cursor() {
    return state.place().cursorTick();
  }

  static String name(int pitch) {
    return NAMES[pitch % 12] + (pitch / 12 - 1);
  }

  static int pitch(String name) {
    int octave = Character.digit(name.charAt(name.length() - 1), 10);
    return List.of(NAMES).indexOf(name.substring(0, name.length() - 1)) + 12 * (octave + 1);
  }
}

package flailbeat.core.model.sound;

/** Prints the names of General MIDI's programs with their families, a line each. */
public final class NamesReport {
  private NamesReport() {}

  public static void main(String[] args) {
    for (int program = 0; program < GeneralMidi.PROGRAMS; program++) {
      System.out.println(
          GeneralMidi.title(program)
              + "\t"
              + GeneralMidi.families().get(GeneralMidi.family(program)));
    }
  }
}

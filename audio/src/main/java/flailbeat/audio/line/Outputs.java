package flailbeat.audio.line;

import java.util.List;

/** The devices that sound can go to. */
public interface Outputs {
  /** The name of whichever device the system prefers. */
  String DEFAULT = "";

  /** The names of those that are there now. May take a while. */
  List<String> names();

  /**
   * Opens a device.
   *
   * @param name one of {@link #names()}, or {@link #DEFAULT}
   * @param bufferBytes how much it holds before it is heard
   * @throws LineLost with the reason, when it is not there or is taken
   */
  OutputLine open(String name, int bufferBytes) throws LineLost;
}

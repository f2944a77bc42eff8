package flailbeat.app.view.page;

/** Keeps what is on the shelf in files. */
public interface ShelfFiles {
  /** Where they are, in words. */
  String place();

  /**
   * Keeps the clips that are meant under a name.
   *
   * @throws IllegalArgumentException for a name that cannot be one, with a message fit for the
   *     person who typed it
   */
  void put(String name);

  /** Takes something off the shelf; its file is put aside. */
  void takeOff(String name);

  /** Reads the folder anew. */
  void lookAgain();
}

package flailbeat.core.journal;

/** How kinds of entries are marked on the disk. */
final class EntryType {
  static final int OPENED = 1;
  static final int DID = 2;
  static final int UNDONE = 3;
  static final int REDONE = 4;
  static final int NAMED = 5;
  static final int SAVED = 6;
  static final int UNSAVED = 7;
  static final int PLAYED = 8;
  static final int RECORDING_BEGAN = 9;
  static final int RECORDING_AT = 10;
  static final int PASSES_OVER = 11;
  static final int PASS_DROPPED = 12;
  static final int PUT_ASIDE = 13;
  static final int ENDED = 14;
  static final int RESUMED = 15;

  static final int NOTE_ON = 1;
  static final int NOTE_OFF = 2;
  static final int CONTROL = 3;
  static final int BEND = 4;
  static final int PRESSURE = 5;

  private EntryType() {}
}

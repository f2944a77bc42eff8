package flailbeat.app.shell;

import flailbeat.core.files.SongFiles;
import flailbeat.core.session.document.Document;

/** What stands in the window's title: the song, its file where that is called otherwise. */
final class WindowTitle {
  private WindowTitle() {}

  static String of(Document document) {
    String title = document.song().title();
    // Where two files hold songs of one name, they are told apart by theirs.
    String file =
        document
            .file()
            .filter(f -> !SongFiles.titleOf(f).equals(title))
            .map(f -> " (" + f.getFileName() + ")")
            .orElse("");
    return title
        + file
        + (document.isReadOnly() ? ", read only" : "")
        + (document.hasUnsavedWork() ? " *" : "")
        + " - Flailbeat";
  }
}

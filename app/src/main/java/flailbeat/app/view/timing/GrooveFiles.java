package flailbeat.app.view.timing;

/** Opens and saves the groove in force. */
public interface GrooveFiles {
  void openGroove();

  void saveGroove();
}

package flailbeat.app.view.page;

/** Takes in chores that were handed on, and hands on the person's own. */
public interface ChoreFiles {
  void importChores();

  void exportChores();
}

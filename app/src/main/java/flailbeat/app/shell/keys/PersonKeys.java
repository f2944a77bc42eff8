package flailbeat.app.shell.keys;

import flailbeat.app.command.Commands;
import flailbeat.core.session.Session;
import java.util.List;
import java.util.Map;

/** Puts the person's own keys in force; what cannot be is told, and kept as it is. */
public final class PersonKeys {
  private final Session session;
  private final Commands commands;
  private Map<String, List<String>> inForce = Map.of();

  public PersonKeys(Session session, Commands commands) {
    this.session = session;
    this.commands = commands;
  }

  /** Takes the keys that the person wants now. */
  public void take() {
    Map<String, List<String>> wanted = session.person().keySets().inForce();
    if (wanted.equals(inForce)) {
      return;
    }
    inForce = wanted;
    try {
      List<String> left = commands.setKeys(wanted);
      if (!left.isEmpty()) {
        String more = left.size() == 1 ? "" : " (and " + (left.size() - 1) + " more)";
        session.notices().warn("Of your keys something is left out: " + left.get(0) + more);
      }
    } catch (IllegalArgumentException e) {
      commands.setKeys(Map.of());
      session.notices().warn("The keys are as they came. " + e.getMessage());
    }
  }
}

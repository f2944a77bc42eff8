package flailbeat.core.edit;

import flailbeat.core.model.control.Control;

/**
 * A control point to be added: one that has no id yet.
 *
 * @param tick in song time
 */
public record NewControl(long tick, Control control) {}

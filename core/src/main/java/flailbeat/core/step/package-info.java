/**
 * Entering a part one step at a time, out of time: what each key does, as a machine of immutable
 * states.
 */
package flailbeat.core.step;

/**
 * Chores: one command over many notes, worked out before it is done, so that it can be seen first.
 */
package flailbeat.core.chore;

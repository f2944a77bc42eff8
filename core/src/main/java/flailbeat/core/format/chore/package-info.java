/** Files of chores, to be handed on. */
package flailbeat.core.format.chore;

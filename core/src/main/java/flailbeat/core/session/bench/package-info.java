/** The commands of the bench: notes, steps, lanes, rows and lists of the chosen track. */
package flailbeat.core.session.bench;

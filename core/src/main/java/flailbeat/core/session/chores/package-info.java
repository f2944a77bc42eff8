/** One command over many notes, shown before it is done. */
package flailbeat.core.session.chores;

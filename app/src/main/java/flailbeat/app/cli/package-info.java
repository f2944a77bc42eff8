/** The command line: needs no display and starts no JavaFX. */
package flailbeat.app.cli;

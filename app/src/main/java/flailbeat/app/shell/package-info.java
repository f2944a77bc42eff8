/** The window as a whole: its start, its keys, its files. */
package flailbeat.app.shell;

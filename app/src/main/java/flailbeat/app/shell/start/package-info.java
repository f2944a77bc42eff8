/** What a start does before and beside the window: measured, rehearsed, where it was left, logs. */
package flailbeat.app.shell.start;

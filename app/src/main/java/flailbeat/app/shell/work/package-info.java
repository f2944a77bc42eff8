/** What is done beside the window's thread. */
package flailbeat.app.shell.work;

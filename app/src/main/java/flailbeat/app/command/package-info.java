/** Commands: what can be done, by which key, and when. */
package flailbeat.app.command;

/** Who gets a key, and how keys are found and shown. */
package flailbeat.app.shell.keys;

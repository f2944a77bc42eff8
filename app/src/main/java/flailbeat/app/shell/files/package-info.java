/** Opening and saving, what is asked of the person, and settings. */
package flailbeat.app.shell.files;

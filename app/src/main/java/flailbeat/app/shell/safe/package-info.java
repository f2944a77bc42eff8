/** What keeps work from being lost: journals, versions, files that others have too. */
package flailbeat.app.shell.safe;

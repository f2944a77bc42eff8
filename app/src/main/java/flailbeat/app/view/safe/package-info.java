/** What was lost or saved before, to look at and bring back. */
package flailbeat.app.view.safe;

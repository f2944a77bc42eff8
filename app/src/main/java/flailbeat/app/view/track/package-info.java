/** The tracks: their tabs, the strip that opens from one, the list of all. */
package flailbeat.app.view.track;

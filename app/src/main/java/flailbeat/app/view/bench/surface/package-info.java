/** What of the song is in sight, and how places stand for times and pitches. */
package flailbeat.app.view.bench.surface;

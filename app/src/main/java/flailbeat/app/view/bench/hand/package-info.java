/** The mouse on the song: what it takes hold of, what hangs on it, and what comes of it. */
package flailbeat.app.view.bench.hand;

/**
 * The one thing that changes: which song is open, what is chosen, what plays and records. The
 * window and the tests drive it; it lives on one thread.
 */
package flailbeat.core.session;

/** What is done to whole tracks, and which sounds they get. */
package flailbeat.core.session.tracks;

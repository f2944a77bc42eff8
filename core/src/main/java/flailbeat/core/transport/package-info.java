/** Where the song is: stopped, counting in, playing or recording. */
package flailbeat.core.transport;

/** Which formats of songs there are. */
package flailbeat.app.formats;

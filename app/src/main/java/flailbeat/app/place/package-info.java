/** Where things are kept on this machine. */
package flailbeat.app.place;

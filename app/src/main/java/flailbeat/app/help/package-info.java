/** The help texts, read from the same files as the documents. */
package flailbeat.app.help;
